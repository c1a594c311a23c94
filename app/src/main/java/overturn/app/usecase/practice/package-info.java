/** Practice: exercises on a hidden vehicle that answers back. */
@NullMarked
package overturn.app.usecase.practice;

import org.jspecify.annotations.NullMarked;
