/** Instruments over HTTP. */
@NullMarked
package overturn.app.api.instrument;

import org.jspecify.annotations.NullMarked;
