package overturn.forecast;

import java.util.Arrays;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import overturn.numeric.LogSpace;
import overturn.numeric.SharedOffsetNormal;

/**
 * How likely a reading of one test is where no suspect of the list explains it: if its rig lied, and if the fault is in
 * no list.
 */
public final class Unexplained {

    /** Chance that an eye sees once more what it saw of a fault that nobody has described; estimate. */
    private static final double SEEN_AGAIN = 0.85;

    /** Least spread that a reading can have; chosen, only to divide by. */
    private static final double LEAST_STRAY = 1e-9;

    private final Scatter scatter;
    private final ReadingNoise noise;
    private final int width;
    private final double[] overallSds;
    private final double[] logStrays;

    /**
     * @param noise of the figures; empty for an observation
     * @param width number of figures, or of what may be observed
     */
    Unexplained(Scatter scatter, ReadingNoise noise, int suspects, int width) {
        this.scatter = scatter;
        this.noise = noise;
        this.width = width;
        this.overallSds = IntStream.range(0, noise.width())
                .mapToDouble(k -> Math.sqrt(scatter.widestSquare(k) + square(noise.readingSd(k))))
                .toArray();
        this.logStrays = logStrays(suspects);
    }

    private static double square(double value) {
        return value * value;
    }

    private boolean series() {
        return noise.series();
    }

    /** How far each suspect strays from sound, against the instrument, as shares. */
    private double[] logStrays(int suspects) {
        double[] far = IntStream.range(0, suspects)
                .mapToDouble(s -> square(IntStream.range(0, noise.width())
                        .mapToDouble(k -> Math.log1p(scatter.stray(s, k) / noise.readingSd(k)))
                        .sum()))
                .toArray();
        double total = Arrays.stream(far).sum();
        return Arrays.stream(far)
                .map(own -> Math.log((own + LEAST_STRAY) / (total + far.length * LEAST_STRAY)))
                .toArray();
    }

    /** Log likelihood of an encoded reading if the rig lied: the same for every suspect. */
    public double logLied(double[] encoded) {
        if (encoded.length == 0) {
            return 0;
        }
        return series()
                ? new SharedOffsetNormal(encoded, overallSds, 0).logDensity(scatter.means(), 0)
                : -Math.log(width);
    }

    /**
     * Log likelihood of an encoded reading of a fault that nobody has described: half spread over all the test can
     * show, half like any suspect that strays from sound in it, the peculiar ones as likely as those that many share.
     *
     * @param listed log likelihood of the reading under each suspect
     */
    public double logStrange(double[] encoded, IntToDoubleFunction listed) {
        if (encoded.length == 0) {
            return 0;
        }
        if (!series()) {
            return -Math.log(width);
        }
        double[] logs = IntStream.range(0, logStrays.length)
                .mapToDouble(s -> logStrays[s] + listed.applyAsDouble(s))
                .toArray();
        return LogSpace.add(logLied(encoded), LogSpace.sum(logs)) - Math.log(2);
    }

    /**
     * Log likelihood of an encoded reading where another rig has read {@code before}, whatever is the matter, if it is
     * there in both; as wide as readings of two rigs lie apart under a suspect of the list, each with the discrepancy
     * of both: that they agree speaks for neither.
     */
    public double logAgain(double[] encoded, double[] before) {
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
        double apart = Math.sqrt(2) * ReadingNoise.KERNEL_WIDTH * Predictions.DOUBLED;
        double[] wide = IntStream.range(0, width)
                .mapToDouble(k -> Math.hypot(apart * noise.instrumentSd(k), 2 * noise.unknown(k, before[k])))
                .toArray();
        return new SharedOffsetNormal(both, wide, Math.hypot(apart * noise.datumSd(), 2 * noise.unknownTogether()))
                .logDensity(means, 0);
    }
}
