/** The instruments of the workshop: which there are, and what they show. */
@NullMarked
package overturn.app.instrument;

import org.jspecify.annotations.NullMarked;
