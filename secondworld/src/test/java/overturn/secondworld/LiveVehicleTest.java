package overturn.secondworld;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Chamber;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** A live vehicle stepped through a test reads what the test reads on it, and moves as hands move it. */
class LiveVehicleTest {

    private static final double TICK = 0.04;
    private static final Layout TARN = Presets.TARN_BOX_VAN;

    private static void pass(LiveVehicle live, double seconds) {
        for (double t = 0; t < seconds - 1e-9; t += TICK) {
            live.step(Math.min(TICK, seconds - t));
        }
    }

    private static double[] stepped(SecondWorldVehicle vehicle, Protocol protocol, long seed) {
        LiveVehicle live = vehicle.live(new SplittableRandom(seed));
        live.act(new Act.Recut(protocol.cuts()));
        List<Double> figures = new ArrayList<>();
        for (Act act : protocol.acts()) {
            if (act instanceof Act.Press press) {
                live.ask(press.forceN());
                made(live);
            } else if (act instanceof Act.PressToStop) {
                live.ask(3_000);
                made(live);
            } else if (act instanceof Act.Hold hold) {
                pass(live, hold.seconds());
            } else if (act instanceof Act.Release release) {
                live.foot(0);
                pass(live, release.seconds());
            } else if (act instanceof Act.Sample sample) {
                figures.add(live.sense(sample.quantity(), sample.place().orElse("")));
            } else {
                live.act(act);
            }
        }
        return figures.stream().mapToDouble(f -> f).toArray();
    }

    private static void made(LiveVehicle live) {
        while (live.making()) {
            live.step(TICK);
        }
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void steppedThroughEveryTestItReadsWhatTheTestReads(Layout layout) {
        List<Procedure> tests = ProcedureCatalogue.of(layout).all();
        List<Suspect> suspects = SuspectCatalogue.of(layout);
        Map<String, String> apart = new TreeMap<>();
        for (int t = 0; t < tests.size(); t++) {
            Procedure test = tests.get(t);
            long seed = 1 + t % 5;
            Suspect suspect = suspects.get((int) ((t * 7 + seed * 13) % suspects.size()));
            List<Fault> faults = suspect.physics().at(0.6, layout, new SplittableRandom(seed));
            SecondWorldVehicle vehicle = SecondWorldVehicle.of(layout, faults, seed);
            double[] read = test.predicted(vehicle.figures(test.protocol(), true, new SplittableRandom(seed)));
            double[] live = test.predicted(stepped(vehicle, test.protocol(), seed));
            assertEquals(read.length, live.length);
            for (int k = 0; k < read.length; k++) {
                if (Math.abs(read[k] - live[k]) > test.tellableDifference(k) / 2) {
                    apart.put(test.id() + " " + suspect.id() + " " + seed + " #" + k, read[k] + " live " + live[k]);
                }
            }
        }
        assertEquals(Map.of(), apart, layout.id());
    }

    @Test
    void aFootPressesHoldsAndLetsGo() {
        LiveVehicle live = SecondWorldVehicle.of(TARN, List.of(), 4).live(new SplittableRandom(1));
        live.foot(200);
        pass(live, 0.5);
        double at200 = live.shown().travelMm();
        double bar = live.shown().barByChamber().get(Chamber.PRIMARY);
        live.foot(400);
        pass(live, 0.5);
        assertTrue(live.shown().travelMm() > at200 + 1, "goes on with more force");
        assertTrue(live.shown().barByChamber().get(Chamber.PRIMARY) > bar + 3);
        live.foot(0);
        live.step(TICK);
        double first = live.shown().travelMm();
        assertTrue(first > 0, "it is on its way back, not back");
        pass(live, 3);
        assertTrue(live.shown().travelMm() < 1);
        assertEquals(0, live.shown().barByChamber().get(Chamber.PRIMARY));
    }

    @Test
    void aRepairOnTheLiveVehicleCuresAndAMistakeSpoils() {
        Fault passes = SuspectCatalogue.of(TARN).stream()
                .filter(s -> s.id().equals("primary-piston-cup"))
                .findFirst()
                .orElseThrow()
                .physics()
                .at(0.7, TARN, new SplittableRandom(2))
                .get(0);
        LiveVehicle live = SecondWorldVehicle.of(TARN, List.of(passes), 4).live(new SplittableRandom(1));
        double before = sinks(live);
        live.trouble(List.of());
        double cured = sinks(live);
        live.trouble(List.of(new Fault.TrappedAir("front-left", TARN.chamberOf("front-left"), 4)));
        live.foot(150);
        pass(live, 1);
        double spongy = live.shown().travelMm();
        assertTrue(before > cured + 3, "sank " + before + " mm, then " + cured);
        assertTrue(spongy > 0);
        assertTrue(live.sense(Sensed.FRONT_AIR_ML, "") > 3);
    }

    private static double sinks(LiveVehicle live) {
        live.foot(150);
        pass(live, 2);
        double before = live.shown().travelMm();
        pass(live, 30);
        double after = live.shown().travelMm();
        live.foot(0);
        pass(live, 5);
        return after - before;
    }
}
