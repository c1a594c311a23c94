import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../../domain/api";
import { useMay, useMe } from "../../domain/session";
import type { Account, People, PeopleNote } from "../../domain/types";
import { known, say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/States";
import { TextField } from "../../ui/TextField";
import { TopStrip } from "../../ui/TopStrip";
import { Tablets } from "./Tablets";
import { Instruments } from "./Instruments";
import { Tokens } from "./Tokens";

/** Who works here and what they may do, the tablets they share, what scripts sign in with. */
export function PeopleView() {
  const may = useMay();
  const people = useQuery({ queryKey: ["people"], queryFn: api.people });
  return (
    <>
      <TopStrip title={say("peopleTitle")} />
      <main className="mx-auto grid max-w-6xl gap-6 p-4">
        {people.error ? (
          <Failed error={people.error} again={() => void people.refetch()} />
        ) : people.data ? (
          <>
            <Everybody people={people.data} />
            <Tablets />
            <Instruments />
            {may("MANAGE_TOKENS") && <Tokens />}
            <Matrix people={people.data} />
            {may("MANAGE_PEOPLE") && <PeopleLog />}
          </>
        ) : (
          <Loading />
        )}
      </main>
    </>
  );
}

const roleWord = (role: string) => known(`role.${role}`);

function Everybody({ people }: { people: People }) {
  const may = useMay();
  const [link, setLink] = useState<{ name: string; path: string }>();
  return (
    <section aria-labelledby="everybody" className="grid gap-3">
      <h2 id="everybody" className="text-2xl font-semibold">
        {say("whoIsHere")}
      </h2>
      {link && <Link name={link.name} path={link.path} />}
      <ul className="grid gap-2">
        {people.people.map((person) => (
          <Person
            key={person.id}
            person={person}
            roles={people.roles}
            onLink={(path) => setLink({ name: person.name, path })}
          />
        ))}
      </ul>
      {may("MANAGE_PEOPLE") && <AddPerson roles={people.roles} onAdded={setLink} />}
    </section>
  );
}

/** A link that was just made: shown until the page is left, to be handed to that person. */
function Link({ name, path }: { name: string; path: string }) {
  const address = window.location.origin + path;
  return (
    <div role="status" className="grid gap-2 border-2 border-caution bg-caution-ground p-3">
      <p className="font-semibold">{say("linkFor", { name })}</p>
      <p className="figures break-all select-all">{address}</p>
      <p>{say("linkOnce")}</p>
      <div>
        <Button onClick={() => void navigator.clipboard.writeText(address)}>{say("copyLink")}</Button>
      </div>
    </div>
  );
}

interface PersonProps {
  person: Account;
  roles: string[];
  onLink: (path: string) => void;
}

function Person({ person, roles, onLink }: PersonProps) {
  const may = useMay()("MANAGE_PEOPLE");
  const me = useMe();
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ["people"] });
  const change = useMutation({
    mutationFn: (to: Partial<Account>) => {
      const { role, qualified, active } = { ...person, ...to };
      return api.changePerson(person.id, { role, qualified, active });
    },
    onSettled: again,
  });
  const link = useMutation({ mutationFn: () => api.newLink(person.id), onSuccess: ({ path }) => onLink(path) });
  const pin = useMutation({ mutationFn: () => api.resetPin(person.id), onSuccess: again });
  const erase = useMutation({ mutationFn: () => api.eraseName(person.id), onSettled: again });
  const error = erase.error ?? change.error ?? link.error ?? pin.error;
  return (
    <li className="grid gap-2 border-2 border-ink bg-panel p-3" aria-label={person.name}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="min-w-44 flex-1 text-lg font-semibold">
          {person.name}
          {person.id === me.id && <span className="font-normal text-soft"> · {say("thatIsYou")}</span>}
          {!person.active && <span className="font-normal text-soft"> · {say("worksHereNoMore")}</span>}
        </p>
        {may ? (
          <>
            <label className="flex items-center gap-2">
              <span className="caps">{say("role")}</span>
              <select
                value={person.role}
                disabled={change.isPending}
                onChange={(e) => change.mutate({ role: e.target.value })}
                className="min-h-11 border-2 border-ink px-2"
              >
                {roles.map((role) => (
                  <option key={role} value={role}>
                    {roleWord(role)}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="h-6 w-6"
                checked={person.qualified}
                disabled={change.isPending}
                onChange={(e) => change.mutate({ qualified: e.target.checked })}
              />
              {say("mayRelease")}
            </label>
          </>
        ) : (
          <p>
            {roleWord(person.role)}
            {person.qualified && ` · ${say("mayRelease")}`}
          </p>
        )}
      </div>
      {may && (
        <div className="flex flex-wrap items-center gap-2">
          <p className="min-w-44 flex-1 text-sm text-soft">
            {say(person.hasPassword ? "passwordIsSet" : "passwordNotSet")} ·{" "}
            {say(person.hasPin ? "pinIsSet" : "pinNotSet")}
          </p>
          {person.active && (
            <Button disabled={link.isPending} onClick={() => link.mutate()}>
              {say("newLink")}
            </Button>
          )}
          {person.hasPin && (
            <Button disabled={pin.isPending} onClick={() => pin.mutate()}>
              {say("resetPin")}
            </Button>
          )}
          {!person.active && (
            <Button disabled={erase.isPending} onClick={() => erase.mutate()}>
              {say("eraseName")}
            </Button>
          )}
          <Button disabled={change.isPending} onClick={() => change.mutate({ active: !person.active })}>
            {say(person.active ? "setAsidePerson" : "takeBackPerson")}
          </Button>
        </div>
      )}
      {error && (
        <p role="alert" className="border-2 border-danger p-2">
          {told(error)}
        </p>
      )}
    </li>
  );
}

interface AddProps {
  roles: string[];
  onAdded: (link: { name: string; path: string }) => void;
}

function AddPerson({ roles, onAdded }: AddProps) {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [role, setRole] = useState("technician");
  const add = useMutation({
    mutationFn: () => api.addPerson({ name, role, qualified: false }),
    onSuccess: ({ person, link }) => {
      setName("");
      onAdded({ name: person.name, path: link.path });
      return queries.invalidateQueries({ queryKey: ["people"] });
    },
  });
  return (
    <form
      className="flex flex-wrap items-end gap-3 border-2 border-dashed border-rule p-3"
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate();
      }}
    >
      <div className="min-w-52 flex-1">
        <TextField label={say("newPerson")} required value={name} onChange={(e) => setName(e.target.value)} />
      </div>
      <label className="grid gap-1">
        <span className="caps">{say("role")}</span>
        <select value={role} onChange={(e) => setRole(e.target.value)} className="min-h-14 border-2 border-ink px-2">
          {roles.map((one) => (
            <option key={one} value={one}>
              {roleWord(one)}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit" large disabled={add.isPending}>
        {say("addPerson")}
      </Button>
      {add.error && (
        <p role="alert" className="w-full border-2 border-danger p-2">
          {told(add.error)}
        </p>
      )}
    </form>
  );
}

/** What every role may do besides what the one before it may. */
function Matrix({ people }: { people: People }) {
  return (
    <section aria-labelledby="matrix" className="grid gap-3">
      <h2 id="matrix" className="text-2xl font-semibold">
        {say("whoMayWhat")}
      </h2>
      <div className="grid gap-4 md:grid-cols-2 xl:grid-cols-4">
        {people.roles.map((role, at) => (
          <div key={role} className="border-t-2 border-ink pt-2">
            <h3 className="label text-lg font-semibold">{roleWord(role)}</h3>
            {at > 0 && (
              <p className="text-sm text-soft">{say("andAll", { role: roleWord(people.roles[at - 1] ?? "") })}</p>
            )}
            <ul className="mt-1 grid gap-1">
              {people.acts
                .filter((act) => act.from === role)
                .map((act) => (
                  <li key={act.id} className="border-b border-grid py-1">
                    {known(`act.${act.id}`)}
                    {act.id === "RELEASE" && `, ${say("withMark")}`}
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

function PeopleLog() {
  const log = useQuery({ queryKey: ["people", "log"], queryFn: api.peopleLog });
  if (!log.data || log.data.length === 0) return null;
  return (
    <section aria-labelledby="people-log" className="grid gap-2">
      <h2 id="people-log" className="text-2xl font-semibold">
        {say("peopleLog")}
      </h2>
      <ul className="grid gap-1">
        {log.data.map((note) => (
          <Note key={`${note.at} ${note.what} ${note.about}`} note={note} />
        ))}
      </ul>
    </section>
  );
}

function Note({ note }: { note: PeopleNote }) {
  return (
    <li className="grid gap-x-3 border-b border-grid py-1 sm:grid-cols-[12rem_1fr]">
      <span className="figures text-soft">{new Date(note.at).toLocaleString()}</span>
      <span>
        {known(`people.${note.what}`)}: {note.about}
        {note.byId !== undefined && <span className="text-soft"> · {note.byId}</span>}
      </span>
    </li>
  );
}
