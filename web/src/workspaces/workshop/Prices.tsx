import { useSettings } from "../../domain/settings";
import { say } from "../../domain/words";
import type { Draft } from "./state";

interface Props {
  draft: Draft;
  /** Remedies whose minutes cannot be read. */
  wrong: string[];
  onChange: (prices: Draft["prices"]) => void;
}

/** Every remedy with its minutes of labour, and its parts as minutes of labour. */
export function Prices({ draft, wrong, onChange }: Props) {
  const { word } = useSettings();
  const field = (id: string, part: "labour" | "parts") => {
    const price = draft.prices[id] ?? { labour: "", parts: "" };
    return (
      <input
        aria-label={`${word(`remedy.${id}`)}, ${say(part === "labour" ? "workshopLabour" : "workshopParts")}`}
        value={price[part]}
        inputMode="decimal"
        maxLength={6}
        aria-invalid={wrong.includes(id)}
        onChange={(e) => onChange({ ...draft.prices, [id]: { ...price, [part]: e.target.value } })}
        className="figures min-h-11 w-20 border-2 border-ink px-2 text-right text-lg aria-invalid:border-danger"
      />
    );
  };
  return (
    <table className="w-full text-left">
      <thead>
        <tr className="caps">
          <th className="font-normal">{say("workshopRemedy")}</th>
          <th className="w-24 text-right font-normal">{say("workshopLabour")}</th>
          <th className="w-24 text-right font-normal">{say("workshopParts")}</th>
        </tr>
      </thead>
      <tbody>
        {Object.keys(draft.prices).map((id) => (
          <tr key={id} className="border-t border-rule">
            <th scope="row" className="py-1 pr-3 font-medium">
              {word(`remedy.${id}`)}
              {wrong.includes(id) && (
                <span role="alert" className="block text-sm text-danger">
                  {say("workshopNumber")}
                </span>
              )}
            </th>
            <td className="text-right">{field(id, "labour")}</td>
            <td className="text-right">{field(id, "parts")}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
