/** What closed jobs say of how frequent faults are here. */
@NullMarked
package overturn.app.usecase.learning;

import org.jspecify.annotations.NullMarked;
