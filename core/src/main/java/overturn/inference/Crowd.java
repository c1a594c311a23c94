package overturn.inference;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.hipparchus.distribution.continuous.NormalDistribution;
import overturn.circuit.Layout;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;

/**
 * The vehicles that the inference imagines. Particle {@code i} is one vehicle, the same under every suspect, with a severity drawn
 * anew for each: so two suspects differ by their faults alone, and the readings of a pair follow from those of its two parts.
 */
final class Crowd {

    /** Vehicles per suspect; more width than number (handbook 05). */
    static final int PARTICLES = 120;

    /** With how many vehicles each severity of a leading suspect is tried. */
    static final int VEHICLES_TRIED = 5;
    /** Prime to the number of particles, so that no vehicle is tried twice. */
    private static final int STRIDE = 17;

    private static final double DOUBLED_NOISE_SHARE = 0.2;
    /** Severities wider than believed, in standard deviations, against over-confidence (handbook 05). */
    private static final double SEVERITY_WIDTH = 1.4;
    /** Share of the tests in which a fault that is not there always shows; drawn evenly from this up to 1. */
    private static final double LEAST_OCCURRENCE = 0.3;
    /** Shares of the tests that a fault outside the list is seen by. */
    private static final double[] UNLISTED_SHARES = {0.12, 0.3, 0.55};
    private static final long SEED = 20_261_125L;

    private final VehicleUnknowns[] vehicles = new VehicleUnknowns[PARTICLES];
    private final boolean[] noisy = new boolean[PARTICLES];
    private final double[] occurrence = new double[PARTICLES];
    private final List<List<List<Fault>>> faults = new ArrayList<>();

    Crowd(Layout layout, List<Suspect> suspects) {
        RandomGenerator random = new SplittableRandom(SEED);
        for (int i = 0; i < PARTICLES; i++) {
            vehicles[i] = VehicleUnknowns.draw(random);
            noisy[i] = random.nextDouble() < DOUBLED_NOISE_SHARE;
            occurrence[i] = LEAST_OCCURRENCE + (1 - LEAST_OCCURRENCE) * random.nextDouble();
        }
        NormalDistribution normal = new NormalDistribution();
        for (Suspect suspect : suspects) {
            int[] order = shuffled(random);
            List<List<Fault>> own = new ArrayList<>();
            for (int i = 0; i < PARTICLES; i++) {
                double quantile = (order[i] + 0.5) / PARTICLES;
                double widened = normal.cumulativeProbability(SEVERITY_WIDTH * normal.inverseCumulativeProbability(quantile));
                own.add(suspect.physics().at(widened, layout, random));
            }
            faults.add(own);
        }
    }

    private static int[] shuffled(RandomGenerator random) {
        int[] order = new int[PARTICLES];
        for (int i = 0; i < PARTICLES; i++) {
            int other = random.nextInt(i + 1);
            order[i] = order[other];
            order[other] = i;
        }
        return order;
    }

    /** The vehicle with which a particle's fault is tried; the first is its own. */
    static int tried(int particle, int time) {
        return (particle + time * STRIDE) % PARTICLES;
    }

    VehicleUnknowns vehicle(int i) {
        return vehicles[i];
    }

    List<Fault> faults(int suspect, int i) {
        return faults.get(suspect).get(i);
    }

    /** Whether hand and instrument are twice as bad as they should be. */
    boolean noisy(int i) {
        return noisy[i];
    }

    /** Share of the tests in which a fault shows that is felt only sometimes. */
    double occurrence(int i) {
        return occurrence[i];
    }

    /** Share of the tests in which a fault outside the list shows. */
    static double unlistedShare(int i) {
        return UNLISTED_SHARES[i % UNLISTED_SHARES.length];
    }
}
