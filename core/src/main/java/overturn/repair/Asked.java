package overturn.repair;

import java.util.OptionalDouble;
import overturn.quantity.Dimension;

/**
 * A figure that a step asks for.
 *
 * @param id unique in its step, key of its words
 * @param listed what this layout lists, in core units; empty where only the maker knows
 * @param within how far the figure may lie from it, core units; a figure further off stops the plan
 * @param compares whether old and new part are held against one another, so that either may be wrong
 */
public record Asked(String id, Dimension dimension, OptionalDouble listed, double within, boolean compares) {

    /** Whether a measured figure is another than this layout lists. */
    public boolean differs(double measured) {
        return listed.isPresent() && Math.abs(measured - listed.getAsDouble()) > within;
    }
}
