/** Which tests there are on a layout, from the seat to the bench, each written down piece by piece. */
@NullMarked
package overturn.catalogue;

import org.jspecify.annotations.NullMarked;
