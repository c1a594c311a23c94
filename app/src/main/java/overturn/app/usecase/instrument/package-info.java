/** Instruments are announced, registered with a zero check, and listened to. */
@NullMarked
package overturn.app.usecase.instrument;

import org.jspecify.annotations.NullMarked;
