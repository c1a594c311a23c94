package overturn.forecast;

import java.util.Arrays;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import java.util.random.RandomGenerator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/**
 * A test as a channel: for every particle the chances of a few outcomes. The outcomes of a series are readings that
 * stand for their surroundings, spread over what all suspects may read; those of an observation are its options. With
 * it a test is weighed before it is done by sums alone.
 */
public final class Channel {

    /** Outcomes a test is divided into; chosen (docs/experiments.md). */
    private static final int OUTCOMES = 16;
    /** Readings drawn to weigh a test; chosen. */
    private static final int DRAWN = 480;
    /** Any number; so that a test is weighed alike each time it is asked; seed. */
    private static final long SEED = 41L;
    /** Chance that a rig yet to be set up will lie unnoticed: between a proven and a normal one; estimate. */
    private static final double LYING = 0.01;
    /**
     * Distances beyond some standard deviations count less and less, so that a pedal on the floor does not draw all
     * outcomes; chosen.
     */
    private static final double FAR = 3;

    private final Predictions predictions;
    private final int outcomes;
    private final float[][] chances;
    private final double[] overall;

    private Channel(Predictions predictions, int outcomes, float[][] chances) {
        this.predictions = predictions;
        this.outcomes = outcomes;
        this.chances = chances;
        this.overall = meanChances();
    }

    static Channel of(LayoutModel model, Predictions predictions) {
        int suspects = model.suspects().size();
        return predictions.series() ? ofSeries(predictions, suspects) : ofObservations(predictions, suspects);
    }

    /** Heap of the chances, bytes; those that suspects share are counted once. */
    long heldBytes() {
        Set<float[]> held = Collections.newSetFromMap(new IdentityHashMap<>());
        held.addAll(Arrays.asList(chances));
        return held.stream().mapToLong(row -> (long) Float.BYTES * row.length).sum();
    }

    /**
     * The same test for a model of the same layout that knows fewer suspects: its outcomes, and their chances under
     * those.
     */
    Channel of(LayoutModel wider, LayoutModel narrower, Predictions own) {
        return new Channel(
                own,
                outcomes,
                narrower.suspects().stream()
                        .map(s -> chances[wider.indexOf(s.id())])
                        .toArray(float[][]::new));
    }

    private static Channel ofObservations(Predictions predictions, int suspects) {
        int width = predictions.width();
        double[] shares = new double[width];
        Arrays.fill(shares, 1.0 / width);
        return new Channel(
                predictions,
                width,
                bySuspect(
                        predictions,
                        suspects,
                        s -> withLies(predictions.foreseen(s).clone(), shares)));
    }

    private static Channel ofSeries(Predictions predictions, int suspects) {
        RandomGenerator random = new SplittableRandom(SEED);
        double[][] drawn = drawn(predictions, suspects, random);
        int[] codes = spread(predictions, drawn, random);
        double[] shares = new double[codes.length];
        for (double[] reading : drawn) {
            shares[nearest(predictions, drawn, codes, reading)] += 1.0 / drawn.length;
        }
        int sound = predictions.sound();
        long alone =
                1 + IntStream.range(0, suspects).filter(predictions::leftAlone).count();
        double[][][] logs = new double[codes.length][suspects][];
        double[] logVolumes = new double[codes.length];
        for (int m = 0; m < codes.length; m++) {
            double density = 0;
            for (int s = 0; s < suspects; s++) {
                if (!predictions.leftAlone(s)) {
                    logs[m][s] = predictions.foreseenLogLikelihoods(drawn[codes[m]], s);
                    density += (s == sound ? alone : 1)
                            * DoubleStream.of(logs[m][s]).map(Math::exp).sum();
                }
            }
            logVolumes[m] = Math.log(shares[m] / density);
        }
        return new Channel(
                predictions,
                codes.length,
                bySuspect(predictions, suspects, s -> withLies(normalised(logs, logVolumes, s), shares)));
    }

    /** The chances of each suspect; one that the test leaves alone shares those of nothing wrong. */
    private static float[][] bySuspect(Predictions predictions, int suspects, IntFunction<float[]> own) {
        float[] sound = own.apply(predictions.sound());
        return IntStream.range(0, suspects)
                .mapToObj(s -> s == predictions.sound() || predictions.leftAlone(s) ? sound : own.apply(s))
                .toArray(float[][]::new);
    }

    /** Readings drawn from all suspects in turn, noise included. */
    private static double[][] drawn(Predictions predictions, int suspects, RandomGenerator random) {
        double[][] drawn = new double[DRAWN][predictions.width()];
        for (int n = 0; n < DRAWN; n++) {
            int particle = random.nextInt(Particles.FORESEEN);
            double scale = predictions.noiseScale(particle);
            double offset = predictions.noise().offsetSd(scale) * random.nextGaussian();
            for (int k = 0; k < predictions.width(); k++) {
                drawn[n][k] = predictions.foreseen(n % suspects, particle, k)
                        + offset
                        + predictions.noise().figureSd(k, scale) * random.nextGaussian();
            }
        }
        return drawn;
    }

    /** Readings far from one another: each next one drawn the likelier the farther it lies from those chosen. */
    private static int[] spread(Predictions predictions, double[][] drawn, RandomGenerator random) {
        int[] codes = new int[OUTCOMES];
        double[] distances = new double[drawn.length];
        Arrays.fill(distances, Double.POSITIVE_INFINITY);
        int chosen = 0;
        while (chosen < OUTCOMES) {
            int next = chosen == 0 ? 0 : drawn(distances, random);
            if (chosen > 0 && distances[next] == 0) {
                break;
            }
            codes[chosen++] = next;
            for (int n = 0; n < drawn.length; n++) {
                distances[n] = Math.min(distances[n], distance(predictions, drawn[n], drawn[next]));
            }
        }
        return Arrays.copyOf(codes, chosen);
    }

    private static int drawn(double[] weights, RandomGenerator random) {
        double at = random.nextDouble() * Arrays.stream(weights).sum();
        for (int n = 0; n < weights.length; n++) {
            at -= weights[n];
            if (at < 0) {
                return n;
            }
        }
        return 0;
    }

    private static double distance(Predictions predictions, double[] one, double[] other) {
        double sum = 0;
        for (int k = 0; k < one.length; k++) {
            double apart = Math.log1p(Math.abs(one[k] - other[k]) / (FAR * predictions.readingSd(k)));
            sum += apart * apart;
        }
        return sum;
    }

    private static int nearest(Predictions predictions, double[][] drawn, int[] codes, double[] reading) {
        int best = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int m = 0; m < codes.length; m++) {
            double distance = distance(predictions, drawn[codes[m]], reading);
            if (distance < least) {
                least = distance;
                best = m;
            }
        }
        return best;
    }

    private static float[] normalised(double[][][] logs, double[] logVolumes, int suspect) {
        int outcomes = logVolumes.length;
        float[] chances = new float[Particles.FORESEEN * outcomes];
        for (int i = 0; i < Particles.FORESEEN; i++) {
            double highest = Double.NEGATIVE_INFINITY;
            for (int m = 0; m < outcomes; m++) {
                highest = Math.max(highest, logs[m][suspect][i] + logVolumes[m]);
            }
            double total = 0;
            for (int m = 0; m < outcomes; m++) {
                double chance = Math.exp(logs[m][suspect][i] + logVolumes[m] - highest);
                chances[i * outcomes + m] = (float) chance;
                total += chance;
            }
            for (int m = 0; m < outcomes; m++) {
                chances[i * outcomes + m] /= (float) total;
            }
        }
        return chances;
    }

    private static float[] withLies(float[] chances, double[] shares) {
        for (int j = 0; j < chances.length; j++) {
            chances[j] = (float) ((1 - LYING) * chances[j] + LYING * shares[j % shares.length]);
        }
        return chances;
    }

    /** Chance of each outcome when any suspect is as likely as any other. */
    public double[] overall() {
        return overall;
    }

    private double[] meanChances() {
        double[] sums = new double[outcomes];
        for (float[] own : chances) {
            for (int j = 0; j < own.length; j++) {
                sums[j % outcomes] += own[j] / (chances.length * (double) Particles.FORESEEN);
            }
        }
        return sums;
    }

    public int outcomes() {
        return outcomes;
    }

    /** Writes the chances of all outcomes for one particle of a hypothesis. */
    public void chances(Hypothesis hypothesis, int particle, int sound, double there, double[] row) {
        float[] base = chances[sound];
        int from = particle * outcomes;
        if (hypothesis.isNoneOfThese()) {
            double share = Particles.unlistedShare(particle);
            float[] like = predictions.observes(hypothesis.first()) ? base : chances[hypothesis.first()];
            for (int m = 0; m < outcomes; m++) {
                row[m] = (1 - share) * like[from + m] + share / outcomes;
            }
            return;
        }
        float[] one = chances[hypothesis.first()];
        if (!hypothesis.isPair()) {
            for (int m = 0; m < outcomes; m++) {
                row[m] = there * one[from + m] + (1 - there) * base[from + m];
            }
            return;
        }
        float[] other = chances[hypothesis.second()];
        double total = 0;
        for (int m = 0; m < outcomes; m++) {
            row[m] = one[from + m] * other[from + m] / base[from + m];
            total += row[m];
        }
        for (int m = 0; m < outcomes; m++) {
            row[m] = there * row[m] / total + (1 - there) * base[from + m];
        }
    }
}
