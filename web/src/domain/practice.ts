import { NOTHING_WRONG, type Job, type Test } from "./types";

/** Whether suspicion is kept from whoever practises, until the program is asked or the exercise is over. */
export const suspicionHidden = (job: Job): boolean =>
  job.practice !== undefined && !job.practice.helped && !job.practice.ended;

/** A test with no suspect on its rulers: only where a sound vehicle would lie is told. */
export const withoutSuspects = (test: Test): Test => ({
  ...test,
  figures: test.figures.map((figure) => ({
    ...figure,
    bands: figure.bands.filter((band) => band.suspectId === NOTHING_WRONG),
  })),
});

/** What stands against moving it; while suspicion is hidden without the suspects, who would tell it. */
export const standsAgainst = (job: Job): Job["status"]["mayMove"]["because"] =>
  suspicionHidden(job)
    ? job.status.mayMove.because.filter(({ kind }) => kind !== "SUSPECT" && kind !== "UNLISTED")
    : job.status.mayMove.because;
