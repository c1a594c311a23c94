package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static overturn.inference.TarnReadings.DRY;
import static overturn.inference.TarnReadings.MODEL;
import static overturn.inference.TarnReadings.SINKING;
import static overturn.inference.TarnReadings.SINKS;
import static overturn.inference.TarnReadings.belief;
import static overturn.inference.TarnReadings.figures;
import static overturn.inference.TarnReadings.observed;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.forecast.Predictions;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.SetupLikelihood;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Fault;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** Inference against small cases solved by hand and against what must hold for all evidence. */
@Tag("slow")
class BeliefTest {

    private static double single(Belief belief, String suspect) {
        return belief.share(MODEL.indexOf(suspect));
    }

    /** Tempering takes at most two nats from a misfit, so a proof counts at most one again for each set-up of a rig. */
    @Test
    void aProofCountsAgainWhatTemperingTookFromAMisfit() {
        assertEquals(1, belief().untemperedRise(), 1e-12);
        double fitting = belief(SINKS, SINKING).untemperedRise();
        double strange = belief(SINKS, figures("hold-medium", "tape", RigTrust.PROVEN, 90.0, 90.0, 90.0, 90.0))
                .untemperedRise();
        assertTrue(fitting >= 1 && fitting < strange, fitting + " and " + strange);
        assertTrue(strange < Math.exp(2), "strange: " + strange);
    }

    @Test
    void beforeAnyReadingFrequenciesSpeak() {
        double total = MODEL.suspects().stream().mapToDouble(Suspect::frequency).sum();
        double singles = MODEL.suspects().stream()
                .mapToDouble(s -> single(belief(), s.id()))
                .sum();
        for (Suspect suspect : MODEL.suspects()) {
            assertEquals(suspect.frequency() / total, single(belief(), suspect.id()) / singles, 1e-5);
        }
        assertTrue(belief().noneOfThese() > 0.03 && belief().noneOfThese() < 0.12);
    }

    /**
     * Worked by hand: the look into the assist shows "wet" with a probability per particle of the rear seal and with
     * another for a sound vehicle, each mixed with one in a hundred for any of three observations; the rig lies with
     * 0.03 and then shows each alike.
     */
    @Test
    void oneObservationFollowsBayesByHand() {
        Procedure look = MODEL.procedures().find("assist-looked-into").orElseThrow();
        double ifSeal = 0;
        double ifSound = 0;
        for (int i = 0; i < Particles.PARTICLES; i++) {
            ifSeal += (0.99 * MODEL.predictions(look).value(MODEL.indexOf("rear-seal-weeping"), i, 2) + 0.01 / 3)
                    / Particles.PARTICLES;
            ifSound += (0.99 * MODEL.predictions(look).value(MODEL.sound(), i, 2) + 0.01 / 3) / Particles.PARTICLES;
        }
        double byHand = (0.97 * ifSeal + 0.03 / 3) / (0.97 * ifSound + 0.03 / 3);
        Belief wet = belief(observed("assist-looked-into", "wet", "eye", RigTrust.NORMAL));
        double before = single(belief(), "rear-seal-weeping") / single(belief(), "nothing-wrong");
        assertEquals(byHand, single(wet, "rear-seal-weeping") / single(wet, "nothing-wrong") / before, 1e-4 * byHand);
    }

    /**
     * A test is weighed on the first vehicles of each hypothesis: they have its whole share among them, each as much
     * the more as it fits better.
     */
    @Test
    void theForeseenVehiclesHaveTheWholeShare() {
        Belief read = belief(figures("free-play", "tape", RigTrust.PROVEN, 9.0));
        for (int h = 0; h < read.hypotheses().size(); h++) {
            double[] foreseen = read.foreseen(h);
            assertEquals(Particles.FORESEEN, foreseen.length);
            assertEquals(read.share(h), Arrays.stream(foreseen).sum(), 1e-12);
        }
        double[] sound = read.foreseen(MODEL.sound());
        int best = IntStream.range(0, sound.length)
                .boxed()
                .max(Comparator.comparingDouble(i -> sound[i]))
                .orElseThrow();
        IntStream.range(0, sound.length)
                .filter(i -> sound[i] > 1e-6 * sound[best])
                .forEach(i -> assertEquals(
                        read.weight(MODEL.sound(), i) / read.weight(MODEL.sound(), best),
                        sound[i] / sound[best],
                        1e-5));
    }

    /**
     * Two readings of a long free play on different rigs speak less than twice for the rod: one vehicle that simply has
     * more of it explains both.
     */
    @Test
    void oneVehicleMustExplainBothReadings() {
        Reading first = figures("free-play", "tape", RigTrust.PROVEN, 9.0);
        Reading second = figures("free-play", "another-tape", RigTrust.PROVEN, 9.0);
        double factorOnce = odds(belief(first)) / odds(belief());
        double factorBoth = odds(belief(first, second)) / odds(belief());
        assertTrue(
                factorBoth < factorOnce * factorOnce,
                "a sound vehicle may simply have more free play: " + factorOnce + ", " + factorBoth);
    }

    /**
     * The nuisance shared by both, worked by hand: on one rig each vehicle's density once, on two rigs that vehicle's
     * density squared, averaged over the vehicles of the particles, the lie of a proven rig mixed in each time.
     */
    @Test
    void theSharedVehicleIsSummedOutByHand() {
        Procedure play = MODEL.procedures().find("free-play").orElseThrow();
        Reading first = figures("free-play", "tape", RigTrust.PROVEN, 8.0);
        Reading second = figures("free-play", "another-tape", RigTrust.PROVEN, 8.0);
        double[] honest =
                MODEL.predictions(play).logLikelihoods(new double[] {8}, Hypothesis.single(MODEL.sound()), 0, 1);
        double lied = Math.exp(MODEL.predictions(play).unexplained().logLied(new double[] {8}));
        double once = 0;
        double twice = 0;
        for (double log : honest) {
            double each = 0.996 * Math.exp(log) + 0.004 * lied;
            once += each / Particles.PARTICLES;
            twice += each * each / Particles.PARTICLES;
        }
        List<SetupLikelihood> setups = List.of(setup(first), setup(second));
        double byModel = 0;
        for (int i = 0; i < Particles.PARTICLES; i++) {
            Hypothesis sound = Hypothesis.single(MODEL.sound());
            byModel += Math.exp(setups.get(0).row(sound, 0)[i] + setups.get(1).row(sound, 0)[i]) / Particles.PARTICLES;
        }
        assertEquals(twice, byModel, 1e-4 * twice);
        assertTrue(byModel > once * once, "more than two vehicles drawn apart would give");
    }

    private static SetupLikelihood setup(Reading reading) {
        return new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, reading, false)), true);
    }

    private static double odds(Belief belief) {
        return single(belief, "rod-gap-too-large") / single(belief, "nothing-wrong");
    }

    @Test
    void factsOfIntakeMoveTheFrequencies() {
        Belief worked = BeliefHistory.of(
                        MODEL, new Intake(true, Intake.Age.UNKNOWN, false, List.of(), Set.of(), Map.of()), List.of())
                .now();
        assertEquals(
                6 / 0.7,
                single(worked, "air-in-master")
                        / single(worked, "slides-seized")
                        / (single(belief(), "air-in-master") / single(belief(), "slides-seized")),
                0.01);
        Belief fresh = BeliefHistory.of(
                        MODEL, new Intake(false, Intake.Age.NEW, false, List.of(), Set.of(), Map.of()), List.of())
                .now();
        assertEquals(
                0.4,
                single(fresh, "slides-seized")
                        / single(fresh, "air-in-master")
                        / (single(belief(), "slides-seized") / single(belief(), "air-in-master")),
                0.01);
    }

    /** Sixty jobs stand behind the trade's frequencies; sixty closed jobs of one suspect weigh as much. */
    @Test
    void theWorkshopsOwnJobsAreCounted() {
        Belief counted = BeliefHistory.of(
                        MODEL,
                        new Intake(false, Intake.Age.UNKNOWN, false, List.of(), Set.of(), Map.of("pipe-kinked", 60.0)),
                        List.of())
                .now();
        double singles = MODEL.suspects().stream()
                .mapToDouble(s -> single(counted, s.id()))
                .sum();
        assertEquals(0.5, single(counted, "pipe-kinked") / singles, 0.01);
        assertThrows(
                IllegalArgumentException.class,
                () -> new Intake(false, Intake.Age.UNKNOWN, false, List.of(), Set.of(), Map.of("pipe-kinked", -1.0)));
    }

    @Test
    void aFaultFeltOnlySometimesIsNotClearedByOneSoundReading() {
        Reading firm = figures("hold-medium", "tape", RigTrust.PROVEN, 34.0, 34.5, 35.0, 35.5);
        Belief always = belief(SINKS, firm);
        Belief sometimes = BeliefHistory.of(
                        MODEL,
                        new Intake(false, Intake.Age.UNKNOWN, true, List.of(), Set.of(), Map.of()),
                        List.of(SINKS, firm))
                .now();
        assertTrue(sometimes.probability("primary-piston-cup") > 3 * always.probability("primary-piston-cup"));
    }

    /**
     * Looks that contradict every suspect: what nothing explains feeds a fault in no list, and one contradiction alone
     * does not.
     */
    @Test
    void whatNothingExplainsFeedsAFaultInNoList() {
        Reading wet = observed("assist-looked-into", "wet", "eye-1", RigTrust.PROVEN);
        Reading dryFace = observed("rear-face-papered", "dry", "eye-2", RigTrust.PROVEN);
        Reading firm = figures("hold-medium", "tape", RigTrust.PROVEN, 34.0, 34.5, 35.0, 35.5);
        Reading longStroke = figures("travel-at-forces", "tape-2", RigTrust.PROVEN, 20.0, 75.0, 30.0, 90.0);
        double before = belief().noneOfThese();
        double one = belief(wet, dryFace).noneOfThese();
        double many = belief(wet, dryFace, firm, longStroke).noneOfThese();
        assertTrue(before < one && one < 0.6 && many > one && many > 0.5, before + ", " + one + ", " + many);
    }

    /**
     * A look at the clutch itself tells a worn clutch from a fault that only acts like one; a stroke measured through
     * the circuit cannot.
     */
    @Test
    void aLookAtThePartItselfTellsAFaultThatOnlyActsLikeIt() {
        LayoutModel clutch = Models.of("brack-tug-clutch");
        Reading late = figures("frees-at", "rule", RigTrust.PROVEN, 18.0);
        Reading worn = observed("clutch-looked-into", "worn", "eye-1", RigTrust.PROVEN);
        Reading soundToSee = observed("clutch-looked-into", "sound", "eye-1", RigTrust.PROVEN);
        double measured =
                BeliefHistory.of(clutch, Intake.UNKNOWN, List.of(late)).now().noneOfThese();
        double seenWorn = BeliefHistory.of(clutch, Intake.UNKNOWN, List.of(late, worn))
                .now()
                .noneOfThese();
        double seenSound = BeliefHistory.of(clutch, Intake.UNKNOWN, List.of(late, soundToSee))
                .now()
                .noneOfThese();
        assertTrue(seenWorn < measured && measured < seenSound, seenWorn + " < " + measured + " < " + seenSound);
    }

    /**
     * Two cups of one chamber: the pair is likeliest at what the simulator reads with both at once on the same vehicle,
     * which is not what the two add to the sound reading.
     */
    @Test
    void aPairIsSimulatedTogether() {
        int one = MODEL.indexOf("primary-piston-cup");
        int other = MODEL.indexOf("second-piston-rear-cup");
        Procedure hold = MODEL.procedures().find("hold-medium").orElseThrow();
        Predictions predictions = MODEL.predictions(hold);
        Simulator.Prepared prepared = MODEL.simulator().prepare(hold.protocol());
        List<Fault> both = new ArrayList<>(MODEL.particles().faults(one, 0));
        both.addAll(MODEL.particles().faults(other, 0));
        double[] simulated = prepared.figures(
                MODEL.particles().vehicle(0), both, MODEL.particles().found(Hypothesis.pair(one, other))[0]);
        double[] added = new double[simulated.length];
        for (int k = 0; k < added.length; k++) {
            added[k] = predictions.value(one, 0, k)
                    + predictions.value(other, 0, k)
                    - predictions.value(MODEL.sound(), 0, k);
        }
        Hypothesis pair = Hypothesis.pair(one, other);
        double atSimulated = predictions.logLikelihoods(simulated, pair, 0, 1)[0];
        assertTrue(Math.abs(simulated[3] - added[3]) > 1, simulated[3] + " and added " + added[3]);
        assertTrue(atSimulated > predictions.logLikelihoods(added, pair, 0, 1)[0]);
        PairedSeverities same = PairedSeverities.of(one, new int[] {0}, other, new int[] {0});
        assertTrue(
                predictions.logAdded(added, same, pair, 1)[0] > predictions.logAdded(simulated, same, pair, 1)[0],
                "a first look adds");
    }

    @Test
    void readingsCarryByWhatTheySayThemselvesHoweverManySayTheSame() {
        Reading again = figures("hold-gentle", "tape-2", RigTrust.PROVEN, 24.0, 28.0, 33.0, 43.0);
        BeliefHistory one = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(SINKING));
        BeliefHistory two = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(SINKING, again));
        assertEquals(
                one.ownFactor(0, Remedy.RENEW_MASTER),
                two.ownFactor(0, Remedy.RENEW_MASTER),
                0.15 * one.ownFactor(0, Remedy.RENEW_MASTER));
        assertTrue(two.ownFactor(0, Remedy.RENEW_MASTER) > 3);
    }

    @Test
    void twoFaultsThatShowInDifferentTestsAreCarriedAsAPair() {
        Reading wet = observed("assist-looked-into", "wet", "eye-1", RigTrust.PROVEN);
        Reading again = observed("rear-face-papered", "wet", "eye-2", RigTrust.PROVEN);
        Reading binds = observed("slides-moved", "bind", "eye-3", RigTrust.PROVEN);
        Reading byHand = observed("ends-by-hand", "slides-bind", "eye-4", RigTrust.PROVEN);
        Belief belief = belief(wet, again, binds, byHand);
        assertTrue(belief.pairs() > 0.85, "pairs " + belief.pairs());
        Cure both = Cure.of(Remedy.RENEW_MASTER, Remedy.FREE_SLIDES);
        assertEquals(both, belief.leadingCure());
        assertEquals(
                1,
                belief.cures().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum(),
                1e-9);
        assertTrue(belief.probability("rear-seal-weeping") + belief.probability("slides-seized") > 1.7);
    }

    @Test
    void afterARepairReadingsShowWhatIsLeft() {
        Reading wet = observed("assist-looked-into", "wet", "eye-1", RigTrust.PROVEN);
        Reading again = observed("rear-face-papered", "wet", "eye-2", RigTrust.PROVEN);
        Reading byHand = observed("ends-by-hand", "slides-bind", "eye-4", RigTrust.PROVEN);
        Reading binds = observed("slides-moved", "bind", "eye-3", RigTrust.PROVEN);
        BeliefHistory repaired = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(wet, again, byHand, binds))
                .repaired(Cure.of(Remedy.RENEW_MASTER));
        assertEquals(Cure.of(Remedy.FREE_SLIDES), repaired.now().leadingCure());
        Reading freeNow =
                new Reading("free", "slides-moved", new Observed("free"), "eye-5", RigTrust.PROVEN, repaired.done());
        Reading freeToo = new Reading(
                "free-too", "ends-by-hand", new Observed("all-free"), "eye-6", RigTrust.PROVEN, repaired.done());
        assertTrue(repaired.with(List.of(freeNow, freeToo)).now().probability(Cure.HAND_BACK)
                > repaired.now().probability(Cure.HAND_BACK));
    }

    @Test
    void aHistoryThatGrowsEqualsOneMadeAnew() {
        BeliefHistory grown =
                BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(DRY)).with(List.of(SINKING));
        MODEL.suspects()
                .forEach(s -> assertEquals(
                        belief(DRY, SINKING).probability(s.id()), grown.now().probability(s.id()), 1e-12));
        MODEL.suspects()
                .forEach(s -> assertEquals(
                        belief(DRY).probability(s.id()), grown.after(1).probability(s.id()), 1e-12));
    }

    /**
     * Readings are judged once for a job, whichever way it goes on: no way disturbs another, and a reading trusted less
     * is another.
     */
    @Test
    void waysThatPartFromOneHistoryDoNotDisturbOneAnother() {
        Reading doubted = figures("hold-medium", "tape", RigTrust.DOUBTFUL, 36.0, 40.0, 45.0, 55.0);
        Reading wet = observed("assist-looked-into", "wet", "lamp", RigTrust.NORMAL);
        BeliefHistory start = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(SINKS));
        BeliefHistory sinking = start.with(List.of(SINKING));
        BeliefHistory doubtful = start.with(List.of(doubted));
        BeliefHistory seal = start.with(List.of(wet)).with(List.of(doubted));
        BeliefHistory repaired = sinking.repaired(Cure.of(Remedy.RENEW_MASTER)).with(List.of(DRY));
        for (int s = 0; s < MODEL.suspects().size(); s++) {
            assertEquals(belief(SINKS, SINKING).probability(s), sinking.now().probability(s));
            assertEquals(belief(SINKS, doubted).probability(s), doubtful.now().probability(s));
            assertEquals(belief(SINKS, wet, doubted).probability(s), seal.now().probability(s));
        }
        assertTrue(sinking.ownFactor(1, Remedy.RENEW_MASTER) > doubtful.ownFactor(1, Remedy.RENEW_MASTER));
        assertTrue(repaired.now().probability(Remedy.RENEW_MASTER) < 0.01, "it has been done");
        assertTrue(sinking.now().probability(Remedy.RENEW_MASTER) > 0.3, "and before it had not");
    }

    @Test
    void whatNothingExplainsFeedsNoneOfThese() {
        Reading sound = figures("hold-medium", "tape", RigTrust.PROVEN, 34.0, 34.5, 35.0, 35.5);
        Reading odd = figures("two-tapes", "rule", RigTrust.PROVEN, 2.0);
        Reading oddAgain = figures("bracket-watched", "another-rule", RigTrust.PROVEN, 30.0);
        assertTrue(
                belief(sound, odd, oddAgain).noneOfThese() > 5 * belief(sound).noneOfThese());
    }

    /**
     * A hold on a worn cup, read off every vehicle imagined, as formulas are (longer at first, less of a sink): read
     * once more with another tape it says the same of the same vehicle, which speaks for nothing beyond the list.
     */
    @Test
    void agreeingTwiceOffTheFormulaSpeaksForNoUnlistedFault() {
        Predictions predicted =
                MODEL.predictions(MODEL.procedures().find("hold-medium").orElseThrow());
        int cup = MODEL.indexOf("primary-piston-cup");
        for (int particle : new int[] {40, 77}) {
            Double[] off = IntStream.range(0, predicted.width())
                    .mapToObj(k -> predicted.value(cup, particle, k) + (k == 0 ? 8.0 : -4.0))
                    .toArray(Double[]::new);
            Reading once = figures("hold-medium", "tape", RigTrust.PROVEN, off);
            Reading again = figures("hold-medium", "other-tape", RigTrust.PROVEN, off);
            double before = belief(SINKS, once).noneOfThese();
            double after = belief(SINKS, once, again).noneOfThese();
            assertTrue(after < 1.5 * before + 0.01, before + " to " + after);
        }
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
        MODEL.suspects().forEach(s -> assertEquals(belief().probability(s.id()), blind.probability(s.id()), 1e-5));
    }

    @Test
    void aBrokenOffHoldIsAValidShorterReading() {
        Belief shorter = belief(figures("hold-medium", "tape", RigTrust.PROVEN, 36.0, 40.0, null, null));
        assertTrue(shorter.probability(Remedy.RENEW_MASTER) > belief().probability(Remedy.RENEW_MASTER));
    }

    @Test
    void leavingOneOutEqualsNeverHavingEnteredIt() {
        BeliefHistory history = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(DRY, SINKING));
        MODEL.suspects()
                .forEach(s -> assertEquals(
                        Math.log(single(belief(SINKING), s.id())),
                        Math.log(single(history.without(0), s.id())),
                        0.05,
                        s.id()));
        assertTrue(history.oddsFactor(1, "primary-piston-cup") > 3);
        assertTrue(history.oddsFactor(0, "weeping-joint") < 1);
    }

    @Test
    void aSinkingComplaintSharesOutAboutAsTheTradeSays() {
        Belief sinks = belief(observed("characterise", "sinks", "eye", RigTrust.NORMAL));
        Map<String, double[]> shares = Map.of("nothing-wrong", new double[] {0.15, 0.35});
        shares.forEach((id, range) -> assertTrue(
                sinks.probability(id) > range[0] && sinks.probability(id) < range[1], id + sinks.probability(id)));
        double cups = sinks.probability("primary-piston-cup")
                + sinks.probability("second-piston-rear-cup")
                + sinks.probability("second-piston-front-cup");
        double air = sinks.probability("air-in-master")
                + sinks.probability("air-in-rear-end")
                + sinks.probability("air-in-modulator");
        assertTrue(cups > 0.2 && cups < 0.4, "by-pass " + cups);
        assertTrue(air < 0.2, "air " + air);
    }

    @Test
    void rulerBandsShowSoundFirstAndTheLiveSuspects() {
        Belief now = belief(SINKING);
        List<RulerBands.FigureBands> bands =
                RulerBands.of(now, MODEL.procedures().find("hold-medium").orElseThrow());
        assertEquals(4, bands.size());
        RulerBands.Band sound = bands.get(3).bands().get(0);
        assertEquals("nothing-wrong", sound.suspectId());
        assertTrue(sound.low() < sound.high() && sound.high() < 50, sound.toString());
        assertTrue(RulerBands.of(now, MODEL.procedures().find("dry-walk").orElseThrow())
                .isEmpty());
    }

    @Test
    void readingsOfUnknownTestsAreRefused() {
        ReadingValue value = new Observed("all-dry");
        org.junit.jupiter.api.Assertions.assertThrows(
                IllegalArgumentException.class,
                () -> belief(new Reading("x", "kick-the-tyre", value, "eye", RigTrust.NORMAL)));
    }
}
