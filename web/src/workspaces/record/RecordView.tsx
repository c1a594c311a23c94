import clsx from "clsx";
import { useState } from "react";
import { Link } from "react-router";
import { signsHere, useSettings } from "../../domain/settings";
import type { RecordLine } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say } from "../../domain/words";
import { Button } from "../../ui/Button";
import { Failed, Loading } from "../../ui/States";
import { capital } from "../trace/state";
import { Frame } from "./Frame";
import { FILTERS, type Asked } from "./state";
import { useFilters, useRecord } from "./useRecord";

const FIELD = "min-h-11 w-full border-2 border-ink bg-panel px-3";

/** Closed jobs: what was looked for, what was done, what became of it. */
export function RecordView() {
  const record = useRecord();
  const { pages } = record;
  if (pages.isPending) return <Loading />;
  if (pages.isError && !pages.data) return <Failed error={pages.error} again={() => void pages.refetch()} />;
  const lines = pages.data.pages.flatMap((page) => page.lines);
  const [first] = pages.data.pages;
  return (
    <Frame>
      <input
        type="search"
        aria-label={say("recordSearch")}
        placeholder={say("recordSearch")}
        value={record.text}
        maxLength={100}
        onChange={(e) => record.setText(e.target.value)}
        className="min-h-14 w-full border-2 border-ink bg-panel px-3 text-lg placeholder:text-soft"
      />
      <Narrowed asked={record.asked} change={record.change} />
      <Kept address={record.address} show={record.show} />
      <div className="mt-4 mb-2 flex flex-wrap items-center justify-between gap-3">
        <p role="status" className="figures text-lg text-soft">
          {say(first?.atLeast ? "recordFoundMore" : "recordFound", { count: first?.found ?? 0 })}
        </p>
        {lines.length > 0 && (
          <a
            href={`/api/record.csv?${record.address}`}
            download
            className="inline-grid min-h-11 content-center underline underline-offset-4"
          >
            {say("recordCsv")}
          </a>
        )}
      </div>
      {lines.length === 0 ? (
        <p className="border-2 border-dashed border-rule bg-panel p-10 text-center text-lg">
          {say(record.address === "" ? "recordEmpty" : "recordNone")}
        </p>
      ) : (
        <ul className="border-t-2 border-ink">
          {lines.map((line) => (
            <Line key={line.jobId} line={line} />
          ))}
        </ul>
      )}
      {pages.hasNextPage && (
        <Button
          large
          className="mt-4 w-full"
          disabled={pages.isFetchingNextPage}
          onClick={() => void pages.fetchNextPage()}
        >
          {say(pages.isFetchingNextPage ? "loading" : "bayMore")}
        </Button>
      )}
    </Frame>
  );
}

function Narrowed({ asked, change }: { asked: Asked; change: (part: Asked) => void }) {
  const { catalogue, word } = useSettings();
  const remedies = [
    ...new Set(catalogue.layouts.flatMap((layout) => layout.suspects.map((suspect) => suspect.remedyId))),
  ].sort((a, b) => word(`remedy.${a}`).localeCompare(word(`remedy.${b}`)));
  const suspects = [
    ...new Set(catalogue.layouts.flatMap((layout) => layout.suspects.map((suspect) => suspect.id))),
  ].sort((a, b) => word(`suspect.${a}`).localeCompare(word(`suspect.${b}`)));
  const behaviours = [...new Set(catalogue.layouts.flatMap((layout) => layout.behaviours))];
  const narrowed = FILTERS.filter((f) => f !== "search" && asked[f] !== undefined).length;
  return (
    <details className="mt-2 border-2 border-ink bg-panel">
      <summary className="min-h-11 cursor-pointer p-2.5 px-3 font-semibold">
        {narrowed === 0 ? say("recordNarrow") : say("recordNarrowed", { count: narrowed })}
      </summary>
      <div className="grid gap-3 p-3 pt-1 sm:grid-cols-2 lg:grid-cols-4">
        <Pick
          label={say("intakeLayout")}
          value={asked.layoutId}
          onPick={(layoutId) => change({ layoutId })}
          options={catalogue.layouts.map((l) => [l.id, l.name])}
        />
        <Pick
          label={say("recordRemedy")}
          value={asked.remedyId}
          onPick={(remedyId) => change({ remedyId })}
          options={remedies.map((id) => [id, word(`remedy.${id}`)])}
        />
        <Pick
          label={say("frequenciesFault")}
          value={asked.causeId}
          onPick={(causeId) => change({ causeId })}
          options={suspects.map((id) => [id, word(`suspect.${id}`)])}
        />
        <Pick
          label={say("intakeBehaviour")}
          value={asked.behaviour}
          onPick={(behaviour) => change({ behaviour })}
          options={behaviours.map((id) => [id, word(`option.characterise.${id}`)])}
        />
        <Pick
          label={say("recordPerson")}
          value={asked.personId}
          onPick={(personId) => change({ personId })}
          options={catalogue.staff.filter(signsHere).map((p) => [p.id, p.name])}
        />
        <label className="grid gap-1">
          <span className="caps">{say("recordMake")}</span>
          <input
            defaultValue={asked.make ?? ""}
            maxLength={80}
            onBlur={(e) => change({ make: e.target.value.trim() })}
            className={FIELD}
          />
        </label>
        {(["from", "to"] as const).map((end) => (
          <label key={end} className="grid gap-1">
            <span className="caps">{say(end === "from" ? "recordFrom" : "recordTo")}</span>
            <input
              type="date"
              value={asked[end] ?? ""}
              onChange={(e) => change({ [end]: e.target.value })}
              className={clsx(FIELD, "figures")}
            />
          </label>
        ))}
        <label className="flex min-h-11 items-center gap-3 self-end border-2 border-ink px-3 font-medium">
          <input
            type="checkbox"
            className="size-6"
            checked={asked.cameBack === "true"}
            onChange={(e) => change({ cameBack: e.target.checked ? "true" : "" })}
          />
          {say("recordCameBack")}
        </label>
      </div>
    </details>
  );
}

function Pick({
  label,
  value,
  onPick,
  options,
}: {
  label: string;
  value: string | undefined;
  onPick: (value: string) => void;
  options: (readonly [string, string])[];
}) {
  return (
    <label className="grid gap-1">
      <span className="caps">{label}</span>
      <select value={value ?? ""} onChange={(e) => onPick(e.target.value)} className={FIELD}>
        <option value="">{say("recordAll")}</option>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Searches under a name: shown again by a tap. */
function Kept({ address, show }: { address: string; show: (query: string) => void }) {
  const { kept, keep, drop } = useFilters();
  const [name, setName] = useState("");
  const filters = kept.data ?? [];
  if (filters.length === 0 && address === "") return null;
  return (
    <section aria-label={say("recordKept")} className="mt-2 flex flex-wrap items-center gap-2">
      {filters.map((filter) => (
        <span key={filter.name} className="flex">
          <Button
            aria-pressed={filter.query === address}
            filled={filter.query === address}
            onClick={() => show(filter.query)}
          >
            {filter.name}
          </Button>
          <Button
            aria-label={say("recordForget", { name: filter.name })}
            className="-ml-0.5 min-w-11"
            onClick={() => drop.mutate(filter.name)}
          >
            ×
          </Button>
        </span>
      ))}
      {address !== "" && !filters.some((filter) => filter.query === address) && (
        <form
          className="flex flex-wrap gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            keep.mutate({ name, query: address }, { onSuccess: () => setName("") });
          }}
        >
          <input
            aria-label={say("recordKeepAs")}
            placeholder={say("recordKeepAs")}
            value={name}
            maxLength={100}
            onChange={(e) => setName(e.target.value)}
            className="min-h-11 border-2 border-ink bg-panel px-3 placeholder:text-soft"
          />
          <Button type="submit" disabled={name.trim() === "" || keep.isPending}>
            {say("recordKeep")}
          </Button>
        </form>
      )}
      {(keep.isError || drop.isError) && (
        <p role="alert" className="basis-full border-2 border-danger p-2">
          {(keep.error ?? drop.error)?.message}
        </p>
      )}
    </section>
  );
}

function Line({ line }: { line: RecordLine }) {
  const { word, person, catalogue } = useSettings();
  const circuit = catalogue.layouts.find((l) => l.id === line.layoutId)?.name ?? line.layoutId;
  const done = line.remedies.map((id) => word(`remedy.${id}`)).join(` ${say("and")} `);
  return (
    <li className="border-b-2 border-ink bg-panel">
      <Link
        to={`/jobs/${line.jobId}`}
        className="grid gap-x-8 gap-y-1 p-3 hover:bg-ground [&>div]:min-w-0 md:grid-cols-[1.1fr_1.2fr_1fr]"
      >
        <div>
          <h2 className="text-xl font-semibold">{line.vehicle}</h2>
          <p className="line-clamp-2">“{line.complaint}”</p>
          <p className="text-sm text-soft">
            {circuit} · {person(line.openedById)}
          </p>
        </div>
        <div>
          <p className="label text-lg font-semibold">{done === "" ? say("recordNothingDone") : done}</p>
          {line.causeId !== "" && <p>{word(`suspect.${line.causeId}`)}</p>}
          {line.hunchHeld !== undefined && (
            <p className="text-sm text-soft">
              {say(line.hunchHeld ? "recordHunchHeld" : "recordHunchElse", { hunch: word(`suspect.${line.hunchId}`) })}
            </p>
          )}
          {line.triedBefore.length > 0 && (
            <p className="text-sm">
              {say("recordTried", { remedies: line.triedBefore.map((id) => word(`remedy.${id}`)).join(", ") })}
            </p>
          )}
        </div>
        <div className="md:border-l md:border-grid md:pl-6">
          <p className="figures">{new Date(line.closedAt).toLocaleDateString()}</p>
          <p>{capital(word(`stage.${line.stage}`))}</p>
          {line.turnedOut && <p>{capital(word(`turned-out.${line.turnedOut}`))}</p>}
          <p className="figures text-sm text-soft">{say("recordTests", { minutes: minutes(line.spentMinutes) })}</p>
          {line.cameBackAt !== undefined && (
            <p className="font-semibold text-hot-text">
              {say("recordCameBackOn", { day: new Date(line.cameBackAt).toLocaleDateString() })}
            </p>
          )}
        </div>
      </Link>
    </li>
  );
}
