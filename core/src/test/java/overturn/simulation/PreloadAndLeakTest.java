package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.Isolation;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.protocol.Act.Heat;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.PressToStop;
import overturn.protocol.Act.Recut;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Act.StopEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.simulation.VehicleUnknowns.Surroundings;
import overturn.suspect.Fault;

/** What holds a brake on, what costs a clutch its stroke, and how leaks grow with pressure. */
class PreloadAndLeakTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final Layout LEVER_CLUTCH = Presets.layout("wisp-courier-clutch");

    private static double[] run(Layout layout, VehicleUnknowns vehicle, Protocol protocol, Fault... faults) {
        return Simulator.of(layout).run(protocol, vehicle, List.of(faults));
    }

    /** Drag before and after the master is backed off, reserve kept. */
    private static double[] backedOff(Fault fault) {
        return run(
                TARN,
                VehicleUnknowns.NOMINAL,
                Protocol.whole()
                        .then(
                                new StartEngine(),
                                new Press(200),
                                new Hold(2),
                                new Release(1),
                                new Heat(60),
                                new StopEngine(),
                                new Sample(Sensed.WORST_DRAG_NM),
                                new Recut(CutSet.by(Isolation.MASTER_LOOSE)),
                                new Sample(Sensed.WORST_DRAG_NM))
                        .done(),
                fault);
    }

    @Test
    void backingTheMasterOffFreesWhatPressesOnItsPistonAndNotAPistonThatSticks() {
        double[] rod = backedOff(new Fault.PreLoad(Fault.Rod.OUTPUT_ROD, 5));
        double[] assist = backedOff(new Fault.AssistSticking(900));
        double[] piston = backedOff(new Fault.PistonSticking(500, 1));
        assertTrue(rod[0] > 15 && rod[1] < 6, "long rod " + rod[0] + " then " + rod[1] + " Nm");
        assertTrue(assist[0] > 15 && assist[1] < 6, "stuck assist " + assist[0] + " then " + assist[1] + " Nm");
        assertTrue(piston[0] > 15, "stuck piston " + piston[0] + " Nm");
        assertEquals(piston[0], piston[1], 0.01, "a piston stuck in its bore stays stuck");
    }

    @Test
    void whatIsPushedInAtRestIsMissingWhereAClutchFrees() {
        Protocol full = Protocol.whole()
                .then(new PressToStop(), new Hold(3), new Sample(Sensed.RELEASE_MARGIN_MM))
                .done();
        double sound = run(LEVER_CLUTCH, VehicleUnknowns.NOMINAL, full)[0];
        double before = sound;
        for (double mm : new double[] {2.5, 4, 5.5}) {
            double margin =
                    run(LEVER_CLUTCH, VehicleUnknowns.NOMINAL, full, new Fault.PreLoad(Fault.Rod.REACH_SCREW, mm))[0];
            assertTrue(margin < before, mm + " mm of preload leave " + margin + " mm, before " + before);
            before = margin;
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 0.5})
    void aLeakGrowsWithPressureAsThroughAGapOrAsThroughAnOrifice(double exponent) {
        VehicleUnknowns vehicle = VehicleUnknowns.NOMINAL.with(new Surroundings(0, 1, 1, 0.22, exponent, false));
        var leak = new Fault.OutwardLeak("front-pipe", Chamber.PRIMARY, 1, 0);
        double[] sinkMm = new double[2];
        double[] bar = new double[2];
        double[] forceN = {270, 940};
        for (int i = 0; i < 2; i++) {
            Protocol hold = Protocol.whole()
                    .then(
                            new Press(forceN[i]),
                            new Hold(5),
                            new Sample(Sensed.PRESSURE_BAR),
                            new Sample(Sensed.TRAVEL_MM),
                            new Hold(20),
                            new Sample(Sensed.TRAVEL_MM))
                    .done();
            double[] leaking = run(TARN, vehicle, hold, leak);
            double[] sound = run(TARN, vehicle, hold);
            bar[i] = sound[0];
            sinkMm[i] = leaking[2] - leaking[1] - (sound[2] - sound[1]);
        }
        assertEquals(Math.pow(bar[1] / bar[0], exponent), sinkMm[1] / sinkMm[0], 0.1);
    }

    @Test
    void aWideOpenReleaseValveDropsThePedalInOneStep() {
        var valve = new Fault.ReleaseValvePassing(Chamber.PRIMARY, 300, 120);
        Protocol hold = Protocol.whole().hold(300, Sensed.TRAVEL_MM, 0, 2, 10).done();
        double[] mm = run(TARN, VehicleUnknowns.NOMINAL, hold, valve);
        assertTrue(mm[1] - mm[0] > 10, "step of " + (mm[1] - mm[0]) + " mm within two seconds");
        assertTrue(mm[2] - mm[1] < 2, "and then it stands, " + (mm[2] - mm[1]) + " mm");
    }

    @Test
    void aLampSwitchedByPressureBurnsWhileTheLineHoldsPressureThoughThePedalIsHome() {
        VehicleUnknowns vehicle = VehicleUnknowns.NOMINAL.with(new Surroundings(0, 1, 1, 0.22, 1, true));
        Protocol lamp = Protocol.whole()
                .then(new Press(300), new Hold(2), new Release(5), new Heat(60), new Sample(Sensed.LAMP_LIT))
                .done();
        var rod = new Fault.PreLoad(Fault.Rod.OUTPUT_ROD, 5);
        assertEquals(1, run(TARN, vehicle, lamp, rod)[0]);
        assertEquals(0, run(TARN, vehicle, lamp)[0]);
        assertEquals(0, run(TARN, VehicleUnknowns.NOMINAL, lamp, rod)[0], "the pedal's own switch sees the pedal home");
    }

    /** A reach screw sets the lever nearer its grip: it travels less, and still touches the grip when pulled hard. */
    @Test
    void aLeverThatRestsNearerItsGripTouchesItWithLessTravel() {
        Protocol pulled = Protocol.whole()
                .then(new Press(200), new Hold(2), new Sample(Sensed.TRAVEL_MM), new Sample(Sensed.LEFT_TO_STOP_MM))
                .done();
        double[] sound = run(LEVER_CLUTCH, VehicleUnknowns.NOMINAL, pulled);
        double[] set =
                run(LEVER_CLUTCH, VehicleUnknowns.NOMINAL, pulled, new Fault.PreLoad(Fault.Rod.REACH_SCREW, 1.5));
        assertTrue(set[0] < sound[0] - 5, set[0] + " mm instead of " + sound[0]);
        assertTrue(set[1] <= sound[1] + 1e-9, set[1] + " mm left instead of " + sound[1]);
    }

    /** Nothing ties a pedal to a piston that hangs behind an assist: the pedal is home, and its lamp is out. */
    @Test
    void aPistonThatHangsKeepsThePedalDownOnlyWithoutAnAssist() {
        Protocol looked = Protocol.whole().then(new Sample(Sensed.LAMP_LIT)).done();
        Fault hangs = new Fault.PistonSticking(2_000, 1);
        assertEquals(0, run(TARN, VehicleUnknowns.NOMINAL, looked, hangs)[0]);
        assertEquals(1, run(Presets.layout("old-bess-tender"), VehicleUnknowns.NOMINAL, looked, hangs)[0]);
    }
}
