const AT_INTAKE = ["characterise", "also-felt"];

/** Whether a reading is what was told of the vehicle as it came. */
export const toldAtIntake = (procedureId: string | undefined): boolean =>
  procedureId !== undefined && AT_INTAKE.includes(procedureId);
