package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Sample;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/** What holds for every test of the catalogue. */
class ProcedureCatalogueTest {

    private final ProcedureCatalogue catalogue = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);

    @Test
    void everyFigureIsReadAtExactlyOneStep() {
        for (Procedure procedure : catalogue.all()) {
            if (procedure.spec() instanceof Series series) {
                List<String> read = procedure.steps().stream()
                        .flatMap(s -> s.figures().stream())
                        .toList();
                assertEquals(series.figures().stream().map(f -> f.id()).toList(), read, procedure.id());
            }
        }
    }

    @Test
    void whateverOpensTheCircuitShowsItsCautionAndPutsSomethingOnTheList() {
        catalogue.all().stream()
                .filter(p -> p.needs().opened() != Opened.NOTHING)
                .forEach(p -> {
                    assertTrue(
                            p.steps().stream()
                                    .anyMatch(s -> s.cautionId()
                                            .filter(Set.of("open-circuit", "pressure", "screw")::contains)
                                            .isPresent()),
                            p.id());
                    assertTrue(p.steps().stream().anyMatch(s -> !s.fits().isEmpty()), p.id());
                });
    }

    @Test
    void gentleAndMediumForcesGiveGentleAndMediumPressures() {
        assertTrue(barAt(catalogue.forces().gentleN()) >= 3
                && barAt(catalogue.forces().gentleN()) <= 8);
        assertTrue(barAt(catalogue.forces().mediumN()) >= 15
                && barAt(catalogue.forces().mediumN()) <= 30);
    }

    private static double barAt(double forceN) {
        return Simulator.of(Presets.TARN_BOX_VAN)
                .run(
                        Protocol.whole()
                                .then(new Press(forceN), new Sample(Sensed.PRESSURE_BAR))
                                .done(),
                        VehicleUnknowns.NOMINAL,
                        List.of())[0];
    }

    @Test
    void closingWhatWasOpenedCostsBothWaysAndStayingCostsNothing() {
        VehicleNeeds ports = VehicleNeeds.openedAt(Opened.MASTER_PORTS);
        assertEquals(0, StateChanges.minutes(ports, ports));
        assertEquals(0.5, StateChanges.minutes(VehicleNeeds.SEAT, ports), "opening is in the test's own minutes");
        assertEquals(40.5, StateChanges.minutes(ports, VehicleNeeds.SEAT));
        assertEquals(12, StateChanges.minutes(VehicleNeeds.SEAT, VehicleNeeds.WHEELS_OFF));
        assertEquals(14, StateChanges.minutes(VehicleNeeds.WHEELS_OFF, VehicleNeeds.SEAT));
    }
}
