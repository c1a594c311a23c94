package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SetupLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/**
 * Of two faults one is gone: severities of both are taken where they fit, and counted so that all pairs count alike.
 */
@Tag("slow")
class RepairsTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Cure MASTER = Cure.of(Remedy.RENEW_MASTER);
    private static final Repaired ONCE = Repaired.NONE.and(MASTER);
    private static final int CUP = MODEL.indexOf("primary-piston-cup");
    private static final int PLAY = MODEL.indexOf("rod-gap-too-large");
    private static final Hypothesis BOTH = Hypothesis.pair(CUP, PLAY);

    private static final Reading SINKS = seen("characterise", "sinks", Repaired.NONE);
    private static final Reading WORN = seen("master-stripped", "lip-worn", Repaired.NONE);
    private static final Reading HOLD = travel("hold-medium", Repaired.NONE, 66, 71, 77, 92);
    private static final Reading STILL_FELT = seen("driven", "plainly", ONCE);
    private static final Reading PLAY_LEFT = travel("free-play", ONCE, 14);

    private static Reading seen(String procedure, String option, Repaired after) {
        return reading(procedure, new Observed(option), "eye@" + procedure, after);
    }

    private static Reading travel(String procedure, Repaired after, double... mm) {
        return reading(
                procedure,
                new Figures(Arrays.stream(mm)
                        .mapToObj(v -> Optional.of(new TypedQuantity(Double.toString(v), MeasureUnit.MILLIMETRE, v)))
                        .toList()),
                "tape",
                after);
    }

    private static Reading reading(String procedure, ReadingValue value, String setup, Repaired after) {
        return new Reading(procedure + after, procedure, value, setup, RigTrust.PROVEN, after);
    }

    private static List<ReadingLikelihood> likelihoods(Reading... readings) {
        return Arrays.stream(readings)
                .map(r -> ReadingLikelihood.of(MODEL, r, false))
                .toList();
    }

    private static Repairs repaired(Reading... since) {
        List<SetupLikelihood> setups = likelihoods(SINKS, HOLD).stream()
                .map(r -> new SetupLikelihood(MODEL, List.of(r), true))
                .toList();
        return Repairs.NONE
                .and(
                        MASTER,
                        MODEL.suspects(),
                        SummedLikelihood.of(MODEL.suspects().size(), RigSetups.of(setups)),
                        new Brought.Weights(new double[0], 0))
                .with(likelihoods(since));
    }

    @Test
    void onlyPairsOfWhichOnePartIsGoneAreTriedSo() {
        Repairs repairs = repaired(STILL_FELT);
        assertTrue(Repairs.NONE.tried(BOTH).isEmpty());
        assertTrue(repaired(SINKS).tried(BOTH).isEmpty(), "nothing read since");
        assertTrue(repairs.tried(Hypothesis.single(PLAY)).isEmpty());
        assertTrue(
                repairs.tried(Hypothesis.pair(PLAY, MODEL.indexOf("hose-flap"))).isEmpty(), "nothing of it is gone");
        assertTrue(
                repairs.tried(Hypothesis.pair(CUP, MODEL.indexOf("bore-pitted")))
                        .isEmpty(),
                "all of it is gone");
        assertEquals(CUP, repairs.tried(BOTH).orElseThrow().pairs().host(), "what is gone lends the vehicles");
    }

    @Test
    void whatIsTakenOftenCountsTheLessSoThatAllMeetingsCountAlike() {
        Repairs.Weighed weighed = repaired(PLAY_LEFT).tried(BOTH).orElseThrow();
        int[] guests = weighed.pairs().guests();
        double[] row = ReadingLikelihood.of(MODEL, PLAY_LEFT, false).row(Hypothesis.single(PLAY), 0);
        double median = Arrays.stream(row).sorted().toArray()[row.length / 2];
        double all = 0;
        double fitting = 0;
        double takenFitting = 0;
        for (int n = 0; n < guests.length; n++) {
            double weight = Math.exp(weighed.logWeights()[n]) / guests.length;
            boolean fits = row[guests[n]] >= median;
            all += weight;
            fitting += fits ? weight : 0;
            takenFitting += fits ? 1.0 / guests.length : 0;
        }
        assertEquals(1, all, 0.15, "the mean weight of 300 draws");
        assertTrue(takenFitting > 0.7, "the better half is taken more often: " + takenFitting);
        assertEquals(0.5, fitting, 0.12, "and counts as half");
    }

    @Test
    void severitiesThatFitWhatWasReadSinceAreTakenMoreOften() {
        int[] evenly = repaired(STILL_FELT).tried(BOTH).orElseThrow().pairs().guests();
        int[] fitting = repaired(PLAY_LEFT).tried(BOTH).orElseThrow().pairs().guests();
        double[] row = ReadingLikelihood.of(MODEL, PLAY_LEFT, false).row(Hypothesis.single(PLAY), 0);
        assertTrue(Arrays.stream(fitting).mapToDouble(i -> row[i]).average().orElseThrow()
                > Arrays.stream(evenly).mapToDouble(i -> row[i]).average().orElseThrow() + 1);
    }

    /**
     * The master is renewed and proven worn; what is still felt then, with play to measure, is the rod and not nothing.
     */
    @Test
    void aSecondFaultThatOnlyShowsAfterTheRepairIsFound() {
        BeliefHistory before = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(SINKS, HOLD, WORN));
        assertTrue(
                before.now().probability(Remedy.RENEW_MASTER) > 0.9,
                "worn cup " + before.now().probability(Remedy.RENEW_MASTER));
        Belief after =
                before.repaired(MASTER).with(List.of(STILL_FELT, PLAY_LEFT)).now();
        assertTrue(
                after.probability(Remedy.LENGTHEN_ROD) > 0.8,
                "play at the rod " + after.probability(Remedy.LENGTHEN_ROD) + ", nothing "
                        + after.probability(Remedy.HAND_BACK));
    }
}
