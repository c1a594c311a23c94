package overturn.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.Particles;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.SetupLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.numeric.LogSpace;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * What is believed after some readings: weights of all particles of all hypotheses carried, and from them everything
 * else. Immutable. Two suspects can be at fault at once, so the probabilities of suspects, and of remedies, may sum to
 * more than one; those of hypotheses, and of cures, sum to one.
 */
public final class Belief {

    /** Least probability that is divided by; chosen. */
    private static final double LEAST = 1e-12;
    /** Share below which a hypothesis says nothing about whether a rig lied; chosen. */
    private static final double UNFELT = 1e-6;
    /**
     * Share from which on a fault in no list is tried with several vehicles, and a single; and how many singles are at
     * most; chosen.
     */
    private static final double MATTERING = 0.002;

    /** Share below which a hypothesis is not tried with several vehicles; chosen. */
    private static final double HARDLY_MATTERING = 1e-5;
    /** Hypotheses that are tried with several vehicles at most; chosen for speed. */
    private static final int MOST_LEADING = 8;

    /** Part of the log likelihood that tempering takes away which a proof counts again; chosen (docs/accuracy.md). */
    private static final double PART_IN_PROOFS = 0.5;

    private final LayoutModel model;
    private final Optional<Cure> done;
    private final List<Hypothesis> hypotheses;
    private final List<Cloud> clouds;
    private final double[] shares;
    private final double logTotal;
    private final double[] suspects;
    private final Map<Remedy, Double> remedies = new EnumMap<>(Remedy.class);
    private final Map<Cure, Double> cures = new LinkedHashMap<>();
    private final List<SetupLikelihood> setups;
    private final Map<String, Double> lying = new ConcurrentHashMap<>();
    private volatile @Nullable List<Suspect> ranking;
    private volatile @Nullable SuspectedPlaces places;
    private volatile double untemperedRise = Double.NaN;

    private Belief(
            LayoutModel model,
            Optional<Cure> done,
            List<Hypothesis> hypotheses,
            List<SetupLikelihood> setups,
            List<Cloud> clouds,
            double[] shares,
            double logTotal) {
        this.model = model;
        this.done = done;
        this.hypotheses = hypotheses;
        this.setups = setups;
        this.clouds = clouds;
        this.shares = shares;
        this.logTotal = logTotal;
        this.suspects = new double[model.suspects().size()];
        for (int h = 0; h < shares.length; h++) {
            sum(hypotheses.get(h), shares[h]);
        }
    }

    /** What has been remedied is suspected no more. */
    private void sum(Hypothesis hypothesis, double share) {
        add(left(hypothesis), share, suspects);
        Cure cure = cure(hypothesis);
        cures.merge(cure, share, Double::sum);
        cure.remedies().forEach(remedy -> remedies.merge(remedy, share, Double::sum));
    }

    /** Adds the share of a hypothesis to those of its suspects. */
    static void add(Hypothesis left, double share, double[] suspects) {
        if (!left.isNoneOfThese()) {
            suspects[left.first()] += share;
        }
        if (left.isPair()) {
            suspects[left.second()] += share;
        }
    }

    /** What a hypothesis still needs. */
    Cure cure(Hypothesis hypothesis) {
        return left(hypothesis).cure(model.suspects());
    }

    /** What is left of a hypothesis after what was remedied. */
    Hypothesis left(Hypothesis hypothesis) {
        return hypothesis.after(done, model.suspects(), model.sound());
    }

    /**
     * From the likelihood of everything read, each rig set-up either telling the truth in all its readings or in none.
     */
    static Belief of(LayoutModel model, List<Hypothesis> hypotheses, Evidence evidence) {
        Set<Integer> tried =
                tried(hypotheses, hypotheses.stream().mapToDouble(evidence::log).toArray(), model.sound());
        List<Cloud> clouds = IntStream.range(0, hypotheses.size())
                .mapToObj(h -> Cloud.of(
                        evidence.logPrior(hypotheses.get(h)),
                        tried.contains(h)
                                ? overVehicles(
                                        hypotheses.get(h),
                                        evidence.repairs(),
                                        evidence.of(hypotheses.get(h)),
                                        model.particles())
                                : evidence.of(hypotheses.get(h)).row(hypotheses.get(h), 0)))
                .toList();
        double[] logs = clouds.stream().mapToDouble(Cloud::logEvidence).toArray();
        return new Belief(
                model,
                evidence.repairs().done().all(),
                hypotheses,
                evidence.read().setups(),
                clouds,
                LogSpace.normalised(logs),
                LogSpace.sum(logs));
    }

    /**
     * The same without its particles: what is believed of suspects, cures and pairs, in a fiftieth of the heap. Nothing
     * can be weighed with it.
     */
    Belief settled() {
        Belief settled = new Belief(model, done, hypotheses, List.of(), List.of(), shares, logTotal);
        settled.places = places();
        return settled;
    }

    /**
     * What a repair leaves behind.
     *
     * @param more what it remedies
     * @param shares how often it brings each suspect
     */
    Brought.Weights brought(Cure more, double[] shares) {
        Optional<Cure> all = Optional.of(done.map(more::and).orElse(more));
        Hypothesis sound = Hypothesis.single(model.sound());
        double[] logs = new double[shares.length];
        List<Double> cured = new ArrayList<>();
        Arrays.fill(logs, Double.NEGATIVE_INFINITY);
        for (int h = 0; h < hypotheses.size(); h++) {
            Hypothesis hypothesis = hypotheses.get(h);
            double log = Math.log(this.shares[h]) + logTotal;
            boolean nothingLeft;
            if (hypothesis.isBrought()) {
                boolean gone =
                        more.settles(model.suspects().get(hypothesis.first()).remedy());
                int left = gone ? model.sound() : hypothesis.first();
                logs[left] = LogSpace.add(logs[left], log);
                nothingLeft = left == model.sound();
            } else {
                nothingLeft =
                        hypothesis.after(all, model.suspects(), model.sound()).equals(sound);
            }
            if (nothingLeft) {
                cured.add(log);
            }
        }
        double logCured =
                LogSpace.sum(cured.stream().mapToDouble(Double::doubleValue).toArray());
        for (int s = 0; s < logs.length; s++) {
            logs[s] = LogSpace.add(logs[s], logCured + Math.log(shares[s]));
        }
        return new Brought.Weights(logs, logTotal);
    }

    /**
     * Particles are few, and where a reading pins the severity down hardly one is left, whose vehicle then decides by
     * chance. So every severity of a leading hypothesis is tried with several vehicles; and on its own vehicle, if no
     * rig lied, it has some leeway.
     */
    private static double[] overVehicles(
            Hypothesis hypothesis, Repairs repairs, SummedLikelihood read, Particles particles) {
        double[] mean =
                hypothesis.isNoneOfThese() ? read.row(hypothesis, 0).clone() : read.withLeeway(hypothesis, particles);
        Optional<Repairs.Weighed> tried = repairs.tried(hypothesis);
        tried.ifPresent(weighed -> addPairs(mean, weighed, read));
        int times = hypothesis.isPair() ? Particles.PAIRS_TRIED : Particles.VEHICLES_TRIED;
        for (int time = 1; time < times && tried.isEmpty(); time++) {
            double[] other = read.row(hypothesis, time);
            for (int i = 0; i < mean.length; i++) {
                mean[i] = LogSpace.add(mean[i], other[i]);
            }
        }
        for (int i = 0; i < mean.length; i++) {
            mean[i] -= Math.log(times);
        }
        return mean;
    }

    private static void addPairs(double[] mean, Repairs.Weighed weighed, SummedLikelihood read) {
        double[] paired = read.paired(weighed.pairs());
        for (int n = 0; n < paired.length; n++) {
            int guest = weighed.pairs().guests()[n];
            mean[guest] = LogSpace.add(mean[guest], paired[n] + weighed.logWeights()[n]);
        }
    }

    /**
     * Nothing wrong, the leading singles, faults in no list that matter, and all pairs that are carried: two severities
     * seldom both fit on one particle.
     */
    private static Set<Integer> tried(List<Hypothesis> hypotheses, double[] logEvidence, int sound) {
        double[] shares = LogSpace.normalised(logEvidence);
        Set<Integer> leading = IntStream.range(0, shares.length)
                .boxed()
                .filter(h -> hypotheses.get(h).isSingle() && shares[h] > HARDLY_MATTERING)
                .sorted(Comparator.comparingDouble((Integer h) -> -shares[h]).thenComparing(h -> h))
                .limit(MOST_LEADING)
                .collect(Collectors.toSet());
        return IntStream.range(0, shares.length)
                .boxed()
                .filter(h -> hypotheses.get(h).isSingle()
                        ? leading.contains(h) || hypotheses.get(h).first() == sound
                        : hypotheses.get(h).isPair() || shares[h] >= MATTERING)
                .collect(Collectors.toSet());
    }

    /**
     * Of what is in the list: a fault in no list would explain any reading, and a rig is made anew before that is
     * believed.
     */
    private double lyingProbability(SetupLikelihood setup) {
        double lying = 0;
        double listed = 0;
        for (int h = 0; h < shares.length; h++) {
            boolean told =
                    !hypotheses.get(h).isNoneOfThese() && (!hypotheses.get(h).isBrought() || setup.sinceRepair());
            if (told && shares[h] > UNFELT) {
                lying += shares[h] * clouds.get(h).lying(setup.logLied(), setup.row(hypotheses.get(h), 0));
                listed += shares[h];
            }
        }
        return listed == 0 ? 0 : lying / listed;
    }

    /** Probability, if the fault is in no list, that a reading shows it. */
    double strange(ReadingLikelihood reading) {
        double strange = 0;
        for (int h = 0; h < shares.length; h++) {
            if (hypotheses.get(h).isNoneOfThese() && shares[h] > LEAST) {
                for (int i = 0; i < Particles.PARTICLES; i++) {
                    strange += weight(h, i) * reading.strange(hypotheses.get(h).first(), i);
                }
            }
        }
        return strange / noneOfThese();
    }

    LayoutModel model() {
        return model;
    }

    List<Hypothesis> hypotheses() {
        return hypotheses;
    }

    double share(int hypothesis) {
        return shares[hypothesis];
    }

    double weight(int hypothesis, int particle) {
        Cloud cloud = clouds.get(hypothesis);
        return shares[hypothesis] * cloud.share(particle);
    }

    /**
     * Weights of the foreseen particles of a hypothesis, which have its whole share among them, alike where none of
     * them fits at all. Singles come first among the hypotheses, in the order of the suspects.
     */
    double[] foreseen(int hypothesis) {
        float[] relative = clouds.get(hypothesis).relative();
        double[] weights = new double[Particles.FORESEEN];
        double sum = 0;
        for (int i = 0; i < weights.length; i++) {
            weights[i] = Math.max(LEAST, relative[i]);
            sum += weights[i];
        }
        for (int i = 0; i < weights.length; i++) {
            weights[i] *= shares[hypothesis] / sum;
        }
        return weights;
    }

    /**
     * Weights of the foreseen particles of all hypotheses of which this suspect alone is left: after a repair a sound
     * vehicle is the one that was repaired, not one that never had a fault.
     */
    double[] leftAs(int suspect) {
        Hypothesis left = Hypothesis.single(suspect);
        double[] sums = new double[Particles.FORESEEN];
        for (int h = 0; h < shares.length; h++) {
            boolean counts = hypotheses.get(h).equals(left)
                    || done.isPresent()
                            && shares[h] > LEAST
                            && left(hypotheses.get(h)).equals(left);
            if (counts) {
                double[] weights = foreseen(h);
                for (int i = 0; i < sums.length; i++) {
                    sums[i] += weights[i];
                }
            }
        }
        return sums;
    }

    /** Probability that a suspect, by its index in the model, is at fault, alone or with another. */
    public double probability(int suspect) {
        return suspects[suspect];
    }

    /** Probability that a suspect is at fault, alone or with another. */
    public double probability(String suspectId) {
        return suspects[model.indexOf(suspectId)];
    }

    /** Probability that each remedy is still needed. */
    public Map<Remedy, Double> remedies() {
        return new EnumMap<>(remedies);
    }

    /** The remedy most likely needed; ties go to the first named. */
    public Remedy leadingRemedy() {
        return remedies.entrySet().stream()
                .max(Comparator.comparingDouble(Map.Entry::getValue))
                .orElseThrow()
                .getKey();
    }

    public double probability(Remedy remedy) {
        return remedies.getOrDefault(remedy, 0.0);
    }

    /** Probability of each cure, that is of exactly these remedies being needed; they sum to one. */
    public Map<Cure, Double> cures() {
        return java.util.Collections.unmodifiableMap(cures);
    }

    /** The cure most likely needed, one remedy or two; ties go to the first carried. */
    public Cure leadingCure() {
        return cures.entrySet().stream()
                .reduce((best, other) -> other.getValue() > best.getValue() ? other : best)
                .orElseThrow()
                .getKey();
    }

    public double probability(Cure cure) {
        return cures.getOrDefault(cure, 0.0);
    }

    /** Probability that the fault is in no list. */
    public double noneOfThese() {
        double sum = 0;
        for (int h = 0; h < shares.length; h++) {
            sum += hypotheses.get(h).isNoneOfThese() ? shares[h] : 0;
        }
        return sum;
    }

    /**
     * How many times likelier a fault in no list is in a proof, where half of what a misfit says beyond the tempered
     * counts again; 1 where nothing was read, or where the particles are no longer kept. Worked out when first asked
     * for.
     */
    public double untemperedRise() {
        if (Double.isNaN(untemperedRise)) {
            double share = noneOfThese();
            untemperedRise = share <= LEAST || setups.isEmpty() ? 1 : untempered() / share;
        }
        return untemperedRise;
    }

    private double untempered() {
        double sum = 0;
        for (int h = 0; h < shares.length; h++) {
            if (hypotheses.get(h).isNoneOfThese() && shares[h] > LEAST) {
                double[] rise = new double[Particles.PARTICLES];
                for (SetupLikelihood setup : setups) {
                    double[] more = setup.untemperedRise(hypotheses.get(h));
                    for (int i = 0; i < rise.length; i++) {
                        rise[i] += more[i];
                    }
                }
                for (int i = 0; i < rise.length; i++) {
                    sum += weight(h, i) * Math.exp(PART_IN_PROOFS * rise[i]);
                }
            }
        }
        return sum;
    }

    /** Probability that two suspects are at fault at once. */
    public double pairs() {
        double sum = 0;
        for (int h = 0; h < shares.length; h++) {
            sum += left(hypotheses.get(h)).isPair() ? shares[h] : 0;
        }
        return sum;
    }

    /** A pair of suspects and how likely it is that both are at fault. */
    public record Pair(Suspect one, Suspect other, double probability) {}

    /** The likeliest pairs, at most this many. */
    public List<Pair> leadingPairs(int most) {
        return IntStream.range(0, shares.length)
                .filter(h -> left(hypotheses.get(h)).isPair())
                .boxed()
                .sorted(Comparator.comparingDouble(h -> -shares[h]))
                .limit(most)
                .map(h -> new Pair(
                        model.suspects().get(hypotheses.get(h).first()),
                        model.suspects().get(hypotheses.get(h).second()),
                        shares[h]))
                .toList();
    }

    /** Where it sits: suspicion per part and per segment of the circuit. */
    public SuspectedPlaces places() {
        SuspectedPlaces known = places;
        if (known == null) {
            known = SuspectedPlaces.of(this);
            places = known;
        }
        return known;
    }

    /** Suspects from the most to the least suspected, ties by order of the catalogue. */
    public List<Suspect> ranking() {
        List<Suspect> known = ranking;
        if (known == null) {
            known = IntStream.range(0, suspects.length)
                    .boxed()
                    .sorted(Comparator.comparingDouble((Integer s) -> -suspects[s])
                            .thenComparing(s -> s))
                    .map(model.suspects()::get)
                    .toList();
            ranking = known;
        }
        return known;
    }

    /** Probability that a rig set-up lied; 0 where nothing was read with it. */
    public double lyingProbability(String rigSetup) {
        return setups.stream()
                .filter(s -> s.setup().equals(rigSetup))
                .findFirst()
                .map(s -> lying.computeIfAbsent(rigSetup, r -> lyingProbability(s)))
                .orElse(0.0);
    }
}
