package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static overturn.inference.TarnReadings.MODEL;
import static overturn.inference.TarnReadings.SINKING;
import static overturn.inference.TarnReadings.belief;
import static overturn.inference.TarnReadings.figures;
import static overturn.inference.TarnReadings.observed;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.measurement.RigTrust;
import overturn.suspect.Remedy;

/** How much a reading may move belief when the rig that took it may lie. */
@Tag("slow")
class DoubtfulRigTest {

    @Test
    void theSameReadingTwiceOnTheSameRigProvesNothingTwice() {
        Reading again = new Reading("again", "hold-medium", SINKING.value(), "tape", RigTrust.PROVEN);
        Reading elsewhere = new Reading("elsewhere", "hold-medium", SINKING.value(), "other-tape", RigTrust.PROVEN);
        double once = belief(SINKING).probability(Remedy.RENEW_MASTER);
        double moved = Math.abs(once - belief(SINKING, elsewhere).probability(Remedy.RENEW_MASTER));
        assertEquals(once, belief(SINKING, again).probability(Remedy.RENEW_MASTER), 0.25 * moved);
        assertTrue(
                Math.abs(belief(SINKING, elsewhere).probability("weeping-joint")
                                - belief(SINKING).probability("weeping-joint"))
                        > 1e-3,
                "on another rig it is news");
    }

    @Test
    void aDoubtfulReadingMovesLess() {
        double before = belief().probability(Remedy.RENEW_MASTER);
        Reading doubtful = new Reading("doubtful", "hold-medium", SINKING.value(), "tape", RigTrust.DOUBTFUL);
        double moved = belief(doubtful).probability(Remedy.RENEW_MASTER) - before;
        assertTrue(moved > 0 && moved < belief(SINKING).probability(Remedy.RENEW_MASTER) - before);
    }

    @Test
    void noOddsRiseBeyondWhatALyingRigAllows() {
        double wet = belief(observed("raised-walk", "wet-at-joint", "eye", RigTrust.NORMAL))
                .probability("weeping-joint");
        double prior = belief().probability("weeping-joint");
        double factor = wet / (1 - wet) / (prior / (1 - prior));
        assertTrue(factor <= (0.97 * 1 + 0.03 / 5) / (0.03 / 5), "cap " + factor);
    }

    /** A gauge that shows a good supply beside a thumb that feels hardly any: one of the two lied, whichever. */
    @Test
    void twoReadingsOfOneThingThatCannotBothBeRightAreAConflictAtOnce() {
        Reading hard = observed("characterise", "hard", "eye@characterise", RigTrust.NORMAL);
        Reading gauge = figures("vacuum-tee", "gauge", RigTrust.NORMAL, 62.0);
        Reading thumb = observed("supply-felt", "pulls-weakly", "eye@supply-felt", RigTrust.NORMAL);
        Optional<Reading> odd = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(hard, gauge, thumb))
                .oddOneOut();
        assertTrue(odd.filter(List.of(gauge, thumb)::contains).isPresent(), "odd one out: " + odd);
        Reading felt = observed("supply-felt", "pulls-hard", "eye@supply-felt", RigTrust.NORMAL);
        assertEquals(
                Optional.empty(),
                BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(hard, gauge, felt))
                        .oddOneOut());
    }

    /** Plugs that weep: three readings of one set-up against everything else are one lie, not three proofs. */
    @Test
    void readingsOfOneLyingSetUpFallTogether() {
        Reading plugsSink = figures("port-plugs", "plugs", RigTrust.NORMAL, 12.0, 9.0, 9.0, 9.0, 9.0, 9.0);
        Reading holdsFirm = figures("hold-medium", "tape", RigTrust.PROVEN, 34.0, 34.5, 35.0, 35.5);
        Reading gentleFirm = figures("hold-gentle", "tape", RigTrust.PROVEN, 24.0, 24.0, 24.5, 24.5);
        Belief together = belief(plugsSink, holdsFirm, gentleFirm);
        assertTrue(together.lyingProbability("plugs") > 0.5, "plugs " + together.lyingProbability("plugs"));
        assertEquals(
                "port-plugs",
                BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(plugsSink, holdsFirm, gentleFirm))
                        .oddOneOut()
                        .orElseThrow()
                        .procedureId());
    }
}
