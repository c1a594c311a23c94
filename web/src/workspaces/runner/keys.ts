import { useEffect, useRef } from "react";

/** The keys of whoever has no hand free for more than one: Esc leaves, Enter goes on. */
export function useKeys(active: boolean, acts: Record<"Escape" | "Enter", () => void>) {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    if (!active) return;
    const pressed = (e: KeyboardEvent) => {
      if (e.defaultPrevented && !isChoice(e.target)) return;
      if (e.key === "Escape" && document.querySelector("[role=dialog]") === null) latest.current.Escape();
      if (e.key !== "Enter") return;
      if (isChoice(e.target) && e.target.getAttribute("aria-checked") !== "true") return e.target.click();
      if (!isChoice(e.target) && !(e.target instanceof HTMLInputElement) && e.target !== document.body) return;
      e.preventDefault();
      latest.current.Enter();
    };
    document.addEventListener("keydown", pressed);
    return () => document.removeEventListener("keydown", pressed);
  }, [active]);
}

const isChoice = (target: EventTarget | null): target is HTMLElement =>
  target instanceof HTMLElement && target.getAttribute("role") === "radio";

/** The focus goes where the next key goes: to the first field that is empty, else to what leads on; no keyboard is put up under a thumb. */
export function focusNext(page: HTMLElement | null) {
  const fields = [...(page?.querySelectorAll<HTMLInputElement>("main input[id^='figure-']") ?? [])];
  const typing = window.matchMedia("(pointer: fine)").matches ? fields.find((field) => field.value === "") : undefined;
  const choice = page?.querySelector<HTMLElement>("main [role=radio]");
  (typing ?? choice ?? page?.querySelector<HTMLElement>("[data-next]"))?.focus({ preventScroll: true });
}
