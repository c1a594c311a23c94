/**
 * How probable the readings that were taken are under each forecast: noise of the instrument, what the vehicle is free
 * to be, rigs that may lie, repeats on the same rig.
 */
@NullMarked
package overturn.likelihood;

import org.jspecify.annotations.NullMarked;
