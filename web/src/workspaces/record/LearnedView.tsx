import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Insights } from "../../domain/types";
import { minutes } from "../../domain/units";
import { say } from "../../domain/words";
import { Choice } from "../../ui/Choice";
import { Failed, Loading } from "../../ui/States";
import { capital } from "../trace/state";
import { Frame } from "./Frame";
import { Bars, Pairs } from "./plots";
import { savedMinutes } from "./state";

const TIMES = [
  { value: "12", text: "insightsYear" },
  { value: "36", text: "insightsThree" },
  { value: "all", text: "insightsAll" },
] as const;

/** What closed jobs teach: bets, verdicts, minutes, comebacks, what was saved. Drawn first, its numbers behind a tap. */
export function LearnedView() {
  const [time, setTime] = useState("12");
  const insights = useQuery({
    queryKey: ["insights", time],
    queryFn: () => api.insights(time === "all" ? undefined : Number(time)),
  });
  return (
    <Frame>
      <div className="mb-5">
        <Choice
          label={say("insightsTime")}
          value={time}
          onChange={setTime}
          options={TIMES.map((one) => ({ value: one.value, text: say(one.text) }))}
        />
      </div>
      {insights.isPending && <Loading />}
      {insights.isError && <Failed error={insights.error} again={() => void insights.refetch()} />}
      {insights.data &&
        (insights.data.months.length === 0 ? (
          <p className="border-2 border-dashed border-rule bg-panel p-10 text-center text-lg">{say("insightsNone")}</p>
        ) : (
          <div className="grid items-start gap-6 lg:grid-cols-2">
            <Saved insights={insights.data} />
            <Months insights={insights.data} />
            <Hunches insights={insights.data} />
            <Verdicts insights={insights.data} />
            <Minutes insights={insights.data} />
            <Tried insights={insights.data} />
          </div>
        ))}
    </Frame>
  );
}

function Panel({ title, why, children }: { title: string; why: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-2 border-ink bg-panel p-4">
      <h2 className="text-xl font-semibold">{title}</h2>
      <p className="mb-3 text-soft">{why}</p>
      {children}
    </section>
  );
}

/** The figures behind a drawing. */
function Numbers({ head, rows }: { head: string[]; rows: (string | number)[][] }) {
  return (
    <details className="mt-3">
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">{say("insightsNumbers")}</summary>
      <div className="overflow-x-auto">
        <table className="figures w-full text-left">
          <thead>
            <tr className="border-b-2 border-ink">
              {head.map((text) => (
                <th key={text} scope="col" className="py-1 pr-4 font-semibold">
                  {text}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i} className="border-b border-rule">
                {row.map((cell, k) => (
                  <td key={k} className="py-1 pr-4">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

const monthName = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { month: "short", year: "numeric" });

function Saved({ insights }: { insights: Insights }) {
  const saved = savedMinutes(insights.months);
  const { ratePerHour, currency } = insights;
  const money =
    ratePerHour === undefined
      ? ""
      : ` (${Math.round((saved / 60) * ratePerHour).toLocaleString()} ${currency ?? ""})`.replace(" )", ")");
  return (
    <Panel title={say("insightsSaved")} why={say("insightsSavedWhy")}>
      <p className="figures text-3xl font-semibold">
        {say(saved >= 0 ? "insightsSavedHours" : "insightsLostHours", { hours: Math.round(Math.abs(saved) / 60) })}
        {money}
      </p>
      <Pairs
        label={say("insightsSaved")}
        unit="min"
        rows={insights.months.map((m) => ({
          id: m.month,
          name: monthName(m.month),
          hollow: m.byLikelihoodMinutes,
          full: m.spentMinutes,
        }))}
        hollow={say("insightsByLikelihood")}
        full={say("insightsSpent")}
      />
      <Numbers
        head={[say("insightsMonth"), say("insightsSpent"), say("insightsByLikelihood")]}
        rows={insights.months.map((m) => [monthName(m.month), minutes(m.spentMinutes), minutes(m.byLikelihoodMinutes)])}
      />
    </Panel>
  );
}

function Months({ insights }: { insights: Insights }) {
  return (
    <Panel title={say("insightsMonths")} why={say("insightsMonthsWhy")}>
      <Bars
        label={say("insightsMonths")}
        rows={insights.months.map((m) => ({
          id: m.month,
          name: monthName(m.month),
          all: m.closed,
          hot: m.cameBack,
          told: m.cameBack === 0 ? String(m.closed) : say("insightsMonthTold", { closed: m.closed, back: m.cameBack }),
        }))}
      />
      <Numbers
        head={[say("insightsMonth"), say("insightsClosed"), say("insightsBack"), say("insightsTriedFirst")]}
        rows={insights.months.map((m) => [monthName(m.month), m.closed, m.cameBack, m.triedBefore])}
      />
    </Panel>
  );
}

function Hunches({ insights }: { insights: Insights }) {
  const { word } = useSettings();
  const name = (behaviour: string) =>
    behaviour === "" ? say("noComplaint") : capital(word(`option.characterise.${behaviour}`));
  return (
    <Panel title={say("insightsHunches")} why={say("insightsHunchesWhy")}>
      {insights.hunches.length === 0 ? (
        <p>{say("insightsNoHunches")}</p>
      ) : (
        <>
          <Bars
            label={say("insightsHunches")}
            rows={insights.hunches.map((h) => ({
              id: h.behaviour,
              name: name(h.behaviour),
              all: h.made,
              cool: h.held,
              told: say("insightsHunchTold", { held: h.held, made: h.made }),
            }))}
          />
          <Numbers
            head={[say("intakeBehaviour"), say("insightsMade"), say("insightsHeld")]}
            rows={insights.hunches.map((h) => [name(h.behaviour), h.made, h.held])}
          />
        </>
      )}
    </Panel>
  );
}

function Verdicts({ insights }: { insights: Insights }) {
  const { word } = useSettings();
  const name = (id: string) => capital(word(`turned-out.${id}`));
  return (
    <Panel title={say("insightsVerdicts")} why={say("insightsVerdictsWhy")}>
      {insights.verdicts.length === 0 && <p>{say("insightsNoVerdicts")}</p>}
      <Bars
        label={say("insightsVerdicts")}
        rows={insights.verdicts.map((v) => ({
          id: v.turnedOut,
          name: name(v.turnedOut),
          all: v.jobs,
          hot: v.cameBack + v.triedBefore,
          told: v.cameBack === 0 ? String(v.jobs) : say("insightsMonthTold", { closed: v.jobs, back: v.cameBack }),
        }))}
      />
      <Numbers
        head={[say("insightsVerdict"), say("insightsClosed"), say("insightsBack"), say("insightsTriedFirst")]}
        rows={insights.verdicts.map((v) => [name(v.turnedOut), v.jobs, v.cameBack, v.triedBefore])}
      />
    </Panel>
  );
}

function Minutes({ insights }: { insights: Insights }) {
  const { word } = useSettings();
  const MOST_DRAWN = 8;
  return (
    <Panel title={say("insightsMinutes")} why={say("insightsMinutesWhy")}>
      {insights.steps.length === 0 && <p>{say("insightsNoMinutes")}</p>}
      <Pairs
        label={say("insightsMinutes")}
        unit="min"
        rows={insights.steps.slice(0, MOST_DRAWN).map((s) => ({
          id: s.procedureId,
          name: word(`test.${s.procedureId}`),
          hollow: s.estimatedMinutes,
          full: s.tookMinutes,
        }))}
        hollow={say("insightsEstimated")}
        full={say("insightsTook")}
      />
      <Numbers
        head={[say("catalogue.test"), say("insightsTimes"), say("insightsEstimated"), say("insightsTook")]}
        rows={insights.steps.map((s) => [
          word(`test.${s.procedureId}`),
          s.done,
          minutes(s.estimatedMinutes),
          minutes(s.tookMinutes),
        ])}
      />
    </Panel>
  );
}

function Tried({ insights }: { insights: Insights }) {
  const { word } = useSettings();
  return (
    <Panel title={say("insightsTried")} why={say("insightsTriedWhy")}>
      {insights.triedBefore.length === 0 ? (
        <p>{say("insightsTriedNone")}</p>
      ) : (
        <ul>
          {insights.triedBefore.map((done) => (
            <li key={done.remedyId} className="figures flex justify-between border-b border-rule py-1">
              <span>{word(`remedy.${done.remedyId}`)}</span>
              <span>{say("insightsJobs", { jobs: done.jobs })}</span>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}
