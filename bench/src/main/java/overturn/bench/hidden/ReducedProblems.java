package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Foresight;
import overturn.inference.Intake;
import overturn.planning.Prices;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;

/**
 * Small problems cut out of real layouts: a few remedies, a few tests that tell them apart, with the outcomes and
 * prices that the planner uses.
 */
final class ReducedProblems {

    private static final int PROBLEMS = 200;
    private static final int CURES = 6;
    private static final int TESTS = 6;
    private static final int OUTCOMES = 3;
    private static final double RANDOM_WORSE = 1.2;
    private static final int RANDOM_RUNS = 20;
    private static final int MOST_DRAWN = 4000;

    private ReducedProblems() {}

    /**
     * How the planner compares with the exact optimum, per cent above it; beside it a policy that looks ahead to the
     * end, which only so few tests allow, and a random one.
     */
    record Excess(
            int problems,
            double meanExcessPct,
            double maxExcessPct,
            double lookedAheadExcessPct,
            double randomExcessPct) {}

    static Excess excess(List<LayoutModel> models, Prices prices, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<double[]> all = new ArrayList<>();
        for (int n = 0; n < MOST_DRAWN && all.size() < PROBLEMS; n++) {
            DiscreteProblem problem = drawn(models.get(n % models.size()), random);
            DiscretePolicy policy = DiscretePolicy.of(problem, prices);
            double best = policy.optimum();
            double anyhow = 0;
            for (int run = 0; run < RANDOM_RUNS; run++) {
                anyhow += policy.random(random) / RANDOM_RUNS;
            }
            if (anyhow >= RANDOM_WORSE * best) {
                all.add(new double[] {
                    100 * (policy.planner() / best - 1),
                    100 * (policy.lookedAheadToTheEnd() / best - 1),
                    100 * (anyhow / best - 1)
                });
            }
        }
        return new Excess(
                all.size(),
                PolicyFigures.tenth(
                        all.stream().mapToDouble(e -> e[0]).average().orElse(0)),
                PolicyFigures.tenth(all.stream().mapToDouble(e -> e[0]).max().orElse(0)),
                PolicyFigures.tenth(
                        all.stream().mapToDouble(e -> e[1]).average().orElse(0)),
                PolicyFigures.tenth(
                        all.stream().mapToDouble(e -> e[2]).average().orElse(0)));
    }

    /** Tests and cures at random; outcomes merged into as few as keep the likeliest apart. */
    private static DiscreteProblem drawn(LayoutModel model, SplittableRandom random) {
        Foresight foresight = Foresight.of(BeliefHistory.of(model, Intake.UNKNOWN, List.of()));
        double[] shares = foresight.shares();
        Map<Integer, Boolean> chosen = new LinkedHashMap<>();
        while (chosen.size() < CURES) {
            int c = random.nextInt(shares.length);
            if (shares[c] > 0.002 && !foresight.cures().get(c).equals(Cure.LOOK_ELSEWHERE)) {
                chosen.put(c, true);
            }
        }
        List<Integer> columns = List.copyOf(chosen.keySet());
        double total = columns.stream().mapToDouble(c -> shares[c]).sum();
        List<DiscreteProblem.Test> tests = new ArrayList<>();
        List<Procedure> procedures = model.procedures().all();
        while (tests.size() < TESTS) {
            Procedure procedure = procedures.get(random.nextInt(procedures.size()));
            tests.add(new DiscreteProblem.Test(procedure.minutes(), chances(foresight.outcomes(procedure), columns)));
        }
        return new DiscreteProblem(
                columns.stream().map(foresight.cures()::get).toList(),
                columns.stream().map(c -> shares[c] / total).toList(),
                tests);
    }

    /**
     * Chances per cure of merged outcomes: each outcome goes to the cure, modulo the number kept, that it speaks for
     * most.
     */
    private static List<List<Double>> chances(double[][] joint, List<Integer> columns) {
        double[][] merged = new double[columns.size()][OUTCOMES];
        for (double[] outcome : joint) {
            int to = 0;
            double most = -1;
            for (int i = 0; i < columns.size(); i++) {
                double speaksFor = outcome[columns.get(i)] / sum(joint, columns.get(i));
                if (speaksFor > most) {
                    most = speaksFor;
                    to = i % OUTCOMES;
                }
            }
            for (int i = 0; i < columns.size(); i++) {
                merged[i][to] += outcome[columns.get(i)] / sum(joint, columns.get(i));
            }
        }
        List<List<Double>> all = new ArrayList<>();
        for (double[] own : merged) {
            List<Double> row = new ArrayList<>();
            for (double chance : own) {
                row.add((chance + 1e-4) / (1 + OUTCOMES * 1e-4));
            }
            all.add(row);
        }
        return all;
    }

    private static double sum(double[][] joint, int column) {
        double sum = 0;
        for (double[] outcome : joint) {
            sum += outcome[column];
        }
        return sum;
    }
}
