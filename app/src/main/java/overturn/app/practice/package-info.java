/** Exercises and what was done in them, as they are kept. */
@NullMarked
package overturn.app.practice;

import org.jspecify.annotations.NullMarked;
