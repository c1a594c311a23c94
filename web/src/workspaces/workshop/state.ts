import type { Workshop, WorkshopRequest } from "../../domain/types";

/** The settings as they are being edited: figures as typed. */
export interface Draft {
  name: string;
  there: Record<string, boolean>;
  helper: boolean;
  lift: boolean;
  bleedMethod: string;
  bleedOrder: string;
  /** By the id of its school, the way that is not the usual one. */
  schools: Record<string, string>;
  rate: string;
  currency: string;
  prices: Record<string, { labour: string; parts: string }>;
}

export function draftOf(workshop: Workshop): Draft {
  return {
    name: workshop.name,
    there: Object.fromEntries(workshop.tools.map((t) => [t.rigKind, t.there])),
    helper: workshop.helper,
    lift: workshop.lift,
    bleedMethod: workshop.bleedMethod,
    bleedOrder: workshop.bleedOrder,
    schools: workshop.schools,
    rate: workshop.ratePerHour === undefined ? "" : String(workshop.ratePerHour),
    currency: workshop.currency ?? "",
    prices: Object.fromEntries(
      workshop.prices.map((p) => [p.remedyId, { labour: String(p.labourMinutes), parts: String(p.partsMinutes) }]),
    ),
  };
}

/** The same draft with the prices as they are kept now: a table that was taken in leaves other edits alone. */
export function withPrices(draft: Draft, workshop: Workshop): Draft {
  return { ...draft, prices: draftOf(workshop).prices };
}

/** A typed figure; undefined where it is none. */
export function figure(text: string): number | undefined {
  return /^\s*\d+([.,]\d*)?\s*$/.test(text) ? Number.parseFloat(text.replace(",", ".")) : undefined;
}

/** Remedies whose minutes cannot be read. */
export function unreadable(draft: Draft): string[] {
  return Object.entries(draft.prices)
    .filter(([, p]) => figure(p.labour) === undefined || figure(p.parts) === undefined)
    .map(([id]) => id);
}

/** Whether the rate is blank or a figure. */
export function rateReadable(draft: Draft): boolean {
  return draft.rate.trim() === "" || figure(draft.rate) !== undefined;
}

/** What is sent once everything can be read. */
export function request(draft: Draft, version: number): WorkshopRequest {
  return {
    version,
    name: draft.name.trim(),
    helper: draft.helper,
    lift: draft.lift,
    bleedMethod: draft.bleedMethod,
    bleedOrder: draft.bleedOrder,
    schools: draft.schools,
    lacks: Object.entries(draft.there)
      .filter(([, there]) => !there)
      .map(([id]) => id),
    ratePerHour: figure(draft.rate),
    currency: draft.currency.trim(),
    prices: Object.entries(draft.prices).flatMap(([remedyId, p]) => {
      const [labourMinutes, partsMinutes] = [figure(p.labour), figure(p.parts)];
      return labourMinutes === undefined || partsMinutes === undefined
        ? []
        : [{ remedyId, labourMinutes, partsMinutes }];
    }),
  };
}
