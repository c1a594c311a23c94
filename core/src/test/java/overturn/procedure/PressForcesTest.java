package overturn.procedure;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Sample;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/** A gentle hold really presses, and a medium one leaves travel, on every preset. */
class PressForcesTest {

    private static double[] at(Layout layout, double forceN) {
        return Simulator.of(layout)
                .run(
                        Protocol.whole()
                                .then(new Press(forceN), new Sample(Sensed.PRESSURE_BAR), new Sample(Sensed.TRAVEL_MM))
                                .done(),
                        VehicleUnknowns.NOMINAL,
                        List.of());
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void forcesGiveThePressuresTheyAreNamedAfter(Layout layout) {
        PressForces forces = PressForces.of(layout);
        assertTrue(forces.gentleN() < forces.easyN()
                && forces.easyN() <= forces.strokeN()
                && forces.strokeN() < forces.mediumN());
        double gentle = at(layout, forces.gentleN())[0];
        assertTrue(gentle >= 3 && gentle <= 8.5, layout.id() + " gentle " + gentle);
        double medium = at(layout, forces.mediumN())[0];
        if (layout.all(Slave.class).isEmpty()) {
            assertTrue(medium >= 15 && medium <= 30, layout.id() + " medium " + medium);
        } else {
            Slave slave = layout.all(Slave.class).get(0);
            assertTrue(medium > slave.biteBar() && medium < slave.fullBar(), layout.id() + " medium " + medium);
        }
        assertTrue(
                at(layout, forces.mediumN())[1] < 0.75 * layout.input().travelToStopMm(),
                layout.id() + " leaves travel");
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void everyTestOfEveryPresetReadsWhatItMayOnTheSoundVehicle(Layout layout) {
        Simulator simulator = Simulator.of(layout);
        for (Procedure test : ProcedureCatalogue.of(layout).all()) {
            double[] read = test.predicted(simulator.run(test.protocol(), VehicleUnknowns.NOMINAL, List.of()));
            if (test.spec() instanceof overturn.measurement.ReadingSpec.Series series) {
                for (int k = 0; k < read.length; k++) {
                    assertTrue(
                            series.figures().get(k).allows(read[k]),
                            layout.id() + " " + test.id() + " "
                                    + series.figures().get(k).id() + " " + read[k]);
                }
            } else {
                double sum = 0;
                for (double chance : read) {
                    assertTrue(chance > 0 && chance < 1, layout.id() + " " + test.id());
                    sum += chance;
                }
                assertTrue(Math.abs(sum - 1) < 1e-9, test.id() + " sums to " + sum);
            }
        }
    }
}
