/** What the workshop tells of itself, and whether all of it is sound. */
@NullMarked
package overturn.app.usecase.workshop;

import org.jspecify.annotations.NullMarked;
