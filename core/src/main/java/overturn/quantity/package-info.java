/**
 * Units and typed values. The core reckons in mm, N, bar (gauge), kPa (depression below ambient), mL and s; what a
 * technician typed is kept as text beside the core's value and never rewritten.
 */
@NullMarked
package overturn.quantity;

import org.jspecify.annotations.NullMarked;
