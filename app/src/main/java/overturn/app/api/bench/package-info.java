/** Calculators over HTTP. */
@NullMarked
package overturn.app.api.bench;

import org.jspecify.annotations.NullMarked;
