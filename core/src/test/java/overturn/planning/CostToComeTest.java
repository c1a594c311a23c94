package overturn.planning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** The planner's value and choice against problems worked by hand and against the exact optimum. */
class CostToComeTest {

    private static final Prices PRICES = Prices.DEFAULT;
    private static final Cure MASTER = Cure.of(Remedy.RENEW_MASTER);
    private static final Cure SHOES = Cure.of(Remedy.ADJUST_SHOES);
    private static final double MASTER_MINUTES = 110 + 130;
    private static final double SHOES_MINUTES = 30;

    /** Half master, half shoes: acting on shoes wastes 30 + 60 in half the cases, acting on the master 240 + 60. */
    @Test
    void wasteIsWhatActingNowCostsForNothing() {
        assertEquals(MASTER_MINUTES + PRICES.inVainMinutes(), PRICES.waste(MASTER, SHOES));
        assertEquals(PRICES.comebackMinutes() + 5, PRICES.waste(Cure.HAND_BACK, MASTER));
        assertEquals(SHOES_MINUTES, PRICES.waste(MASTER.and(SHOES), MASTER), "a part too many still cures");
        assertEquals(
                MASTER_MINUTES,
                PRICES.waste(MASTER, Cure.HAND_BACK),
                "a sound vehicle is cured by anything, for nothing");
        CostToCome cost = CostToCome.of(PRICES, List.of(MASTER, SHOES), new double[] {0.5, 0.5});
        assertEquals(0.5 * (SHOES_MINUTES + PRICES.inVainMinutes()), cost.waste(new double[] {0.5, 0.5}), 1e-9);
        assertEquals(
                0.05 * (MASTER_MINUTES + PRICES.inVainMinutes()),
                cost.waste(new double[] {0.95, 0.05}),
                1e-9,
                "now the dear one");
        assertEquals(Math.log(2), CostToCome.doubt(new double[] {0.5, 0.5}), 1e-12);
    }

    /**
     * Master alone 0.6, shoes alone 0.2, both 0.2: whoever does the master first is right in eight of ten, so the doubt
     * about what to do first is that of 0.8 against 0.2. Whether it is both counts by three tenths.
     */
    @Test
    void doubtAboutASecondFaultCountsLessThanDoubtAboutTheFirst() {
        double[] shares = {0.6, 0.2, 0.2};
        CostToCome cost = CostToCome.of(PRICES, List.of(MASTER, SHOES, MASTER.and(SHOES)), shares);
        double first = -0.8 * Math.log(0.8) - 0.2 * Math.log(0.2);
        double all = -0.6 * Math.log(0.6) - 2 * 0.2 * Math.log(0.2);
        assertEquals(cost.waste(shares) + 300 * (0.7 * first + 0.3 * all), cost.of(shares), 1e-9);
        CostToCome.Gain gain = cost.gain(shares, new double[][] {{0.6, 0.2, 0}, {0, 0, 0.2}});
        double left = 0.8 * (-0.75 * Math.log(0.75) - 0.25 * Math.log(0.25));
        assertEquals(0.7 * (first - left) + 0.3 * (all - left), gain.informationNats(), 1e-9);
    }

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
        assertEquals(4, DiscretePolicy.of(twoCures(4, 1), PRICES).planner(), 1e-9);
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
    void nothingBeatsTheOptimumAndThePlannerIsNear() {
        SplittableRandom random = new SplittableRandom(8);
        double excess = 0;
        for (int n = 0; n < 60; n++) {
            DiscretePolicy policy = DiscretePolicy.of(drawn(random), PRICES);
            double best = policy.optimum();
            assertTrue(policy.planner() >= best - 1e-9);
            assertTrue(
                    policy.planner() <= 1.05 * best, "planner above the optimum by " + (policy.planner() / best - 1));
            assertTrue(policy.greedy() >= best - 1e-9);
            assertTrue(policy.random(random) >= best - 1e-9);
            excess += policy.planner() / best - 1;
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
