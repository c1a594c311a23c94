import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api } from "../../domain/api";
import { useSettings } from "../../domain/settings";
import type { Test } from "../../domain/types";
import { say } from "../../domain/words";
import { typedText, unitOf, value } from "./state";
import type { useRunner } from "./useRunner";

/** Tests beside which a calculator says what should arrive: its id, the figure that is measured, and the input that it is. */
const BESIDE: Record<string, { calculator: string; figure: string; input: string }> = {
  "slave-stroke": { calculator: "slave-stroke", figure: "at-once", input: "measured" },
};

/** What the circuit promises by its bores, beside what was measured. */
export function Arithmetic({
  runner,
  test,
  layoutId,
}: {
  runner: ReturnType<typeof useRunner>;
  test: Test;
  layoutId: string;
}) {
  const { word, show, catalogue } = useSettings();
  const beside = BESIDE[test.id];
  const { draft, unitFor } = runner;
  const figure = test.figures.find((f) => f.id === beside?.figure);
  const read = figure && value(draft, figure, unitFor(figure), catalogue.units) !== undefined;
  const inputs =
    beside && figure && read
      ? [{ id: beside.input, text: typedText(draft, figure), unit: unitOf(draft, figure, unitFor(figure)) }]
      : [];
  const result = useQuery({
    queryKey: ["calculation", beside?.calculator, layoutId, inputs],
    queryFn: () => api.calculate(beside?.calculator ?? "", layoutId, [inputs]),
    placeholderData: keepPreviousData,
    retry: false,
    enabled: beside !== undefined,
  });
  const column = result.data?.columns[0];
  if (!beside || !column) return null;
  const own = `calculator.${beside.calculator}`;
  return (
    <section aria-label={word(own)} className="border-l-4 border-rule pl-3">
      <h3 className="caps text-soft">{say("arithmetic")}</h3>
      <dl className="flex flex-wrap gap-x-6 gap-y-1">
        {column.outputs.map((output) => (
          <div key={output.id} className="flex gap-2">
            <dt className="text-soft">{word(`${own}.out.${output.id}`)}</dt>
            <dd className="figures font-semibold">{show(output.value, output.dimension)}</dd>
          </div>
        ))}
      </dl>
      {read && column.notices.map((notice) => <p key={notice}>{word(`${own}.notice.${notice}`)}</p>)}
    </section>
  );
}
