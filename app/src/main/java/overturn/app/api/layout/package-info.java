/** Layouts over HTTP. */
@NullMarked
package overturn.app.api.layout;

import org.jspecify.annotations.NullMarked;
