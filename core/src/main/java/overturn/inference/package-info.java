/**
 * Bayes over what may be the matter with a vehicle: nothing, one suspect, two at once, or none of the list. Particles
 * carry a severity together with a vehicle's own unknowns, shared by all readings, so that one leak and one vehicle
 * must explain them all. What each reading would be comes from {@code forecast}, how well it fits what was taken from
 * {@code likelihood}. Readings know what had been remedied before them. Limits: every test is forecast from a rested
 * vehicle, whatever was done to it before; of two faults only pairs that have come up are simulated together.
 */
@NullMarked
package overturn.inference;

import org.jspecify.annotations.NullMarked;
