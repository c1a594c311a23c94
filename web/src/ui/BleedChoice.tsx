import { useSettings } from "../domain/settings";
import { say } from "../domain/words";
import { Choice } from "./Choice";

interface Props {
  method: string;
  onMethod: (id: string) => void;
  /** Left out where there is one end only. */
  order?: string;
  onOrder?: (id: string) => void;
}

/** A method and an order of bleeding, each with what it is good for and where it can hurt. */
export function BleedChoice({ method, onMethod, order, onOrder }: Props) {
  const { catalogue, word } = useSettings();
  const caution = catalogue.bleedMethods.find((known) => known.id === method)?.cautionId;
  return (
    <div className="grid gap-3">
      <Choice
        label={say("howBled")}
        value={method}
        onChange={onMethod}
        options={catalogue.bleedMethods.map(({ id }) => ({ value: id, text: word(`bleed.method.${id}`) }))}
      />
      <p>{word(`bleed.method.${method}.good`)}</p>
      {caution && (
        <p role="note" className="border border-caution bg-caution-ground p-3">
          {word(`caution.${caution}`)}
        </p>
      )}
      {order !== undefined && onOrder && (
        <>
          <Choice
            label={say("bleedOrder")}
            value={order}
            onChange={onOrder}
            options={catalogue.bleedOrders.map((id) => ({ value: id, text: word(`bleed.order.${id}`) }))}
          />
          <p>{word(`bleed.order.${order}.good`)}</p>
        </>
      )}
    </div>
  );
}
