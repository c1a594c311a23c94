import { useRef } from "react";
import { Button } from "./Button";

interface Props {
  label: string;
  accept: string;
  large?: boolean;
  disabled?: boolean;
  onFile: (file: File) => void;
}

/** A button that takes in one file; the same file can be taken twice. */
export function FileButton({ label, accept, large = false, disabled = false, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) onFile(file);
          e.target.value = "";
        }}
      />
      <Button large={large} disabled={disabled} onClick={() => input.current?.click()}>
        {label}
      </Button>
    </>
  );
}
