/**
 * Bayes over what may be the matter with a vehicle: nothing, one suspect, two at once, or none of the list. Particles
 * carry a severity together with a vehicle's own unknowns, shared by all readings, so that one leak and one vehicle
 * must explain them all. Predictions come from the simulator and are computed once per layout; two faults add what each
 * does to the sound reading of the same vehicle. A rig that lies is a latent of its set-up. Repeats on the same set-up
 * are averaged, so that saying the same thing twice proves nothing twice. Readings know what had been remedied before
 * them. Limits: every test is predicted from a rested vehicle, whatever was done to it before; two faults are never
 * simulated together.
 */
package overturn.inference;
