package overturn.secondworld;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.suspect.Fault;

/** What a flap, a narrow pipe and a low level do, where something is opened, held or looked at. */
class LinesTest {

    private static final Layout SALOON = Presets.layout("pellow-saloon");
    private static final Layout TUG = Presets.layout("brack-tug-clutch");

    private static double[] read(Layout layout, String test, long seed, Fault... faults) {
        ProcedureCatalogue catalogue = ProcedureCatalogue.of(layout);
        return SecondWorldVehicle.of(layout, List.of(faults), seed)
                .after(catalogue.intake().protocol())
                .figures(catalogue.find(test).orElseThrow().protocol(), true, new SplittableRandom(seed));
    }

    /**
     * The textbook's way to find a flap: opened before its hose nothing comes free, opened behind it the wheel does.
     */
    @Test
    void aFlapHoldsTowardsTheMasterWhateverIsOpenedThere() {
        Hose hose = SALOON.all(Hose.class).get(0);
        for (long seed = 1; seed <= 10; seed++) {
            double[] before = read(SALOON, "crack-hose-inlet", seed, new Fault.Flap(hose.id(), 30));
            double[] behind = read(SALOON, "crack-end-screw", seed, new Fault.Flap(hose.id(), 30));
            assertTrue(before[0] > 40, "drags, vehicle " + seed);
            assertTrue(before[1] > 0.5 * before[0], "opened before the hose, vehicle " + seed);
            assertTrue(behind[1] < 10, "opened behind it, vehicle " + seed);
        }
    }

    /** A clutch comes late behind a kink, and all the way. */
    @Test
    void aSlaveMovesAsFarAsFluidHasComeThroughAKink() {
        Fault kink = new Fault.Restriction(TUG.all(Pipe.class).get(0).id(), 3, 0);
        for (long seed = 1; seed <= 10; seed++) {
            double[] sound = read(TUG, "slave-stroke", seed);
            double[] late = read(TUG, "slave-stroke", seed, kink);
            assertEquals(0.44, late[0] / sound[0], 0.1, "after a second and a half, vehicle " + seed);
            assertEquals(1, late[1] / sound[1], 0.05, "after ten more, vehicle " + seed);
        }
    }

    @Test
    void aLowLevelStandsBelowItsMark() {
        double marks = SALOON.reservoir().minToMaxMl();
        for (long seed = 1; seed <= 10; seed++) {
            double[] low = read(SALOON, "reservoir", seed, new Fault.FluidLow(0.4 * marks));
            double[] sound = read(SALOON, "reservoir", seed);
            assertTrue(low[2] > 0.39 * marks, Arrays.toString(low));
            assertTrue(sound[2] < 0, Arrays.toString(sound));
        }
    }
}
