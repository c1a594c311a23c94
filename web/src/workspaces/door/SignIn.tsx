import { useState } from "react";
import { api } from "../../domain/api";
import type { Session } from "../../domain/types";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";
import { Door, DoorRefused } from "./Door";
import { HandOver } from "./HandOver";
import { useSigningIn } from "./useSigningIn";

/** Who is there: on a shop tablet by name and PIN, elsewhere by name and password. */
export function SignIn({ session }: { session: Session }) {
  const [byPassword, setByPassword] = useState<string>();
  if (session.tablet && byPassword === undefined)
    return <HandOver tablet={session.tablet} onPassword={setByPassword} />;
  return (
    <ByPassword
      session={session}
      name={byPassword ?? ""}
      back={session.tablet ? () => setByPassword(undefined) : undefined}
    />
  );
}

interface Props {
  session: Session;
  name: string;
  back: (() => void) | undefined;
}

function ByPassword({ session, name: known, back }: Props) {
  const { attempt, busy, refused } = useSigningIn();
  const [name, setName] = useState(known);
  const [password, setPassword] = useState("");
  return (
    <Door title={say("signIn")}>
      <p className="text-soft">{say("whoWhy")}</p>
      <form
        className="grid gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void attempt(() => api.signIn(name, password));
        }}
      >
        <TextField
          label={say("signInName")}
          name="username"
          autoComplete="username"
          autoCapitalize="words"
          required
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <TextField
          label={say("signInPassword")}
          name="password"
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <DoorRefused message={refused} />
        <Button type="submit" filled large disabled={busy}>
          {say(busy ? "signingIn" : "signIn")}
        </Button>
      </form>
      {back && <Button onClick={back}>{say("signInByPin")}</Button>}
      {session.ownerMissing && <p className="text-soft">{say("ownerMissing")}</p>}
    </Door>
  );
}
