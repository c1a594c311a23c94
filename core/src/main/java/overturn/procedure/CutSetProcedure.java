package overturn.procedure;

import overturn.circuit.CutSets.Division;

/** A test derived from a way to divide the circuit. */
public record CutSetProcedure(Procedure procedure, Division division) {}
