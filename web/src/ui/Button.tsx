import clsx from "clsx";
import type { ButtonHTMLAttributes } from "react";

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  filled?: boolean;
  large?: boolean;
}

/** A button a glove can hit; at most one on a screen is filled. */
export function Button({ filled = false, large = false, className, ...rest }: Props) {
  return (
    <button
      type="button"
      {...rest}
      className={clsx(
        "border-2 border-ink px-4 font-semibold",
        large ? "min-h-16 text-xl" : "min-h-11 text-base",
        filled ? "bg-fill text-fill-ink" : "bg-panel text-ink hover:bg-grid",
        className,
      )}
    />
  );
}
