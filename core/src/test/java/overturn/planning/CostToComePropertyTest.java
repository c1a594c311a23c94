package overturn.planning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** What holds of the price of any belief and of any test. */
class CostToComePropertyTest {

    private static final Cure MASTER = Cure.of(Remedy.RENEW_MASTER);
    private static final Cure SHOES = Cure.of(Remedy.ADJUST_SHOES);
    private static final Cure HOSES = Cure.of(Remedy.RENEW_HOSES);
    private static final List<Cure> CURES =
            List.of(Cure.HAND_BACK, MASTER, SHOES, HOSES, MASTER.and(SHOES), SHOES.and(HOSES), Cure.LOOK_ELSEWHERE);

    private static double[] shares(SplittableRandom random) {
        double[] shares = CURES.stream()
                .mapToDouble(c -> random.nextDouble() < 0.3 ? 0 : -Math.log(random.nextDouble()))
                .toArray();
        shares[random.nextInt(shares.length)] += 0.2;
        double total = Arrays.stream(shares).sum();
        return Arrays.stream(shares).map(s -> s / total).toArray();
    }

    /** Chances of three outcomes under each cure, joint with its share. */
    private static double[][] test(double[] shares, SplittableRandom random) {
        double[][] joint = new double[3][shares.length];
        for (int c = 0; c < shares.length; c++) {
            double one = random.nextDouble();
            double other = (1 - one) * random.nextDouble();
            joint[0][c] = shares[c] * one;
            joint[1][c] = shares[c] * other;
            joint[2][c] = shares[c] * (1 - one - other);
        }
        return joint;
    }

    private static double[] sum(double[] one, double[] other) {
        double[] sum = one.clone();
        for (int c = 0; c < sum.length; c++) {
            sum[c] += other[c];
        }
        return sum;
    }

    @Property(tries = 300, seed = "20261127")
    void aTestNeverBringsLessThanNothingAndASurerOneNeverLess(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] shares = shares(random);
        CostToCome cost = CostToCome.of(Prices.DEFAULT, CURES, shares);
        double[][] fine = test(shares, random);
        CostToCome.Gain gain = cost.gain(shares, fine);
        CostToCome.Gain blurred = cost.gain(shares, new double[][] {sum(fine[0], fine[1]), fine[2]});
        assertTrue(
                Arrays.stream(fine).mapToDouble(cost::of).sum() <= cost.of(shares) + 1e-9,
                "on average the cost to come does not rise");
        assertTrue(
                gain.wasteMinutes() >= blurred.wasteMinutes() - 1e-9,
                "two outcomes that cannot be told apart save no more");
        assertTrue(gain.informationNats() >= blurred.informationNats() - 1e-9);
        assertTrue(
                gain.leadingAfter() >= Arrays.stream(shares).max().orElseThrow() - 1e-12,
                "the likeliest is on average not less likely after it");
    }

    @Property(tries = 100, seed = "20261127")
    void aTestThatTellsNothingBringsNothing(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] shares = shares(random);
        double[][] alike = {
            Arrays.stream(shares).map(s -> 0.3 * s).toArray(),
            Arrays.stream(shares).map(s -> 0.7 * s).toArray()
        };
        assertEquals(
                0,
                CostToCome.of(Prices.DEFAULT, CURES, shares).gain(shares, alike).minutes(),
                1e-9);
    }

    @Property(tries = 100, seed = "20261127")
    void aTestThatTellsAllLeavesNothingToPay(@ForAll long seed) {
        double[] shares = shares(new SplittableRandom(seed));
        CostToCome cost = CostToCome.of(Prices.DEFAULT, CURES, shares);
        double[][] sure = new double[shares.length][shares.length];
        for (int c = 0; c < shares.length; c++) {
            sure[c][c] = shares[c];
        }
        assertEquals(cost.of(shares), cost.gain(shares, sure).minutes(), 1e-9);
    }

    /** A belief that is not normalised is worth its sum, so that outcomes can be added up. */
    @Property(tries = 100, seed = "20261127")
    void halfTheBeliefCostsHalf(@ForAll long seed) {
        double[] shares = shares(new SplittableRandom(seed));
        CostToCome cost = CostToCome.of(Prices.DEFAULT, CURES, shares);
        assertEquals(
                cost.of(shares) / 2,
                cost.of(Arrays.stream(shares).map(s -> s / 2).toArray()),
                1e-9);
    }

    @Property(tries = 100, seed = "20261127")
    void doingWhatIsNeededWastesNothingAndAnythingElseSomething(@ForAll long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Cure done = CURES.get(random.nextInt(CURES.size()));
        Cure needed = CURES.get(random.nextInt(CURES.size()));
        double waste = Prices.DEFAULT.waste(done, needed);
        assertTrue(done.equals(needed) ? waste == 0 : waste > 0, done + " for " + needed + ": " + waste);
    }
}
