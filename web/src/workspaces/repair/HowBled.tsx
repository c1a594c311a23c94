import { useState } from "react";
import { useSettings } from "../../domain/settings";
import type { BleedSheet } from "../../domain/types";
import { say } from "../../domain/words";
import { BleedChoice } from "../../ui/BleedChoice";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import type { RepairPage } from "./useRepair";

/** By which method and in which order it is bled, why, and the way to another. */
export function HowBled({ sheet, page }: { sheet: BleedSheet; page: RepairPage }) {
  const { word } = useSettings();
  const [changing, setChanging] = useState(false);
  return (
    <section aria-label={say("howBled")} className="grid gap-2 border-t-2 border-ink p-4">
      <h2 className="caps">{say("howBled")}</h2>
      <p>
        <span className="font-semibold">{word(`bleed.method.${sheet.method}`)}.</span>{" "}
        {word(`bleed.method.${sheet.method}.good`)}
      </p>
      {sheet.ends.length > 1 && (
        <p>
          {sheet.orderSource === undefined ? (
            <>
              <span className="font-semibold">{word(`bleed.order.${sheet.order}`)}.</span>{" "}
              {word(`bleed.order.${sheet.order}.good`)}
            </>
          ) : (
            <span className="font-semibold">{say("howBledMakerSays", { source: sheet.orderSource })}</span>
          )}
        </p>
      )}
      <Button className="justify-self-start" onClick={() => setChanging(true)}>
        {say("howBledChange")}
      </Button>
      {changing && <Change sheet={sheet} page={page} onClose={() => setChanging(false)} />}
    </section>
  );
}

function Change({ sheet, page, onClose }: { sheet: BleedSheet; page: RepairPage; onClose: () => void }) {
  const { word } = useSettings();
  const [method, setMethod] = useState(sheet.method);
  const [order, setOrder] = useState(sheet.order);
  const [makers, setMakers] = useState(sheet.makersOrder);
  const [source, setSource] = useState(sheet.orderSource ?? "");
  const ends = sheet.ends.map((end) => end.id).sort();
  const whole = makers.length === 0 || (makers.length === ends.length && source.trim() !== "");
  const enter = async () => {
    const own = makers.length === 0 ? {} : { makersOrder: makers, source: source.trim() };
    if (await page.enter("bleeding", { bleedMethod: method, bleedOrder: order, ...own })) onClose();
  };
  return (
    <Dialog open onClose={onClose} title={say("howBledChange")}>
      <div className="grid gap-5">
        <BleedChoice method={method} onMethod={setMethod} {...(ends.length > 1 ? { order, onOrder: setOrder } : {})} />
        {ends.length > 1 && (
          <section aria-label={say("howBledMaker")} className="grid gap-2 border-t border-rule pt-3">
            <h3 className="text-lg font-semibold">{say("howBledMaker")}</h3>
            <p className="text-soft">{say("howBledMakerWhy")}</p>
            <div className="flex flex-wrap gap-2">
              {ends.map((end) => {
                const at = makers.indexOf(end);
                return (
                  <Button key={end} filled={at >= 0} disabled={at >= 0} onClick={() => setMakers([...makers, end])}>
                    {at >= 0 && <span className="figures">{at + 1}. </span>}
                    {word(`component.${end}`)}
                  </Button>
                );
              })}
            </div>
            {makers.length > 0 && (
              <div className="flex flex-wrap items-end gap-3">
                <label className="grid flex-1 basis-56 gap-1">
                  <span>{say("howBledSource")}</span>
                  <input
                    value={source}
                    maxLength={80}
                    onChange={(e) => setSource(e.target.value)}
                    className="min-h-12 border-2 border-ink px-2 text-lg"
                  />
                </label>
                <Button onClick={() => setMakers([])}>{say("howBledClear")}</Button>
              </div>
            )}
          </section>
        )}
        <Button filled large disabled={page.busy || !whole} onClick={() => void enter()}>
          {say("howBledKeep")}
        </Button>
      </div>
    </Dialog>
  );
}
