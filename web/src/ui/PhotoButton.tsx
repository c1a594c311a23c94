import { useState } from "react";
import { NoPicture, smallPicture } from "../domain/picture";
import { useWrite } from "../domain/useOutbox";
import { say } from "../domain/words";
import { Button } from "./Button";
import { Dialog } from "./Dialog";
import { FileButton } from "./FileButton";

/** What is refused before it is looked at: no phone takes such a picture. */
const MOST_BYTES = 100 * 1024 * 1024;

interface Props {
  jobId: string;
  procedureId?: string;
  large?: boolean;
}

/** Takes a picture into the log of a job, with what it shows. */
export function PhotoButton({ jobId, procedureId, large = false }: Props) {
  const [chosen, setChosen] = useState<File>();
  const [kept, setKept] = useState(false);
  return (
    <>
      <FileButton
        large={large}
        label={say("photoTake")}
        accept="image/jpeg,image/png,image/webp"
        onFile={(file) => {
          setKept(false);
          setChosen(file);
        }}
      />
      <span role="status" className="sr-only">
        {kept && say("photoKept")}
      </span>
      {chosen && (
        <Keep
          jobId={jobId}
          procedureId={procedureId}
          file={chosen}
          onClose={() => setChosen(undefined)}
          onKept={() => {
            setKept(true);
            setChosen(undefined);
          }}
        />
      )}
    </>
  );
}

interface KeepProps {
  jobId: string;
  procedureId: string | undefined;
  file: File;
  onClose: () => void;
  onKept: () => void;
}

/** The picture before it is kept: looked at, and said what it shows. */
function Keep({ jobId, procedureId, file, onClose, onKept }: KeepProps) {
  const write = useWrite(jobId);
  const [caption, setCaption] = useState("");
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState(file.size > MOST_BYTES ? say("photoTooLarge") : "");
  const [address] = useState(() => URL.createObjectURL(file));
  const [entryId] = useState(() => crypto.randomUUID());
  const keep = async () => {
    setBusy(true);
    try {
      const image = await smallPicture(file);
      const said = { image, caption: caption.trim(), ...(procedureId === undefined ? {} : { procedureId }) };
      await write("photos", said, entryId);
      URL.revokeObjectURL(address);
      onKept();
    } catch (e) {
      setRefused(e instanceof NoPicture ? say("photoNone") : (e as Error).message);
      setBusy(false);
    }
  };
  return (
    <Dialog open onClose={onClose} title={say("photo")}>
      <div className="grid gap-4">
        <img src={address} alt={say("photo")} className="max-h-[50dvh] justify-self-center border border-rule" />
        <label className="grid gap-1">
          <span>{say("photoCaption")}</span>
          <input
            value={caption}
            maxLength={200}
            onChange={(e) => setCaption(e.target.value)}
            className="min-h-14 border-2 border-ink px-3 text-lg"
          />
        </label>
        {refused && (
          <p role="alert" className="border-2 border-danger p-2">
            {refused}
          </p>
        )}
        <Button filled large disabled={busy || file.size > MOST_BYTES} onClick={() => void keep()}>
          {say(busy ? "loading" : "photoKeep")}
        </Button>
      </div>
    </Dialog>
  );
}
