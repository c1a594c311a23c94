import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../../domain/api";
import { known, say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";

const SCOPES = ["rechecks", "readings"];

/** What scripts and calendars sign in with: made for one purpose, shown once, withdrawn by hand. */
export function Tokens() {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ["people", "tokens"] });
  const tokens = useQuery({ queryKey: ["people", "tokens"], queryFn: api.tokens });
  const [name, setName] = useState("");
  const [scope, setScope] = useState("rechecks");
  const make = useMutation({
    mutationFn: () => api.makeToken(name, [scope]),
    onSuccess: () => {
      setName("");
      return again();
    },
  });
  const withdraw = useMutation({ mutationFn: api.withdrawToken, onSettled: again });
  return (
    <section aria-labelledby="tokens" className="grid gap-3">
      <h2 id="tokens" className="text-2xl font-semibold">
        {say("tokensTitle")}
      </h2>
      <p className="text-soft">{say("tokensWhy")}</p>
      {make.data && <Shown scopes={make.data.token.scopes} text={make.data.text} />}
      <ul className="grid gap-2">
        {tokens.data
          ?.filter((token) => !token.withdrawn)
          .map((token) => (
            <li key={token.id} className="flex flex-wrap items-center gap-3 border-2 border-ink bg-panel p-3">
              <p className="flex-1">
                <span className="text-lg font-semibold">{token.name}</span>{" "}
                <span className="text-soft">{token.scopes.map((one) => known(`scope.${one}`)).join(", ")}</span>
              </p>
              <Button disabled={withdraw.isPending} onClick={() => withdraw.mutate(token.id)}>
                {say("withdrawToken")}
              </Button>
            </li>
          ))}
      </ul>
      <form
        className="flex flex-wrap items-end gap-3 border-2 border-dashed border-rule p-3"
        onSubmit={(e) => {
          e.preventDefault();
          make.mutate();
        }}
      >
        <div className="min-w-52 flex-1">
          <TextField label={say("tokenName")} required value={name} onChange={(e) => setName(e.target.value)} />
        </div>
        <label className="grid gap-1">
          <span className="caps">{say("tokenOpens")}</span>
          <select
            value={scope}
            onChange={(e) => setScope(e.target.value)}
            className="min-h-14 border-2 border-ink px-2"
          >
            {SCOPES.map((one) => (
              <option key={one} value={one}>
                {known(`scope.${one}`)}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit" large disabled={make.isPending}>
          {say("makeToken")}
        </Button>
        {make.error && (
          <p role="alert" className="w-full border-2 border-danger p-2">
            {told(make.error)}
          </p>
        )}
      </form>
    </section>
  );
}

/** A token that was just made, with the address it opens. */
function Shown({ scopes, text }: { scopes: string[]; text: string }) {
  const feed = scopes.includes("rechecks") ? "rechecks.ics" : "readings";
  return (
    <div role="status" className="grid gap-2 border-2 border-caution bg-caution-ground p-3">
      <p className="font-semibold">{say("tokenShownOnce")}</p>
      <p className="figures break-all select-all">{`${window.location.origin}/api/feeds/${feed}?token=${text}`}</p>
    </div>
  );
}
