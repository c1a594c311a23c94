/** Who works here, the tools and prices of the workshop, and whether its store answers. */
@NullMarked
package overturn.app.workshop;

import org.jspecify.annotations.NullMarked;
