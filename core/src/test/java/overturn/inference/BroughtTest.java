package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory.Moment;
import overturn.measurement.RigTrust;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Fault;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** A repair may leave something behind: readings after it tell that from a complaint that is cured. */
@Tag("slow")
class BroughtTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Cure MASTER = Cure.of(Remedy.RENEW_MASTER);
    private static final List<String> BEFORE = List.of("characterise", "dry-walk", "hold-medium", "port-plugs");

    private static Suspect suspect(String id) {
        return MODEL.suspects().get(MODEL.indexOf(id));
    }

    private static List<Fault> faults(String id) {
        return suspect(id).physics().at(0.6, MODEL.layout(), new SplittableRandom(3));
    }

    private static List<Reading> read(List<Fault> faults, BeliefHistory state, List<String> tests) {
        SplittableRandom random = new SplittableRandom(11);
        HiddenVehicle vehicle = HiddenVehicle.of(
                        MODEL.simulator(), VehicleUnknowns.draw(new SplittableRandom(7)), faults, 1)
                .after(MODEL.procedures().intake());
        List<Reading> readings = new ArrayList<>();
        for (String id : tests) {
            Procedure test = MODEL.procedures().find(id).orElseThrow();
            readings.add(new Reading(
                    id + state.done(),
                    id,
                    vehicle.read(test, random),
                    test.rigSetup() + state.done(),
                    RigTrust.PROVEN,
                    state.done()));
        }
        return readings;
    }

    private static BeliefHistory renewed() {
        BeliefHistory none = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of());
        return none.with(read(faults("primary-piston-cup"), none, BEFORE)).repaired(MASTER);
    }

    @Test
    void whatWasRenewedIsSuspectedNoMoreAndWhatHandsMayLeaveIs() {
        BeliefHistory repaired = renewed();
        Belief before = repaired.moments().get(BEFORE.size()).belief();
        assertTrue(before.probability("primary-piston-cup") > 0.5, "it was the cup");
        assertEquals(0, repaired.now().probability("primary-piston-cup"), 1e-12);
        assertTrue(repaired.now().probability(Cure.HAND_BACK) > 0.75);
        double air = MODEL.suspects().stream()
                .filter(s -> s.origin() == Suspect.Origin.AIR)
                .mapToDouble(s -> repaired.now().probability(s.id()))
                .sum();
        assertTrue(air > 0.03 && air < 0.2, "air: " + air);
        assertTrue(
                repaired.now().probability("air-in-master") > before.probability("air-in-master"),
                "it was off, so it may have air in it");
    }

    @ParameterizedTest
    @CsvSource({"air-in-master, BLEED_MASTER", "rod-gap-too-large, LENGTHEN_ROD", "air-in-rear-end, BLEED_REAR"})
    void whatTheRepairBroughtIsFound(String suspect, Remedy remedy) {
        BeliefHistory repaired = renewed();
        BeliefHistory read = repaired.with(read(
                faults(suspect),
                repaired,
                List.of(
                        "driven",
                        "free-play",
                        "hold-medium",
                        "pump-up",
                        "travel-at-forces",
                        "port-plugs",
                        "master-ports-cracked",
                        "rear-screws")));
        assertTrue(
                read.now().probability(remedy) > 0.6,
                remedy + ": " + read.now().probability(remedy) + " of "
                        + read.now().remedies());
    }

    @Test
    void aSoundVehicleIsSoundAfterItsRepair() {
        BeliefHistory repaired = renewed();
        BeliefHistory read = repaired.with(read(
                List.of(), repaired, List.of("driven", "hold-medium", "travel-at-forces", "assist-drop", "pump-up")));
        assertTrue(read.now().probability(Cure.HAND_BACK) > 0.9, "" + read.now().probability(Cure.HAND_BACK));
    }

    /** The mark of the repair stands between what was believed before it and after it. */
    @Test
    void theRepairIsAMomentOfItsOwn() {
        BeliefHistory repaired = renewed();
        List<Moment> moments =
                repaired.with(read(List.of(), repaired, List.of("driven"))).moments();
        assertEquals(BEFORE.size() + 3, moments.size(), "none read, each reading, the repair, one more");
        assertEquals(
                List.of(false, false, false, false, false, true, false),
                moments.stream().map(m -> m.repaired().isPresent()).collect(Collectors.toList()));
        assertEquals(
                BeliefHistory.of(MODEL, Intake.UNKNOWN, repaired.readings())
                        .after(2)
                        .probability("primary-piston-cup"),
                moments.get(2).belief().probability("primary-piston-cup"),
                1e-12);
    }

    /** Hands bring nothing where they were not: an adjusted shoe leaves no air behind. */
    @Test
    void whatIsOnlySetBringsNoAir() {
        double[] opened = Brought.shares(MODEL.layout(), MODEL.suspects(), MASTER);
        double[] set = Brought.shares(MODEL.layout(), MODEL.suspects(), Cure.of(Remedy.SHORTEN_ROD));
        assertTrue(opened[MODEL.indexOf("air-in-master")] > opened[MODEL.indexOf("air-in-rear-end")], "nearer");
        assertEquals(0, set[MODEL.indexOf("air-in-master")]);
        assertTrue(set[MODEL.indexOf("rod-gap-too-large")] > 0);
        assertTrue(DoubleStream.of(set).sum() < DoubleStream.of(opened).sum());
        assertEquals(0, opened[MODEL.indexOf("primary-piston-cup")], "wear is not made by hands");
    }

    /** What one repair left behind is still there after another that does not touch it, and gone after its own. */
    @Test
    void whatWasBroughtStaysUntilItIsRemedied() {
        BeliefHistory repaired = renewed();
        BeliefHistory read = repaired.with(read(
                faults("air-in-rear-end"),
                repaired,
                List.of("driven", "hold-medium", "pump-up", "travel-at-forces", "rear-screws")));
        double air = read.now().probability(Remedy.BLEED_REAR);
        assertTrue(air > 0.3, "air: " + air);
        assertEquals(air, read.repaired(Cure.of(Remedy.SET_LAMP_SWITCH)).now().probability(Remedy.BLEED_REAR), 0.06);
        assertTrue(read.repaired(Cure.of(Remedy.BLEED_REAR)).now().probability(Remedy.BLEED_REAR) < 0.1);
    }

    /**
     * A master brings its own bleeding along, and may be renewed again: each is a repair of its own all the same, and
     * what is read after it is about what it left.
     */
    @ParameterizedTest
    @EnumSource(names = {"BLEED_MASTER", "RENEW_MASTER"})
    void whatTheFirstRepairBroughtIsGoneAfterTheSecond(Remedy second) {
        List<String> tests =
                List.of("driven", "hold-medium", "pump-up", "travel-at-forces", "port-plugs", "master-ports-cracked");
        BeliefHistory once = renewed();
        BeliefHistory airy = once.with(read(faults("air-in-master"), once, tests));
        assertTrue(
                airy.now().probability(Remedy.BLEED_MASTER) > 0.6,
                "" + airy.now().remedies());
        BeliefHistory twice = airy.repaired(Cure.of(second));
        BeliefHistory sound = twice.with(read(List.of(), twice, tests));
        assertTrue(
                sound.now().probability(Cure.HAND_BACK) > 0.9, "" + sound.now().remedies());
        BeliefHistory again = twice.with(read(faults("air-in-master"), twice, tests));
        assertEquals(
                Remedy.BLEED_MASTER,
                again.now().leadingRemedy(),
                "" + again.now().remedies());
    }
}
