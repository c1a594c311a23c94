package overturn.suspect;

import org.hipparchus.distribution.continuous.LogNormalDistribution;

/** How bad a fault is where the complaint is felt: log-normal, limited to what is physical. */
final class Severity {

    private final LogNormalDistribution distribution;
    private final double least;
    private final double most;

    private Severity(double median, double spreadFactor, double least, double most) {
        this.distribution = new LogNormalDistribution(Math.log(median), Math.log(spreadFactor));
        this.least = least;
        this.most = most;
    }

    /** Median, factor of one standard deviation, and limits, all in the unit of the severity. */
    static Severity of(double median, double spreadFactor, double least, double most) {
        return new Severity(median, spreadFactor, least, most);
    }

    double at(double quantile) {
        if (!(quantile > 0 && quantile < 1)) {
            throw new IllegalArgumentException("Severity quantile " + quantile + " must lie between 0 and 1");
        }
        return Math.min(most, Math.max(least, distribution.inverseCumulativeProbability(quantile)));
    }
}
