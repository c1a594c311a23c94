package overturn.bench.hidden;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.planning.Prices;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** The exact optimum of small problems, and how near the planner's way of choosing comes to it. */
class DiscretePolicyTest {

    private static final Prices PRICES = Prices.DEFAULT;
    private static final Cure MASTER = Cure.of(Remedy.RENEW_MASTER);
    private static final Cure SHOES = Cure.of(Remedy.ADJUST_SHOES);

    private static DiscreteProblem twoCures(double minutes, double sure) {
        List<List<Double>> chances = List.of(List.of(sure, 1 - sure), List.of(1 - sure, sure));
        return new DiscreteProblem(
                List.of(MASTER, SHOES), List.of(0.5, 0.5), List.of(new DiscreteProblem.Test(minutes, chances)));
    }

    /**
     * A test that tells for sure: its minutes, and nothing wasted. One that tells nothing is not done: half of 90 is
     * wasted.
     */
    @Test
    void theOptimumOfOneTestIsWorkedByHand() {
        assertEquals(4, DiscretePolicy.of(twoCures(4, 1), PRICES).optimum(), 1e-9);
        assertEquals(45, DiscretePolicy.of(twoCures(4, 0.5), PRICES).optimum(), 1e-9);
        assertEquals(45, DiscretePolicy.of(twoCures(60, 1), PRICES).optimum(), 1e-9, "dearer than what it saves");
        // right in nine of ten: either way the likelier is done; shoes for master wastes 90, master for shoes 300
        assertEquals(
                4 + 0.5 * 0.1 * 90 + 0.5 * 0.1 * 300,
                DiscretePolicy.of(twoCures(4, 0.9), PRICES).optimum(),
                1e-9);
        assertEquals(4, DiscretePolicy.of(twoCures(4, 1), PRICES).lookedAheadToTheEnd(), 1e-9);
    }

    private static DiscreteProblem drawn(SplittableRandom random) {
        List<Cure> cures =
                List.of(MASTER, SHOES, Cure.HAND_BACK, Cure.of(Remedy.BLEED_REAR), Cure.of(Remedy.RENEW_HOSES));
        List<Double> weights = new ArrayList<>();
        for (int c = 0; c < cures.size(); c++) {
            weights.add(0.05 + random.nextDouble());
        }
        double total = weights.stream().mapToDouble(Double::doubleValue).sum();
        List<DiscreteProblem.Test> tests = new ArrayList<>();
        for (int t = 0; t < 4; t++) {
            List<List<Double>> chances = new ArrayList<>();
            for (int c = 0; c < cures.size(); c++) {
                double yes = random.nextBoolean() ? 0.9 : 0.1;
                chances.add(List.of(yes, 1 - yes));
            }
            tests.add(new DiscreteProblem.Test(2 + 20 * random.nextDouble(), chances));
        }
        return new DiscreteProblem(cures, weights.stream().map(w -> w / total).toList(), tests);
    }

    @Test
    void nothingBeatsTheOptimumAndLookingToTheEndIsNear() {
        SplittableRandom random = new SplittableRandom(8);
        double excess = 0;
        for (int n = 0; n < 60; n++) {
            DiscretePolicy policy = DiscretePolicy.of(drawn(random), PRICES);
            double best = policy.optimum();
            assertTrue(policy.lookedAheadToTheEnd() >= best - 1e-9);
            assertTrue(
                    policy.lookedAheadToTheEnd() <= 1.05 * best,
                    "looking to the end above the optimum by " + (policy.lookedAheadToTheEnd() / best - 1));
            assertTrue(policy.planner() >= best - 1e-9);
            assertTrue(policy.random(random) >= best - 1e-9);
            excess += policy.lookedAheadToTheEnd() / best - 1;
        }
        assertTrue(excess / 60 < 0.01, "on average above the optimum by " + excess / 60);
    }

    @Test
    void moreCuresThanCanBeWeighedAreRefused() {
        List<Cure> nine =
                List.of(Remedy.values()).subList(0, 9).stream().map(Cure::of).toList();
        DiscreteProblem problem =
                new DiscreteProblem(nine, nine.stream().map(c -> 1.0 / 9).toList(), List.of());
        assertThrows(IllegalArgumentException.class, () -> DiscretePolicy.of(problem, PRICES));
        assertThrows(IllegalArgumentException.class, () -> new DiscreteProblem(nine, List.of(1.0), List.of()));
    }
}
