/** Pictures taken at a step or of an entry. */
@NullMarked
package overturn.app.photo;

import org.jspecify.annotations.NullMarked;
