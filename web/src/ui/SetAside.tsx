import { useState } from "react";
import { useSettings } from "../domain/settings";
import { say } from "../domain/words";
import { Button } from "./Button";
import { Choice } from "./Choice";
import { Dialog } from "./Dialog";

interface Props {
  open: boolean;
  procedureId: string;
  refused: string;
  onClose: () => void;
  onSetAside: (why: string) => void;
}

/** A test cannot be done here: why, and the plan goes round it. */
export function SetAside({ open, procedureId, refused, onClose, onSetAside }: Props) {
  const { word } = useSettings();
  const [why, setWhy] = useState("");
  return (
    <Dialog open={open} onClose={onClose} title={word(`test.${procedureId}`)}>
      <p className="mb-3 text-lg">{say("setAsideWhy")}</p>
      <Choice
        large
        label={say("setAsideWhy")}
        value={why}
        onChange={setWhy}
        options={say("setAsideReasons")
          .split("|")
          .map((reason) => ({ value: reason, text: reason }))}
      />
      {refused && (
        <p role="alert" className="my-2 border-2 border-danger p-2">
          {refused}
        </p>
      )}
      <Button filled large className="mt-4" disabled={why === ""} onClick={() => onSetAside(why)}>
        {say("cannotHere")}
      </Button>
    </Dialog>
  );
}
