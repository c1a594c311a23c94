package overturn.bench.hidden;

import java.util.List;
import overturn.suspect.Cure;

/**
 * A small problem in full: a few possible cures with their probabilities, a few tests with minutes and the chances of
 * their outcomes. Readings are independent given the cure. The planner's own value works on it, and so does the exact
 * optimum.
 *
 * @param cures possible cures
 * @param shares their probabilities, summing to one
 * @param tests what can be done, each once
 */
public record DiscreteProblem(List<Cure> cures, List<Double> shares, List<Test> tests) {

    /**
     * One test.
     *
     * @param minutes it takes
     * @param chances per cure the chances of its outcomes
     */
    public record Test(double minutes, List<List<Double>> chances) {

        public Test {
            chances = chances.stream().map(List::copyOf).toList();
        }

        /** Number of outcomes. */
        public int outcomes() {
            return chances.get(0).size();
        }
    }

    public DiscreteProblem {
        cures = List.copyOf(cures);
        shares = List.copyOf(shares);
        tests = List.copyOf(tests);
        if (cures.size() != shares.size() || cures.isEmpty()) {
            throw new IllegalArgumentException(
                    "Cures " + cures.size() + " and shares " + shares.size() + " must be as many, at least one");
        }
    }

    /** Joint chances of outcome and cure: a row per outcome, a column per cure. */
    public double[][] outcomes(int test, double[] belief) {
        Test own = tests.get(test);
        double[][] joint = new double[own.outcomes()][belief.length];
        for (int m = 0; m < joint.length; m++) {
            for (int c = 0; c < belief.length; c++) {
                joint[m][c] = belief[c] * own.chances().get(c).get(m);
            }
        }
        return joint;
    }
}
