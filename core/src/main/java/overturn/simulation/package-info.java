/**
 * The physics: what a vehicle with given faults reads under a protocol. Quasi-static and lumped (docs/physics.md):
 * force gives pressure, pressure gives swallowed volume, volume gives travel; leaks and creep move it with time in
 * one-second steps. Good to a few per cent of what a gauge and a ruler show. Not modelled: temperature, inertia,
 * pressure loss in pipes.
 */
@NullMarked
package overturn.simulation;

import org.jspecify.annotations.NullMarked;
