package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.procedure.StateChanges;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** Holds on part of the circuit, derived from the layout. */
class CutSetProceduresTest {

    private static List<Fault> worst(Layout layout, Suspect suspect) {
        return suspect.physics().at(0.9, layout, new Random(5));
    }

    /** What is cut off cannot be felt: a fault that sits only there reads as if nothing were wrong. */
    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void whatIsTakenOutIsNotFelt(Layout layout) {
        Simulator simulator = Simulator.of(layout);
        for (CutSetProcedure test : ProcedureCatalogue.of(layout).cutSets()) {
            double[] sound = simulator.run(test.procedure().protocol(), VehicleUnknowns.NOMINAL, List.of());
            for (Suspect suspect : SuspectCatalogue.of(layout)) {
                if (!suspect.places().isEmpty() && test.division().takenOut().containsAll(suspect.places())) {
                    assertArrayEquals(
                            sound,
                            simulator.run(test.procedure().protocol(), VehicleUnknowns.NOMINAL, worst(layout, suspect)),
                            1e-6,
                            test.procedure().id() + " " + suspect.id());
                }
            }
        }
    }

    @Test
    void onePortPluggedSweepsTheCupFurtherThanBoth() {
        Simulator simulator = Simulator.of(Presets.TARN_BOX_VAN);
        ProcedureCatalogue catalogue = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);
        double both = simulator
                .run(catalogue.find("port-plugs").orElseThrow().protocol(), VehicleUnknowns.NOMINAL, List.of())[0];
        double one = simulator
                .run(
                        catalogue.find("cut-ports@front-port").orElseThrow().protocol(),
                        VehicleUnknowns.NOMINAL,
                        List.of())[0];
        assertTrue(one > 1.5 * both, one + " mm with the rear lines left, " + both + " mm with none");
    }

    @Test
    void fittingCostsMoreWithEveryPlugAndOwesTheBleedingOfWhatWasOpened() {
        ProcedureCatalogue catalogue = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);
        Procedure one = catalogue.find("cut-lines@front-inlet").orElseThrow();
        Procedure two = catalogue.find("cut-lines@front-inlet+rear-inlet").orElseThrow();
        assertEquals(5, two.minutes() - one.minutes());
        assertEquals(14, StateChanges.closingMinutes(one.needs()));
        assertEquals(
                List.of("plug@front-inlet", "plug@rear-inlet"),
                two.steps().get(0).fits());
        assertEquals("cut-lines", two.wordId());
        assertEquals(
                0,
                StateChanges.closingMinutes(catalogue
                        .find("cut-clamps@front-left-hose-inlet")
                        .orElseThrow()
                        .needs()));
    }
}
