package overturn.forecast;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.simulation.VehicleCondition;
import overturn.support.Models;

/** The vehicles that are imagined, and how tests find them. */
class ParticlesTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Particles CROWD = MODEL.particles();

    @Test
    void theSameCrowdIsImaginedEveryTime() {
        Particles again = LayoutModel.of(Presets.TARN_BOX_VAN).particles();
        int cup = MODEL.indexOf("primary-piston-cup");
        for (int i = 0; i < Particles.PARTICLES; i++) {
            assertEquals(CROWD.vehicle(i), again.vehicle(i));
            assertEquals(CROWD.faults(cup, i), again.faults(cup, i));
            assertEquals(CROWD.found(cup, i), again.found(cup, i));
        }
    }

    /** Each time with another vehicle, and every vehicle is tried. */
    @Test
    void noSeverityIsTriedTwiceWithOneVehicle() {
        for (int i = 0; i < Particles.PARTICLES; i++) {
            int particle = i;
            assertEquals(
                    Particles.VEHICLES_TRIED,
                    IntStream.range(0, Particles.VEHICLES_TRIED)
                            .map(t -> Particles.tried(particle, t))
                            .distinct()
                            .count());
        }
        for (int time = 0; time < Particles.VEHICLES_TRIED; time++) {
            int now = time;
            assertEquals(
                    Particles.PARTICLES,
                    IntStream.range(0, Particles.PARTICLES)
                            .map(i -> Particles.tried(i, now))
                            .distinct()
                            .count());
        }
    }

    /**
     * Nobody brings a vehicle in for what is not felt: mild severities are rarer than in all vehicles, of some faults
     * by much.
     */
    @Test
    void severitiesAreThoseThatSomebodyFelt() {
        double[] means = IntStream.range(0, MODEL.suspects().size())
                .filter(s -> s != MODEL.sound())
                .mapToDouble(s -> IntStream.range(0, Particles.PARTICLES)
                        .mapToDouble(i -> CROWD.severity(s, i))
                        .average()
                        .orElseThrow())
                .toArray();
        assertTrue(
                Arrays.stream(means).average().orElseThrow() > 0.1,
                "mean of all " + Arrays.stream(means).average().orElseThrow());
        assertTrue(
                Arrays.stream(means).max().orElseThrow() > 0.5,
                "most " + Arrays.stream(means).max().orElseThrow());
        assertTrue(
                Arrays.stream(means).min().orElseThrow() > -0.3,
                "least " + Arrays.stream(means).min().orElseThrow());
    }

    /** Made again, spent and cooled; what the intake left inside is kept. */
    @Test
    void testsFindTheVehicleAsTheIntakeLeftIt() {
        VehicleCondition sound = CROWD.found(MODEL.sound(), 3);
        assertEquals(0, sound.reserveShare());
        assertEquals(0, sound.heatC());
        assertTrue(sound.padsTakenUp() && sound.airLetInMl().isEmpty());
        assertSame(sound, CROWD.found(MODEL.indexOf("primary-piston-cup"), 3), "a worn cup leaves nothing behind");
        int clogged = MODEL.indexOf("hole-clogged");
        long trapped = IntStream.range(0, Particles.PARTICLES)
                .filter(i -> CROWD.found(clogged, i).trappedMl().stream().anyMatch(ml -> ml > 0))
                .count();
        assertTrue(trapped > Particles.PARTICLES / 2, trapped + " with fluid behind a clogged hole");
        Hypothesis both = Hypothesis.pair(clogged, MODEL.indexOf("release-valve-passing"));
        assertTrue(Arrays.stream(CROWD.found(both))
                .anyMatch(c -> c.trappedMl().stream().anyMatch(ml -> ml > 0)
                        && c.closedChamberMl().stream().anyMatch(ml -> ml > 0)));
    }
}
