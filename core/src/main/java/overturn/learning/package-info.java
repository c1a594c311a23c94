/**
 * What a workshop's closed jobs say of how frequent each fault is there: counts beside the frequencies that ship, and
 * minutes beside the estimates.
 */
@NullMarked
package overturn.learning;

import org.jspecify.annotations.NullMarked;
