/** The lines of the bay and who keeps them. */
@NullMarked
package overturn.app.usecase.bay;

import org.jspecify.annotations.NullMarked;
