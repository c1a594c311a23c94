package overturn.planning;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** The cost still to come, worked by hand. */
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
}
