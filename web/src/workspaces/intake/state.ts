import type { Waiting } from "../../domain/outbox";
import type { Layout, OpenJobRequest } from "../../domain/types";
import { say } from "../../domain/words";

/** In place of a behaviour: nobody complains, the vehicle is checked. */
export const NO_COMPLAINT = "no-complaint";
export const WORK_KINDS = ["renewed", "opened", "set"] as const;
export const BLED = ["unknown", "yes", "no"] as const;
export const MOST_WORK = 12;
const AGES = ["UNKNOWN", "NEW", "OLD"] as const;

/** One piece of work: where, what, and whether it was bled after it. */
export interface Work {
  area: string;
  kind: string;
  bled: string;
}

/** What has been filled in so far; the ids are made with the form, so that sending twice opens one job. */
export interface IntakeDraft {
  jobId: string;
  entryId: string;
  readingId: string;
  /** Which vehicle is meant; without it, the one that is called so. */
  vehicleId?: string;
  vehicle: string;
  layoutId: string;
  complaint: string;
  behaviour: string;
  /** What it does beside it; empty where nothing is told. */
  alsoBehaviour: string;
  hunchId: string;
  mayBeMoved: "" | "yes" | "no";
  recentWork: boolean;
  sometimes: boolean;
  age: (typeof AGES)[number];
  work: Work[];
  facts: string[];
  /** Make, chassis number, customer, order number, as far as they are told. */
  about: Record<string, string>;
}

export const ABOUT = ["make", "vin", "customer", "order"] as const;

export const emptyDraft = (id: () => string): IntakeDraft => ({
  jobId: id(),
  entryId: id(),
  readingId: id(),
  vehicle: "",
  layoutId: "",
  complaint: "",
  behaviour: "",
  alsoBehaviour: "",
  hunchId: "",
  mayBeMoved: "",
  recentWork: false,
  sometimes: false,
  age: "UNKNOWN",
  work: [],
  facts: [],
  about: {},
});

export type IntakeField = "vehicle" | "layoutId" | "complaint" | "behaviour" | "mayBeMoved";

const FIELDS: IntakeField[] = ["vehicle", "layoutId", "complaint", "behaviour", "mayBeMoved"];

/** The fields that still have to be filled in, in the order of the form. */
export function unfilled(draft: IntakeDraft): IntakeField[] {
  const said = draft.behaviour !== NO_COMPLAINT;
  return FIELDS.filter((field) => draft[field].trim() === "" && (said || field !== "complaint"));
}

/** Circuits that a new job can stand on. */
export const offered = (layouts: Layout[]): Layout[] => layouts.filter((layout) => !layout.withdrawn);

/** A job that was kept and refused, as the draft it was made from. */
export function draftOf(write: Waiting): Partial<IntakeDraft> {
  if (write.kind !== "jobs") return {};
  const { mayBeMoved, age, ...rest } = write.body;
  return {
    ...rest,
    age: AGES.find((one) => one === age) ?? "UNKNOWN",
    jobId: write.jobId,
    entryId: write.entryId,
    mayBeMoved: mayBeMoved ? "yes" : "no",
  };
}

/** What is begun anew when another circuit is chosen. */
export const anotherCircuit = (layoutId: string): Partial<IntakeDraft> => ({
  layoutId,
  behaviour: "",
  alsoBehaviour: "",
  hunchId: "",
  work: [],
  facts: [],
});

export function request(draft: IntakeDraft): OpenJobRequest {
  const { mayBeMoved, vehicle, complaint, hunchId, alsoBehaviour, ...rest } = draft;
  return {
    ...rest,
    ...(hunchId === "" ? {} : { hunchId }),
    ...(alsoBehaviour === "" ? {} : { alsoBehaviour }),
    vehicle: vehicle.trim(),
    complaint: complaint.trim() || (rest.behaviour === NO_COMPLAINT ? say("noComplaint") : ""),
    mayBeMoved: mayBeMoved === "yes",
  };
}
