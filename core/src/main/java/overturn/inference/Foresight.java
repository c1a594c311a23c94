package overturn.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.RigTrust;
import overturn.numeric.LogSpace;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;

/**
 * What a test may be expected to show, before it is done: outcomes are drawn from the present belief, each is weighed as evidence,
 * and what would then be believed is summed up. Deterministic for equal beliefs.
 */
public final class Foresight {

    private static final int OUTCOMES = 32;
    private static final int MOST_PER_SUSPECT = 36;
    /** Suspects that hardly matter are kept with a few particles: a proof has to move odds even against them. */
    private static final int FEWEST_PER_SUSPECT = 6;
    private static final double NEGLIGIBLE = 0.001;
    private static final double LEAST_PROBABILITY = 1e-12;
    /** Odds that a single reading must move to carry a proof. */
    public static final double CARRYING_FACTOR = 3;
    private static final long OUTCOME_SEED = 41L;

    private final LayoutModel model;
    private final int[] suspects;
    private final int[] particles;
    private final double[] weights;
    private final double[] remediesNow;

    private Foresight(LayoutModel model, int[] suspects, int[] particles, double[] weights) {
        this.model = model;
        this.suspects = suspects;
        this.particles = particles;
        this.weights = weights;
        this.remediesNow = new double[Remedy.values().length];
        for (int j = 0; j < weights.length; j++) {
            remediesNow[remedy(j)] += weights[j];
        }
    }

    /** Thins the particles of a belief to a few, by weight, keeping each suspect's share. */
    public static Foresight of(Belief belief) {
        LayoutModel model = belief.model();
        List<double[]> kept = new ArrayList<>();
        for (int s = 0; s < model.suspects().size(); s++) {
            thin(belief, s, belief.probability(s) > NEGLIGIBLE ? MOST_PER_SUSPECT : FEWEST_PER_SUSPECT, kept);
        }
        double total = kept.stream().mapToDouble(k -> k[2]).sum();
        return new Foresight(model, kept.stream().mapToInt(k -> (int) k[0]).toArray(),
                kept.stream().mapToInt(k -> (int) k[1]).toArray(), kept.stream().mapToDouble(k -> k[2] / total).toArray());
    }

    private static void thin(Belief belief, int suspect, int most, List<double[]> kept) {
        double share = Math.max(LEAST_PROBABILITY, belief.probability(suspect)) / most;
        double next = share / 2;
        double cumulated = 0;
        for (int i = 0; i < LayoutModel.PARTICLES; i++) {
            cumulated += belief.particleWeight(suspect, i);
            int picked = 0;
            while (cumulated >= next) {
                picked++;
                next += share;
            }
            if (picked > 0) {
                kept.add(new double[] {suspect, i, picked * share});
            }
        }
    }

    private int remedy(int j) {
        return model.suspects().get(suspects[j]).remedy().ordinal();
    }

    /**
     * What doing a test is expected to bring.
     *
     * @param informationNats expected fall of the entropy over remedies
     * @param proofChance     chance that afterwards one remedy carries 95 % and this test carries it
     * @param leadingAfter    expected probability of the then leading remedy
     */
    public record Expectation(double informationNats, double proofChance, double leadingAfter) {
    }

    /** Expectation of one test on a fresh rig of normal trust. */
    public Expectation of(Procedure procedure) {
        Predictions predictions = model.predictions(procedure);
        return procedure.spec() instanceof Observation
                ? overObservations(procedure, predictions)
                : overDrawnSeries(procedure, predictions);
    }

    private Expectation overObservations(Procedure procedure, Predictions predictions) {
        Tally tally = new Tally(procedure);
        for (int option = 0; option < predictions.width(); option++) {
            double probability = 0;
            for (int j = 0; j < weights.length; j++) {
                probability += weights[j] * predictions.value(suspects[j], particles[j], option);
            }
            if (probability > 1e-9) {
                tally.add(probability, remediesAfter(predictions, new double[] {option}));
            }
        }
        return tally.expectation();
    }

    private Expectation overDrawnSeries(Procedure procedure, Predictions predictions) {
        SplittableRandom random = new SplittableRandom(OUTCOME_SEED);
        Tally tally = new Tally(procedure);
        double cumulated = 0;
        int j = -1;
        for (int m = 0; m < OUTCOMES; m++) {
            double target = (m + 0.5) / OUTCOMES;
            while (cumulated < target && j < weights.length - 1) {
                cumulated += weights[++j];
            }
            tally.add(1.0 / OUTCOMES, remediesAfter(predictions, drawn(predictions, j, random)));
        }
        return tally.expectation();
    }

    private double[] drawn(Predictions predictions, int j, SplittableRandom random) {
        double scale = predictions.noiseScale(suspects[j], particles[j]);
        double offset = predictions.offsetSd() * random.nextGaussian() * scale;
        double[] reading = new double[predictions.width()];
        for (int k = 0; k < reading.length; k++) {
            reading[k] = predictions.value(suspects[j], particles[j], k) + offset
                    + predictions.figureSd(k) * random.nextGaussian() * scale;
        }
        return reading;
    }

    private double[] remediesAfter(Predictions predictions, double[] reading) {
        double lying = RigTrust.NORMAL.lyingProbability();
        double[] logWeights = new double[weights.length];
        double logLied = Math.log(lying) + predictions.logLied(reading);
        double high = Double.NEGATIVE_INFINITY;
        for (int j = 0; j < weights.length; j++) {
            logWeights[j] = predictions.logLikelihood(reading, suspects[j], particles[j]);
            high = Math.max(high, logWeights[j]);
        }
        double scale = Math.max(high, logLied);
        double liedShare = Math.exp(logLied - scale);
        double[] after = new double[remediesNow.length];
        double total = 0;
        for (int j = 0; j < weights.length; j++) {
            double weight = weights[j] * ((1 - lying) * Math.exp(logWeights[j] - scale) + liedShare);
            after[remedy(j)] += weight;
            total += weight;
        }
        for (int r = 0; r < after.length; r++) {
            after[r] /= total;
        }
        return after;
    }

    /** Sums up what would be believed over the outcomes of one test. */
    private final class Tally {
        private final Procedure procedure;
        private double entropy;
        private double proof;
        private double leading;
        private double probability;

        private Tally(Procedure procedure) {
            this.procedure = procedure;
        }

        private void add(double outcomeProbability, double[] after) {
            entropy += outcomeProbability * LogSpace.entropy(after);
            double top = Arrays.stream(after).max().orElseThrow();
            leading += outcomeProbability * top;
            probability += outcomeProbability;
            for (int r = 0; r < after.length; r++) {
                if (after[r] == top && top >= 0.95 && carries(r, top)) {
                    proof += outcomeProbability;
                    break;
                }
            }
        }

        private boolean carries(int remedy, double after) {
            return odds(after) >= CARRYING_FACTOR * odds(remediesNow[remedy]) && model.suspects().stream()
                    .anyMatch(s -> s.remedy().ordinal() == remedy && procedure.canCarry(s.id()));
        }

        private static double odds(double probability) {
            return probability / Math.max(LEAST_PROBABILITY, 1 - probability);
        }

        private Expectation expectation() {
            double information = LogSpace.entropy(remediesNow) - entropy / probability;
            return new Expectation(Math.max(0, information), proof / probability, leading / probability);
        }
    }
}
