/**
 * Bayes over the suspects of a layout. Each suspect carries particles, a severity together with this vehicle's own unknowns,
 * shared by all readings, so that one leak and one vehicle must explain them all. Predictions come from the simulator and are
 * computed once per layout. A rig that lies is a latent of its set-up. Repeats on the same set-up are averaged, so that saying
 * the same thing twice proves nothing twice. Not carried yet: pairs of suspects, and faults outside the catalogue.
 */
package overturn.inference;
