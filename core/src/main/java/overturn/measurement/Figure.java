package overturn.measurement;

import java.util.OptionalInt;
import overturn.quantity.Dimension;

/**
 * One number that a test asks for, in core units.
 *
 * @param id unique in its test
 * @param least least value that physics allows
 * @param most most that physics allows
 * @param noiseSd 1σ of instrument and hand, resolution included (docs/trade-figures.md C)
 * @param discrepancy what its formula does not know
 * @param atSecond when in the hold it is called, if it is
 */
public record Figure(
        String id,
        Dimension dimension,
        double least,
        double most,
        double noiseSd,
        Discrepancy discrepancy,
        OptionalInt atSecond) {

    public Figure {
        if (!(least < most) || !(noiseSd > 0)) {
            throw new IllegalArgumentException("Figure " + id + ": needs least < most and noise above 0");
        }
    }

    /** The same figure where more, or less, is known of it. */
    public Figure with(Discrepancy other) {
        return new Figure(id, dimension, least, most, noiseSd, other, atSecond);
    }

    /** Whether this value can be a reading at all. */
    public boolean allows(double value) {
        return value >= least && value <= most;
    }

    /** The nearest value that can be read. */
    public double nearest(double value) {
        return Math.max(least, Math.min(most, value));
    }
}
