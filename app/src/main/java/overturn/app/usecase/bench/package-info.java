/** Calculations on a layout. */
@NullMarked
package overturn.app.usecase.bench;

import org.jspecify.annotations.NullMarked;
