/**
 * The words a technician reads, by stable id, from the resource files in {@code overturn/words}. The core itself never
 * makes sentences.
 */
@NullMarked
package overturn.words;

import org.jspecify.annotations.NullMarked;
