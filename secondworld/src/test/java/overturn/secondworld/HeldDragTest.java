package overturn.secondworld;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.protocol.TestVehicle;
import overturn.suspect.Fault;

/** A drag from held volume goes from nothing to a locked wheel, in the second world too and by laws of its own. */
class HeldDragTest {

    private static final Layout SALOON = Presets.layout("pellow-saloon");
    private static final Fault SHUT = new Fault.CloggedHole(Chamber.PRIMARY, 1e9);
    private static final int VEHICLES = 60;
    private static final String WHEEL = "front-left";

    private static Protocol.Script pressed(Protocol.Script script, int times) {
        for (int i = 0; i < times; i++) {
            script.then(new Act.Press(200), new Act.Hold(2), new Act.Release(1));
        }
        return script;
    }

    private static Protocol bar(Protocol.Script script) {
        return script.then(Act.Sample.at(Sensed.RESIDUAL_BAR, WHEEL)).done();
    }

    private static SecondWorldVehicle vehicle(Fault fault, int seed) {
        return SecondWorldVehicle.of(SALOON, List.of(fault), seed);
    }

    private static double read(TestVehicle vehicle, Protocol protocol) {
        return vehicle.figures(protocol, true, new SplittableRandom(3))[0];
    }

    /**
     * Ends that push back leave no suction: once clearance is taken up, thirty presses add less than the thirty before.
     */
    @Test
    void pressesAloneBuildUpLessAndLess() {
        for (int seed = 1; seed <= VEHICLES; seed++) {
            double thirty = read(vehicle(SHUT, seed), bar(pressed(Protocol.whole(), 30)));
            double sixty = read(vehicle(SHUT, seed), bar(pressed(Protocol.whole(), 60)));
            double ninety = read(vehicle(SHUT, seed), bar(pressed(Protocol.whole(), 90)));
            assertTrue(thirty > 0, "held in by a shut hole, vehicle " + seed);
            assertTrue(
                    ninety - sixty < sixty - thirty,
                    "vehicle " + seed + ": " + thirty + ", " + sixty + ", " + ninety + " bar");
        }
    }

    /** What warmth has added, cooling takes away: the test after a drive finds what presses had drawn in. */
    @Test
    void theNextTestFindsItCold() {
        int warmer = 0;
        for (int seed = 1; seed <= VEHICLES; seed++) {
            Protocol cold = pressed(Protocol.whole(), 3).done();
            Protocol driven =
                    pressed(Protocol.whole(), 3).then(new Act.Heat(60)).done();
            Protocol asFound = bar(Protocol.whole());
            double afterPresses = read(vehicle(SHUT, seed).after(cold), asFound);
            double afterDrive = read(vehicle(SHUT, seed).after(driven), asFound);
            assertEquals(afterPresses, afterDrive, 1e-9, "vehicle " + seed);
            double warm =
                    read(vehicle(SHUT, seed), bar(pressed(Protocol.whole(), 3).then(new Act.Heat(60))));
            warmer += warm > afterPresses + 0.2 ? 1 : 0;
        }
        assertTrue(warmer > VEHICLES / 2, "while it is warm most hold more: " + warmer);
    }

    /** Once a port was cracked nothing is held in, however warm it was: the pedal is as deep as on a rested vehicle. */
    @Test
    void whatWasOpenedHoldsNothing() {
        Protocol opened = pressed(Protocol.whole(), 3)
                .then(
                        new Act.Heat(60),
                        new Act.Recut(new CutSet(Set.of(), Set.of("primary-port"), Set.of())),
                        new Act.Release(20),
                        new Act.Recut(CutSet.NONE))
                .done();
        Protocol travel = Protocol.whole()
                .then(new Act.Press(200), new Act.Sample(Sensed.TRAVEL_MM))
                .done();
        for (int seed = 1; seed <= VEHICLES; seed++) {
            double closedFirst =
                    read(vehicle(SHUT, seed).after(pressed(Protocol.whole(), 3).done()), travel);
            double after = read(vehicle(SHUT, seed).after(opened), travel);
            double rested = read(
                    vehicle(SHUT, seed)
                            .after(Protocol.whole().then(new Act.Press(200)).done()),
                    travel);
            assertTrue(after >= closedFirst - 1e-9, "vehicle " + seed + ": " + closedFirst + " then " + after);
            assertTrue(after <= rested + 1.5, "vehicle " + seed + ": " + rested + " then " + after);
        }
    }

    /** Of output rods that stand out by one to one and a half millimetres some leave the wheels free and some lock. */
    @Test
    void aWarmDragIsNotAllOrNothing() {
        int free = 0;
        int between = 0;
        int locked = 0;
        for (int seed = 1; seed <= VEHICLES; seed++) {
            Fault rod = new Fault.PreLoad(Fault.Rod.OUTPUT_ROD, 1 + seed / (2.0 * VEHICLES));
            double newtonMetres = read(
                    vehicle(rod, seed),
                    pressed(Protocol.whole(), 3)
                            .then(new Act.Heat(60), new Act.Release(10), new Act.Sample(Sensed.WORST_DRAG_NM))
                            .done());
            free += newtonMetres < 20 ? 1 : 0;
            locked += newtonMetres > 150 ? 1 : 0;
            between += newtonMetres >= 20 && newtonMetres <= 150 ? 1 : 0;
        }
        String told = free + " free, " + between + " between, " + locked + " locked";
        assertTrue(free >= 5 && between >= 10 && locked >= 5, told);
    }
}
