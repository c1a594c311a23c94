import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../domain/api";
import { say } from "../domain/words";
import { Button } from "./Button";
import { Dialog } from "./Dialog";
import { TextField } from "./TextField";

/** One's own PIN for shop tablets, or another password, shown to be oneself by the present one. */
export function OwnSecrets({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [password, setPassword] = useState("");
  const [newPin, setNewPin] = useState("");
  const [newPassword, setNewPassword] = useState("");
  const change = useMutation({
    mutationFn: () =>
      api.changeSecrets({
        password,
        ...(newPin === "" ? {} : { newPin }),
        ...(newPassword === "" ? {} : { newPassword }),
      }),
    onSuccess: onClose,
  });
  return (
    <Dialog open={open} onClose={onClose} title={say("ownSecrets")}>
      <form
        className="grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          change.mutate();
        }}
      >
        <TextField
          label={say("presentPassword")}
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <TextField
          label={say("newPin")}
          hint={say("pinHint")}
          type="password"
          inputMode="numeric"
          autoComplete="off"
          value={newPin}
          onChange={(e) => setNewPin(e.target.value)}
        />
        <TextField
          label={say("newPasswordIfAny")}
          hint={say("passwordHint")}
          type="password"
          autoComplete="new-password"
          value={newPassword}
          onChange={(e) => setNewPassword(e.target.value)}
        />
        {change.error && (
          <p role="alert" className="border-2 border-danger p-2">
            {told(change.error)}
          </p>
        )}
        <Button type="submit" filled large disabled={change.isPending || (newPin === "" && newPassword === "")}>
          {say("keepSecrets")}
        </Button>
      </form>
    </Dialog>
  );
}
