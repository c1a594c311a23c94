/**
 * The made-up Skerrow Island depot: jobs whose readings come from the simulator, loaded once into an empty workshop.
 */
@NullMarked
package overturn.app.demo;

import org.jspecify.annotations.NullMarked;
