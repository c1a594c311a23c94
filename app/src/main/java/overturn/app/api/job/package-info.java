/** Jobs over HTTP. */
@NullMarked
package overturn.app.api.job;

import org.jspecify.annotations.NullMarked;
