package overturn.numeric;

/**
 * Log density of a series whose figures carry independent noise and one offset common to all of them (a tape hooked a
 * little too high, a foot that always presses a little harder). Covariance diag(s²) + d²·11ᵀ, inverted in closed form
 * (Sherman–Morrison), so that the cost is linear in the number of figures. Figures that are NaN were not taken and are
 * left out. What does not depend on the means is worked out once.
 */
public final class SharedOffsetNormal {

    /** log 2π; definition. */
    private static final double LOG_TWO_PI = Math.log(2 * Math.PI);

    private final double[] seen;
    private final double[] weights;
    private final double shrunkOffset;
    private final double logConstant;

    /**
     * @param seen what was read, NaN where no figure was taken
     * @param sds independent noise per figure, same units, above 0
     * @param offsetSd standard deviation of the shared offset, 0 or more
     */
    public SharedOffsetNormal(double[] seen, double[] sds, double offsetSd) {
        this.seen = seen.clone();
        this.weights = new double[seen.length];
        double sumWeights = 0;
        double logSds = 0;
        int taken = 0;
        for (int i = 0; i < seen.length; i++) {
            if (!Double.isNaN(seen[i])) {
                weights[i] = 1 / (sds[i] * sds[i]);
                sumWeights += weights[i];
                logSds += Math.log(sds[i]);
                taken++;
            } else {
                this.seen[i] = 0;
            }
        }
        double shrink = 1 + offsetSd * offsetSd * sumWeights;
        this.shrunkOffset = offsetSd * offsetSd / shrink;
        this.logConstant = -0.5 * (Math.log(shrink) + taken * LOG_TWO_PI) - logSds;
    }

    /** Log density if these were the means, starting at {@code from}. */
    public double logDensity(float[] means, int from) {
        double squares = 0;
        double sum = 0;
        for (int i = 0; i < seen.length; i++) {
            double difference = seen[i] - means[from + i];
            double weighted = difference * weights[i];
            squares += difference * weighted;
            sum += weighted;
        }
        return logConstant - 0.5 * (squares - shrunkOffset * sum * sum);
    }

    /** How the log density changes when the means move along some directions. */
    public final class Tangent {
        private final double[][] byFigure;
        private final double[] sums;
        private final double[][] curvature;

        private Tangent(double[][] directions) {
            int count = directions.length;
            this.byFigure = new double[seen.length][count];
            this.sums = new double[count];
            this.curvature = new double[count][count];
            for (int j = 0; j < count; j++) {
                for (int k = 0; k < seen.length; k++) {
                    byFigure[k][j] = directions[j][k] * weights[k];
                    sums[j] += byFigure[k][j];
                }
            }
            for (int j = 0; j < count; j++) {
                for (int l = 0; l < count; l++) {
                    for (int k = 0; k < seen.length; k++) {
                        curvature[j][l] += byFigure[k][j] * directions[l][k];
                    }
                    curvature[j][l] -= shrunkOffset * sums[j] * sums[l];
                }
            }
        }

        /**
         * Change of the slope along a direction for each unit by which a figure is read above its mean; 0 where it was
         * not taken.
         */
        public double pull(int figure, int direction) {
            return byFigure[figure][direction] - shrunkOffset * weights[figure] * sums[direction];
        }

        /** Minus the second derivatives, the same wherever the means are. */
        public double[][] curvature() {
            return curvature;
        }
    }

    /** @param directions by direction, the change of each figure */
    public Tangent tangent(double[][] directions) {
        return new Tangent(directions);
    }
}
