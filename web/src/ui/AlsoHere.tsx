import { useSettings } from "../domain/settings";
import { usePresence } from "../domain/usePresence";
import { say } from "../domain/words";
import { Tag } from "./TopStrip";

/** Who else has this job open just now, and at which test. */
export function AlsoHere({ jobId, procedureId }: { jobId: string; procedureId?: string }) {
  const { person, personId, word } = useSettings();
  const others = usePresence(jobId, procedureId).filter((other) => other.personId !== personId);
  const told = others.map((other) =>
    other.doing === undefined
      ? person(other.personId)
      : say("alsoDoing", { name: person(other.personId), test: word(`test.${other.doing}`) }),
  );
  return (
    <span role="status">
      {told.length > 0 && <Tag tone="cool">{say("alsoAtIt", { names: [...new Set(told)].join(", ") })}</Tag>}
    </span>
  );
}
