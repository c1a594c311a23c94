package overturn.likelihood;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.Particles;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/**
 * Two eyes on the same thing, worked by hand: a fault in no list shows its own way to both or to neither, and either of
 * them may be wrong.
 */
class RepeatsTest {

    private static final LayoutModel MODEL = Models.of("wisp-courier-clutch");
    private static final Hypothesis UNLISTED = Hypothesis.unlistedLike(MODEL.sound());
    private static final String LOOK = "dry-walk";
    private static final double SEEN_AGAIN = 0.85;

    private static SetupLikelihood seen(String option, String eye, boolean sometimes) {
        Reading reading = new Reading(option + eye, LOOK, new Observed(option), eye, RigTrust.NORMAL);
        return new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, reading, sometimes)), !sometimes);
    }

    private static double[] row(SetupLikelihood... setups) {
        return SummedLikelihood.of(MODEL.suspects().size(), RigSetups.of(List.of(setups)))
                .row(UNLISTED, 0);
    }

    /** Chance that one eye, if it does not lie, sees what it saw of the sound vehicle that a particle is like. */
    private static double plain(SetupLikelihood seen, int particle) {
        return Math.exp(seen.readings().get(0).row(Hypothesis.single(MODEL.sound()), 0)[particle]);
    }

    /** A misfit of m nats counts for m² / (m + 2). */
    private static double tempered(double listed, double mixed) {
        double nats = Math.log(mixed / listed);
        return nats <= 0 ? mixed : listed * Math.exp(nats * nats / (nats + 2));
    }

    private static double byHand(SetupLikelihood one, SetupLikelihood other, boolean alike, int particle) {
        int options = ((Observation) MODEL.procedures().find(LOOK).orElseThrow().spec())
                .options()
                .size();
        double own = Particles.unlistedShare(particle);
        double lying = RigTrust.NORMAL.lyingProbability();
        double anything = 1.0 / options;
        double here = tempered(plain(one, particle), (1 - own) * plain(one, particle) + own * anything);
        double there = tempered(plain(other, particle), (1 - own) * plain(other, particle) + own * anything);
        double listed = plain(one, particle) * plain(other, particle);
        double both = tempered(
                listed, (1 - own) * listed + own * anything * (alike ? SEEN_AGAIN : (1 - SEEN_AGAIN) / (options - 1)));
        return (1 - lying) * (1 - lying) * both
                + lying * (1 - lying) * anything * (here + there)
                + lying * lying * anything * anything;
    }

    @Test
    void twoEyesThatDifferOrAgreeAreWorkedOutByHand() {
        SetupLikelihood wet = seen("wet", "eye", false);
        for (String second : List.of("wet", "all-dry")) {
            SetupLikelihood again = seen(second, "other-eye", false);
            double[] row = row(wet, again);
            for (int i = 0; i < Particles.PARTICLES; i++) {
                assertEquals(Math.log(byHand(wet, again, second.equals("wet"), i)), row[i], 1e-5, second + " " + i);
            }
            assertArrayEquals(row, row(again, wet), 1e-6, "whoever looked first");
        }
    }

    @Test
    void agreeingIsLikelierThanTwoAccidentsAndDifferingLess() {
        SetupLikelihood wet = seen("wet", "eye", false);
        double apart = Arrays.stream(row(wet)).sum()
                + Arrays.stream(row(seen("wet", "other-eye", false))).sum();
        assertTrue(Arrays.stream(row(wet, seen("wet", "other-eye", false))).sum() > apart + Particles.PARTICLES * 0.5);
    }

    @Test
    void oneRigOrAFaultThatComesAndGoesTiesNothingTogether() {
        assertTrue(Repeats.among(List.of(seen("wet", "eye", true), seen("all-dry", "other-eye", true)))
                .isEmpty());
        Reading hold = new Reading("pivot", "pivot-felt", new Observed("free"), "eye", RigTrust.NORMAL);
        SetupLikelihood another = new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, hold, false)), true);
        assertTrue(
                Repeats.among(List.of(seen("wet", "other-eye", false), another)).isEmpty(), "not the same test");
    }

    @Test
    void aRepairLiesBetweenReadingsOfTheSameTest() {
        Reading later = new Reading(
                "later",
                LOOK,
                new Observed("all-dry"),
                "other-eye",
                RigTrust.NORMAL,
                Repaired.NONE.and(Cure.of(Remedy.BLEED_CLUTCH)));
        List<SetupLikelihood> both = Stream.of(
                        seen("wet", "eye", false),
                        new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, later, false)), true))
                .toList();
        assertTrue(Repeats.among(both).isEmpty());
    }
}
