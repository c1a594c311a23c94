import { useMay } from "../../domain/session";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, Refusal, told } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Workshop } from "../../domain/types";
import { say } from "../../domain/words";
import { BleedChoice } from "../../ui/BleedChoice";
import { Button } from "../../ui/Button";
import { Schools } from "../../ui/Schools";
import { Failed, Loading } from "../../ui/States";
import { TopStrip } from "../../ui/TopStrip";
import { Prices } from "./Prices";
import { PriceTable } from "./PriceTable";
import { draftOf, rateReadable, request, unreadable, withPrices, type Draft } from "./state";

/** What the workshop has and what things cost there. */
export function WorkshopView() {
  const workshop = useQuery({
    queryKey: ["workshop"],
    queryFn: api.workshop,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  });
  const [keptVersion, setKeptVersion] = useState<number>();
  if (workshop.isPending) return <Loading />;
  if (workshop.isError) return <Failed error={workshop.error} again={() => void workshop.refetch()} />;
  return (
    <Form
      workshop={workshop.data}
      justKept={keptVersion === workshop.data.version}
      onKept={setKeptVersion}
      reload={async () => (await workshop.refetch()).data}
    />
  );
}

function Form({
  workshop,
  justKept,
  onKept,
  reload,
}: {
  workshop: Workshop;
  justKept: boolean;
  onKept: (version: number) => void;
  /** What is kept now, asked again. */
  reload: () => Promise<Workshop | undefined>;
}) {
  const { catalogue, word } = useSettings();
  const may = useMay()("TELL_WORKSHOP");
  const [draft, setDraft] = useState(() => draftOf(workshop));
  const queries = useQueryClient();
  const taken = (now: Workshop, edited: Draft) => {
    setDraft(edited);
    onKept(now.version);
    queries.setQueryData(["workshop"], now);
    void queries.invalidateQueries({ queryKey: ["jobs"] });
    void queries.invalidateQueries({ queryKey: ["job"] });
  };
  const kept = useMutation({
    mutationFn: () => api.tellWorkshop(request(draft, workshop.version)),
    onSuccess: (now) => taken(now, draftOf(now)),
  });
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part });
  const wrong = unreadable(draft);
  const readable = rateReadable(draft);
  const stale = kept.error instanceof Refusal && kept.error.status === 409;
  return (
    <>
      <TopStrip title={say("workshop")} />
      <main className="mx-auto max-w-4xl p-4 md:p-8">
        <p className="mb-5 max-w-3xl text-lg">{say("workshopWhy")}</p>
        {!may && (
          <p role="note" className="mb-5 max-w-3xl border-2 border-caution bg-caution-ground p-3">
            {say("workshopByLead")}
          </p>
        )}
        <form
          className="grid gap-6"
          onSubmit={(e) => {
            e.preventDefault();
            kept.mutate();
          }}
        >
          <Group title={say("workshopName")} hint={say("workshopNameWhy")}>
            <Text label={say("workshopName")} value={draft.name} onChange={(name) => set({ name })} />
          </Group>
          <Group title={say("workshopTools")} hint={say("workshopToolsWhy")}>
            <div className="grid gap-2 sm:grid-cols-2">
              {workshop.tools.map((t) => (
                <Tick
                  key={t.rigKind}
                  checked={draft.there[t.rigKind] ?? true}
                  onChange={(there) => set({ there: { ...draft.there, [t.rigKind]: there } })}
                >
                  {word(`rig.${t.rigKind}`)}
                </Tick>
              ))}
            </div>
          </Group>
          <Group title={say("workshopPeople")}>
            <div className="grid gap-2 sm:grid-cols-2">
              <Tick checked={draft.helper} onChange={(helper) => set({ helper })}>
                {say("workshopHelper")}
              </Tick>
              <Tick checked={draft.lift} onChange={(lift) => set({ lift })}>
                {say("workshopLift")}
              </Tick>
            </div>
          </Group>
          <Group title={say("workshopBleeding")} hint={say("workshopBleedingWhy")}>
            <BleedChoice
              method={draft.bleedMethod}
              order={draft.bleedOrder}
              onMethod={(bleedMethod) => set({ bleedMethod })}
              onOrder={(bleedOrder) => set({ bleedOrder })}
            />
          </Group>
          <Group title={say("workshopWays")} hint={say("workshopWaysWhy")}>
            <Schools
              schools={catalogue.schools.map((school) => school.id)}
              ways={draft.schools}
              onWay={(school, way) => set({ schools: { ...draft.schools, [school]: way } })}
            />
          </Group>
          <Group title={say("workshopMoney")} hint={say("workshopRateWhy")}>
            {!readable && (
              <p role="alert" className="text-danger">
                {say("workshopRateNumber")}
              </p>
            )}
            <div className="flex flex-wrap gap-3">
              <Text label={say("workshopRate")} value={draft.rate} onChange={(rate) => set({ rate })} numeric />
              <Text label={say("workshopCurrency")} value={draft.currency} onChange={(currency) => set({ currency })} />
            </div>
          </Group>
          <Group title={say("workshopPrices")} hint={say("workshopPricesWhy")}>
            <Prices draft={draft} wrong={wrong} onChange={(prices) => set({ prices })} />
            <PriceTable workshop={workshop} onKept={(now) => taken(now, withPrices(draft, now))} />
          </Group>
          <div className="sticky bottom-0 flex flex-wrap items-center gap-4 border-t-2 border-ink bg-ground py-3">
            {may && (
              <button
                type="submit"
                disabled={kept.isPending || wrong.length > 0 || !readable}
                className="min-h-16 min-w-40 border-2 border-ink bg-fill px-4 text-xl font-semibold text-fill-ink"
              >
                {say("workshopSave")}
              </button>
            )}
            <p role="status">
              {workshop.version === 0
                ? say("workshopPlain")
                : say(justKept ? "workshopKept" : "workshopVersion", { version: workshop.version })}
            </p>
            {kept.isError && (
              <p role="alert" className="border-2 border-danger p-2">
                {stale ? kept.error.message : told(kept.error)}
              </p>
            )}
            {stale && (
              <Button
                onClick={() => {
                  void reload().then((now) => now && setDraft(draftOf(now)));
                  kept.reset();
                }}
              >
                {say("workshopReload")}
              </Button>
            )}
          </div>
        </form>
      </main>
    </>
  );
}

function Group({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-t-2 border-ink pt-3">
      <h2 className="mb-2 text-xl font-semibold">{title}</h2>
      {hint && <p className="-mt-2 mb-2 text-soft">{hint}</p>}
      {children}
    </section>
  );
}

function Tick({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-11 items-center gap-3 border-2 border-ink bg-panel px-3 font-medium">
      <input
        type="checkbox"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
        className="size-6 accent-[var(--fill)]"
      />
      {children}
    </label>
  );
}

function Text({
  label,
  value,
  onChange,
  numeric = false,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  numeric?: boolean;
}) {
  return (
    <label className="block">
      <span className="block text-sm text-soft">{label}</span>
      <input
        value={value}
        maxLength={numeric ? 9 : 8}
        inputMode={numeric ? "decimal" : undefined}
        onChange={(e) => onChange(e.target.value)}
        className="figures min-h-11 w-40 border-2 border-ink px-2 text-lg"
      />
    </label>
  );
}
