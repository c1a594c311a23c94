import clsx from "clsx";
import { RadioGroup } from "radix-ui";

interface Props<V extends string> {
  label: string;
  value: V | "";
  onChange: (value: V) => void;
  options: readonly { value: V; text: string }[];
  large?: boolean;
}

/** One of a few, as big targets. */
export function Choice<V extends string>({ label, value, onChange, options, large = false }: Props<V>) {
  const chosen = (of: string) => {
    const option = options.find((one) => one.value === of);
    if (option) onChange(option.value);
  };
  return (
    <RadioGroup.Root aria-label={label} value={value} onValueChange={chosen} className="flex flex-wrap gap-2">
      {options.map((option) => (
        <RadioGroup.Item
          key={option.value}
          value={option.value}
          className={clsx(
            "border-2 border-ink px-4 text-left font-medium data-[state=checked]:bg-fill data-[state=checked]:text-fill-ink",
            large ? "min-h-16 flex-1 basis-40 text-lg" : "min-h-11 text-base",
            value !== option.value && "bg-panel",
          )}
        >
          {option.text}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
