package overturn.procedure;

/** How likely each observation is, given the simulated state; options in the order of the spec, summing to one. */
@FunctionalInterface
public interface ObservationTable {

    double[] probabilities(double[] simulated);

    /** Normalises weights to probabilities. */
    static double[] normalised(double... weights) {
        double sum = 0;
        for (double weight : weights) {
            sum += weight;
        }
        double[] result = new double[weights.length];
        for (int i = 0; i < weights.length; i++) {
            result[i] = weights[i] / sum;
        }
        return result;
    }

    /** A number that is as listed reads as another so often, and another as listed; estimates. */
    double MISREAD = 1 / 200.0;

    /** How surely a number or length that was found is told from the listed one: from a twentieth on. */
    static double another(double found, double listed) {
        return MISREAD + (1 - 2 * MISREAD) * ramp(Math.abs(found / listed - 1), 0.02, 0.08);
    }

    /** 0 at or below {@code from}, 1 at or above {@code to}, straight between. */
    static double ramp(double value, double from, double to) {
        return Math.max(0, Math.min(1, (value - from) / (to - from)));
    }

    /** Half at {@code half}, towards 1 for much more: how sure an eye is to see a quantity. */
    static double seen(double quantity, double half) {
        return quantity <= 0 ? 0 : quantity / (quantity + half);
    }
}
