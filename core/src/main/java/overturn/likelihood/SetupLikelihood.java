package overturn.likelihood;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.WeakHashMap;
import java.util.concurrent.ConcurrentHashMap;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.forecast.Rows;
import overturn.measurement.RigTrust;
import overturn.numeric.LogSpace;

/**
 * All readings of one rig set-up together: either it told the truth in all of them or in none. Repeats of one test on
 * it are averaged, so that saying the same thing twice proves nothing twice.
 */
public final class SetupLikelihood {

    /**
     * PairedSeverities in which two faults that both show in one reading may fit it, though neither does alone; chosen.
     */
    public static final int AS_THEY_COME = 44;

    private final List<ReadingLikelihood> readings;
    private final Map<Hypothesis, double[]> asTheyCome = new ConcurrentHashMap<>();
    /** Kept as long as the pairs are asked for. */
    private final Map<PairedSeverities, double[]> paired = Collections.synchronizedMap(new WeakHashMap<>());

    private final Map<SetupLikelihood, Optional<Repeats>> repeated = new ConcurrentHashMap<>();
    private final double[] shares;
    private final double logHonest;
    private final double logLied;
    private final Rows rows;
    private final boolean[] moved;
    private final int sound;

    public SetupLikelihood(LayoutModel model, List<ReadingLikelihood> readings, boolean averageRepeats) {
        this.readings = List.copyOf(readings);
        this.shares = readings.stream()
                .mapToDouble(r -> averageRepeats ? 1.0 / repeats(r) : 1)
                .toArray();
        double lying = trust().lyingProbability();
        double lied = Math.log(lying);
        for (int r = 0; r < shares.length; r++) {
            lied += shares[r] * readings.get(r).logLied();
        }
        this.logHonest = Math.log1p(-lying);
        this.logLied = lied;
        this.sound = model.sound();
        this.moved = new boolean[model.suspects().size()];
        for (int s = 0; s < moved.length; s++) {
            int suspect = s;
            moved[s] = this.readings.stream().anyMatch(r -> r.moved(suspect));
        }
        this.rows = new Rows(model.suspects().size(), this::mixed);
    }

    private long repeats(ReadingLikelihood reading) {
        return readings.stream()
                .filter(other -> other.reading().repeats(reading.reading()))
                .count();
    }

    /** Doubt about any reading of a set-up is doubt about the set-up; proof of it needs no repeating. */
    private RigTrust trust() {
        if (readings.stream().anyMatch(r -> r.reading().trust() == RigTrust.DOUBTFUL)) {
            return RigTrust.DOUBTFUL;
        }
        return readings.stream().anyMatch(r -> r.reading().trust() == RigTrust.PROVEN)
                ? RigTrust.PROVEN
                : RigTrust.NORMAL;
    }

    public String setup() {
        return readings.get(0).reading().rigSetup();
    }

    /** Log likelihood per particle, honest or lying. */
    public double[] row(Hypothesis hypothesis, int time) {
        return rows.of(hypothesis.isBrought() ? hypothesis : hypothesis.showing(this::moved, sound), time);
    }

    private double[] mixed(Hypothesis hypothesis, int time) {
        double[] row = told(hypothesis, time);
        mix(row);
        return row;
    }

    /** Log likelihood per particle and that it told the truth. */
    double[] honest(Hypothesis hypothesis, int time) {
        double[] row = told(hypothesis, time);
        for (int i = 0; i < row.length; i++) {
            row[i] += logHonest;
        }
        return row;
    }

    private double[] told(Hypothesis hypothesis, int time) {
        double[] row = new double[Particles.PARTICLES];
        for (int r = 0; r < shares.length; r++) {
            add(row, readings.get(r).row(hypothesis, time), shares[r]);
        }
        return row;
    }

    /**
     * By how much the log likelihood of a fault in no list rises, per particle, if every misfit counts in full instead
     * of a moderate one for little.
     */
    public double[] untemperedRise(Hypothesis unlisted) {
        Hypothesis shown = unlisted.showing(this::moved, sound);
        double[] row = new double[Particles.PARTICLES];
        for (int r = 0; r < shares.length; r++) {
            add(row, readings.get(r).untempered(shown), shares[r]);
        }
        mix(row);
        add(row, row(unlisted, 0), -1);
        return row;
    }

    /** A cheap estimate of the log likelihood if the fault is in no list and looks like this suspect. */
    public double unlistedEstimate(int like) {
        double sum = logHonest;
        for (int r = 0; r < shares.length; r++) {
            sum += shares[r] * readings.get(r).unlistedEstimate(like);
        }
        return LogSpace.add(sum, logLied);
    }

    /** How much a reading counts among repeats on this set-up; 0 where it was taken with another. */
    double share(ReadingLikelihood reading) {
        int at = readings.indexOf(reading);
        return at < 0 ? 0 : shares[at];
    }

    /** Log probability that it told the truth. */
    double logHonest() {
        return logHonest;
    }

    /** Log likelihoods of a few pairs of two faults. */
    public double[] screened(PairedSeverities pairs) {
        double[] row = new double[pairs.count()];
        for (int r = 0; r < shares.length; r++) {
            add(row, readings.get(r).screened(pairs), shares[r]);
        }
        mix(row);
        return row;
    }

    /** The same of pairs that are asked for again, worked out once. */
    double[] paired(PairedSeverities pairs) {
        return paired.computeIfAbsent(pairs, m -> {
            double[] row = new double[m.count()];
            for (int r = 0; r < shares.length; r++) {
                add(row, readings.get(r).paired(m), shares[r]);
            }
            mix(row);
            return row;
        });
    }

    /** The same of pairs as they come, worked out once. */
    public double[] asTheyCome(Hypothesis pair) {
        double[] known = asTheyCome.get(pair);
        if (known == null) {
            known = screened(PairedSeverities.asTheyCome(pair, AS_THEY_COME));
            asTheyCome.put(pair, known);
        }
        return known;
    }

    /** What another set-up repeats of this one's readings, worked out once. */
    Optional<Repeats> repeatedBy(SetupLikelihood later) {
        return repeated.computeIfAbsent(later, other -> Repeats.of(this, other));
    }

    /** Whether any of its readings can tell this suspect from nothing wrong. */
    boolean moved(int suspect) {
        return moved[suspect];
    }

    /** Index of nothing wrong. */
    int sound() {
        return sound;
    }

    /** Whether all of it was read after a repair. */
    public boolean sinceRepair() {
        return readings.stream().allMatch(r -> !r.reading().after().isEmpty());
    }

    public List<ReadingLikelihood> readings() {
        return readings;
    }

    private static void add(double[] sums, double[] terms, double share) {
        for (int i = 0; i < sums.length; i++) {
            sums[i] += share * terms[i];
        }
    }

    private void mix(double[] row) {
        for (int i = 0; i < row.length; i++) {
            row[i] = LogSpace.add(logHonest + row[i], logLied);
        }
    }

    /** Log likelihood if it lied, the same whatever is the matter. */
    public double logLied() {
        return logLied;
    }
}
