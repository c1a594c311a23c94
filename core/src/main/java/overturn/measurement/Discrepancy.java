package overturn.measurement;

/**
 * What the formula behind a figure does not know, beside the noise of the instrument, in the figure's own unit. Argued
 * kind by kind in docs/physics.md.
 *
 * @param own 1σ that this figure has by itself
 * @param shared 1σ by which all figures of one series on one vehicle are off together
 * @param shareOfReading 1σ as a share of what was read, beside its own
 * @param ofVehicle 1σ by which all travels of one vehicle are off together, whichever test reads them: ten of them a
 *     little short are one surprise
 */
public record Discrepancy(double own, double shared, double shareOfReading, double ofVehicle) {

    /** A figure that its formula tells to the last digit: a count, a mark. */
    public static final Discrepancy NONE = new Discrepancy(0, 0, 0, 0);

    public Discrepancy {
        if (!(own >= 0 && shared >= 0 && shareOfReading >= 0 && ofVehicle >= 0)) {
            throw new IllegalArgumentException("Discrepancy " + own + ", " + shared + ", " + shareOfReading + ", "
                    + ofVehicle + ": each 0 or more");
        }
    }

    /** Of a figure that has nothing in common with others of its vehicle. */
    public Discrepancy(double own, double shared, double shareOfReading) {
        this(own, shared, shareOfReading, 0);
    }

    /** Its own 1σ at a reading. */
    public double ownAt(double reading) {
        return Math.hypot(own, shareOfReading * reading);
    }
}
