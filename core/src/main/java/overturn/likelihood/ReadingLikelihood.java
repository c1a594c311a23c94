package overturn.likelihood;

import java.util.Arrays;
import java.util.Collections;
import java.util.Map;
import java.util.WeakHashMap;
import java.util.function.DoubleUnaryOperator;
import overturn.catalogue.ProcedureCatalogue;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.Leeway;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.forecast.Predictions;
import overturn.forecast.Rows;
import overturn.numeric.LogSpace;
import overturn.procedure.Procedure;

/** The log likelihoods of one reading for all particles of any hypothesis, each row worked out once. */
public final class ReadingLikelihood {

    /**
     * Chance that a fault in no list is felt when the vehicle is driven, since it was brought in for something;
     * estimate.
     */
    private static final double FELT = 0.8;
    /** A particle on which a fault in no list shows as often as on most; definition. */
    private static final int USUAL = 1;

    private final Reading reading;
    private final Predictions predictions;
    private final double[] encoded;
    private final Particles particles;
    private final boolean sometimes;
    private final int rigs;
    private final LayoutModel model;
    private final Hypothesis sound;
    private final double logLied;
    private final Rows rows;
    /** Kept as long as the pairs are asked for. */
    private final Map<PairedSeverities, double[]> paired = Collections.synchronizedMap(new WeakHashMap<>());

    private final boolean[] moved;
    private final double[] alone;
    /** Misfit that counts for half: what formulas and tables leave out moves readings so far; chosen on both worlds. */
    private static final double MODERATE_NATS = 2;

    private volatile double logStrange = Double.NaN;

    private ReadingLikelihood(
            LayoutModel model, Reading reading, Predictions predictions, boolean sometimes, int rigs) {
        this.model = model;
        this.rigs = rigs;
        this.reading = reading;
        this.predictions = predictions;
        this.encoded = predictions.encode(reading.value());
        this.particles = model.particles();
        this.sometimes = sometimes;
        this.sound = Hypothesis.single(model.sound());
        this.logLied = predictions.unexplained().logLied(encoded);
        this.moved = new boolean[model.suspects().size()];
        this.alone = new double[moved.length];
        Arrays.fill(alone, Double.NaN);
        for (int s = 0; s < moved.length; s++) {
            moved[s] = (predictions.moved(s) || felt())
                    && !reading.after().settles(model.suspects().get(s).remedy());
        }
        this.rows = new Rows(model.suspects().size(), this::computed);
    }

    /**
     * Of a test that was read with one rig.
     *
     * @param sometimes whether the fault may not have been there during this test
     * @throws IllegalArgumentException if the layout has no such test
     */
    public static ReadingLikelihood of(LayoutModel model, Reading reading, boolean sometimes) {
        Procedure procedure = model.procedures()
                .find(reading.procedureId())
                .orElseThrow(() -> new IllegalArgumentException("Test " + reading.procedureId() + " is not in layout "
                        + model.layout().id()));
        return new ReadingLikelihood(model, reading, model.predictions(procedure), sometimes, 1);
    }

    /** The same reading where so many rig set-ups have read its test: what its formula leaves out counts once. */
    public ReadingLikelihood readWith(int rigSetups) {
        return new ReadingLikelihood(model, reading, predictions, sometimes, rigSetups);
    }

    public Reading reading() {
        return reading;
    }

    double logLied() {
        return logLied;
    }

    /**
     * Log likelihood per particle if the rig told the truth; what was remedied before no longer shows, and what does
     * not show is as nothing wrong.
     *
     * @param told of what a repair brought only where this was read after it
     */
    public double[] row(Hypothesis told, int time) {
        return rows.of(shown(told), time);
    }

    /** What of it this reading can tell from nothing wrong. */
    private Hypothesis shown(Hypothesis told) {
        if (!told.isBrought()) {
            return told.showing(this::moved, model.sound());
        }
        return predictions.moved(told.first()) || felt() ? Hypothesis.single(told.first()) : sound;
    }

    /** Adds a share of it, with its slopes; a fault that comes and goes is given none. */
    void addTo(Leeway leeway, Hypothesis told, double share) {
        leeway.add(share, row(told, 0));
        if (!sometimes) {
            Hypothesis slopes = told.isBrought() ? Hypothesis.single(told.first()) : told;
            predictions.addSlopes(encoded, slopes, shown(told), share, rigs, leeway);
        }
    }

    /**
     * The same for a few pairs of two faults, their effects added; a fault that shows alone is left on its own vehicle:
     * a first look.
     */
    double[] screened(PairedSeverities pairs) {
        return !moved(pairs.host()) && moved(pairs.guest())
                ? Rows.at(pairs.guests(), row(Hypothesis.single(pairs.guest()), 0))
                : added(pairs);
    }

    /**
     * The same with the vehicles that lend themselves to the pairs, worked out once as long as the pairs are asked for.
     */
    double[] paired(PairedSeverities pairs) {
        return paired.computeIfAbsent(pairs, this::added);
    }

    private double[] added(PairedSeverities pairs) {
        if (!moved(pairs.guest())) {
            return Rows.at(pairs.vehicles(), row(Hypothesis.single(pairs.host()), 0));
        }
        double[] row = predictions.logAdded(encoded, pairs, pairs.pair().showing(this::moved, model.sound()), rigs);
        if (sometimes) {
            double[] without = rows.of(sound, 0);
            for (int n = 0; n < row.length; n++) {
                int vehicle = pairs.vehicles()[n];
                row[n] = mixed(particles.occurrence(vehicle), row[n], without[vehicle]);
            }
        }
        return row;
    }

    private static double mixed(double there, double with, double without) {
        return LogSpace.add(Math.log(there) + with, Math.log(1 - there) + without);
    }

    /**
     * Whether the reading can tell this suspect from nothing wrong: it strays in the test, and was not remedied before.
     */
    public boolean moved(int suspect) {
        return moved[suspect];
    }

    /**
     * What a fault in no list reads: as the suspect it looks like, or anything else that the test can show. Where the
     * test looks at that suspect itself there is nothing to see; and what the vehicle was brought in for is felt.
     */
    private double[] unlisted(int like, int time, DoubleUnaryOperator misfitNats) {
        double[] listed = listed(like, time);
        boolean felt = like == model.sound() && felt();
        double strange = logStrange();
        double[] row = new double[listed.length];
        for (int i = 0; i < row.length; i++) {
            double mixed = felt
                    ? LogSpace.add(Math.log1p(-FELT) + listed[i], Math.log(FELT) + strange)
                    : LogSpace.add(Particles.logListedShare(i) + listed[i], Particles.logUnlistedShare(i) + strange);
            row[i] = listed[i] + misfitNats.applyAsDouble(mixed - listed[i]);
        }
        return row;
    }

    /**
     * What a misfit says for a fault in no list, nats: a moderate one is of the model as often as of the vehicle, and
     * many readings share it, so it counts little; a plain one counts but for that.
     */
    private static double plain(double misfitNats) {
        return misfitNats <= 0 ? misfitNats : misfitNats * misfitNats / (misfitNats + MODERATE_NATS);
    }

    /** The same, every misfit counted in full: what a proof has to stand against. */
    double[] untempered(Hypothesis unlisted) {
        return unlisted(unlisted.first(), 0, DoubleUnaryOperator.identity());
    }

    /**
     * Probability on one particle that a fault in no list, like this suspect elsewhere, shows its own way in this
     * reading.
     */
    public double strange(int like, int particle) {
        double own = Particles.logUnlistedShare(particle) + logStrange();
        return felt()
                ? 0
                : Math.exp(own - LogSpace.add(own, Particles.logListedShare(particle) + listed(like, 0)[particle]));
    }

    /** Whether both read the same thing, and what was there in one was there in the other. */
    boolean repeats(ReadingLikelihood other) {
        return !sometimes && reading.repeats(other.reading);
    }

    /**
     * How much likelier, per particle in logs, a fault in no list makes this reading and that of another rig together
     * than each by itself: it shows its own way in both or in neither.
     */
    double[] together(ReadingLikelihood other, Hypothesis told, int time) {
        int like = told.showing(this::moved, model.sound()).first();
        double strange = (logStrange()
                        + predictions.unexplained().logAgain(other.encoded, encoded)
                        + other.logStrange()
                        + predictions.unexplained().logAgain(encoded, other.encoded))
                / 2;
        double[] here = listed(like, time);
        double[] there = other.listed(like, time);
        double[] alone = row(told, time);
        double[] otherAlone = other.row(told, time);
        double[] row = new double[here.length];
        for (int i = 0; i < row.length; i++) {
            double listed = here[i] + there[i];
            double mixed = LogSpace.add(Particles.logListedShare(i) + listed, Particles.logUnlistedShare(i) + strange);
            row[i] = listed + plain(mixed - listed) - alone[i] - otherAlone[i];
        }
        return row;
    }

    /** What a fault in no list reads where it shows as the suspect it looks like. */
    private double[] listed(int like, int time) {
        return rows.of(Hypothesis.single(predictions.observes(like) ? model.sound() : like), time);
    }

    /** Whether it is what the vehicle was brought in for. */
    private boolean felt() {
        return ProcedureCatalogue.atIntake(reading.procedureId());
    }

    private double logStrange() {
        if (Double.isNaN(logStrange)) {
            logStrange = predictions.unexplained().logStrange(encoded, this::alone);
        }
        return logStrange;
    }

    /** Log likelihood under one suspect, whatever its severity and the vehicle. */
    private double alone(int suspect) {
        int shown = moved(suspect) ? suspect : model.sound();
        if (Double.isNaN(alone[shown])) {
            alone[shown] = LogSpace.roughSum(row(Hypothesis.single(shown), 0)) - Math.log(Particles.PARTICLES);
        }
        return alone[shown];
    }

    /** A cheap estimate of the log likelihood if the fault is in no list and looks like this suspect. */
    double unlistedEstimate(int like) {
        return LogSpace.add(
                Particles.logListedShare(USUAL) + alone(predictions.observes(like) ? model.sound() : like),
                Particles.logUnlistedShare(USUAL) + logStrange());
    }

    private double[] computed(Hypothesis hypothesis, int time) {
        if (hypothesis.isNoneOfThese()) {
            return unlisted(hypothesis.first(), time, ReadingLikelihood::plain);
        }
        double[] there = predictions.logLikelihoods(encoded, hypothesis, time, rigs);
        if (!sometimes || hypothesis.equals(sound)) {
            return there;
        }
        double[] without = rows.of(sound, time);
        double[] row = new double[there.length];
        for (int i = 0; i < row.length; i++) {
            row[i] = mixed(particles.occurrence(i), there[i], without[i]);
        }
        return row;
    }
}
