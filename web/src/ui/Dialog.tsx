import { Dialog as Radix } from "radix-ui";
import type { ReactNode } from "react";
import { say } from "../domain/words";

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
}

/** A sheet over the page. */
export function Dialog({ open, onClose, title, children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-black/50" />
        <Radix.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 max-h-[90dvh] w-[min(44rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto border-2 border-ink bg-ground p-5"
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Radix.Title className="text-2xl font-semibold">{title}</Radix.Title>
            <Radix.Close className="min-h-11 min-w-11 border border-rule px-3">{say("close")}</Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
