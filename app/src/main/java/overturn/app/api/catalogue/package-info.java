/** What the program knows before any job, over HTTP. */
@NullMarked
package overturn.app.api.catalogue;

import org.jspecify.annotations.NullMarked;
