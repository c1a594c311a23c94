/** Gates from the chocks to release: which checks a layout asks for, what shuts a gate, and when a vehicle may go. */
@NullMarked
package overturn.proving;

import org.jspecify.annotations.NullMarked;
