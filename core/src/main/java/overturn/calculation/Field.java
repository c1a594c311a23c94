package overturn.calculation;

import overturn.quantity.Dimension;

/**
 * One input of a calculator, in core units.
 *
 * @param id unique in its calculator; its word is {@code calculator.<calculator>.in.<id>}
 * @param least least that physics allows
 * @param most most that physics allows
 * @param preset what stands there before anything is typed, from the layout where it knows
 * @param sdShare uncertainty of a typed figure as a share of it, 1σ (docs/trade-figures.md C)
 * @param needed whether it must be given
 */
public record Field(
        String id, Dimension dimension, double least, double most, double preset, double sdShare, boolean needed) {

    static Field of(String id, Dimension dimension, double least, double most, double preset, double sdShare) {
        return new Field(id, dimension, least, most, Math.max(least, Math.min(most, preset)), sdShare, true);
    }

    /** One that may be left empty. */
    static Field optional(String id, Dimension dimension, double least, double most, double sdShare) {
        return new Field(id, dimension, least, most, Double.NaN, sdShare, false);
    }
}
