/** Signing in and handing over; people, tablets and tokens. */
@NullMarked
package overturn.app.api.people;

import org.jspecify.annotations.NullMarked;
