import type { InputHTMLAttributes } from "react";

interface Props extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  hint?: string;
}

/** A line of text with its label above it. */
export function TextField({ label, hint, id, ...rest }: Props) {
  return (
    <label className="grid gap-1">
      <span className="caps">{label}</span>
      <input id={id} {...rest} className="min-h-14 w-full border-2 border-ink bg-panel px-3 text-lg" />
      {hint !== undefined && <span className="text-sm text-soft">{hint}</span>}
    </label>
  );
}
