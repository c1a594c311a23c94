package overturn.forecast;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
import overturn.suspect.Fault;

/**
 * What one test reads with two faults at once, for every particle. Thread-safe; what is simulated is kept while there
 * is room.
 */
public final class PairPredictions {

    /** Pairs of a test that are kept; chosen for memory. */
    private static final int KEPT = 128;

    private static final float LEAST_CHANCE = 1e-3f;

    private final Procedure procedure;
    private final Simulator.Prepared prepared;
    private final Particles particles;
    private final int sound;
    private final Predictions singles;
    private final Map<Hypothesis, float[]> known = new ConcurrentHashMap<>();

    public PairPredictions(LayoutModel model, Procedure procedure, Predictions singles) {
        this.procedure = procedure;
        this.prepared = model.simulator().prepare(procedure.protocol());
        this.particles = model.particles();
        this.sound = model.sound();
        this.singles = singles;
    }

    /** Heap of what is kept, bytes. */
    long heldBytes() {
        return known.values().stream()
                .mapToLong(both -> (long) Float.BYTES * both.length)
                .sum();
    }

    /** Both faults at once in the simulator, where both matter to the test. */
    public float[] of(Hypothesis pair) {
        if (!singles.moved(pair.first())) {
            return singles.values(pair.second());
        }
        if (!singles.moved(pair.second())) {
            return singles.values(pair.first());
        }
        float[] both = known.get(pair);
        if (both == null) {
            both = simulated(pair);
            if (known.size() >= KEPT) {
                known.clear();
            }
            known.putIfAbsent(pair, both);
        }
        return spread(both);
    }

    /**
     * Each particle's fault on the vehicle with which it is tried, whose other fault is that vehicle's own: so that two
     * severities meet in more ways than there are particles. The effect that one fault adds to the other is taken from
     * the particle; on even and odd repetitions the two faults change roles.
     */
    public float[] tried(Hypothesis pair, int time) {
        int width = singles.width();
        float[] both = of(pair);
        float[] other = singles.values(time % 2 == 0 ? pair.first() : pair.second());
        float[] tried = new float[both.length];
        for (int i = 0; i < Particles.PARTICLES; i++) {
            int here = i * width;
            int there = Particles.tried(i, time) * width;
            for (int k = 0; k < width; k++) {
                tried[here + k] = singles.series()
                        ? singles.within(k, other[there + k] + both[here + k] - other[here + k])
                        : (other[there + k] + LEAST_CHANCE)
                                * (both[here + k] + LEAST_CHANCE)
                                / (other[here + k] + LEAST_CHANCE);
            }
        }
        if (!singles.series()) {
            singles.normalise(tried, Particles.PARTICLES);
        }
        return tried;
    }

    /** The first particles, each in the simulator. */
    private float[] simulated(Hypothesis pair) {
        int width = singles.width();
        float[] both = new float[Particles.PAIRS_SIMULATED * width];
        VehicleCondition[] before = particles.found(pair);
        for (int i = 0; i < Particles.PAIRS_SIMULATED; i++) {
            List<Fault> faults = new ArrayList<>(particles.faults(pair.first(), i));
            faults.addAll(particles.faults(pair.second(), i));
            double[] predicted = procedure.predicted(prepared.figures(particles.vehicle(i), faults, before[i]));
            for (int k = 0; k < width; k++) {
                both[i * width + k] = (float) predicted[k];
            }
        }
        return both;
    }

    /** What the faults do to the vehicles that are simulated is done to those of the other particles. */
    private float[] spread(float[] simulated) {
        int width = singles.width();
        float[] base = singles.values(sound);
        float[] both = Arrays.copyOf(simulated, Particles.PARTICLES * width);
        for (int from = simulated.length; from < both.length; from += simulated.length) {
            for (int here = 0; here < simulated.length; here++) {
                both[from + here] = simulated[here] + (singles.series() ? base[from + here] - base[here] : 0);
            }
        }
        if (singles.series()) {
            singles.keepWithin(both, simulated.length);
        }
        return both;
    }
}
