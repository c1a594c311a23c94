import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, FREQUENCIES_FILE, told } from "../../domain/api";
import { useMay } from "../../domain/session";
import { useSettings } from "../../domain/settings";
import type { FrequenciesFile, Learning } from "../../domain/types";
import { percent } from "../../domain/units";
import { say } from "../../domain/words";
import { Choice } from "../../ui/Choice";
import { FileButton } from "../../ui/FileButton";
import { Failed, Loading } from "../../ui/States";
import { Frame } from "./Frame";
import { Pairs } from "./plots";
import { moved } from "./state";

const MOST_DRAWN = 12;
const WEIGHTS = [0, 0.1, 0.3, 1];

/** How frequent faults are taken to be before anything is read: as it ships, and with what closed jobs say. */
export function FrequenciesView() {
  const { catalogue } = useSettings();
  const offered = catalogue.layouts.filter((l) => !l.withdrawn);
  const [layoutId, setLayoutId] = useState(offered[0]?.id ?? "");
  const learning = useQuery({ queryKey: ["learning", layoutId], queryFn: () => api.learning(layoutId) });
  return (
    <Frame>
      <p className="mb-4 max-w-3xl text-lg">{say("frequenciesWhy")}</p>
      <label className="mb-4 grid max-w-md gap-1">
        <span className="caps">{say("intakeLayout")}</span>
        <select
          value={layoutId}
          onChange={(e) => setLayoutId(e.target.value)}
          className="min-h-11 border-2 border-ink bg-panel px-3"
        >
          {offered.map((l) => (
            <option key={l.id} value={l.id}>
              {l.name}
            </option>
          ))}
        </select>
      </label>
      {learning.isPending && <Loading />}
      {learning.isError && <Failed error={learning.error} again={() => void learning.refetch()} />}
      {learning.data && (
        <div className="grid items-start gap-6 lg:grid-cols-[1.3fr_1fr]">
          <Shares learning={learning.data} />
          <Switches learning={learning.data} />
        </div>
      )}
    </Frame>
  );
}

function Shares({ learning }: { learning: Learning }) {
  const { word } = useSettings();
  const shown = moved(learning, MOST_DRAWN);
  return (
    <section aria-label={say("recordFrequencies")} className="border-2 border-ink bg-panel p-4">
      <p className="figures mb-3 text-lg">
        {learning.on
          ? say("frequenciesFrom", {
              own: learning.ownJobs,
              elsewhere: learning.elsewhereJobs,
              shipped: learning.shippedJobs,
            })
          : say("frequenciesOff", { own: learning.ownJobs })}
      </p>
      {shown.length === 0 ? (
        <p>{say("frequenciesSame")}</p>
      ) : (
        <Pairs
          label={say("recordFrequencies")}
          unit="%"
          rows={shown.map((s) => ({
            id: s.suspectId,
            name: word(`suspect.${s.suspectId}`),
            hollow: 100 * s.shipped,
            full: 100 * s.now,
          }))}
          hollow={say("frequenciesShipped")}
          full={say("frequenciesNow")}
        />
      )}
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
          {say("insightsNumbers")}
        </summary>
        <div className="overflow-x-auto">
          <table className="figures w-full text-left">
            <thead>
              <tr className="border-b-2 border-ink">
                <th scope="col" className="py-1 pr-4">
                  {say("frequenciesFault")}
                </th>
                <th scope="col" className="pr-4">
                  {say("frequenciesShipped")}
                </th>
                <th scope="col" className="pr-4">
                  {say("frequenciesNow")}
                </th>
                <th scope="col">{say("frequenciesCount")}</th>
              </tr>
            </thead>
            <tbody>
              {[...learning.suspects]
                .sort((a, b) => b.now - a.now)
                .map((s) => (
                  <tr key={s.suspectId} className="border-b border-rule">
                    <td className="py-1 pr-4">{word(`suspect.${s.suspectId}`)}</td>
                    <td className="pr-4">{percent(s.shipped)}</td>
                    <td className="pr-4">{percent(s.now)}</td>
                    <td>{s.ownCount.toFixed(1)}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  );
}

function Switches({ learning }: { learning: Learning }) {
  const may = useMay()("TELL_WORKSHOP");
  const queries = useQueryClient();
  const again = () => void queries.invalidateQueries({ queryKey: ["learning"] });
  const weights = Object.fromEntries(learning.elsewhere.map((one) => [one.id, one.weight]));
  const tell = useMutation({
    mutationFn: (part: { on?: boolean; weights?: Record<string, number> }) =>
      api.tellLearning({ version: learning.version, on: learning.on, weights, ...part }),
    onSettled: again,
    onSuccess: () => void queries.invalidateQueries({ queryKey: ["job"] }),
  });
  const take = useMutation({
    mutationFn: async (file: File) =>
      api.takeFrequencies(
        file.name.replace(/\.json$/, "").slice(0, 60),
        JSON.parse(await file.text()) as FrequenciesFile,
      ),
    onSettled: again,
  });
  const failed = tell.error ?? take.error;
  return (
    <section aria-label={say("frequenciesUse")} className="grid gap-4 border-2 border-ink bg-panel p-4">
      <h2 className="text-xl font-semibold">{say("frequenciesUse")}</h2>
      {may ? (
        <Choice
          label={say("frequenciesUse")}
          value={learning.on ? "on" : "off"}
          onChange={(on) => tell.mutate({ on: on === "on" })}
          options={[
            { value: "on", text: say("frequenciesOn") },
            { value: "off", text: say("frequenciesShippedOnly") },
          ]}
        />
      ) : (
        <p>{say(learning.on ? "frequenciesOn" : "frequenciesShippedOnly")}</p>
      )}
      <p className="text-soft">{say("frequenciesHow")}</p>
      <h2 className="text-xl font-semibold">{say("frequenciesElsewhere")}</h2>
      {learning.elsewhere.length === 0 && <p>{say("frequenciesNoElsewhere")}</p>}
      {learning.elsewhere.map((one) => (
        <div key={one.id} className="border-t border-rule pt-2">
          <p className="figures font-semibold">
            {one.name} · {say("insightsJobs", { jobs: one.jobs })}
          </p>
          <p className="mb-1 text-sm text-soft">{say("frequenciesWeight")}</p>
          {may ? (
            <Choice
              label={`${one.name}: ${say("frequenciesWeight")}`}
              value={String(one.weight)}
              onChange={(weight) => tell.mutate({ weights: { ...weights, [one.id]: Number(weight) } })}
              options={WEIGHTS.map((w) => ({ value: String(w), text: percent(w) }))}
            />
          ) : (
            <p className="figures">{percent(one.weight)}</p>
          )}
        </div>
      ))}
      <div className="flex flex-wrap items-center gap-4">
        <a
          href={FREQUENCIES_FILE}
          download="frequencies.json"
          className="inline-grid min-h-11 content-center underline underline-offset-4"
        >
          {say("frequenciesOut")}
        </a>
        {may && (
          <FileButton
            label={say(take.isPending ? "loading" : "frequenciesIn")}
            accept="application/json,.json"
            disabled={take.isPending}
            onFile={(file) => take.mutate(file)}
          />
        )}
      </div>
      {failed && (
        <p role="alert" className="border-2 border-danger p-2">
          {failed instanceof SyntaxError ? say("frequenciesNoFile") : told(failed)}
        </p>
      )}
    </section>
  );
}
