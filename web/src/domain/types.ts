import type { components } from "./generated/api";

type Schemas = components["schemas"];
export type Job = Schemas["JobView"];
export type JobSummary = Schemas["JobSummaryView"];
export type Vehicle = Schemas["VehicleView"];
export type JobList = Schemas["JobListView"];
export type Entry = Schemas["EntryView"];
export type Assessment = Schemas["AssessmentView"];
export type Suspicion = Schemas["SuspicionView"];
export type Moment = Schemas["MomentView"];
export type Proposal = Schemas["ProposalView"];
export type Reason = Schemas["ReasonView"];
export type Verdict = Schemas["VerdictView"];
export type Overturner = Schemas["OverturnerView"];
export type Test = Schemas["TestView"];
export type Step = Schemas["StepView"];
export type Figure = Schemas["FigureView"];
export type Band = Schemas["BandView"];
export type Needs = Schemas["NeedsView"];
export type Catalogue = Schemas["CatalogueView"];
export type Layout = Schemas["LayoutView"];
export type Unit = Schemas["UnitView"];
export type Dimension = Unit["dimension"];
export type FactRequest = Schemas["FactRequest"];
export type FigureRequest = Schemas["FigureRequest"];
/** What each write carries, by the last part of its address; jobs opens one. */
export interface Writes {
  jobs: Schemas["OpenJobRequest"];
  readings: Schemas["ReadingRequest"];
  strikes: Schemas["StrikeRequest"];
  "set-aside": Schemas["SetAsideRequest"];
  "take-off": Schemas["TakeOffRequest"];
  verdict: Schemas["AcceptRequest"];
  notes: Schemas["NoteRequest"];
  "work-steps": Schemas["WorkStepRequest"];
  strokes: Schemas["StrokesRequest"];
  levels: Schemas["LevelRequest"];
  bleeding: Schemas["BleedingRequest"];
  photos: Schemas["PhotoRequest"];
  walks: Schemas["WalkRequest"];
  rests: Schemas["RestRequest"];
  checks: Schemas["CheckRequest"];
  parts: Schemas["PartRequest"];
  withdrawal: Schemas["WithdrawRequest"];
  release: Schemas["ReleaseRequest"];
}
export type OpenJobRequest = Schemas["OpenJobRequest"];
export type ComponentKind = Layout["components"][number]["kind"];
export type Sheet = Layout["sheet"];
export type CheckedLayout = Schemas["CheckedLayoutView"];
export type Calculator = Schemas["CalculatorView"];
export type Field = Schemas["FieldView"];
export type Calculation = Schemas["CalculationView"];
export type Column = Schemas["ColumnView"];
export type Output = Schemas["OutputView"];
export type Curve = Schemas["CurveView"];
export type Note = Schemas["NoteView"];
export type Repair = Schemas["RepairView"];
export type WorkStep = Schemas["WorkStepView"];
export type BleedSheet = Schemas["BleedSheetView"];
export type Gate = Schemas["GateView"];
export type GateCheck = Schemas["GateCheckView"];
export type Workshop = Schemas["WorkshopView"];
export type WorkshopRequest = Schemas["WorkshopRequest"];
export type Grade = Verdict["grade"];

/** The hypothesis that the vehicle is sound; drawn cool wherever suspects are drawn hot. */
export const NOTHING_WRONG = "nothing-wrong";
