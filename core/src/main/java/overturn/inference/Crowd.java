package overturn.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hipparchus.distribution.continuous.NormalDistribution;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
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
    static final int PARTICLES = 150;

    /** With how many vehicles each severity of a leading suspect is tried. */
    static final int VEHICLES_TRIED = 4;
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
    /** Vehicles that are simulated with two faults at once; the others are taken to differ alike. */
    static final int PAIRS_SIMULATED = 50;
    private static final int PAIRS_KEPT = 512;

    private final VehicleUnknowns[] vehicles = new VehicleUnknowns[PARTICLES];
    private final boolean[] noisy = new boolean[PARTICLES];
    private final double[] occurrence = new double[PARTICLES];
    private final List<List<List<Fault>>> faults;
    private final double[][] severities;
    private final Complaint complaint;
    private final VehicleCondition[][] afterIntake;
    private final Map<Hypothesis, VehicleCondition[]> afterIntakeOfPairs = new ConcurrentHashMap<>();

    /** Draws the vehicles and, for each suspect, severities that somebody would have brought the vehicle in for. */
    static Crowd of(Simulator simulator, Procedure characterise, List<Suspect> suspects) {
        return new Crowd(simulator.layout(), suspects, new Complaint(simulator.prepare(characterise.protocol()), characterise));
    }

    private Crowd(Layout layout, List<Suspect> suspects, Complaint complaint) {
        this.complaint = complaint;
        RandomGenerator random = new SplittableRandom(SEED);
        for (int i = 0; i < PARTICLES; i++) {
            vehicles[i] = VehicleUnknowns.draw(random);
            noisy[i] = random.nextDouble() < DOUBLED_NOISE_SHARE;
            occurrence[i] = LEAST_OCCURRENCE + (1 - LEAST_OCCURRENCE) * random.nextDouble();
        }
        Felt[] sound = IntStream.range(0, PARTICLES).parallel().mapToObj(i -> complaint.of(vehicles[i], List.of())).toArray(Felt[]::new);
        severities = new double[suspects.size()][PARTICLES];
        afterIntake = new VehicleCondition[suspects.size()][PARTICLES];
        faults = IntStream.range(0, suspects.size()).boxed().parallel().map(s -> drawn(suspects.get(s), layout, sound, severities[s], afterIntake[s])).toList();
    }

    /** Its own source of chance for each suspect, so that it is the same in whatever company. */
    private List<List<Fault>> drawn(Suspect suspect, Layout layout, Felt[] sound, double[] severities, VehicleCondition[] afterIntake) {
        RandomGenerator random = new SplittableRandom(SEED ^ suspect.id().hashCode() * 0x9E3779B97F4A7C15L);
        boolean nothing = suspect.id().equals(SuspectCatalogue.NOTHING_WRONG);
        int[] order = shuffled(random);
        List<List<Fault>> own = new ArrayList<>();
        for (int i = 0; i < PARTICLES; i++) {
            double quantile = (order[i] + 0.5) / PARTICLES;
            List<Fault> kept = List.of();
            double mostFelt = -1;
            for (int draw = 0; draw < MOST_DRAWS && mostFelt < SURELY_FELT; draw++) {
                double severity = SEVERITY_WIDTH * NORMAL.inverseCumulativeProbability(quantile);
                List<Fault> drawn = suspect.physics().at(NORMAL.cumulativeProbability(severity), layout, random);
                Felt felt = nothing ? sound[i] : complaint.of(vehicles[i], drawn);
                double apart = nothing ? 1 : felt.apart(sound[i]);
                boolean taken = apart >= SURELY_FELT * random.nextDouble();
                if (taken || apart > mostFelt) {
                    kept = drawn;
                    severities[i] = severity;
                    afterIntake[i] = felt.after.equals(sound[i].after) ? sound[i].after : felt.after;
                    mostFelt = taken ? SURELY_FELT : apart;
                }
                if (!taken) {
                    quantile = (random.nextInt(PARTICLES) + 0.5) / PARTICLES;
                }
            }
            own.add(kept);
        }
        return own;
    }

    /**
     * What a driver would say of a vehicle, and how the tests after it find that vehicle.
     *
     * @param chances of each kind of behaviour
     */
    private record Felt(double[] chances, VehicleCondition after) {

        /** How far two behaviours are apart, 0 to 1. */
        double apart(Felt other) {
            double sum = 0;
            for (int k = 0; k < chances.length; k++) {
                sum += Math.abs(chances[k] - other.chances[k]) / 2;
            }
            return sum;
        }
    }

    private record Complaint(Simulator.Prepared prepared, Procedure characterise) {

        Felt of(VehicleUnknowns vehicle, List<Fault> faults) {
            Simulator.Run run = prepared.run(vehicle, faults, VehicleCondition.RESTED);
            return new Felt(characterise.predicted(run.figures().stream().mapToDouble(Double::doubleValue).toArray()), run.after().ready());
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

    /** How a test finds a particle's vehicle after the intake. */
    VehicleCondition found(int suspect, int i) {
        return afterIntake[suspect][i];
    }

    /** How a test finds the vehicles that are simulated with two faults; kept while there is room. */
    VehicleCondition[] found(Hypothesis pair) {
        VehicleCondition[] known = afterIntakeOfPairs.get(pair);
        if (known == null) {
            known = IntStream.range(0, PAIRS_SIMULATED).mapToObj(i -> complaint.of(vehicles[i],
                    Stream.concat(faults(pair.first(), i).stream(), faults(pair.second(), i).stream()).toList()).after).toArray(VehicleCondition[]::new);
            if (afterIntakeOfPairs.size() >= PAIRS_KEPT) {
                afterIntakeOfPairs.clear();
            }
            afterIntakeOfPairs.putIfAbsent(pair, known);
        }
        return known;
    }

    /** How bad a particle's fault is, in standard deviations from its median. */
    double severity(int suspect, int i) {
        return severities[suspect][i];
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
