/**
 * The hidden-fault benchmark (docs/method.md): vehicles whose fault is known to the program and hidden from the
 * policies, in a world that differs from the model; the planner and four baselines on the same vehicles with the same
 * readings, side by side. Costs are minutes to the cured vehicle: tests, changes of state, closing and bleeding, wrong
 * parts and comebacks; the right remedy itself is the same for all and is left out.
 */
package overturn.bench.hidden;
