/** The record: what is kept of closed jobs, and what is learned from them. */
@NullMarked
package overturn.app.record;

import org.jspecify.annotations.NullMarked;
