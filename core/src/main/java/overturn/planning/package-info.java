/**
 * Which test is worth doing next, priced in minutes. {@code CostToCome} values a belief over cures, {@code TestPlanner}
 * ranks candidates by minutes saved per minute spent, gates first; a plan is a pure function of belief, vehicle state
 * and what cannot be done here. One step of look-ahead on whole layouts; {@code DiscretePolicy} looks to the end where
 * few tests are left, and knows the exact optimum.
 */
@NullMarked
package overturn.planning;

import org.jspecify.annotations.NullMarked;
