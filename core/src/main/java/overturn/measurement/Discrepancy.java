package overturn.measurement;

/**
 * What the formula behind a figure does not know, beside the noise of the instrument, in the figure's own unit. Argued
 * kind by kind in docs/physics.md.
 *
 * @param own 1σ that this figure has by itself
 * @param shared 1σ by which all figures of one series on one vehicle are off together
 * @param shareOfReading 1σ as a share of what was read, beside its own
 */
public record Discrepancy(double own, double shared, double shareOfReading) {

    /** A figure that its formula tells to the last digit: a count, a mark. */
    public static final Discrepancy NONE = new Discrepancy(0, 0, 0);

    public Discrepancy {
        if (!(own >= 0 && shared >= 0 && shareOfReading >= 0)) {
            throw new IllegalArgumentException(
                    "Discrepancy " + own + ", " + shared + ", " + shareOfReading + ": each 0 or more");
        }
    }

    /** Its own 1σ at a reading. */
    public double ownAt(double reading) {
        return Math.hypot(own, shareOfReading * reading);
    }
}
