/**
 * The readings of a job, in order, as the inference sees them: which test, what was read, on which rig, how far the rig
 * is trusted.
 */
@NullMarked
package overturn.evidence;

import org.jspecify.annotations.NullMarked;
