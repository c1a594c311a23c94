import { useQuery } from "@tanstack/react-query";
import { Command } from "cmdk";
import { useState, type ReactNode } from "react";
import { useLocation, useNavigate } from "react-router";
import { api } from "../domain/api";
import { useSettings } from "../domain/settings";
import { say, type UiWord } from "../domain/words";
import { Dialog } from "./Dialog";
import { found } from "./search";

const PAGES: [string, UiWord][] = [
  ["/", "bay"],
  ["/intake", "openJob"],
  ["/bench", "bench"],
  ["/layouts", "layouts"],
  ["/catalogue", "catalogue"],
  ["/record", "record"],
  ["/record/learned", "recordLearned"],
  ["/record/frequencies", "recordFrequencies"],
  ["/practice", "practice"],
  ["/workshop", "workshop"],
  ["/server", "server"],
];
const AFTER_VERDICT: [string, UiWord][] = [
  ["walk", "firstWalk"],
  ["work", "workPlan"],
  ["bleed", "bleedSheet"],
  ["proving", "proving"],
  ["card", "handOver"],
];

const unique = (ids: string[]) => [...new Set(ids)];

/** Whether what is shown of a line holds every word that is sought, or what it is called here; the letters of its id do not count. */
const holds = (_id: string, search: string, shown: string[] = []) => (found(search, shown.join(" ")) ? 1 : 0);

/** Go anywhere by a few letters: pages, jobs, the tests of the job one is at, suspects and tests of the catalogue. */
export function Palette({ onClose }: { onClose: () => void }) {
  const { catalogue, word } = useSettings();
  const go = useNavigate();
  const jobId = /^\/jobs\/([^/]+)/.exec(useLocation().pathname)?.[1];
  const [search, setSearch] = useState("");
  const jobs = useQuery({
    queryKey: ["jobs", "all", search.trim()],
    queryFn: () => api.jobs({ stage: "all", search: search.trim() }),
  });
  const to = (path: string) => {
    onClose();
    void go(path);
  };
  const tests = unique(catalogue.layouts.flatMap((layout) => layout.tests));
  const suspects = unique(catalogue.layouts.flatMap((layout) => layout.suspects.map((suspect) => suspect.id)));
  return (
    <Dialog open onClose={onClose} title={say("palette")}>
      <Command label={say("palette")} loop filter={holds}>
        <Command.Input
          autoFocus
          value={search}
          onValueChange={setSearch}
          placeholder={say("paletteSearch")}
          maxLength={80}
          className="min-h-14 w-full border-2 border-ink bg-panel px-3 text-xl placeholder:text-soft"
        />
        <Command.List className="max-h-[55dvh] overflow-y-auto [scrollbar-gutter:stable]" label={say("palette")}>
          <Command.Empty className="p-3 text-lg">{say("paletteNone")}</Command.Empty>
          <Group title={say("palettePages")}>
            {PAGES.map(([path, name]) => (
              <Item key={path} value={path} name={say(name)} onGo={() => to(path)} />
            ))}
            {jobId !== undefined &&
              AFTER_VERDICT.map(([path, name]) => (
                <Item key={path} value={path} name={say(name)} onGo={() => to(`/jobs/${jobId}/${path}`)} />
              ))}
          </Group>
          <Group title={say("paletteJobs")}>
            {(jobs.data?.jobs ?? []).map((job) => (
              <Item
                key={job.id}
                value={job.id}
                name={job.vehicle}
                more={`${word(`stage.${job.stage}`)} · ${job.complaint}`}
                onGo={() => to(`/jobs/${job.id}`)}
              />
            ))}
          </Group>
          <Group title={say("catalogue.test")}>
            {tests.map((id) => (
              <Item
                key={id}
                value={`test.${id}`}
                name={word(`test.${id}`)}
                onGo={() => to(jobId === undefined ? `/catalogue#test.${id}` : `/jobs/${jobId}/tests/${id}`)}
              />
            ))}
          </Group>
          <Group title={say("catalogue.suspect")}>
            {suspects.map((id) => (
              <Item
                key={id}
                value={`suspect.${id}`}
                name={word(`suspect.${id}`)}
                onGo={() => to(`/catalogue#suspect.${id}`)}
              />
            ))}
          </Group>
        </Command.List>
      </Command>
    </Dialog>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return <Command.Group heading={<span className="caps block pt-3 pb-1">{title}</span>}>{children}</Command.Group>;
}

interface ItemProps {
  value: string;
  name: string;
  more?: string;
  onGo: () => void;
}

function Item({ value, name, more = "", onGo }: ItemProps) {
  return (
    <Command.Item
      value={value}
      keywords={[name, more]}
      onSelect={onGo}
      className="flex min-h-11 cursor-pointer items-center gap-3 border-l-4 border-transparent px-3 py-1 text-lg data-[selected=true]:border-hot data-[selected=true]:bg-panel data-[selected=true]:font-semibold"
    >
      {name}
      {more && <span className="truncate text-base font-normal text-soft">{more}</span>}
    </Command.Item>
  );
}
