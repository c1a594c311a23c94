package overturn.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import org.hipparchus.distribution.continuous.NormalDistribution;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/**
 * The vehicles that the inference imagines. Particle {@code i} is one vehicle, the same under every suspect, with a severity drawn
 * for each, so that two suspects differ by their faults alone.
 */
final class Crowd {

    /** Vehicles per suspect; more width than number (handbook 05). */
    static final int PARTICLES = 200;

    /** With how many vehicles each severity of a leading suspect is tried. */
    static final int VEHICLES_TRIED = 7;
    /** Prime to the number of particles, so that no vehicle is tried twice. */
    private static final int STRIDE = 17;

    private static final double DOUBLED_NOISE_SHARE = 0.2;
    /** Severities wider than believed, in standard deviations, against over-confidence (handbook 05). */
    private static final double SEVERITY_WIDTH = 1.4;
    /** Share of the tests in which a fault that is not there always shows; drawn evenly from this up to 1. */
    private static final double LEAST_OCCURRENCE = 0.3;
    /** Shares of the tests that a fault outside the list is seen by. */
    private static final double[] UNLISTED_SHARES = {0.12, 0.3, 0.55};
    private static final double[] LOG_UNLISTED = Arrays.stream(UNLISTED_SHARES).map(Math::log).toArray();
    private static final double[] LOG_LISTED = Arrays.stream(UNLISTED_SHARES).map(share -> Math.log1p(-share)).toArray();
    private static final long SEED = 20_261_125L;
    private static final NormalDistribution NORMAL = new NormalDistribution();
    /** A vehicle is brought in because something was felt: the chance grows with how far it strays from sound, up to this; estimate. */
    private static final double SURELY_FELT = 0.3;
    private static final int MOST_DRAWS = 10;

    private final VehicleUnknowns[] vehicles = new VehicleUnknowns[PARTICLES];
    private final boolean[] noisy = new boolean[PARTICLES];
    private final double[] occurrence = new double[PARTICLES];
    private final List<List<List<Fault>>> faults;

    /** Draws the vehicles and, for each suspect, severities that somebody would have brought the vehicle in for. */
    static Crowd of(Simulator simulator, Procedure characterise, List<Suspect> suspects) {
        return new Crowd(simulator.layout(), suspects, new Complaint(simulator.prepare(characterise.protocol()), characterise));
    }

    private Crowd(Layout layout, List<Suspect> suspects, Complaint complaint) {
        RandomGenerator random = new SplittableRandom(SEED);
        for (int i = 0; i < PARTICLES; i++) {
            vehicles[i] = VehicleUnknowns.draw(random);
            noisy[i] = random.nextDouble() < DOUBLED_NOISE_SHARE;
            occurrence[i] = LEAST_OCCURRENCE + (1 - LEAST_OCCURRENCE) * random.nextDouble();
        }
        double[][] sound = IntStream.range(0, PARTICLES).parallel().mapToObj(i -> complaint.of(vehicles[i], List.of())).toArray(double[][]::new);
        faults = suspects.stream().parallel().map(suspect -> drawn(suspect, layout, complaint, sound)).toList();
    }

    /** Its own source of chance for each suspect, so that it is the same in whatever company. */
    private List<List<Fault>> drawn(Suspect suspect, Layout layout, Complaint complaint, double[][] sound) {
        RandomGenerator random = new SplittableRandom(SEED ^ suspect.id().hashCode() * 0x9E3779B97F4A7C15L);
        int[] order = shuffled(random);
        List<List<Fault>> own = new ArrayList<>();
        for (int i = 0; i < PARTICLES; i++) {
            double quantile = (order[i] + 0.5) / PARTICLES;
            List<Fault> most = List.of();
            double mostFelt = -1;
            for (int draw = 0; draw < MOST_DRAWS; draw++) {
                double widened = NORMAL.cumulativeProbability(SEVERITY_WIDTH * NORMAL.inverseCumulativeProbability(quantile));
                List<Fault> drawn = suspect.physics().at(widened, layout, random);
                double felt = suspect.id().equals(SuspectCatalogue.NOTHING_WRONG) ? 1 : Complaint.apart(complaint.of(vehicles[i], drawn), sound[i]);
                if (felt > mostFelt) {
                    mostFelt = felt;
                    most = drawn;
                }
                if (felt >= SURELY_FELT * random.nextDouble()) {
                    most = drawn;
                    break;
                }
                quantile = (random.nextInt(PARTICLES) + 0.5) / PARTICLES;
            }
            own.add(most);
        }
        return own;
    }

    /** What a driver would say of a vehicle: the chances of each kind of behaviour. */
    private record Complaint(Simulator.Prepared prepared, Procedure characterise) {

        double[] of(VehicleUnknowns vehicle, List<Fault> faults) {
            return characterise.predicted(prepared.run(vehicle, faults));
        }

        /** How far two behaviours are apart, 0 to 1. */
        static double apart(double[] one, double[] other) {
            double sum = 0;
            for (int k = 0; k < one.length; k++) {
                sum += Math.abs(one[k] - other[k]) / 2;
            }
            return sum;
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

    static double logUnlistedShare(int i) {
        return LOG_UNLISTED[i % LOG_UNLISTED.length];
    }

    static double logListedShare(int i) {
        return LOG_LISTED[i % LOG_LISTED.length];
    }
}
