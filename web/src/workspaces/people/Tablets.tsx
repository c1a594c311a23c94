import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../../domain/api";
import { useMay } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/TextField";

/** Tablets that people share, and making this device one. */
export function Tablets() {
  const may = useMay()("ENROL_TABLET");
  const { person } = useSettings();
  const queries = useQueryClient();
  const tablets = useQuery({ queryKey: ["people", "tablets"], queryFn: api.tablets });
  const withdraw = useMutation({
    mutationFn: api.withdrawTablet,
    onSettled: () => queries.invalidateQueries({ queryKey: ["people", "tablets"] }),
  });
  const inUse = tablets.data?.filter((tablet) => !tablet.withdrawn) ?? [];
  return (
    <section aria-labelledby="tablets" className="grid gap-3">
      <h2 id="tablets" className="text-2xl font-semibold">
        {say("tabletsTitle")}
      </h2>
      <p className="text-soft">{say("tabletsWhy")}</p>
      {may && <WayIn />}
      {tablets.data && inUse.length === 0 && <p>{say("tabletsNone")}</p>}
      <ul className="grid gap-2">
        {inUse.map((tablet) => (
          <li key={tablet.id} className="flex flex-wrap items-center gap-3 border-2 border-ink bg-panel p-3">
            <p className="flex-1">
              <span className="text-lg font-semibold">{tablet.name}</span>{" "}
              <span className="text-soft">
                {say("enrolledBy", {
                  name: person(tablet.enrolledById),
                  day: new Date(tablet.enrolledAt).toLocaleDateString(),
                })}
              </span>
            </p>
            {may && (
              <Button disabled={withdraw.isPending} onClick={() => withdraw.mutate(tablet.id)}>
                {say("withdrawTablet")}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {may && <Enrol />}
    </section>
  );
}

function Enrol() {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const enrol = useMutation({
    mutationFn: () => api.enrolTablet(name, password),
    onSuccess: async () => {
      setName("");
      setPassword("");
      await queries.invalidateQueries({ queryKey: ["people", "tablets"] });
      await queries.invalidateQueries({ queryKey: ["session"] });
    },
  });
  return (
    <form
      className="flex flex-wrap items-end gap-3 border-2 border-dashed border-rule p-3"
      onSubmit={(e) => {
        e.preventDefault();
        enrol.mutate();
      }}
    >
      <div className="min-w-52 flex-1">
        <TextField label={say("tabletName")} required value={name} onChange={(e) => setName(e.target.value)} />
      </div>
      <div className="min-w-52 flex-1">
        <TextField
          label={say("presentPassword")}
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
      </div>
      <Button type="submit" large disabled={enrol.isPending}>
        {say("enrolTablet")}
      </Button>
      {enrol.isSuccess && (
        <p role="status" className="w-full">
          {say("enrolled")}
        </p>
      )}
      {enrol.error && (
        <p role="alert" className="w-full border-2 border-danger p-2">
          {told(enrol.error)}
        </p>
      )}
    </form>
  );
}

/** How a tablet gets here the first time. */
function WayIn() {
  const network = useQuery({ queryKey: ["people", "network"], queryFn: api.network });
  if (!network.data) return null;
  const { address, fingerprint, authorityPath } = network.data;
  if (address === undefined) return <p>{say("thisMachineOnly")}</p>;
  return (
    <div className="flex flex-wrap items-start gap-4 border-2 border-ink bg-panel p-3">
      <img src="/api/network/code" alt={say("networkCode")} className="h-40 w-40 border border-rule bg-white" />
      <div className="grid min-w-0 flex-1 basis-64 gap-2">
        <p>{say("networkWhy")}</p>
        <p className="figures text-lg break-all select-all">{address}</p>
        {authorityPath !== undefined && (
          <p>
            {say("networkAuthority")} <span className="figures break-all select-all">{address + authorityPath}</span>
          </p>
        )}
        {fingerprint !== undefined && (
          <p>
            {say("networkFingerprint")} <span className="figures break-all">{fingerprint}</span>
          </p>
        )}
      </div>
    </div>
  );
}
