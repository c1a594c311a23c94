package overturn.planning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.catalogue.CutSetProcedure;
import overturn.circuit.CutSets.Device;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;

/** Which of all the ways to divide a circuit are worth a closer look. */
@Tag("slow")
class CutSetChoiceTest {

    private static final LayoutModel TENDER = Models.of("old-bess-tender");

    private static Reading observed(String test, String option) {
        return new Reading(test, test, new Observed(option), "eye@" + test, RigTrust.PROVEN);
    }

    private static Reading held(double... mm) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (double value : mm) {
            taken.add(Optional.of(new TypedQuantity(Double.toString(value), MeasureUnit.MILLIMETRE, value)));
        }
        return new Reading("hold", "hold-medium", new Figures(taken), "tape", RigTrust.PROVEN);
    }

    private static List<Procedure> offered(Workshop workshop, Reading... readings) {
        return CutSetChoice.of(BeliefHistory.of(TENDER, Intake.UNKNOWN, List.of(readings)), workshop, Set.of());
    }

    private static Set<String> takenOut(Procedure procedure) {
        return TENDER.procedures().cutSets().stream()
                .filter(t -> t.procedure().equals(procedure))
                .map(CutSetProcedure::division)
                .findFirst()
                .orElseThrow()
                .takenOut();
    }

    /** Long and then firm on a circuit of four hoses: clamps split front from rear, and nothing is opened for it. */
    @Test
    void whatSplitsForFewMinutesComesFirst() {
        List<Procedure> offered = offered(
                Workshop.WELL_EQUIPPED, observed("characterise", "long-then-firm"), observed("reservoir", "steady"));
        assertEquals(2, offered.size());
        for (Procedure procedure : offered) {
            assertEquals(RigKind.CLAMPS, procedure.rigKind(), procedure.id());
            assertTrue(takenOut(procedure).stream().anyMatch(id -> id.startsWith("rear"))
                    || takenOut(procedure).stream().anyMatch(id -> id.startsWith("front")));
        }
    }

    /** Once everything points to the master, no way to divide the lines tells anything. */
    @Test
    void whatIsKnownIsNotDivided() {
        Reading bored = new Reading("bore", "master-stripped", new Observed("lip-worn"), "eye@bore", RigTrust.PROVEN);
        Reading again =
                new Reading("again", "master-stripped", new Observed("lip-worn"), "eye@bore-rig-2", RigTrust.PROVEN);
        BeliefHistory sure = BeliefHistory.of(
                TENDER,
                Intake.UNKNOWN,
                List.of(observed("characterise", "sinks"), held(60, 70, 85, 110), bored, again));
        double master = sure.now().places().components().get("master");
        assertTrue(master > 0.97, "master " + master);
        assertEquals(List.of(), CutSetChoice.of(sure, Workshop.WELL_EQUIPPED, Set.of()));
    }

    @Test
    void whatTheWorkshopLacksIsNotOffered() {
        Workshop noClamps = new Workshop(Set.of(RigKind.CLAMPS), true, true, Prices.DEFAULT);
        Set<RigKind> rigs = offered(noClamps, observed("characterise", "long-then-firm")).stream()
                .map(Procedure::rigKind)
                .collect(Collectors.toSet());
        assertTrue(!rigs.isEmpty() && !rigs.contains(RigKind.CLAMPS), rigs.toString());
    }

    /** All of them are there, every device among them, by an id that names the joints. */
    @Test
    void everyDeviceIsAmongThoseThatAreJudged() {
        assertEquals(
                Set.of(Device.CLAMP, Device.LINE_PLUG),
                TENDER.procedures().cutSets().stream()
                        .map(t -> t.division().device())
                        .collect(Collectors.toSet()),
                "one port, which is written down, and no modulator");
        TENDER.procedures()
                .cutSets()
                .forEach(t -> assertEquals(
                        Optional.of(t.procedure()),
                        TENDER.procedures().find(t.procedure().id())));
    }
}
