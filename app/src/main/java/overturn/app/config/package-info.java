/** Wiring: clock, filters that guard the door, the description of the API. */
@NullMarked
package overturn.app.config;

import org.jspecify.annotations.NullMarked;
