/** Small numerical helpers of the inference: sums in log space and densities with a shared offset. No domain words. */
@NullMarked
package overturn.numeric;

import org.jspecify.annotations.NullMarked;
