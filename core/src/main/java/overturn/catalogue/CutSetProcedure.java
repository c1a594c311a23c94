package overturn.catalogue;

import overturn.circuit.CutSets.Division;
import overturn.procedure.Procedure;

/** A test derived from a way to divide the circuit. */
public record CutSetProcedure(Procedure procedure, Division division) {}
