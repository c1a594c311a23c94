package overturn.inference;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.numeric.LogSpace;
import overturn.numeric.SharedOffsetNormal;
import overturn.procedure.Procedure;
import overturn.simulation.Protocol;

/**
 * What one test reads for every particle of every suspect: figures of a series, or probabilities of observations; and how likely a
 * reading is for each, if its rig lied, and if the fault is in no list. Two faults at once are simulated together where it matters.
 */
final class Predictions {

    /** Kernel wider than the instrument's noise, against over-confidence (handbook 05). */
    private static final double KERNEL_WIDTH = 1.4;
    /** Share of a suspect's own spread by which each particle stands for its neighbours, since particles are few; estimate. */
    private static final double NEIGHBOURHOOD = 0.1;
    /** How far two faults may differ from their sum, as a share of the smaller effect; estimate. */
    private static final double INTERPLAY = 0.25;
    /** Share of an observation's table that even a sure eye may get wrong beyond it; estimate. */
    private static final double TABLE_DOUBT = 0.01;
    /** A fault that strays less than this from sound, in standard deviations of the reading or as a chance, leaves the test alone. */
    private static final double UNMOVED = 1e-3;
    /** Change of an observation's chance from which on it tells something; of a figure it is one standard deviation. */
    private static final double TELLING_CHANCE = 0.15;
    private static final double DOUBLED = 2;
    /** Chance that an eye sees once more what it saw of a fault that nobody has described; estimate. */
    private static final double SEEN_AGAIN = 0.85;

    private final LayoutModel model;
    private final Procedure procedure;
    private final Crowd crowd;
    private final int sound;
    private final int width;
    private final float[][] values;
    private final PairPredictions pairs;
    private final double[] sds;
    private final double offsetSd;
    private final double[] least;
    private final double[] most;
    private final Scatter scatter;
    private final double[] overallSds;
    private final double[] logStrays;
    private final boolean[] observed;
    private final boolean[] moved;
    private final Slopes slopes;

    private Predictions(LayoutModel model, Procedure procedure, float[][] values) {
        this.model = model;
        this.procedure = procedure;
        this.crowd = model.crowd();
        this.sound = model.sound();
        this.width = procedure.width();
        this.values = values;
        this.pairs = new PairPredictions(model, procedure, this);
        ReadingSpec spec = procedure.spec();
        boolean series = spec instanceof Series;
        this.sds = series ? ((Series) spec).figures().stream().mapToDouble(Figure::noiseSd).toArray() : new double[0];
        this.least = series ? ((Series) spec).figures().stream().mapToDouble(Figure::least).toArray() : new double[0];
        this.most = series ? ((Series) spec).figures().stream().mapToDouble(Figure::most).toArray() : new double[0];
        this.offsetSd = series ? ((Series) spec).offsetSd() : 0;
        this.scatter = new Scatter(values, sound, width);
        this.overallSds = IntStream.range(0, width).mapToDouble(k -> Math.sqrt(scatter.widestSquare(k) + (series ? square(readingSd(k)) : 0))).toArray();
        this.observed = new boolean[values.length];
        for (int s = 0; s < observed.length; s++) {
            observed[s] = !series() && procedure.observes().contains(model.suspects().get(s).id());
        }
        this.moved = new boolean[values.length];
        for (int s = 0; s < moved.length; s++) {
            moved[s] = scatter.strays(s, k -> UNMOVED * (series ? readingSd(k) : 1));
        }
        this.logStrays = logStrays();
        this.slopes = new Slopes(model.traits(), this, values.length);
    }

    static Predictions of(LayoutModel model, Procedure procedure) {
        return ofAll(model, List.of(procedure), procedure.protocol()).get(0);
    }

    /** The same test for a model of the same layout that knows fewer suspects. */
    Predictions of(LayoutModel narrower) {
        return new Predictions(narrower, procedure, narrower.suspects().stream().map(s -> values[model.indexOf(s.id())]).toArray(float[][]::new));
    }

    /** Predictions of tests that only sense and do nothing: one vehicle answers them all. */
    static List<Predictions> ofSensing(LayoutModel model, List<Procedure> procedures) {
        Protocol.Script all = Protocol.whole();
        procedures.forEach(p -> p.protocol().acts().forEach(all::then));
        return ofAll(model, procedures, all.done());
    }

    /** Tests whose samples follow one another in one protocol. */
    private static List<Predictions> ofAll(LayoutModel model, List<Procedure> procedures, Protocol protocol) {
        float[][][] values = new Simulated(model, procedures, protocol).values();
        return IntStream.range(0, procedures.size()).mapToObj(t -> new Predictions(model, procedures.get(t), values[t])).toList();
    }

    /** Whether the test looks at a suspect itself: a fault that only acts like it is not seen there. */
    boolean observes(int suspect) {
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
    boolean moved(int suspect) {
        return moved[suspect];
    }

    int width() {
        return width;
    }

    boolean series() {
        return sds.length > 0;
    }

    float value(int suspect, int particle, int figure) {
        return values[suspect][particle * width + figure];
    }

    /** Whole 1σ of one figure: instrument, datum. */
    double readingSd(int figure) {
        return Math.sqrt(sds[figure] * sds[figure] + offsetSd * offsetSd);
    }

    double figureSd(int figure) {
        return sds[figure];
    }

    double offsetSd() {
        return offsetSd;
    }

    /** Encodes a reading for the likelihoods: figures, or the index of the observation; empty where it says nothing. */
    double[] encode(ReadingValue value) {
        if (value instanceof Figures figures) {
            return figures.coreValues();
        }
        Observed observed = (Observed) value;
        return observed.notSeen() ? new double[0] : new double[] {((Observation) procedure.spec()).options().indexOf(observed.option())};
    }

    /** Figures, or chances of the observations, particle by particle. */
    float[] values(int suspect) {
        return values[suspect];
    }

    /** Predictions of all particles, figure by figure, each fault on the vehicle with which it is tried. */
    private float[] means(Hypothesis hypothesis, int time) {
        if (hypothesis.isPair()) {
            return time == 0 ? pairs.of(hypothesis) : pairs.tried(hypothesis, time);
        }
        float[] own = values[hypothesis.first()];
        if (time == 0 || !series()) {
            return own;
        }
        float[] base = values[sound];
        float[] tried = new float[own.length];
        for (int i = 0; i < Crowd.PARTICLES; i++) {
            int from = i * width;
            int at = Crowd.tried(i, time) * width;
            for (int k = 0; k < width; k++) {
                tried[from + k] = within(k, base[at + k] + own[from + k] - base[from + k]);
            }
        }
        return tried;
    }

    /** A figure kept inside what can be read. */
    float within(int k, double value) {
        return (float) Math.max(least[k], Math.min(most[k], value));
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

    /** Log likelihood of an encoded reading per particle, the rig telling the truth and the fault there. */
    double[] logLikelihoods(double[] encoded, Hypothesis hypothesis, int time) {
        double[] row = new double[Crowd.PARTICLES];
        if (encoded.length == 0) {
            return row;
        }
        float[] means = means(hypothesis, time);
        if (!series()) {
            for (int i = 0; i < row.length; i++) {
                row[i] = logSeen(means, i, encoded);
            }
            return row;
        }
        SharedOffsetNormal normal = kernel(encoded, hypothesis, false, 1);
        SharedOffsetNormal doubled = kernel(encoded, hypothesis, false, DOUBLED);
        for (int i = 0; i < row.length; i++) {
            row[i] = (crowd.noisy(Crowd.tried(i, time)) ? doubled : normal).logDensity(means, i * width);
        }
        return row;
    }

    /**
     * A row of {@link Leeway} of one reading.
     *
     * @param told  what may be the matter
     * @param shown what of it shows in this reading
     */
    double[] leeway(double[] encoded, Hypothesis told, Hypothesis shown) {
        double[] row = new double[Leeway.LENGTH];
        System.arraycopy(logLikelihoods(encoded, shown, 0), 0, row, 0, Crowd.PARTICLES);
        if (encoded.length == 0 || !series()) {
            return row;
        }
        double[][] directions = slopes.of(told, shown);
        SharedOffsetNormal.Tangent normal = kernel(encoded, shown, false, 1).tangent(directions);
        SharedOffsetNormal.Tangent doubled = kernel(encoded, shown, false, DOUBLED).tangent(directions);
        float[] means = means(shown, 0);
        for (int i = 0; i < Crowd.PARTICLES; i++) {
            (crowd.noisy(i) ? doubled : normal).addGradient(means, i * width, row, Leeway.SLOPES_FROM + i * Slopes.DIRECTIONS);
        }
        for (int j = 0; j < Slopes.DIRECTIONS; j++) {
            System.arraycopy(normal.curvature()[j], 0, row, Leeway.PLAIN_FROM + j * Slopes.DIRECTIONS, Slopes.DIRECTIONS);
            System.arraycopy(doubled.curvature()[j], 0, row, Leeway.DOUBLED_FROM + j * Slopes.DIRECTIONS, Slopes.DIRECTIONS);
        }
        return row;
    }

    private double logSeen(float[] chances, int particle, double[] encoded) {
        return Math.log((1 - TABLE_DOUBT) * chances[particle * width + (int) encoded[0]] + TABLE_DOUBT / width);
    }

    /** The same of some meetings of two faults, what each does to the sound vehicle added: near enough to see which pairs are worth simulating. */
    double[] logAdded(double[] encoded, Meetings meetings, Hypothesis left) {
        double[] row = new double[meetings.count()];
        if (encoded.length == 0) {
            return row;
        }
        float[] added = added(meetings, left);
        if (!series()) {
            normalise(added, row.length);
            for (int n = 0; n < row.length; n++) {
                row[n] = logSeen(added, n, encoded);
            }
            return row;
        }
        SharedOffsetNormal normal = kernel(encoded, left, true, 1);
        SharedOffsetNormal doubled = kernel(encoded, left, true, DOUBLED);
        for (int n = 0; n < row.length; n++) {
            row[n] = (crowd.noisy(meetings.vehicles()[n]) ? doubled : normal).logDensity(added, n * width);
        }
        return row;
    }

    private float[] added(Meetings meetings, Hypothesis left) {
        float[] base = values[sound];
        float[] hosts = left.has(meetings.host()) ? values[meetings.host()] : base;
        float[] guests = left.has(meetings.guest()) ? values[meetings.guest()] : base;
        float[] added = new float[meetings.count() * width];
        for (int n = 0; n < meetings.count(); n++) {
            int host = meetings.vehicles()[n] * width;
            int guest = meetings.guests()[n] * width;
            for (int k = 0; k < width; k++) {
                added[n * width + k] = series() ? within(k, hosts[host + k] + guests[guest + k] - base[guest + k])
                        : hosts[host + k] * guests[guest + k] / Math.max(1e-6f, base[guest + k]);
            }
        }
        return added;
    }

    private SharedOffsetNormal kernel(double[] encoded, Hypothesis hypothesis, boolean added, double noiseScale) {
        double[] wide = new double[width];
        for (int k = 0; k < width; k++) {
            double variance = square(KERNEL_WIDTH * noiseScale * sds[k]);
            if (hypothesis.isPair()) {
                variance += square(NEIGHBOURHOOD * scatter.spread(hypothesis.first(), k)) + square(NEIGHBOURHOOD * scatter.spread(hypothesis.second(), k))
                        + square((added ? INTERPLAY : 0) * Math.min(scatter.stray(hypothesis.first(), k), scatter.stray(hypothesis.second(), k)));
            } else {
                variance += square(NEIGHBOURHOOD * scatter.spread(hypothesis.first(), k));
            }
            wide[k] = Math.sqrt(variance);
        }
        return new SharedOffsetNormal(encoded, wide, KERNEL_WIDTH * noiseScale * offsetSd);
    }

    private static double square(double value) {
        return value * value;
    }

    /** Log likelihood of an encoded reading if the rig lied: the same for every suspect. */
    double logLied(double[] encoded) {
        if (encoded.length == 0) {
            return 0;
        }
        return series() ? new SharedOffsetNormal(encoded, overallSds, 0).logDensity(scatter.means(), 0) : -Math.log(width);
    }

    /**
     * Log likelihood of an encoded reading of a fault that nobody has described: half spread over all the test can show, half like any suspect
     * that strays from sound in it, the peculiar ones as likely as those that many share.
     *
     * @param listed log likelihood of the reading under each suspect
     */
    double logStrange(double[] encoded, IntToDoubleFunction listed, double logLied) {
        if (encoded.length == 0) {
            return 0;
        }
        if (!series()) {
            return -Math.log(width);
        }
        double[] logs = new double[values.length];
        for (int s = 0; s < logs.length; s++) {
            logs[s] = logStrays[s] + listed.applyAsDouble(s);
        }
        return LogSpace.add(logLied, LogSpace.sum(logs)) - Math.log(2);
    }

    /** Log likelihood of an encoded reading where another rig has read {@code before}, whatever is the matter, if it is there in both. */
    double logAgain(double[] encoded, double[] before) {
        if (encoded.length == 0 || before.length == 0) {
            return logLied(encoded);
        }
        if (!series()) {
            return Math.log(encoded[0] == before[0] ? SEEN_AGAIN : (1 - SEEN_AGAIN) / (width - 1));
        }
        double[] both = encoded.clone();
        float[] means = new float[width];
        for (int k = 0; k < width; k++) {
            boolean taken = !Double.isNaN(before[k]);
            both[k] = taken ? encoded[k] : Double.NaN;
            means[k] = taken ? (float) before[k] : 0;
        }
        double apart = Math.sqrt(2) * KERNEL_WIDTH * DOUBLED;
        double[] wide = Arrays.stream(sds).map(sd -> apart * sd).toArray();
        return new SharedOffsetNormal(both, wide, apart * offsetSd).logDensity(means, 0);
    }

    /** How far each suspect strays from sound, against the instrument, as shares. */
    private double[] logStrays() {
        double[] far = new double[values.length];
        double total = 0;
        for (int s = 0; s < far.length; s++) {
            for (int k = 0; k < width && series(); k++) {
                far[s] += Math.log1p(scatter.stray(s, k) / readingSd(k));
            }
            far[s] = far[s] * far[s];
            total += far[s];
        }
        for (int s = 0; s < far.length; s++) {
            far[s] = Math.log((far[s] + 1e-9) / (total + far.length * 1e-9));
        }
        return far;
    }

    /** 1 or 2: how much worse than they should be hand and instrument are on this particle. */
    double noiseScale(int particle) {
        return crowd.noisy(particle) ? DOUBLED : 1;
    }
}
