/**
 * Tests: what is done to the circuit, what it needs and costs, what it yields, and how a simulated outcome becomes a
 * reading. Every test of the catalogue stands in one place, {@link overturn.procedure.ProcedureCatalogue}; its words
 * are in {@code words/tests.properties} under its id.
 */
package overturn.procedure;
