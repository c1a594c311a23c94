package overturn.simulation;

import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.AllowedSolution;
import org.hipparchus.analysis.solvers.PegasusSolver;

/** Where a rising function crosses zero. */
final class Roots {

    /** How near a pressure is found, bar; chosen. */
    private static final double TOLERANCE_BAR = 1e-6;
    /** Evaluations before it is given up; chosen. */
    private static final int MOST_EVALUATIONS = 200;

    private Roots() {}

    /** The argument between two limits at which it is zero and just below; the nearer limit where it does not cross. */
    static double between(double low, double high, UnivariateFunction rising) {
        if (rising.value(low) >= 0) {
            return low;
        }
        if (rising.value(high) <= 0) {
            return high;
        }
        return new PegasusSolver(TOLERANCE_BAR).solve(MOST_EVALUATIONS, rising, low, high, AllowedSolution.BELOW_SIDE);
    }
}
