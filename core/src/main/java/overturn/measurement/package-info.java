/**
 * What a test can yield: a series of figures with resolution, noise and physical range, or one observation from a fixed
 * list. A reading is the raw figure; whether it is normal is computed later.
 */
@NullMarked
package overturn.measurement;

import org.jspecify.annotations.NullMarked;
