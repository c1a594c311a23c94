/**
 * Which test is worth doing next. Candidates, their value, the gates and the reason are separate small types; a plan is a pure
 * function of belief, vehicle state and what cannot be done here. One step of look-ahead.
 */
package overturn.planning;
