/** Instruments that are not there, as programs that speak as a real one would. */
@NullMarked
package overturn.secondworld.standin;

import org.jspecify.annotations.NullMarked;
