package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.PairPredictions;
import overturn.forecast.Particles;
import overturn.forecast.Predictions;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SetupLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.measurement.RigTrust;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Fault;

@Tag("slow")
class PairingTest {

    private static final LayoutModel MODEL = Models.of("wisp-courier-clutch");

    /**
     * Both show in the same test, where neither alone fits what is read; and each in a test of its own. Air in a master
     * may stand as the low level that let it in: what cures them is the same.
     */
    @ParameterizedTest
    @CsvSource({
        "air-in-master, air-in-slave, 1",
        "air-in-master, air-in-slave, 2",
        "primary-piston-cup, slave-seal-weeping, 1"
    })
    void twoFaultsThatAreThereAreCarried(String one, String other, long seed) {
        Hypothesis pair = Hypothesis.pair(MODEL.indexOf(one), MODEL.indexOf(other));
        Belief now = history(pair, seed).now();
        double share = IntStream.range(0, now.hypotheses().size())
                .filter(h -> now.hypotheses().get(h).isPair())
                .filter(h -> now.hypotheses().get(h).cure(MODEL.suspects()).equals(pair.cure(MODEL.suspects())))
                .mapToDouble(now::share)
                .sum();
        assertTrue(share > now.probability(MODEL.sound()), "carried: " + now.leadingPairs(8));
        assertTrue(share > 0.5, share + " of " + now.leadingPairs(8));
    }

    private static BeliefHistory history(Hypothesis pair, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Fault> faults =
                new ArrayList<>(MODEL.suspects().get(pair.first()).physics().at(0.5, MODEL.layout(), random));
        faults.addAll(MODEL.suspects().get(pair.second()).physics().at(0.5, MODEL.layout(), random));
        HiddenVehicle vehicle = HiddenVehicle.of(MODEL.simulator(), VehicleUnknowns.draw(random), faults, 1)
                .after(MODEL.procedures().intake());
        List<Reading> readings = MODEL.procedures().all().stream()
                .map(p -> new Reading(p.id(), p.id(), vehicle.read(p, random), p.rigSetup(), RigTrust.PROVEN))
                .toList();
        return BeliefHistory.of(MODEL, Intake.UNKNOWN, readings);
    }

    /** Searched for among the pairs that pass the screening, the best is found all the same. */
    @ParameterizedTest
    @CsvSource({"clutch-mechanical, 1", "air-in-slave, 2", "slave-seal-weeping, 3"})
    void whatAFaultInNoListLooksLikeIsFoundAtAGlance(String suspect, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Fault> faults =
                MODEL.suspects().get(MODEL.indexOf(suspect)).physics().at(0.5, MODEL.layout(), random);
        HiddenVehicle vehicle = HiddenVehicle.of(MODEL.simulator(), VehicleUnknowns.draw(random), faults, 1)
                .after(MODEL.procedures().intake());
        List<SetupLikelihood> setups = MODEL.procedures().all().stream()
                .map(p -> new Reading(p.id(), p.id(), vehicle.read(p, random), p.id(), RigTrust.NORMAL))
                .map(r -> new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, r, false)), true))
                .toList();
        SummedLikelihood read = SummedLikelihood.of(MODEL.suspects().size(), RigSetups.of(setups));
        Prior prior = Prior.of(MODEL.layout(), MODEL.suspects(), MODEL.sound(), Intake.UNKNOWN);
        List<Hypothesis> found = Pairing.hypotheses(MODEL, prior, Repairs.NONE, read).stream()
                .filter(Hypothesis::isNoneOfThese)
                .toList();
        List<Hypothesis> best = IntStream.range(0, MODEL.suspects().size())
                .mapToObj(Hypothesis::unlistedLike)
                .sorted(Comparator.comparingDouble(
                        (Hypothesis h) -> -new Evidence(prior, Repairs.NONE, read, Optional.empty(), 0).log(h)))
                .limit(4)
                .toList();
        assertTrue(found.containsAll(best), best + " are among " + found);
        assertEquals(
                Hypothesis.unlistedLike(MODEL.sound()),
                found.get(0),
                "nothing wrong that is felt all the same is always carried");
    }

    @Test
    void aFaultThatATestCannotSeeLeavesItAsItWas() {
        Procedure play = MODEL.procedures().find("free-play").orElseThrow();
        Predictions predictions = MODEL.predictions(play);
        int rod = MODEL.indexOf("reach-screw-preload");
        int slave = MODEL.indexOf("slave-seal-weeping");
        PairPredictions pairs = new PairPredictions(MODEL, play, predictions);
        assertTrue(predictions.moved(rod) && !predictions.moved(slave));
        assertSame(predictions.values(rod), pairs.of(Hypothesis.pair(rod, slave)));
    }

    /** Tried with another vehicle, the one fault is that vehicle's own and the other keeps what it adds. */
    @Test
    void severitiesOfTwoFaultsMeetInMoreWaysThanThereAreParticles() {
        Procedure travel = MODEL.procedures().find("travel-at-forces").orElseThrow();
        Predictions predictions = MODEL.predictions(travel);
        Hypothesis pair = Hypothesis.pair(MODEL.indexOf("air-in-master"), MODEL.indexOf("air-in-slave"));
        PairPredictions pairs = new PairPredictions(MODEL, travel, predictions);
        float[] both = pairs.of(pair);
        float[] tried = pairs.tried(pair, 1);
        int there = Particles.tried(0, 1);
        double adds = both[0] - predictions.value(pair.second(), 0, 0);
        assertEquals(predictions.value(pair.second(), there, 0) + adds, tried[0], 1e-3);
    }

    /**
     * On a vehicle that is not simulated with both, they do what they do on the one of the simulated that stands for
     * it; never beyond what the field takes.
     */
    @Test
    void whatTwoFaultsDoIsDoneToTheVehiclesThatAreNotSimulated() {
        Procedure travel = MODEL.procedures().find("travel-at-forces").orElseThrow();
        Predictions predictions = MODEL.predictions(travel);
        Hypothesis pair = Hypothesis.pair(MODEL.indexOf("air-in-master"), MODEL.indexOf("air-in-slave"));
        float[] both = new PairPredictions(MODEL, travel, predictions).of(pair);
        int width = predictions.width();
        assertEquals(Particles.PARTICLES * width, both.length);
        for (int i = Particles.PAIRS_SIMULATED; i < Particles.PARTICLES; i++) {
            int like = i % Particles.PAIRS_SIMULATED;
            for (int k = 0; k < width; k++) {
                double adds = both[like * width + k] - predictions.value(MODEL.sound(), like, k);
                assertEquals(
                        predictions.within(k, predictions.value(MODEL.sound(), i, k) + adds),
                        both[i * width + k],
                        1e-3);
            }
        }
    }

    /** Where the quick look finds that nothing hangs on a reading, nothing does. */
    @ParameterizedTest
    @CsvSource({
        "air-in-master, air-in-slave, 5",
        "primary-piston-cup, air-in-slave, 1",
        "input-binding, slave-seal-weeping, 2"
    })
    void whatHangsOnOneReadingIsNotPassedOver(String one, String other, long seed) {
        BeliefHistory whole = history(Hypothesis.pair(MODEL.indexOf(one), MODEL.indexOf(other)), seed);
        Cure cure = whole.now().leadingCure();
        for (int i = 0; i < whole.readings().size(); i++) {
            double exact = whole.without(i).cures().entrySet().stream()
                    .filter(e -> e.getKey().includes(cure))
                    .mapToDouble(e -> e.getValue())
                    .sum();
            double rough = whole.roughlyWithout(i, cure);
            assertTrue(rough < 0.98 || exact > 0.8, whole.readings().get(i).id() + ": " + rough + " but " + exact);
        }
    }

    /** The sum over set-ups is the same whether it was made at once or from the sum before. */
    @Test
    void sumsMadeFromEarlierOnesAreTheSame() {
        BeliefHistory whole =
                history(Hypothesis.pair(MODEL.indexOf("air-in-master"), MODEL.indexOf("air-in-slave")), 3);
        List<Reading> readings = whole.readings();
        BeliefHistory step = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of());
        for (Reading reading : readings.subList(0, 12)) {
            step.now();
            step = step.with(List.of(reading));
        }
        Belief atOnce =
                BeliefHistory.of(MODEL, Intake.UNKNOWN, readings.subList(0, 12)).now();
        for (int s = 0; s < MODEL.suspects().size(); s++) {
            assertEquals(atOnce.probability(s), step.now().probability(s), 1e-9);
        }
        List<Reading> others = new ArrayList<>(readings.subList(0, 12));
        Reading struck = others.remove(5);
        Belief without = BeliefHistory.of(MODEL, Intake.UNKNOWN, others).now();
        Belief left = step.without(5);
        assertEquals(without.probability(MODEL.sound()), left.probability(MODEL.sound()), 0.02, struck.id());
    }
}
