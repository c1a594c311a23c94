/** Vehicles over HTTP. */
@NullMarked
package overturn.app.api.vehicle;

import org.jspecify.annotations.NullMarked;
