package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.protocol.Act;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.Stand;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Act.StopEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;
import overturn.suspect.Fault.AssistLeak;
import overturn.suspect.Fault.AssistLeakAt;

/** Reserve, supply and help of the Tarn's vacuum assist and the Corvane's hydraulic one, as they change with time. */
class AssistOverTimeTest {

    private static final Simulator TARN = Simulator.of(Presets.TARN_BOX_VAN);
    private static final Simulator CORVANE = Simulator.of(Presets.layout("corvane-flatbed"));

    private static double[] run(Simulator simulator, Protocol.Script script, Fault... faults) {
        return simulator.run(script.done(), VehicleUnknowns.NOMINAL, List.of(faults));
    }

    private static Sample reserve() {
        return new Sample(Sensed.RESERVE);
    }

    @Test
    void theReserveIsThereBeforeTheEngineAndGoneWhenSpent() {
        double[] kpa = run(
                TARN,
                Protocol.whole()
                        .then(
                                reserve(),
                                new StartEngine(),
                                new Release(30),
                                reserve(),
                                new StopEngine(),
                                new Press(250),
                                new Release(1),
                                new Press(250),
                                new Release(1),
                                new Press(250),
                                new Release(1),
                                new Press(250),
                                new Release(1),
                                reserve()));
        assertEquals(0, kpa[0], 1e-9, "the default is a spent reserve");
        assertEquals(65, kpa[1], 0.5);
        assertTrue(kpa[2] < 0.25 * kpa[1], "four full strokes spend it: " + kpa[2]);
    }

    @Test
    void aSoundCheckValveKeepsItOverFiveMinutesAndALeakingOneDoesNot() {
        Protocol.Script wait =
                Protocol.whole().then(new StartEngine(), new Release(30), new StopEngine(), new Stand(300), reserve());
        assertTrue(run(TARN, wait)[0] > 63);
        assertTrue(run(TARN, wait, new AssistLeak(AssistLeakAt.CHECK_VALVE, 0.3, 60))[0] < 1);
    }

    /** Exponential with the recovery time of the assist: after one time constant 63 % of the way is made. */
    @Test
    void recoveryIsExponential() {
        double tau = Presets.TARN_BOX_VAN.assist().orElseThrow().recoverySeconds();
        double[] kpa = run(
                TARN,
                Protocol.whole()
                        .then(
                                new StartEngine(),
                                new Release(60),
                                new Press(250),
                                new Release(0.001),
                                reserve(),
                                new Release(tau),
                                reserve()));
        assertEquals(65 - (65 - kpa[0]) * Math.exp(-1), kpa[1], 0.1);
        double[] slow = run(
                TARN,
                Protocol.whole()
                        .then(
                                new StartEngine(),
                                new Release(300),
                                new Press(250),
                                new Release(0.001),
                                reserve(),
                                new Release(tau),
                                reserve()),
                new Fault.SlowRecovery(8));
        assertTrue(slow[1] < kpa[1] - 3, "a collapsed hose lags: " + slow[1]);
    }

    @Test
    void aTornDiaphragmLosesHelpUnderTheFootOnly() {
        Fault torn = new AssistLeak(AssistLeakAt.WHILE_PRESSED, 0.5, 10);
        double[] free = run(TARN, Protocol.whole().then(new StartEngine(), new Release(60), reserve()), torn);
        double[] pressed = run(
                TARN,
                Protocol.whole().then(new StartEngine(), new Release(60), new Press(150), new Hold(20), reserve()),
                torn);
        assertEquals(65, free[0], 0.5);
        assertEquals(32.5, pressed[0], 1);
    }

    @Test
    void theDeadAssistGivesTheFootAloneAndTheVentedOneToo() {
        double[] dead = run(TARN, Protocol.whole().then(new Press(150), new Sample(Sensed.PRESSURE_BAR)));
        double[] vented = TARN.run(
                Protocol.cut(overturn.circuit.CutSet.by(overturn.circuit.Isolation.SUPPLY_VENTED))
                        .then(new StartEngine(), new Release(30), new Press(150), new Sample(Sensed.PRESSURE_BAR))
                        .done(),
                VehicleUnknowns.NOMINAL,
                List.of());
        assertEquals(dead[0], vented[0], 1e-9);
        assertEquals(10 * (150 * 4 - 200) / Presets.TARN_BOX_VAN.master().areaMm2(), dead[0], 1e-9);
    }

    /** Beyond run-out only the foot adds: the slope of pressure over force falls to ratio over bore. */
    @Test
    void beyondRunOutOnlyTheFootAdds() {
        double[] bar = IntStream.of(40, 50, 400, 410)
                .mapToDouble(n -> run(
                        TARN,
                        Protocol.whole()
                                .then(
                                        new StartEngine(),
                                        new Release(30),
                                        new Press(n),
                                        new Sample(Sensed.PRESSURE_BAR)))[0])
                .toArray();
        double unaided = 10 * 10 * 4 / Presets.TARN_BOX_VAN.master().areaMm2();
        assertEquals(5 * unaided, bar[1] - bar[0], 0.05, "gain 5 below run-out");
        assertEquals(unaided, bar[3] - bar[2], 0.01);
    }

    @Test
    void altitudeTakesHelpFromAVacuumAssistAndNoneFromAHydraulicOne() {
        Protocol supply = Protocol.whole()
                .then(new StartEngine(), new Release(30), new Sample(Sensed.SUPPLY))
                .done();
        VehicleUnknowns high = VehicleUnknowns.NOMINAL.atAltitude(2000);
        assertEquals(65 - 24, TARN.run(supply, high, List.of())[0], 0.01);
        assertEquals(100, CORVANE.run(supply, high, List.of())[0], 0.01);
    }

    @Test
    void aRestrictedReturnHoldsOnWhileSteeringAgainstTheStop() {
        Fault restricted = new Fault.ReturnRestricted(0.3, 1.5);
        Protocol.Script steered = Protocol.whole()
                .then(
                        new StartEngine(),
                        new Release(30),
                        new Press(150),
                        new Release(10),
                        new Sample(Sensed.WORST_DRAG_NM),
                        new Act.Steer(true),
                        new Sample(Sensed.WORST_DRAG_NM));
        double[] nm = run(CORVANE, steered, restricted);
        assertTrue(nm[0] < 5, "it has come off after ten seconds: " + nm[0]);
        assertTrue(nm[1] > 50, "and applies itself while steering: " + nm[1]);
        assertTrue(run(CORVANE, steered)[1] < 5);
    }
}
