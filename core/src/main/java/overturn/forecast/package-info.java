/**
 * What every reading would be on this layout: particles of vehicles run through the simulator once for every suspect,
 * their figures, scatter and slopes kept for whoever asks. Knows nothing of readings that were taken.
 */
@NullMarked
package overturn.forecast;

import org.jspecify.annotations.NullMarked;
