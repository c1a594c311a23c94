import type { ReactNode } from "react";

/** The page before anybody is signed in. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="sheet-grid grid min-h-dvh place-items-center p-4">
      <div className="grid w-full max-w-xl gap-4 border-2 border-ink bg-panel p-5 sm:p-6">
        <h1 className="text-3xl font-semibold">{title}</h1>
        {children}
      </div>
    </main>
  );
}

/** Why somebody could not be signed in. */
export function DoorRefused({ message }: { message: string }) {
  return message === "" ? null : (
    <p role="alert" className="border-2 border-danger p-2">
      {message}
    </p>
  );
}
