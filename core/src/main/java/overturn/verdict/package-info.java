/**
 * How far the evidence reaches: open, probable or proven, what stands in the way of proof, and what would overturn the
 * verdict.
 */
@NullMarked
package overturn.verdict;

import org.jspecify.annotations.NullMarked;
