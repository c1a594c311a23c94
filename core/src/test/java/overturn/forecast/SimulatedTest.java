package overturn.forecast;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import overturn.procedure.Procedure;
import overturn.protocol.Protocol;
import overturn.simulation.Simulator;
import overturn.support.Models;

class SimulatedTest {

    private static final LayoutModel MODEL = Models.of("pellow-saloon");

    private static Procedure test(String id) {
        return MODEL.procedures().find(id).orElseThrow();
    }

    private static float[] alone(Procedure procedure, String suspect, int vehicles) {
        Simulator.Prepared prepared = MODEL.simulator().prepare(procedure.protocol());
        float[] all = new float[vehicles * procedure.width()];
        for (int i = 0; i < vehicles; i++) {
            double[] read = procedure.predicted(prepared.figures(
                    MODEL.particles().vehicle(i),
                    MODEL.particles().faults(MODEL.indexOf(suspect), i),
                    MODEL.particles().found(MODEL.indexOf(suspect), i)));
            for (int k = 0; k < read.length; k++) {
                all[i * read.length + k] = (float) read[k];
            }
        }
        return all;
    }

    @Test
    void readsWhatTheSimulatorReadsParticleByParticle() {
        Procedure hold = test("hold-medium");
        float[][] values = new Simulated(MODEL, List.of(hold), hold.protocol()).foreseen()[0];
        assertArrayEquals(
                alone(hold, "primary-piston-cup", Particles.FORESEEN), values[MODEL.indexOf("primary-piston-cup")]);
        assertArrayEquals(alone(hold, "nothing-wrong", Particles.FORESEEN), values[MODEL.sound()]);
    }

    /**
     * The vehicles beyond the foreseen read what they would have read with them; a suspect that does not move the test
     * is not simulated again.
     */
    @Test
    void completesWhatWasForeseenOnceTheTestIsRead() {
        Procedure hold = test("hold-medium");
        int cup = MODEL.indexOf("primary-piston-cup");
        float[] values = MODEL.predictions(hold).values(cup);
        assertArrayEquals(alone(hold, "primary-piston-cup", Particles.PARTICLES), values);
        assertArrayEquals(
                Arrays.copyOf(values, Particles.FORESEEN * hold.width()),
                MODEL.predictions(hold).foreseen(cup));
        assertSame(
                MODEL.predictions(hold).values(MODEL.sound()),
                MODEL.predictions(hold).values(MODEL.indexOf("lamp-switch-wrong")));
        assertEquals(Particles.PARTICLES * hold.width(), MODEL.predictions(hold).values(MODEL.sound()).length);
    }

    @Test
    void sharesTheFiguresOfNothingWrongWhereASuspectDoesNotShow() {
        Procedure hold = test("hold-medium");
        float[][] values = new Simulated(MODEL, List.of(hold), hold.protocol()).foreseen()[0];
        assertSame(values[MODEL.sound()], values[MODEL.indexOf("lamp-switch-wrong")]);
        assertArrayEquals(alone(hold, "lamp-switch-wrong", Particles.FORESEEN), values[MODEL.sound()]);
        assertNotSame(values[MODEL.sound()], values[MODEL.indexOf("primary-piston-cup")]);
    }

    @Test
    void testsThatFollowOneAnotherEachGetTheirOwnSamples() {
        Procedure lamp = test("lamp-at-rest");
        Procedure fluid = test("fluid-look");
        Protocol.Script both = Protocol.whole();
        lamp.protocol().acts().forEach(both::then);
        fluid.protocol().acts().forEach(both::then);
        float[][][] values = new Simulated(MODEL, List.of(lamp, fluid), both.done()).foreseen();
        assertArrayEquals(
                alone(lamp, "lamp-switch-wrong", Particles.FORESEEN), values[0][MODEL.indexOf("lamp-switch-wrong")]);
        assertArrayEquals(alone(fluid, "fluid-wrong", Particles.FORESEEN), values[1][MODEL.indexOf("fluid-wrong")]);
        assertSame(values[1][MODEL.sound()], values[1][MODEL.indexOf("lamp-switch-wrong")]);
    }
}
