/** Reads the record, and tells what is learned from it. */
@NullMarked
package overturn.app.usecase.record;

import org.jspecify.annotations.NullMarked;
