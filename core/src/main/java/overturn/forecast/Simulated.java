package overturn.forecast;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import overturn.catalogue.ProcedureCatalogue;
import overturn.procedure.Procedure;
import overturn.protocol.Protocol;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;

/**
 * Readings of some tests, whose samples follow one another in one protocol, for every particle of every suspect. Most
 * suspects leave most tests alone: where some particles read exactly as nothing wrong the others are not simulated, and
 * the figures of nothing wrong are shared.
 */
final class Simulated {

    /** Every so many particles one goes ahead to see whether the suspect shows at all; chosen for speed. */
    private static final int SCOUT_EVERY = 5;

    private final Particles particles;
    private final int sound;
    private final int suspects;
    private final List<Procedure> procedures;
    private final Simulator.Prepared prepared;
    private final int[] ends;
    private final boolean intake;

    Simulated(LayoutModel model, List<Procedure> procedures, Protocol protocol) {
        this.particles = model.particles();
        this.sound = model.sound();
        this.suspects = model.suspects().size();
        this.procedures = procedures;
        this.prepared = model.simulator().prepare(protocol);
        this.intake = procedures.stream().anyMatch(p -> ProcedureCatalogue.atIntake(p.id()));
        this.ends = procedures.stream().mapToInt(p -> p.protocol().samples()).toArray();
        Arrays.parallelPrefix(ends, Integer::sum);
    }

    /** By test and suspect: the figures or chances of the foreseen particles, one after another. */
    float[][][] foreseen() {
        float[][] base = all(sound, 0, Particles.FORESEEN);
        float[][][] bySuspect = IntStream.range(0, suspects)
                .parallel()
                .mapToObj(s -> s == sound || unseen(s, base) ? base : shared(all(s, 0, Particles.FORESEEN), base))
                .toArray(float[][][]::new);
        return IntStream.range(0, procedures.size())
                .mapToObj(t -> IntStream.range(0, suspects)
                        .mapToObj(s -> bySuspect[s][t])
                        .toArray(float[][]::new))
                .toArray(float[][][]::new);
    }

    /**
     * By suspect, the figures or chances of one test for all particles, of which the foreseen are known; a suspect that
     * does not move it reads as nothing wrong.
     */
    float[][] completed(float[][] foreseen, boolean[] moved) {
        float[][] values = new float[suspects][];
        values[sound] = completed(foreseen[sound], sound);
        IntStream.range(0, suspects)
                .parallel()
                .filter(s -> s != sound)
                .forEach(s -> values[s] = moved[s] ? completed(foreseen[s], s) : values[sound]);
        return values;
    }

    private float[] completed(float[] foreseen, int suspect) {
        float[] rest = all(suspect, Particles.FORESEEN, Particles.PARTICLES)[0];
        float[] values = Arrays.copyOf(foreseen, foreseen.length + rest.length);
        System.arraycopy(rest, 0, values, foreseen.length, rest.length);
        return values;
    }

    private boolean unseen(int suspect, float[][] base) {
        for (int i = 0; i < Particles.FORESEEN; i += SCOUT_EVERY) {
            float[][] read = read(suspect, i);
            for (int t = 0; t < read.length; t++) {
                int from = i * read[t].length;
                if (!Arrays.equals(read[t], 0, read[t].length, base[t], from, from + read[t].length)) {
                    return false;
                }
            }
        }
        return true;
    }

    private static float[][] shared(float[][] own, float[][] base) {
        return IntStream.range(0, own.length)
                .mapToObj(t -> Arrays.equals(own[t], base[t]) ? base[t] : own[t])
                .toArray(float[][]::new);
    }

    private float[][] all(int suspect, int from, int to) {
        float[][] values =
                procedures.stream().map(p -> new float[(to - from) * p.width()]).toArray(float[][]::new);
        for (int i = from; i < to; i++) {
            float[][] read = read(suspect, i);
            for (int t = 0; t < read.length; t++) {
                System.arraycopy(read[t], 0, values[t], (i - from) * read[t].length, read[t].length);
            }
        }
        return values;
    }

    private float[][] read(int suspect, int particle) {
        VehicleCondition before = intake ? VehicleCondition.RESTED : particles.found(suspect, particle);
        double[] simulated = prepared.figures(particles.vehicle(particle), particles.faults(suspect, particle), before);
        float[][] read = new float[procedures.size()][];
        for (int t = 0; t < read.length; t++) {
            double[] predicted =
                    procedures.get(t).predicted(Arrays.copyOfRange(simulated, t == 0 ? 0 : ends[t - 1], ends[t]));
            read[t] = new float[predicted.length];
            for (int k = 0; k < predicted.length; k++) {
                read[t][k] = (float) predicted[k];
            }
        }
        return read;
    }
}
