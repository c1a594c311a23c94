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

    /** Begins one by its median; all figures of a severity are in its own unit. */
    static Draft median(double median) {
        return new Draft(median, 1);
    }

    /** A severity as it is being written down. */
    record Draft(double median, double spreadFactor) {

        /** Factor of one standard deviation. */
        Draft spread(double factor) {
            return new Draft(median, factor);
        }

        /** What is physical: none is milder or worse. */
        Severity within(double least, double most) {
            return new Severity(median, spreadFactor, least, most);
        }
    }

    double at(double quantile) {
        if (!(quantile > 0 && quantile < 1)) {
            throw new IllegalArgumentException("Severity quantile " + quantile + " must lie between 0 and 1");
        }
        return Math.min(most, Math.max(least, distribution.inverseCumulativeProbability(quantile)));
    }
}
