/**
 * A vehicle as the workshop knows it, whichever job found it out: name, circuit, distances, measured figures, notes.
 */
@NullMarked
package overturn.app.vehicle;

import org.jspecify.annotations.NullMarked;
