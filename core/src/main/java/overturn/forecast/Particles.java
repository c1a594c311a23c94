package overturn.forecast;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReferenceArray;
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
 * The vehicles that the inference imagines. Particle {@code i} is one vehicle, the same under every suspect, with a
 * severity drawn for each, so that two suspects differ by their faults alone. Severities are drawn when they are first
 * asked for. Thread-safe.
 */
public final class Particles {

    /** The first vehicles of each suspect, on which a test is weighed before it is done; chosen for speed. */
    public static final int FORESEEN = 100;
    /**
     * Vehicles per suspect, by which a reading is judged; those beyond the foreseen are simulated once a test has been
     * read; chosen for speed (docs/experiments.md).
     */
    public static final int PARTICLES = 3 * FORESEEN;

    /**
     * With how many vehicles each severity of a leading suspect is tried, and each of two at once; chosen for speed.
     */
    public static final int VEHICLES_TRIED = 4;

    /** With how many partners each severity of a pair is tried; chosen (docs/experiments.md). */
    public static final int PAIRS_TRIED = 2;
    /** Prime to the number of particles, so that no vehicle is tried twice; chosen. */
    private static final int STRIDE = 17;

    /** Share of the vehicles on which readings spread twice as far; chosen (docs/experiments.md). */
    private static final double DOUBLED_NOISE_SHARE = 0.2;
    /** Severities wider than believed, in standard deviations, against over-confidence (docs/method.md). */
    private static final double SEVERITY_WIDTH = 1.4;
    /** Share of the tests in which a fault that is not there always shows; drawn evenly from this up to 1; estimate. */
    private static final double LEAST_OCCURRENCE = 0.3;
    /** Shares of the tests that a fault outside the list is seen by; estimate. */
    private static final double[] UNLISTED_SHARES = {0.12, 0.3, 0.55};

    /** Log of the share of a fault in no list; definition. */
    private static final double[] LOG_UNLISTED =
            Arrays.stream(UNLISTED_SHARES).map(Math::log).toArray();
    /** Log of what is left for the listed; definition. */
    private static final double[] LOG_LISTED =
            Arrays.stream(UNLISTED_SHARES).map(share -> Math.log1p(-share)).toArray();
    /** Any number; a layout gets the same vehicles each time; seed. */
    private static final long SEED = 20_261_125L;
    /** Odd and of mixed bits, so that neighbours get unlike sources of chance; textbook. */
    private static final long BETWEEN_GROUPS = 0xD1B54A32D192ED03L;

    /** Odd and of mixed bits, so that neighbours get unlike seeds: the golden ratio; textbook. */
    private static final long BETWEEN_SUSPECTS = 0x9E3779B97F4A7C15L;

    private static final NormalDistribution NORMAL = new NormalDistribution();
    /**
     * A vehicle is brought in because something was felt: the chance grows with how far it strays from sound, up to
     * this; estimate.
     */
    private static final double SURELY_FELT = 0.3;

    /** Draws for one severity that is felt before the last is taken; chosen. */
    private static final int MOST_DRAWS = 10;
    /** Vehicles that are simulated with two faults at once; the others are taken to differ alike; chosen for speed. */
    public static final int PAIRS_SIMULATED = 50;

    /** Pairs of a layout that are kept; chosen for memory. */
    private static final int PAIRS_KEPT = 1024;

    private final VehicleUnknowns[] vehicles = new VehicleUnknowns[PARTICLES];
    private final boolean[] noisy = new boolean[PARTICLES];
    private final double[] occurrence = new double[PARTICLES];
    private final Layout layout;
    private final List<Suspect> suspects;
    private final List<AtomicReferenceArray<Drawn>> drawn;
    private final Complaint complaint;
    private final Felt[] sound;
    private final Map<Hypothesis, VehicleCondition[]> afterIntakeOfPairs = new ConcurrentHashMap<>();

    /** Draws the vehicles and, for each suspect, severities that somebody would have brought the vehicle in for. */
    static Particles of(Simulator simulator, Procedure characterise, List<Suspect> suspects) {
        return new Particles(
                simulator.layout(), suspects, new Complaint(simulator.prepare(characterise.protocol()), characterise));
    }

    private Particles(Layout layout, List<Suspect> suspects, Complaint complaint) {
        this.layout = layout;
        this.suspects = suspects;
        this.drawn = suspects.stream()
                .map(s -> new AtomicReferenceArray<Drawn>(PARTICLES / FORESEEN))
                .toList();
        this.complaint = complaint;
        RandomGenerator random = new SplittableRandom(SEED);
        for (int i = 0; i < PARTICLES; i++) {
            vehicles[i] = VehicleUnknowns.draw(random);
            noisy[i] = random.nextDouble() < DOUBLED_NOISE_SHARE;
            occurrence[i] = LEAST_OCCURRENCE + (1 - LEAST_OCCURRENCE) * random.nextDouble();
        }
        this.sound = IntStream.range(0, PARTICLES)
                .parallel()
                .mapToObj(i -> complaint.of(vehicles[i], List.of()))
                .toArray(Felt[]::new);
    }

    /**
     * What a suspect does to some vehicles that follow one another.
     *
     * @param severities standard deviations from its median
     * @param afterIntake how tests find the vehicles
     */
    private record Drawn(List<List<Fault>> faults, double[] severities, VehicleCondition[] afterIntake) {}

    private Drawn drawn(int suspect, int particle) {
        AtomicReferenceArray<Drawn> own = drawn.get(suspect);
        int group = particle / FORESEEN;
        Drawn known = own.get(group);
        if (known == null) {
            known = drawn(suspects.get(suspect), group);
            own.set(group, known);
        }
        return known;
    }

    /**
     * One random stream per suspect, independent of the others, so that a suspect has the same particles whichever
     * others are in the list.
     */
    private Drawn drawn(Suspect suspect, int group) {
        RandomGenerator random = new SplittableRandom(
                (SEED + group * BETWEEN_GROUPS) ^ suspect.id().hashCode() * BETWEEN_SUSPECTS);
        boolean nothing = suspect.id().equals(SuspectCatalogue.NOTHING_WRONG);
        int[] order = shuffled(random);
        List<List<Fault>> own = new ArrayList<>();
        double[] severities = new double[FORESEEN];
        VehicleCondition[] afterIntake = new VehicleCondition[FORESEEN];
        for (int n = 0; n < FORESEEN; n++) {
            int i = group * FORESEEN + n;
            double quantile = (order[n] + 0.5) / FORESEEN;
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
                    severities[n] = severity;
                    afterIntake[n] = felt.after.equals(sound[i].after) ? sound[i].after : felt.after;
                    mostFelt = taken ? SURELY_FELT : apart;
                }
                if (!taken) {
                    quantile = (random.nextInt(FORESEEN) + 0.5) / FORESEEN;
                }
            }
            own.add(kept);
        }
        return new Drawn(own, severities, afterIntake);
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
            return new Felt(
                    characterise.predicted(run.figures().stream()
                            .mapToDouble(Double::doubleValue)
                            .toArray()),
                    run.after().ready());
        }
    }

    private static int[] shuffled(RandomGenerator random) {
        int[] order = new int[FORESEEN];
        for (int i = 0; i < FORESEEN; i++) {
            int other = random.nextInt(i + 1);
            order[i] = order[other];
            order[other] = i;
        }
        return order;
    }

    /** The vehicle with which a particle's fault is tried; the first is its own. */
    public static int tried(int particle, int time) {
        return (particle + time * STRIDE) % PARTICLES;
    }

    public VehicleUnknowns vehicle(int i) {
        return vehicles[i];
    }

    /** How a test finds a particle's vehicle after the intake. */
    VehicleCondition found(int suspect, int i) {
        return drawn(suspect, i).afterIntake[i % FORESEEN];
    }

    /** How a test finds the vehicles that are simulated with two faults; kept while there is room. */
    public VehicleCondition[] found(Hypothesis pair) {
        VehicleCondition[] known = afterIntakeOfPairs.get(pair);
        if (known == null) {
            known = IntStream.range(0, PAIRS_SIMULATED)
                    .mapToObj(i -> complaint.of(
                                    vehicles[i],
                                    Stream.concat(faults(pair.first(), i).stream(), faults(pair.second(), i).stream())
                                            .toList())
                            .after)
                    .toArray(VehicleCondition[]::new);
            if (afterIntakeOfPairs.size() >= PAIRS_KEPT) {
                afterIntakeOfPairs.clear();
            }
            afterIntakeOfPairs.putIfAbsent(pair, known);
        }
        return known;
    }

    /** How bad a particle's fault is, in standard deviations from its median. */
    double severity(int suspect, int i) {
        return drawn(suspect, i).severities[i % FORESEEN];
    }

    public List<Fault> faults(int suspect, int i) {
        return drawn(suspect, i).faults.get(i % FORESEEN);
    }

    /** Whether hand and instrument are twice as bad as they should be. */
    boolean noisy(int i) {
        return noisy[i];
    }

    /** Share of the tests in which a fault shows that is felt only sometimes. */
    public double occurrence(int i) {
        return occurrence[i];
    }

    /** Share of the tests in which a fault outside the list shows. */
    public static double unlistedShare(int i) {
        return UNLISTED_SHARES[i % UNLISTED_SHARES.length];
    }

    public static double logUnlistedShare(int i) {
        return LOG_UNLISTED[i % LOG_UNLISTED.length];
    }

    public static double logListedShare(int i) {
        return LOG_LISTED[i % LOG_LISTED.length];
    }
}
