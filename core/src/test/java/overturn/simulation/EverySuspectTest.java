package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.circuit.CutSet;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.PressForces;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Mark;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Sample;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** What must hold of every suspect on every layout, mild, usual and severe: all of them, none drawn. */
class EverySuspectTest {

    private static final double[] SEVERITIES = {0.05, 0.5, 0.95};
    private static final double TOLERANCE = 1e-5;
    /** As far as a hand and a foot go. */
    private static final double[] HAND_N = {5, 20, 60, 100, 150, 200};

    private static final double[] FOOT_N = {5, 20, 60, 150, 300, 600};

    private record Case(Layout layout, Simulator simulator, Suspect suspect, double severity, VehicleUnknowns vehicle) {

        double[] run(Protocol.Script script) {
            List<Fault> faults = suspect.physics().at(severity, layout, new SplittableRandom(7));
            return simulator.run(script.done(), vehicle, faults);
        }

        @Override
        public String toString() {
            return layout.id() + " " + suspect.id() + " at " + severity;
        }
    }

    private static List<Case> all() {
        List<Case> all = new ArrayList<>();
        for (Layout layout : Presets.all()) {
            Simulator simulator = Simulator.of(layout);
            for (Suspect suspect : SuspectCatalogue.of(layout)) {
                for (double severity : SEVERITIES) {
                    VehicleUnknowns vehicle = VehicleUnknowns.draw(new SplittableRandom(all.size()));
                    all.add(new Case(layout, simulator, suspect, severity, vehicle));
                }
            }
        }
        return all;
    }

    @Test
    void moreForceNeverGivesLessPressureOrLessTravel() {
        for (Case one : all()) {
            double[] before = {0, 0};
            for (double forceN : one.layout().family().lever() ? HAND_N : FOOT_N) {
                double[] now = one.run(Protocol.whole()
                        .then(new Press(forceN), new Sample(Sensed.PRESSURE_BAR), new Sample(Sensed.TRAVEL_MM)));
                assertTrue(
                        now[0] >= before[0] - TOLERANCE,
                        one + ": pressure at " + forceN + ", " + before[0] + " to " + now[0] + ", travel " + before[1]
                                + " to " + now[1]);
                assertTrue(now[1] >= before[1] - TOLERANCE, one + ": travel at " + forceN);
                assertTrue(now[1] <= one.layout().input().travelToStopMm() + TOLERANCE, one + ": beyond its stop");
                before = now;
            }
        }
    }

    @Test
    void pluggingAnyJointNeverAddsTravel() {
        for (Case one : all()) {
            double forceN = PressForces.of(one.layout()).mediumN();
            double whole = travel(one, CutSet.NONE, forceN);
            for (Joint joint : one.layout().joints()) {
                assertTrue(travel(one, CutSet.of(joint.id()), forceN) <= whole + TOLERANCE, one + ": " + joint.id());
            }
        }
    }

    private static double travel(Case one, CutSet cuts, double forceN) {
        return one.run(Protocol.cut(cuts).then(new Press(forceN), new Sample(Sensed.TRAVEL_MM)))[0];
    }

    @Test
    void aHeldPedalOnlySinksAndNoFurtherThanItsStop() {
        for (Case one : all()) {
            double forceN = PressForces.of(one.layout()).mediumN();
            double sink = one.run(Protocol.whole()
                    .then(new Press(forceN), new Mark(), new Hold(60), new Sample(Sensed.SINK_MM)))[0];
            assertTrue(
                    sink >= -TOLERANCE && sink <= one.layout().input().travelToStopMm() + TOLERANCE,
                    one + " sinks " + sink + " mm");
        }
    }
}
