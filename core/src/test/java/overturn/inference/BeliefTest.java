package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.evidence.Reading;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** Inference against small cases solved by hand and against what must hold for all evidence. */
class BeliefTest {

    private static final LayoutModel MODEL = LayoutModel.of(Presets.TARN_BOX_VAN);

    private static Belief belief(Reading... readings) {
        return BeliefHistory.of(MODEL, List.of(readings)).now();
    }

    private static Reading observed(String test, String option, String setup, RigTrust trust) {
        return new Reading(test + setup, test, new Observed(option), setup, trust);
    }

    private static Reading figures(String test, String setup, RigTrust trust, Double... mm) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (Double value : mm) {
            taken.add(Optional.ofNullable(value).map(v -> new TypedQuantity(v.toString(), MeasureUnit.MILLIMETRE, v)));
        }
        return new Reading(test + setup, test, new Figures(taken), setup, trust);
    }

    private static final Reading SINKING = figures("hold-medium", "tape", RigTrust.PROVEN, 36.0, 40.0, 45.0, 55.0);
    private static final Reading DRY = observed("dry-walk", "all-dry", "eye", RigTrust.NORMAL);

    @Test
    void beforeAnyReadingFrequenciesSpeak() {
        double total = MODEL.suspects().stream().mapToDouble(Suspect::frequency).sum();
        for (Suspect suspect : MODEL.suspects()) {
            assertEquals(suspect.frequency() / total, belief().probability(suspect.id()), 1e-9);
        }
    }

    /**
     * Worked by hand: the look into the assist shows "wet" with probability {@code w} for each particle of the rear seal and 0.002
     * for everybody else; the rig lies with 0.03 and then shows each of three observations alike.
     */
    @Test
    void oneObservationFollowsBayesByHand() {
        Procedure look = MODEL.procedures().find("assist-looked-into").orElseThrow();
        int seal = MODEL.indexOf("rear-seal-weeping");
        double wetIfSeal = 0;
        for (int i = 0; i < LayoutModel.PARTICLES; i++) {
            wetIfSeal += MODEL.predictions(look).value(seal, i, 2) / LayoutModel.PARTICLES;
        }
        double prior = belief().probability("rear-seal-weeping");
        double lied = 0.03 / 3;
        double forSeal = prior * (0.97 * wetIfSeal + lied);
        double wetIfNot = MODEL.predictions(look).value(0, 0, 2);
        double forRest = (1 - prior) * (0.97 * wetIfNot + lied);
        assertEquals(forSeal / (forSeal + forRest),
                belief(observed("assist-looked-into", "wet", "eye", RigTrust.NORMAL)).probability("rear-seal-weeping"), 1e-6);
    }

    @Test
    void theOrderOfReadingsDoesNotMatter() {
        Belief one = belief(DRY, SINKING);
        Belief other = belief(SINKING, DRY);
        MODEL.suspects().forEach(s -> assertEquals(one.probability(s.id()), other.probability(s.id()), 1e-12));
    }

    @Test
    void notSeenClearsNothing() {
        Belief blind = belief(observed("dry-walk", "not-seen", "eye", RigTrust.NORMAL));
        MODEL.suspects().forEach(s -> assertEquals(belief().probability(s.id()), blind.probability(s.id()), 1e-12));
    }

    @Test
    void aBrokenOffHoldIsAValidShorterReading() {
        Belief shorter = belief(figures("hold-medium", "tape", RigTrust.PROVEN, 36.0, 40.0, null, null));
        assertTrue(shorter.probability(Remedy.RENEW_MASTER) > belief().probability(Remedy.RENEW_MASTER));
    }

    @Test
    void theSameReadingTwiceOnTheSameRigProvesNothingTwice() {
        Reading again = new Reading("again", "hold-medium", SINKING.value(), "tape", RigTrust.PROVEN);
        Reading elsewhere = new Reading("elsewhere", "hold-medium", SINKING.value(), "other-tape", RigTrust.PROVEN);
        assertEquals(belief(SINKING).probability(Remedy.RENEW_MASTER), belief(SINKING, again).probability(Remedy.RENEW_MASTER), 1e-9);
        assertTrue(Math.abs(belief(SINKING, elsewhere).probability("weeping-joint") - belief(SINKING).probability("weeping-joint")) > 1e-3,
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
        double wet = belief(observed("raised-walk", "wet-at-joint", "eye", RigTrust.NORMAL)).probability("weeping-joint");
        double prior = belief().probability("weeping-joint");
        double factor = wet / (1 - wet) / (prior / (1 - prior));
        assertTrue(factor <= (0.97 * 1 + 0.03 / 5) / (0.03 / 5), "cap " + factor);
    }

    /** Plugs that weep: three readings of one set-up against everything else are one lie, not three proofs. */
    @Test
    void readingsOfOneLyingSetUpFallTogether() {
        Reading plugsSink = figures("port-plugs", "plugs", RigTrust.NORMAL, 12.0, 9.0, 9.0, 9.0, 9.0, 9.0);
        Reading holdsFirm = figures("hold-medium", "tape", RigTrust.PROVEN, 34.0, 34.5, 35.0, 35.5);
        Reading gentleFirm = figures("hold-gentle", "tape", RigTrust.PROVEN, 24.0, 24.0, 24.5, 24.5);
        Belief together = belief(plugsSink, holdsFirm, gentleFirm);
        assertTrue(together.lyingProbabilities().get("plugs") > 0.5, together.lyingProbabilities().toString());
        assertEquals("port-plugs", BeliefHistory.of(MODEL, List.of(plugsSink, holdsFirm, gentleFirm)).oddOneOut().orElseThrow().procedureId());
    }

    @Test
    void leavingOneOutEqualsNeverHavingEnteredIt() {
        BeliefHistory history = BeliefHistory.of(MODEL, List.of(DRY, SINKING));
        MODEL.suspects().forEach(s -> assertEquals(belief(SINKING).probability(s.id()), history.without(0).probability(s.id()), 1e-12));
        assertTrue(history.oddsFactor(1, "primary-piston-cup") > 3);
        assertTrue(history.oddsFactor(0, "weeping-joint") < 1);
    }

    @Test
    void aSinkingComplaintSharesOutAboutAsTheTradeSays() {
        Belief sinks = belief(observed("characterise", "sinks", "eye", RigTrust.NORMAL));
        Map<String, double[]> shares = Map.of("nothing-wrong", new double[] {0.15, 0.35});
        shares.forEach((id, range) -> assertTrue(sinks.probability(id) > range[0] && sinks.probability(id) < range[1], id + sinks.probability(id)));
        double cups = sinks.probability("primary-piston-cup") + sinks.probability("second-piston-rear-cup") + sinks.probability("second-piston-front-cup");
        double air = sinks.probability("air-in-master") + sinks.probability("air-in-rear-end") + sinks.probability("air-in-modulator");
        assertTrue(cups > 0.2 && cups < 0.4, "by-pass " + cups);
        assertTrue(air < 0.2, "air " + air);
    }

    @Test
    void rulerBandsShowSoundFirstAndTheLiveSuspects() {
        Belief now = belief(SINKING);
        List<RulerBands.FigureBands> bands = RulerBands.of(now, MODEL.procedures().find("hold-medium").orElseThrow());
        assertEquals(4, bands.size());
        RulerBands.Band sound = bands.get(3).bands().get(0);
        assertEquals("nothing-wrong", sound.suspectId());
        assertTrue(sound.low() < sound.high() && sound.high() < 50, sound.toString());
        assertTrue(RulerBands.of(now, MODEL.procedures().find("dry-walk").orElseThrow()).isEmpty());
    }

    @Test
    void readingsOfUnknownTestsAreRefused() {
        ReadingValue value = new Observed("all-dry");
        org.junit.jupiter.api.Assertions.assertThrows(IllegalArgumentException.class,
                () -> belief(new Reading("x", "kick-the-tyre", value, "eye", RigTrust.NORMAL)));
    }
}
