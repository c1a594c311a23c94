import { useEffect, useState } from "react";

/** Does something once the browser has drawn what it has; returns how to call it off. */
export function soon(something: () => void): () => void {
  let timer: number | undefined;
  const frame = requestAnimationFrame(() => (timer = window.setTimeout(something)));
  return () => {
    cancelAnimationFrame(frame);
    window.clearTimeout(timer);
  };
}

/** False until what matters first has been drawn once, so that the rest does not keep it waiting. */
export function useDrawn(): boolean {
  const [drawn, setDrawn] = useState(false);
  useEffect(() => soon(() => setDrawn(true)), []);
  return drawn;
}
