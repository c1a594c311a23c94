/** One class per act. Transactions begin and end here; input is checked here, with every finding named at once. */
@NullMarked
package overturn.app.usecase;

import org.jspecify.annotations.NullMarked;
