/** The record and what is learned from it, over HTTP. */
@NullMarked
package overturn.app.api.record;

import org.jspecify.annotations.NullMarked;
