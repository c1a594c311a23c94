/** Signing in, handing over, and looking after people, tablets and tokens. */
@NullMarked
package overturn.app.usecase.people;

import org.jspecify.annotations.NullMarked;
