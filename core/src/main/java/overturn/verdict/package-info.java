/**
 * How far the evidence reaches: open, probable or proven, what stands in the way of proof, and what would overturn the
 * verdict.
 */
package overturn.verdict;
