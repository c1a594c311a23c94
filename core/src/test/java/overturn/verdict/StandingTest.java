package overturn.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.circuit.Segment;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.planning.Prices;
import overturn.planning.Proposal;
import overturn.planning.Workshop;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.VehicleNeeds;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Suspect;

/** By what a suspect is cleared or held up, and how readings that do not fit are settled. */
@Tag("slow")
class StandingTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Reading SINKS =
            new Reading("characterise", "characterise", new Observed("sinks"), "eye@characterise", RigTrust.NORMAL);
    private static final Reading DRY =
            new Reading("dry", "dry-walk", new Observed("all-dry"), "eye@dry-walk", RigTrust.NORMAL);

    private static Reading hold(String id, String setup, double... mm) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (double value : mm) {
            taken.add(Optional.of(new TypedQuantity(Double.toString(value), MeasureUnit.MILLIMETRE, value)));
        }
        return new Reading(id, id, new Figures(taken), setup, RigTrust.NORMAL);
    }

    private static Suspect suspect(String id) {
        return MODEL.suspects().get(MODEL.indexOf(id));
    }

    @Test
    void aSinkingHoldClearsSoundAndHoldsUpTheCup() {
        BeliefHistory history = BeliefHistory.of(
                MODEL, Intake.UNKNOWN, List.of(SINKS, DRY, hold("hold-medium", "tape", 37.5, 43, 51.5, 67.5)));
        Standing sound = Standing.of(history, suspect("nothing-wrong"));
        assertTrue(sound.cleared());
        assertEquals("hold-medium", sound.clearedBy().orElseThrow().reading().procedureId());
        assertTrue(sound.clearedBy().get().oddsFactor() < 0.01);
        assertTrue(sound.heldUpBy().isEmpty());
        Standing cup = Standing.of(history, suspect("primary-piston-cup"));
        assertFalse(cup.cleared());
        assertEquals("hold-medium", cup.heldUpBy().orElseThrow().reading().procedureId());
        assertTrue(cup.clearedBy().isEmpty());
    }

    @Test
    void segmentsShareOutWhatTheComponentsCarry() {
        BeliefHistory history = BeliefHistory.of(
                MODEL, Intake.UNKNOWN, List.of(SINKS, DRY, hold("hold-medium", "tape", 37.5, 43, 51.5, 67.5)));
        double components = history.now().places().components().values().stream()
                .mapToDouble(Double::doubleValue)
                .sum();
        assertEquals(
                components,
                history.now().places().segments().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum(),
                1e-9);
        assertEquals(Set.of(Segment.values()), history.now().places().segments().keySet());
        assertTrue(
                history.now().places().segments().get(Segment.MASTER) > 0.5 * components,
                history.now().places().segments().toString());
    }

    @Test
    void readingsThatContradictEachOtherAreSettledByTheCheapestRepeat() {
        Assessment assessment = Assessment.of(
                MODEL,
                Intake.UNKNOWN,
                List.of(
                        SINKS,
                        DRY,
                        hold("hold-gentle", "tape", 36, 42, 50, 66),
                        hold("hold-twice", "other-tape", 0.5, 0.5),
                        hold("hold-medium", "tape-3", 33, 33, 33.5, 34)),
                VehicleNeeds.SEAT,
                Set.of(),
                Workshop.WELL_EQUIPPED);
        String odd = assessment.history().oddOneOut().orElseThrow().procedureId();
        assertEquals("hold-gentle", odd);
        Proposal repeat = assessment.cheapestRepeat().orElseThrow();
        assertEquals(odd, repeat.procedure().id());
        assertTrue(repeat.anotherRig());
    }

    /**
     * Without tools, helper or lift, air in the master and air in the high loop cannot be told apart; the ports and the
     * loop will show.
     */
    @Test
    void whatNoTestLeftHereTellsApartIsToldByTakingApart() {
        LayoutModel clutch = Models.of("pellow-saloon-clutch");
        Workshop bare = new Workshop(
                Arrays.stream(RigKind.values()).filter(RigKind::tool).collect(Collectors.toSet()),
                false,
                false,
                Prices.DEFAULT);
        SplittableRandom random = new SplittableRandom(3);
        Suspect air = clutch.suspects().get(clutch.indexOf("air-in-master"));
        HiddenVehicle vehicle = HiddenVehicle.of(
                        clutch.simulator(),
                        VehicleUnknowns.draw(random),
                        air.physics().at(0.6, clutch.layout(), random),
                        1)
                .after(clutch.procedures().intake());
        List<Reading> all = clutch.procedures().all().stream()
                .filter(bare::canDo)
                .map(p -> new Reading(p.id(), p.id(), vehicle.read(p, random), p.rigSetup(), RigTrust.PROVEN))
                .toList();
        BeliefHistory history = BeliefHistory.of(clutch, Intake.UNKNOWN, all);
        Verdict.StripDown apart =
                VerdictRule.of(clutch, bare).explained(history).stripDown().orElseThrow();
        assertEquals(
                List.of("air-in-master", "air-in-high-loop"),
                apart.group().stream().map(Suspect::id).toList());
        assertEquals(List.of("master-ports-cracked", "loop-lifted"), apart.looks());
        assertTrue(
                VerdictRule.of(clutch, Workshop.WELL_EQUIPPED)
                        .explained(history)
                        .stripDown()
                        .isEmpty(),
                "with tools a test is left that tells them");
    }
}
