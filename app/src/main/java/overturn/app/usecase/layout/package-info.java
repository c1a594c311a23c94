/** Layouts made ready: checked, saved, their suspects and forecasts worked out. */
@NullMarked
package overturn.app.usecase.layout;

import org.jspecify.annotations.NullMarked;
