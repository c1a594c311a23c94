/**
 * The arithmetic of the bench: twelve calculators (docs/physics.md), each a pure function from named inputs with ranges
 * to named results with units and uncertainty, fed with the figures of a layout.
 */
@NullMarked
package overturn.calculation;

import org.jspecify.annotations.NullMarked;
