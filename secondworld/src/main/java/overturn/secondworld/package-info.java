/**
 * Vehicles of another structure than the simulator's: a foot that presses in time, friction that holds, seals that roll
 * back, hoses that give slowly, assists with a volume of their own, leaks of several laws, a person who reads. Written
 * apart from the simulator and never fitted to it, so that it shows where forecasts are surer than physics allows.
 */
@NullMarked
package overturn.secondworld;

import org.jspecify.annotations.NullMarked;
