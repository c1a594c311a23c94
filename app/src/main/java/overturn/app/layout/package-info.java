/** Layouts that the workshop has saved. */
@NullMarked
package overturn.app.layout;

import org.jspecify.annotations.NullMarked;
