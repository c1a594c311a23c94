/** What is known of vehicles. */
@NullMarked
package overturn.app.usecase.vehicle;

import org.jspecify.annotations.NullMarked;
