package overturn.repair;

import java.util.OptionalDouble;
import overturn.quantity.Dimension;

/**
 * A figure that a step asks for.
 *
 * @param id unique in its step, key of its words
 * @param listed what this layout lists, in core units; empty where only the maker knows
 * @param within how far the figure may lie from it, core units; a figure further off stops the plan
 * @param stops whether one that differs stops the plan; of an old part it does not
 */
public record Asked(String id, Dimension dimension, OptionalDouble listed, double within, boolean stops) {

    /** Whether a measured figure is another than this layout lists, and so stops the plan. */
    public boolean differs(double measured) {
        return stops && listed.isPresent() && Math.abs(measured - listed.getAsDouble()) > within;
    }
}
