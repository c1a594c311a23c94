package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** What one test leaves in a vehicle for the next: pads taken up, fluid trapped, fluid in closed chambers. */
@Tag("slow")
class CarriedConditionTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;

    private static double[] read(Simulator simulator, Procedure test, List<Fault> faults, VehicleCondition before) {
        return test.predicted(simulator.prepare(test.protocol()).figures(VehicleUnknowns.NOMINAL, faults, before));
    }

    private static VehicleCondition after(
            Simulator simulator, Procedure test, List<Fault> faults, VehicleCondition before) {
        return simulator
                .run(test.protocol(), VehicleUnknowns.NOMINAL, faults, before)
                .after()
                .ready();
    }

    private static boolean apart(Procedure test, double[] one, double[] other) {
        for (int k = 0; k < one.length; k++) {
            if (Math.abs(one[k] - other[k]) > test.tellableDifference(k) / 2) {
                return true;
            }
        }
        return false;
    }

    /**
     * Share of all (suspect, earlier test, later test) in which the later one reads otherwise, by more than its own
     * noise, than without the earlier.
     */
    private static double shareThatCarries(Layout layout, boolean intakeFirst) {
        Simulator simulator = Simulator.of(layout);
        List<Procedure> tests = ProcedureCatalogue.of(layout).all();
        Procedure intake = tests.stream()
                .filter(t -> t.id().equals(ProcedureCatalogue.CHARACTERISE))
                .findFirst()
                .orElseThrow();
        List<Procedure> later = tests.stream().filter(t -> t != intake).toList();
        int all = 0;
        int carried = 0;
        for (Suspect suspect : SuspectCatalogue.of(layout)) {
            List<Fault> faults = suspect.physics().at(0.5, layout, new Random(3));
            VehicleCondition start =
                    intakeFirst ? after(simulator, intake, faults, VehicleCondition.RESTED) : VehicleCondition.RESTED;
            Map<String, double[]> alone = new HashMap<>();
            later.forEach(t -> alone.put(t.id(), read(simulator, t, faults, start)));
            for (Procedure earlier : later) {
                VehicleCondition left = after(simulator, earlier, faults, start);
                all += later.size();
                carried += left.equals(start)
                        ? 0
                        : (int) later.stream()
                                .filter(t -> apart(t, alone.get(t.id()), read(simulator, t, faults, left)))
                                .count();
            }
        }
        return carried / (double) all;
    }

    /**
     * Bled, spent and cooled as the steps ask, a vehicle that the intake has pressed once reads the same whatever was
     * tested before.
     */
    @ParameterizedTest
    @ValueSource(strings = {"tarn-box-van", "old-bess-tender", "wisp-courier-brake"})
    void afterTheIntakeTheOrderOfTestsHardlyMatters(String preset) {
        double share = shareThatCarries(Presets.layout(preset), true);
        assertTrue(share < 0.008, preset + ": " + share);
    }

    @Test
    void beforeItItMattersMore() {
        double before = shareThatCarries(TARN, false);
        double after = shareThatCarries(TARN, true);
        assertTrue(before > 1.1 * after, before + " before it, " + after + " after it");
    }

    /** Pads that a hub pushes back are taken up by the intake; the next hold finds nothing, a drive brings it back. */
    @Test
    void padsPushedBackShowAgainOnlyAfterADrive() {
        Simulator simulator = Simulator.of(TARN);
        ProcedureCatalogue catalogue = ProcedureCatalogue.of(TARN);
        Suspect suspect = SuspectCatalogue.of(TARN).stream()
                .filter(s -> s.id().equals("pad-pushed-back"))
                .findFirst()
                .orElseThrow();
        List<Fault> faults = suspect.physics().at(0.7, TARN, new Random(3));
        VehicleCondition found = after(simulator, catalogue.intake(), faults, VehicleCondition.RESTED);
        Procedure hold = catalogue.find(ProcedureCatalogue.HOLD).orElseThrow();
        assertEquals(read(simulator, hold, List.of(), found)[0], read(simulator, hold, faults, found)[0], 0.1);
        assertTrue(read(simulator, hold, faults, VehicleCondition.RESTED)[0]
                > read(simulator, hold, List.of(), VehicleCondition.RESTED)[0] + 5);
        Procedure driven = catalogue.find("driven").orElseThrow();
        assertTrue(
                read(simulator, driven, faults, found)[0] < 0.7 * read(simulator, driven, List.of(), found)[0],
                "hardly as it should");
    }

    /** Behind a clogged hole the intake leaves fluid, and the wheels drag at the next look. */
    @Test
    void whatTheIntakeTrappedIsStillThere() {
        Simulator simulator = Simulator.of(TARN);
        Suspect clogged = SuspectCatalogue.of(TARN).stream()
                .filter(s -> s.id().equals("hole-clogged"))
                .findFirst()
                .orElseThrow();
        List<Fault> faults = clogged.physics().at(0.7, TARN, new Random(3));
        VehicleCondition found =
                after(simulator, ProcedureCatalogue.of(TARN).intake(), faults, VehicleCondition.RESTED);
        assertTrue(found.trappedMl().stream().anyMatch(ml -> ml > 0.05), found.toString());
        assertEquals(
                List.of(0.0, 0.0),
                after(simulator, ProcedureCatalogue.of(TARN).intake(), List.of(), VehicleCondition.RESTED)
                        .trappedMl());
    }
}
