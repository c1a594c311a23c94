/** What instruments write down against time, and what a test reads off it. */
@NullMarked
package overturn.instrument;

import org.jspecify.annotations.NullMarked;
