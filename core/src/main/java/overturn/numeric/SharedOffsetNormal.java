package overturn.numeric;

/**
 * Log density of a series whose figures carry independent noise and one offset common to all of them (a tape hooked a little
 * too high, a foot that always presses a little harder). Covariance diag(s²) + d²·11ᵀ, inverted in closed form
 * (Sherman–Morrison), so that the cost is linear in the number of figures. Figures that are NaN were not taken and are left out.
 */
public final class SharedOffsetNormal {

    private static final double LOG_TWO_PI = Math.log(2 * Math.PI);

    private SharedOffsetNormal() {
    }

    /**
     * @param seen     what was read, NaN where no figure was taken
     * @param means    predicted figures, starting at {@code from}
     * @param from     index of the first predicted figure in {@code means}
     * @param sds      independent noise per figure, same units, above 0
     * @param offsetSd standard deviation of the shared offset, 0 or more
     * @param scale    factor on all noise, above 0
     */
    public static double logDensity(double[] seen, float[] means, int from, double[] sds, double offsetSd, double scale) {
        double perScale = 1 / (scale * scale);
        double sumSquares = 0;
        double sumWeighted = 0;
        double sumWeights = 0;
        double sdProduct = 1;
        int taken = 0;
        for (int i = 0; i < seen.length; i++) {
            double difference = seen[i] - means[from + i];
            if (Double.isNaN(difference)) {
                continue;
            }
            double sd = sds[i];
            double weight = perScale / (sd * sd);
            sumSquares += difference * difference * weight;
            sumWeighted += difference * weight;
            sumWeights += weight;
            sdProduct *= sd * scale;
            taken++;
        }
        double offsetVariance = offsetSd * offsetSd * scale * scale;
        double shrink = 1 + offsetVariance * sumWeights;
        double squares = sumSquares - offsetVariance * sumWeighted * sumWeighted / shrink;
        return -0.5 * (squares + Math.log(shrink * sdProduct * sdProduct) + taken * LOG_TWO_PI);
    }
}
