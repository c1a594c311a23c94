/**
 * A hidden vehicle that answers tests with noisy readings, and a technician who follows the plan. The same model drives
 * demo data, training and the measure of how good the planner is.
 */
@NullMarked
package overturn.practice;

import org.jspecify.annotations.NullMarked;
