package overturn.numeric;

/** Sums of probabilities held as natural logarithms, so that products of many small likelihoods do not underflow. */
public final class LogSpace {

    private LogSpace() {}

    /** How far below the highest a term of a rough sum is no longer told from nothing, nats; chosen. */
    private static final double NOTHING_NATS = 40;

    /** Part of a step; definition. */
    private static final double PART = 1.0 / (1 << 10);
    /** A sixth; definition. */
    private static final double SIXTH = 1.0 / 6;
    /** Steps of the table per nat; chosen for an error below 2e-6. */
    private static final int STEPS_PER_NAT = 128;
    /** How far the table goes, nats; chosen: what is left is below a millionth. */
    private static final int REACH_NATS = 14;
    /** {@code log(1 + exp(-x))} from 0 on, in steps; between them straight, off by less than 2e-6; definition. */
    private static final double[] LOG_ONE_PLUS = new double[REACH_NATS * STEPS_PER_NAT + 2];

    static {
        for (int i = 0; i < LOG_ONE_PLUS.length; i++) {
            LOG_ONE_PLUS[i] = Math.log1p(Math.exp(-(double) i / STEPS_PER_NAT));
        }
    }

    /** {@code log(exp(a) + exp(b))} without overflow, to 2e-6; either may be negative infinity. */
    public static double add(double a, double b) {
        double high = Math.max(a, b);
        double apart = Math.abs(a - b) * STEPS_PER_NAT;
        if (!(apart < REACH_NATS * STEPS_PER_NAT)) {
            return high;
        }
        int step = (int) apart;
        double part = apart - step;
        return high + LOG_ONE_PLUS[step] * (1 - part) + LOG_ONE_PLUS[step + 1] * part;
    }

    /** {@code log(Σ exp(terms))}; negative infinity for no terms. */
    public static double sum(double[] terms) {
        double high = highest(terms);
        if (high == Double.NEGATIVE_INFINITY) {
            return high;
        }
        double total = 0;
        for (double term : terms) {
            total += Math.exp(term - high);
        }
        return high + Math.log(total);
    }

    /**
     * Replaces each figure x, 0 or more, by {@code exp(-x)}; to 1e-5 of it up to 20, and to 1e-9 beyond. Series and
     * squarings, so that the machine works out several at a time, which {@link Math#exp} does not allow.
     */
    public static void expOfMinus(double[] figures) {
        for (int i = 0; i < figures.length; i++) {
            double part = Math.min(NOTHING_NATS, figures[i]) * PART;
            double power = 1 - part * (1 - part * (0.5 - part * SIXTH));
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            power *= power;
            figures[i] = power;
        }
    }

    /** The highest of some terms; negative infinity for none. */
    public static double highest(double[] terms) {
        double high = Double.NEGATIVE_INFINITY;
        for (double term : terms) {
            high = Math.max(high, term);
        }
        return high;
    }

    /** {@code exp(term - highest)} of each, as {@link #fade} works it out. */
    public static double[] against(double highest, double[] terms) {
        double[] apart = new double[terms.length];
        for (int i = 0; i < apart.length; i++) {
            apart[i] = highest - terms[i];
        }
        expOfMinus(apart);
        return apart;
    }

    /** {@code log(Σ exp(terms))} of many terms, to 1e-5, one of them finite. */
    public static double roughSum(double[] terms) {
        double high = highest(terms);
        double total = 0;
        for (double share : against(high, terms)) {
            total += share;
        }
        return high + Math.log(total);
    }

    /** The probabilities that these log weights stand for, normalised to sum to one. */
    public static double[] normalised(double[] logWeights) {
        double total = sum(logWeights);
        if (!Double.isFinite(total)) {
            throw new IllegalStateException("Impossible: no hypothesis has any weight left");
        }
        double[] result = new double[logWeights.length];
        for (int i = 0; i < result.length; i++) {
            result[i] = Math.exp(logWeights[i] - total);
        }
        return result;
    }
}
