/** Practice over HTTP. */
@NullMarked
package overturn.app.api.practice;

import org.jspecify.annotations.NullMarked;
