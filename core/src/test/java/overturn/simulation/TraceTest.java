package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.PressToStop;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Protocol;
import overturn.suspect.Fault;

/** A protocol driven in time. */
class TraceTest {

    private static Trace trace(String preset, Protocol.Script script, Fault... faults) {
        return Simulator.of(Presets.layout(preset))
                .trace(script.done(), VehicleUnknowns.NOMINAL, List.of(faults), VehicleCondition.RESTED, 0.2);
    }

    @Test
    void timeRunsOnAndThePedalGoesDownThenUp() {
        Trace trace = trace("tarn-box-van", Protocol.whole().then(new Press(300), new Hold(5), new Release(3)));
        for (int i = 1; i < trace.frames().size(); i++) {
            assertTrue(
                    trace.frames().get(i).atSecond() > trace.frames().get(i - 1).atSecond());
        }
        double deepest =
                trace.frames().stream().mapToDouble(Trace.Frame::travelMm).max().orElseThrow();
        assertEquals(35, deepest, 1.5);
        assertEquals(0, trace.frames().get(trace.frames().size() - 1).travelMm(), 1e-9);
        assertEquals(0, trace.frames().get(trace.frames().size() - 1).primaryBar(), 1e-9);
    }

    @Test
    void aCupLetsThePedalSinkAndTheLevelRise() {
        Trace trace = trace(
                "tarn-box-van",
                Protocol.whole().then(new Press(300), new Hold(30)),
                new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 4, 0, 0, 40));
        Trace.Frame first = trace.frames().stream()
                .filter(f -> f.forceN() >= 299)
                .findFirst()
                .orElseThrow();
        Trace.Frame last = trace.frames().get(trace.frames().size() - 1);
        assertTrue(last.travelMm() > first.travelMm() + 12, "sinks");
        assertEquals(4 * 30 / 60.0, last.levelRiseMl() - first.levelRiseMl(), 0.12, "2 mL in half a minute");
        assertEquals(first.primaryBar(), last.primaryBar(), 1e-6, "the foot keeps the pressure up");
    }

    /** Once the pistons touch, the leaking chamber loses its pressure and the other keeps it. */
    @Test
    void afterTheStopOneChamberDiesAndTheOtherLives() {
        Trace trace = trace(
                "tarn-box-van",
                Protocol.whole().then(new Press(300), new Hold(200)),
                new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 40, 0, 0, 40));
        Trace.Frame last = trace.frames().get(trace.frames().size() - 1);
        assertTrue(last.primaryBar() < 3, "primary " + last.primaryBar());
        assertEquals(22.5, last.secondaryBar(), 0.5);
    }

    @Test
    void theReserveFillsWhenTheEngineStartsUnderTheFoot() {
        Trace trace = trace(
                "tarn-box-van", Protocol.whole().then(new Press(150), new Hold(2), new StartEngine(), new Hold(8)));
        assertEquals(0, trace.frames().get(2).reserveShare(), 1e-9);
        assertTrue(trace.frames().get(trace.frames().size() - 1).reserveShare() > 0.95);
        double before = trace.frames().stream()
                .filter(f -> f.atSecond() > 1.5 && f.atSecond() < 2.2)
                .findFirst()
                .orElseThrow()
                .travelMm();
        assertTrue(trace.frames().get(trace.frames().size() - 1).travelMm() > before + 10, "the pedal drops");
    }

    @Test
    void aClutchTraceShowsTheSlave() {
        Trace trace = trace("brack-tug-clutch", Protocol.whole().then(new PressToStop(), new Hold(2), new Release(1)));
        assertEquals(
                17.8,
                trace.frames().stream().mapToDouble(Trace.Frame::slaveMm).max().orElseThrow(),
                0.5);
        assertEquals(0, trace.frames().get(trace.frames().size() - 1).slaveMm(), 0.01);
    }
}
