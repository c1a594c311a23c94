package overturn.forecast;

import java.util.Arrays;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import overturn.forecast.KeptPredictions.Part;
import overturn.forecast.KeptPredictions.Vehicles;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.numeric.SharedOffsetNormal;
import overturn.procedure.Procedure;
import overturn.protocol.Protocol;

/**
 * What one test reads for every particle of every suspect: figures of a series, or probabilities of observations; and
 * how likely a reading is for each. Two faults at once are simulated together where it matters.
 */
public final class Predictions {

    /**
     * Share of a suspect's own spread by which each particle stands for its neighbours, since particles are few;
     * estimate.
     */
    private static final double NEIGHBOURHOOD = 0.1;
    /** How far two faults may differ from their sum, as a share of the smaller effect; estimate. */
    private static final double INTERPLAY = 0.25;
    /** Share of an observation's table that even a sure eye may get wrong beyond it; estimate. */
    private static final double TABLE_DOUBT = 0.01;
    /**
     * A fault that strays less than this from sound, in standard deviations of the reading or as a chance, leaves the
     * test alone; chosen.
     */
    private static final double UNMOVED = 1e-3;
    /**
     * Change of an observation's chance from which on it tells something; of a figure it is one standard deviation;
     * chosen.
     */
    private static final double TELLING_CHANCE = 0.15;

    /** Factor on the spread of a doubled reading; chosen. */
    static final double DOUBLED = 2;

    private final LayoutModel model;
    private final Procedure procedure;
    private final Particles particles;
    private final int sound;
    private final int width;
    private final float[][] foreseen;
    private final Function<boolean[], float[][]> completion;
    private volatile float @Nullable [][] values;
    private final PairPredictions pairs;
    private final ReadingNoise noise;
    private final double[] least;
    private final double[] most;
    private final Scatter scatter;
    private final Unexplained unexplained;
    private final boolean[] observed;
    private final boolean[] moved;
    private final Slopes slopes;
    private final AtomicReferenceArray<double[]> logSeen;

    private Predictions(
            LayoutModel model, Procedure procedure, float[][] foreseen, Function<boolean[], float[][]> completion) {
        this.model = model;
        this.procedure = procedure;
        this.particles = model.particles();
        this.sound = model.sound();
        this.width = procedure.width();
        this.foreseen = foreseen;
        this.completion = completion;
        this.pairs = new PairPredictions(model, procedure, this);
        ReadingSpec spec = procedure.spec();
        boolean series = spec instanceof Series;
        this.noise = ReadingNoise.of(spec);
        this.least = series
                ? ((Series) spec).figures().stream().mapToDouble(Figure::least).toArray()
                : new double[0];
        this.most = series
                ? ((Series) spec).figures().stream().mapToDouble(Figure::most).toArray()
                : new double[0];
        this.scatter = new Scatter(foreseen, sound, width);
        this.unexplained = new Unexplained(scatter, noise, foreseen.length, width);
        this.observed = new boolean[foreseen.length];
        for (int s = 0; s < observed.length; s++) {
            observed[s] = !series()
                    && procedure.observes().contains(model.suspects().get(s).id());
        }
        this.moved = new boolean[foreseen.length];
        for (int s = 0; s < moved.length; s++) {
            moved[s] = scatter.strays(s, k -> UNMOVED * (series ? readingSd(k) : 1));
        }
        this.slopes = new Slopes(model.traits(), this, foreseen.length);
        this.logSeen = new AtomicReferenceArray<>(series ? 0 : foreseen.length * width);
    }

    static Predictions of(LayoutModel model, Procedure procedure) {
        return ofAll(model, List.of(procedure), procedure.protocol()).get(0);
    }

    /** The same test for a model of the same layout that knows fewer suspects. */
    Predictions of(LayoutModel narrower) {
        return new Predictions(narrower, procedure, known(narrower, foreseen), moved -> known(narrower, all()));
    }

    private float[][] known(LayoutModel narrower, float[][] bySuspect) {
        return narrower.suspects().stream()
                .map(s -> bySuspect[model.indexOf(s.id())])
                .toArray(float[][]::new);
    }

    /** Predictions of tests that only sense and do nothing: one vehicle answers them all. */
    static List<Predictions> ofSensing(LayoutModel model, List<Procedure> procedures) {
        Protocol.Script all = Protocol.whole();
        procedures.forEach(p -> p.protocol().acts().forEach(all::then));
        return ofAll(model, procedures, all.done());
    }

    /** Tests whose samples follow one another in one protocol; all are worked out where one is not kept. */
    private static List<Predictions> ofAll(LayoutModel model, List<Procedure> procedures, Protocol protocol) {
        List<Optional<float[][]>> kept = procedures.stream()
                .map(procedure -> kept(model, procedure, Vehicles.FORESEEN, Particles.FORESEEN))
                .toList();
        float[][][] foreseen = kept.stream().allMatch(Optional::isPresent)
                ? kept.stream().map(Optional::orElseThrow).toArray(float[][][]::new)
                : new Simulated(model, procedures, protocol).foreseen();
        return IntStream.range(0, procedures.size())
                .mapToObj(t -> {
                    Procedure procedure = procedures.get(t);
                    if (kept.get(t).isEmpty()) {
                        model.kept().keep(model.layout(), new Part(procedure.id(), Vehicles.FORESEEN), foreseen[t]);
                    }
                    return new Predictions(
                            model, procedure, foreseen[t], moved -> completed(model, procedure, foreseen[t], moved));
                })
                .toList();
    }

    private static float[][] completed(LayoutModel model, Procedure procedure, float[][] foreseen, boolean[] moved) {
        return kept(model, procedure, Vehicles.ALL, Particles.PARTICLES).orElseGet(() -> {
            float[][] values =
                    new Simulated(model, List.of(procedure), procedure.protocol()).completed(foreseen, moved);
            model.kept().keep(model.layout(), new Part(procedure.id(), Vehicles.ALL), values);
            return values;
        });
    }

    /** What is kept of a test, where it is of so many vehicles of every suspect. */
    private static Optional<float[][]> kept(LayoutModel model, Procedure procedure, Vehicles vehicles, int count) {
        return model.kept()
                .find(model.layout(), new Part(procedure.id(), vehicles))
                .filter(values -> values.length == model.suspects().size())
                .filter(values -> Arrays.stream(values).allMatch(own -> own.length == count * procedure.width()));
    }

    /**
     * By suspect, for all particles: simulated when the test has been read. Should two ask at once, both work out the
     * same.
     */
    private float[][] all() {
        float[][] known = values;
        if (known == null) {
            known = completion.apply(moved);
            values = known;
            model.grows();
        }
        return known;
    }

    /** Heap of the figures, bytes; those that suspects share are counted once. */
    long heldBytes() {
        Set<float[]> held = Collections.newSetFromMap(new IdentityHashMap<>());
        held.addAll(Arrays.asList(foreseen));
        float[][] completed = values;
        if (completed != null) {
            held.addAll(Arrays.asList(completed));
        }
        long seen = IntStream.range(0, logSeen.length())
                .filter(i -> logSeen.get(i) != null)
                .count();
        return held.stream()
                        .mapToLong(figures -> (long) Float.BYTES * figures.length)
                        .sum()
                + seen * Double.BYTES * Particles.PARTICLES
                + pairs.heldBytes();
    }

    /** Whether the test looks at a suspect itself: a fault that only acts like it is not seen there. */
    public boolean observes(int suspect) {
        return observed[suspect];
    }

    /** Whether no particle of a suspect reads anything but nothing wrong. */
    boolean leftAlone(int suspect) {
        return scatter.leftAlone(suspect);
    }

    /** Index of nothing wrong. */
    int sound() {
        return sound;
    }

    /** Whether a suspect strays from sound by so much on average that the test can be said to tell it. */
    boolean tells(int suspect) {
        return scatter.strays(suspect, k -> series() ? readingSd(k) : TELLING_CHANCE);
    }

    /** Whether a suspect strays from sound in this test at all. */
    public boolean moved(int suspect) {
        return moved[suspect];
    }

    public int width() {
        return width;
    }

    boolean series() {
        return noise.series();
    }

    public float value(int suspect, int particle, int figure) {
        return values(suspect)[particle * width + figure];
    }

    /** The same before the test has been read, for one of the foreseen particles. */
    public float foreseen(int suspect, int particle, int figure) {
        return foreseen[suspect][particle * width + figure];
    }

    /** Of all foreseen particles, one after another. */
    public float[] foreseen(int suspect) {
        return foreseen[suspect];
    }

    /** Whole 1σ of one figure: instrument, datum, what its formula does not know. */
    public double readingSd(int figure) {
        return noise.readingSd(figure);
    }

    ReadingNoise noise() {
        return noise;
    }

    /** Encodes a reading for the likelihoods: figures, or the index of the observation; empty where it says nothing. */
    public double[] encode(ReadingValue value) {
        if (value instanceof Figures figures) {
            return figures.coreValues();
        }
        Observed observed = (Observed) value;
        return observed.notSeen()
                ? new double[0]
                : new double[] {((Observation) procedure.spec()).options().indexOf(observed.option())};
    }

    public Unexplained unexplained() {
        return unexplained;
    }

    /** Figures, or chances of the observations, particle by particle. */
    public float[] values(int suspect) {
        return all()[suspect];
    }

    /** What one figure reads on the foreseen vehicles with one suspect, the mean. */
    public double foreseenMean(int suspect, int figure) {
        float[] own = foreseen[suspect];
        double sum = 0;
        for (int i = figure; i < own.length; i += width) {
            sum += own[i];
        }
        return sum / (own.length / width);
    }

    /** Predictions of all particles, figure by figure, each fault on the vehicle with which it is tried. */
    private float[] means(Hypothesis hypothesis, int time) {
        if (hypothesis.isPair()) {
            return time == 0 ? pairs.of(hypothesis) : pairs.tried(hypothesis, time);
        }
        float[] own = values(hypothesis.first());
        if (time == 0 || !series()) {
            return own;
        }
        float[] base = values(sound);
        float[] tried = new float[own.length];
        for (int i = 0; i < Particles.PARTICLES; i++) {
            int from = i * width;
            int at = Particles.tried(i, time) * width;
            for (int k = 0; k < width; k++) {
                tried[from + k] = within(k, base[at + k] + own[from + k] - base[from + k]);
            }
        }
        return tried;
    }

    /** A figure kept inside what can be read. */
    public float within(int k, double value) {
        return (float) Math.max(least[k], Math.min(most[k], value));
    }

    /** Figures from one of them on kept inside what can be read. */
    void keepWithin(float[] figures, int from) {
        for (int i = from; i < figures.length; i += width) {
            for (int k = 0; k < width; k++) {
                figures[i + k] = within(k, figures[i + k]);
            }
        }
    }

    void normalise(float[] chances, int count) {
        for (int i = 0; i < count; i++) {
            float total = 0;
            for (int k = 0; k < width; k++) {
                total += chances[i * width + k];
            }
            for (int k = 0; k < width; k++) {
                chances[i * width + k] /= total;
            }
        }
    }

    /**
     * Log likelihood of an encoded reading per particle, the rig telling the truth and the fault there; not to be
     * written to.
     */
    public double[] logLikelihoods(double[] encoded, Hypothesis hypothesis, int time, int rigs) {
        if (encoded.length > 0 && !series() && hypothesis.isSingle()) {
            return logSeen(hypothesis.first(), (int) encoded[0]);
        }
        return encoded.length == 0
                ? new double[Particles.PARTICLES]
                : logLikelihoods(encoded, hypothesis, means(hypothesis, time), time, rigs);
    }

    /** The same for the foreseen particles of one suspect. */
    double[] foreseenLogLikelihoods(double[] encoded, int suspect) {
        return logLikelihoods(encoded, Hypothesis.single(suspect), foreseen[suspect], 0, 1);
    }

    private double[] logLikelihoods(double[] encoded, Hypothesis hypothesis, float[] means, int time, int rigs) {
        double[] row = new double[means.length / width];
        if (!series()) {
            for (int i = 0; i < row.length; i++) {
                row[i] = logSeen(means, i, (int) encoded[0]);
            }
            return row;
        }
        SharedOffsetNormal normal = kernel(encoded, hypothesis, false, 1, rigs);
        SharedOffsetNormal doubled = kernel(encoded, hypothesis, false, DOUBLED, rigs);
        for (int i = 0; i < row.length; i++) {
            row[i] = (particles.noisy(Particles.tried(i, time)) ? doubled : normal).logDensity(means, i * width);
        }
        return row;
    }

    /**
     * Adds a share of the slopes and curvatures of one reading; an observation has none.
     *
     * @param told what may be the matter
     * @param shown what of it shows in this reading
     * @param rigs with how many rigs the test was read
     */
    public void addSlopes(double[] encoded, Hypothesis told, Hypothesis shown, double share, int rigs, Leeway leeway) {
        if (encoded.length > 0 && series()) {
            double[][] directions = slopes.of(told, shown);
            leeway.add(
                    share,
                    encoded,
                    means(shown, 0),
                    particles,
                    kernel(encoded, shown, false, 1, rigs).tangent(directions),
                    kernel(encoded, shown, false, DOUBLED, rigs).tangent(directions));
        }
    }

    /** What one suspect makes of an observation, on whatever vehicle it is tried. */
    private double[] logSeen(int suspect, int option) {
        double[] row = logSeen.get(suspect * width + option);
        if (row == null) {
            float[] chances = values(suspect);
            row = new double[Particles.PARTICLES];
            for (int i = 0; i < row.length; i++) {
                row[i] = logSeen(chances, i, option);
            }
            logSeen.set(suspect * width + option, row);
        }
        return row;
    }

    private double logSeen(float[] chances, int particle, int option) {
        return Math.log((1 - TABLE_DOUBT) * chances[particle * width + option] + TABLE_DOUBT / width);
    }

    /**
     * The same of some pairs of severities of two faults, what each does to the sound vehicle added: near enough to see
     * which pairs are worth simulating.
     */
    public double[] logAdded(double[] encoded, PairedSeverities pairs, Hypothesis left, int rigs) {
        double[] row = new double[pairs.count()];
        if (encoded.length == 0) {
            return row;
        }
        float[] added = added(pairs, left);
        if (!series()) {
            normalise(added, row.length);
            for (int n = 0; n < row.length; n++) {
                row[n] = logSeen(added, n, (int) encoded[0]);
            }
            return row;
        }
        SharedOffsetNormal normal = kernel(encoded, left, true, 1, rigs);
        SharedOffsetNormal doubled = kernel(encoded, left, true, DOUBLED, rigs);
        for (int n = 0; n < row.length; n++) {
            row[n] = (particles.noisy(pairs.vehicles()[n]) ? doubled : normal).logDensity(added, n * width);
        }
        return row;
    }

    private float[] added(PairedSeverities pairs, Hypothesis left) {
        float[] base = values(sound);
        float[] hosts = left.has(pairs.host()) ? values(pairs.host()) : base;
        float[] guests = left.has(pairs.guest()) ? values(pairs.guest()) : base;
        float[] added = new float[pairs.count() * width];
        for (int n = 0; n < pairs.count(); n++) {
            int host = pairs.vehicles()[n] * width;
            int guest = pairs.guests()[n] * width;
            for (int k = 0; k < width; k++) {
                added[n * width + k] = series()
                        ? within(k, hosts[host + k] + guests[guest + k] - base[guest + k])
                        : hosts[host + k] * guests[guest + k] / Math.max(1e-6f, base[guest + k]);
            }
        }
        return added;
    }

    private SharedOffsetNormal kernel(
            double[] encoded, Hypothesis hypothesis, boolean added, double noiseScale, int rigs) {
        double[] wide = new double[width];
        for (int k = 0; k < width; k++) {
            double between;
            if (hypothesis.isPair()) {
                between = square(NEIGHBOURHOOD * scatter.spread(hypothesis.first(), k))
                        + square(NEIGHBOURHOOD * scatter.spread(hypothesis.second(), k))
                        + square((added ? INTERPLAY : 0)
                                * Math.min(
                                        scatter.stray(hypothesis.first(), k), scatter.stray(hypothesis.second(), k)));
            } else {
                between = square(NEIGHBOURHOOD * scatter.spread(hypothesis.first(), k));
            }
            wide[k] = Math.sqrt(square(noise.kernelSd(k, encoded[k], noiseScale, rigs)) + rigs * between);
        }
        return new SharedOffsetNormal(encoded, wide, noise.kernelOffsetSd(noiseScale, rigs));
    }

    private static double square(double value) {
        return value * value;
    }

    /** 1 or 2: how much worse than they should be hand and instrument are on this particle. */
    double noiseScale(int particle) {
        return particles.noisy(particle) ? DOUBLED : 1;
    }
}
