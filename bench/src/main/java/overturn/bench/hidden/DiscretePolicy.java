package overturn.bench.hidden;

import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import overturn.planning.CostToCome;
import overturn.planning.CostToCome.Gain;
import overturn.planning.Prices;

/**
 * Expected costs on a small problem: of the exact optimum, by going through everything that can happen; of the
 * planner's choice and stopping, at the same prices; and of choosing at random. Costs are minutes of tests and expected
 * waste of the action at the end.
 */
public final class DiscretePolicy {

    private static final double NEGLIGIBLE = 1e-12;

    private final DiscreteProblem problem;
    private final CostToCome cost;

    private DiscretePolicy(DiscreteProblem problem, Prices prices) {
        this.problem = problem;
        this.cost = CostToCome.of(
                prices,
                problem.cures(),
                problem.shares().stream().mapToDouble(Double::doubleValue).toArray());
    }

    /** Problems of at most eight cures, since only the eight likeliest are weighed as actions. */
    public static DiscretePolicy of(DiscreteProblem problem, Prices prices) {
        if (problem.cures().size() > 8) {
            throw new IllegalArgumentException("Problem with " + problem.cures().size() + " cures: at most 8");
        }
        return new DiscretePolicy(problem, prices);
    }

    /** Expected cost of the best possible policy, minutes. */
    public double optimum() {
        return best(start(), 0, new HashMap<>(), "");
    }

    /** Expected cost of the planner's policy, which looks one step ahead, minutes. */
    public double planner() {
        return followed(start(), 0, this::chosen);
    }

    /**
     * Expected cost of a policy that follows each test to the end by the better of the planner's choice and of the one
     * that goes by waste alone, minutes. It is dear: the planner does not use it, since on whole layouts a second step
     * brought nothing beyond chance.
     */
    public double lookedAheadToTheEnd() {
        return followed(start(), 0, this::lookedAhead);
    }

    private OptionalInt lookedAhead(double[] belief, int done) {
        double total = sum(belief);
        double least = cost.waste(belief);
        int best = -1;
        for (int t = 0; t < problem.tests().size(); t++) {
            if ((done & 1 << t) == 0) {
                double sum = total * problem.tests().get(t).minutes();
                for (double[] outcome : problem.outcomes(t, belief)) {
                    sum += Math.min(
                            followed(outcome, done | 1 << t, this::chosenForWaste),
                            followed(outcome, done | 1 << t, this::wasteAlone));
                }
                if (sum < least) {
                    least = sum;
                    best = t;
                }
            }
        }
        return best < 0 ? OptionalInt.empty() : OptionalInt.of(best);
    }

    /** The greedy choice, stopping where what the test saves in waste does not pay for it. */
    private OptionalInt chosenForWaste(double[] belief, int done) {
        OptionalInt greedy = chosen(belief, done);
        return greedy.isPresent()
                        && cost.waste(belief)
                                > problem.tests().get(greedy.getAsInt()).minutes() * sum(belief)
                ? greedy
                : OptionalInt.empty();
    }

    /** The test that saves most waste per minute, if it saves more than it costs. */
    private OptionalInt wasteAlone(double[] belief, int done) {
        return chosen(belief, done, Gain::wasteMinutes);
    }

    private static double sum(double[] belief) {
        double sum = 0;
        for (double share : belief) {
            sum += share;
        }
        return sum;
    }

    /** Expected cost of tests chosen at random, stopping by chance too, minutes; one run per outcome. */
    public double random(RandomGenerator random) {
        return followed(start(), 0, (belief, done) -> {
            int[] left = IntStream.range(0, problem.tests().size())
                    .filter(t -> (done & 1 << t) == 0)
                    .toArray();
            int pick = random.nextInt(left.length + 1);
            return pick == left.length ? OptionalInt.empty() : OptionalInt.of(left[pick]);
        });
    }

    /** Which test comes next for a belief; empty to act. */
    private interface Choice {

        OptionalInt next(double[] belief, int done);
    }

    private double[] start() {
        return problem.shares().stream().mapToDouble(Double::doubleValue).toArray();
    }

    /** Unnormalised beliefs are worth their sum; so expected costs add up over outcomes. */
    private double best(double[] belief, int done, Map<String, Double> known, String path) {
        Double before = known.get(path);
        if (before != null) {
            return before;
        }
        double total = sum(belief);
        double least = cost.waste(belief);
        for (int t = 0; t < problem.tests().size() && total > NEGLIGIBLE; t++) {
            if ((done & 1 << t) == 0) {
                double[][] outcomes = problem.outcomes(t, belief);
                double sum = total * problem.tests().get(t).minutes();
                for (int m = 0; m < outcomes.length && sum < least; m++) {
                    sum += best(outcomes[m], done | 1 << t, known, withResult(path, t, m));
                }
                least = Math.min(least, sum);
            }
        }
        known.put(path, least);
        return least;
    }

    /** Results in the order of the tests, so that the order in which they were done does not matter. */
    private static String withResult(String path, int test, int outcome) {
        StringBuilder sorted = new StringBuilder();
        String result = (char) ('a' + test) + "" + (char) ('0' + outcome);
        boolean placed = false;
        for (int i = 0; i < path.length(); i += 2) {
            if (!placed && path.charAt(i) > result.charAt(0)) {
                sorted.append(result);
                placed = true;
            }
            sorted.append(path, i, i + 2);
        }
        return placed ? sorted.toString() : sorted.append(result).toString();
    }

    private double followed(double[] belief, int done, Choice choice) {
        double total = sum(belief);
        OptionalInt next = total > NEGLIGIBLE ? choice.next(belief, done) : OptionalInt.empty();
        if (next.isEmpty()) {
            return cost.waste(belief);
        }
        double sum = total * problem.tests().get(next.getAsInt()).minutes();
        for (double[] outcome : problem.outcomes(next.getAsInt(), belief)) {
            sum += followed(outcome, done | 1 << next.getAsInt(), choice);
        }
        return sum;
    }

    /** The test that saves most per minute, if it saves more than it costs. */
    private OptionalInt chosen(double[] belief, int done) {
        return chosen(belief, done, Gain::minutes);
    }

    private OptionalInt chosen(double[] belief, int done, ToDoubleFunction<Gain> worth) {
        double total = sum(belief);
        int best = -1;
        double most = 0;
        for (int t = 0; t < problem.tests().size(); t++) {
            if ((done & 1 << t) == 0) {
                double minutes = problem.tests().get(t).minutes();
                double saved = worth.applyAsDouble(cost.gain(belief, problem.outcomes(t, belief))) / total;
                if (saved > minutes && saved / minutes > most) {
                    most = saved / minutes;
                    best = t;
                }
            }
        }
        return best < 0 ? OptionalInt.empty() : OptionalInt.of(best);
    }
}
