import { useState } from "react";
import { Link } from "react-router";
import { api, told } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Job, Test, TestShown } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import type { useRunner } from "./useRunner";

/** In an exercise: the vehicle does the test as its steps say, or one's own hands do it there. */
export function FromVehicle({ runner, test, job }: { runner: ReturnType<typeof useRunner>; test: Test; job: Job }) {
  const { word } = useSettings();
  const { draft, change } = runner;
  const [shown, setShown] = useState<TestShown>();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState("");
  const done = async () => {
    setBusy(true);
    try {
      const now = await api.rigTest(job.id, {
        entryId: crypto.randomUUID(),
        procedureId: test.id,
        anotherRig: draft.newRig ?? false,
      });
      setShown(now);
      setRefused("");
      change({
        restText: "",
        observed: now.observed ?? draft.observed,
        texts: Object.fromEntries(now.figures.map((f) => [f.id, f.text])),
        units: Object.fromEntries(now.figures.map((f) => [f.id, f.unit])),
      });
    } catch (e) {
      setRefused(told(e as Error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-label={say("practiceVehicle")} className="practice-band grid gap-3 py-3 pr-3">
      <div className="flex flex-wrap gap-3">
        <Button large disabled={busy} onClick={() => void done()}>
          {say(busy ? "practiceTesting" : shown ? "practiceTestAgain" : "practiceTest")}
        </Button>
        <Link to={`/practice/${job.id}?for=${test.id}`} className="grid min-h-16 place-items-center underline">
          {say("practiceByHand")}
        </Link>
      </div>
      {shown && (
        <p role="status">
          {say("practiceShowed", {
            what:
              shown.observed === undefined
                ? shown.figures.map((f) => `${f.text} ${f.unit}`).join(", ")
                : word(shown.observed === "not-seen" ? "option.not-seen" : `option.${test.id}.${shown.observed}`),
          })}{" "}
          {say("practiceRigCheck", { check: word(`rig.${shown.rigCheck}`) })}
        </p>
      )}
      {refused !== "" && <p role="alert">{refused}</p>}
    </section>
  );
}
