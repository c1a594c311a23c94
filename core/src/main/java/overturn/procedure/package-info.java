/**
 * What a test is: what is done to the circuit step by step, what it needs and costs, what it yields, and how a
 * simulated outcome becomes a reading. Which tests there are is in {@code catalogue}.
 */
@NullMarked
package overturn.procedure;

import org.jspecify.annotations.NullMarked;
