/**
 * The bleed sheet: in what order the ends are bled, where the level will stand, how much air is believed to be left and
 * when an end is done.
 */
@NullMarked
package overturn.bleeding;

import org.jspecify.annotations.NullMarked;
