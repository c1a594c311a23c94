import { Component, type ReactNode } from "react";
import { say } from "../domain/words";
import { Button } from "./Button";

/** Something is on its way. */
export function Loading() {
  return (
    <main className="grid min-h-[60dvh] place-items-center p-8" aria-busy="true">
      <div className="w-64">
        <p className="caps mb-2">{say("loading")}</p>
        <div className="h-2 overflow-hidden border border-ink">
          <div className="h-full w-1/3 animate-pulse bg-ink" />
        </div>
      </div>
    </main>
  );
}

/** It did not come; say what, and offer to try again. */
export function Failed({ error, again }: { error: Error; again: () => void }) {
  return (
    <main className="grid min-h-[60dvh] place-items-center p-8">
      <div role="alert" className="max-w-md border-2 border-ink bg-panel p-6">
        <h1 className="text-2xl font-semibold">{say("failed")}</h1>
        <p className="my-3">{error.message}</p>
        <p className="mb-4 text-soft">{say("failedKept")}</p>
        <Button filled onClick={again}>
          {say("tryAgain")}
        </Button>
      </div>
    </main>
  );
}

/** A page that fails to draw says so, instead of leaving nothing; what was entered is kept. */
export class Drawn extends Component<{ children: ReactNode }, { broke: boolean }> {
  override state = { broke: false };

  static getDerivedStateFromError() {
    return { broke: true };
  }

  override render() {
    if (!this.state.broke) return this.props.children;
    return <Failed error={new Error(say("pageBroke"))} again={() => window.location.reload()} />;
  }
}
