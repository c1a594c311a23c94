import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../domain/api";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/States";
import { TextField } from "../../ui/TextField";
import { Door, DoorRefused } from "./Door";
import { useSigningIn } from "./useSigningIn";

/** Where a link leads by which somebody sets a password; the token stands behind the hash, so that no server logs it. */
export function Welcome() {
  const token = window.location.hash.slice(1);
  const whose = useQuery({ queryKey: ["session", "link", token], queryFn: () => api.whoseLink(token), retry: false });
  if (whose.error) return <Failed error={whose.error} again={() => window.location.assign("/")} />;
  if (!whose.data) return <Loading />;
  return <SetPassword token={token} known={whose.data.name} />;
}

function SetPassword({ token, known }: { token: string; known: string | undefined }) {
  const { attempt, busy, refused } = useSigningIn();
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const set = async () => {
    const begun = await attempt(() => api.setPassword(token, password, known === undefined ? name : undefined));
    if (begun) window.location.assign(known === undefined ? "/people" : "/");
  };
  return (
    <Door title={known === undefined ? say("ownerTitle") : say("welcomeTitle", { name: known })}>
      <p className="text-soft">{say(known === undefined ? "ownerWhy" : "welcomeWhy")}</p>
      <form
        className="grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void set();
        }}
      >
        {known === undefined ? (
          <TextField
            label={say("signInName")}
            hint={say("ownerNameHint")}
            autoComplete="name"
            required
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        ) : (
          <input type="text" hidden readOnly autoComplete="username" value={known} />
        )}
        <TextField
          label={say("newPassword")}
          hint={say("passwordHint")}
          type="password"
          autoComplete="new-password"
          required
          minLength={10}
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <DoorRefused message={refused} />
        <Button type="submit" filled large disabled={busy}>
          {say("setPassword")}
        </Button>
      </form>
    </Door>
  );
}
