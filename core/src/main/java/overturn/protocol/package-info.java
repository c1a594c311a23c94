/**
 * What a test does to a vehicle and what is sensed of it, in order: the words in which tests and every model of a
 * vehicle understand one another.
 */
@NullMarked
package overturn.protocol;

import org.jspecify.annotations.NullMarked;
