/** The workshop and the health of the server over HTTP. */
@NullMarked
package overturn.app.api.workshop;

import org.jspecify.annotations.NullMarked;
