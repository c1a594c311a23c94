package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SummedLikelihood;
import overturn.numeric.LogSpace;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/**
 * What was believed before any reading and after each, and what would be believed without any one of them. Thread-safe:
 * what is worked out late is worked out alike by whoever comes first.
 */
public final class BeliefHistory {

    /** From here on something is likelier than not: that a reading is strange, that its rig lied; definition. */
    private static final double LIKELY = 0.5;
    /** From here on a fault in no list is feared enough to read again what speaks for it; chosen. */
    private static final double UNEXPLAINED = 0.2;
    /**
     * From this on two readings do not go together, the one more doubted lying so likely at least; rules of ours;
     * chosen.
     */
    private static final double ONE_OF_TWO = 0.55;

    /** Probability of lying from which on a reading is named as doubtful; chosen. */
    private static final double DOUBTED = 0.3;

    private final LayoutModel model;
    private final Intake intake;
    private final Repairs repairs;
    private final Prior prior;
    private final List<ReadingLikelihood> likelihoods;
    private final List<Reading> readings;
    private final LikelihoodCache cache;
    private final SummedLikelihood read;
    private final Evidence evidence;
    private final List<Closed> closed;
    private final List<Hypothesis> hypotheses;
    private final AtomicReferenceArray<Belief> after;
    private final AtomicReferenceArray<Belief> without;
    private volatile double @Nullable [][] roughFactors;

    private BeliefHistory(
            LayoutModel model,
            Intake intake,
            Repairs repairs,
            LikelihoodCache cache,
            List<ReadingLikelihood> likelihoods,
            Optional<SummedLikelihood> readBefore,
            List<Closed> closed,
            List<Belief> before) {
        this.model = model;
        this.intake = intake;
        this.repairs = repairs.with(likelihoods);
        this.prior = Prior.of(model.layout(), model.suspects(), model.sound(), intake);
        this.likelihoods = List.copyOf(likelihoods);
        this.readings = likelihoods.stream().map(ReadingLikelihood::reading).toList();
        this.cache = cache;
        RigSetups all = setups(likelihoods);
        this.read = readBefore
                .map(b -> b.continued(all))
                .orElseGet(() -> SummedLikelihood.of(model.suspects().size(), all));
        this.evidence = evidence(likelihoods, read);
        this.closed = List.copyOf(closed);
        this.hypotheses = Pairing.hypotheses(model, prior, this.repairs, read);
        this.after = new AtomicReferenceArray<>(likelihoods.size() + 1);
        for (int n = 0; n < before.size(); n++) {
            after.set(n, before.get(n));
        }
        this.without = new AtomicReferenceArray<>(likelihoods.size());
    }

    /**
     * The beliefs of a job, a pure function of its readings and the facts of intake; each is worked out when first
     * asked for.
     */
    public static BeliefHistory of(LayoutModel model, Intake intake, List<Reading> readings) {
        LikelihoodCache cache = new LikelihoodCache(model, intake.sometimes());
        return new BeliefHistory(
                model,
                intake,
                Repairs.NONE,
                cache,
                readings.stream().map(cache::of).toList(),
                Optional.empty(),
                List.of(),
                List.of());
    }

    private Evidence evidence(List<ReadingLikelihood> readings, SummedLikelihood sum) {
        return Evidence.of(model.suspects().size(), prior, repairs, readings, this::setups, sum);
    }

    /**
     * The end of a chapter: what was believed when something was remedied.
     *
     * @param readings how many had been taken by then
     * @param cure what was remedied then
     */
    public record Closed(int readings, Cure cure, Belief before) {}

    /**
     * One place on the way: what was believed after so many readings.
     *
     * @param repaired what was remedied just before, where it is not a reading that comes before this
     */
    public record Moment(int readings, Optional<Cure> repaired, Belief belief) {}

    /** What was believed before any reading, after each, and after each repair, in order. */
    public List<Moment> moments() {
        List<Moment> moments = new ArrayList<>();
        for (int n = 0; n <= likelihoods.size(); n++) {
            Optional<Cure> repaired = Optional.empty();
            for (Closed chapter : closed) {
                if (chapter.readings() == n) {
                    moments.add(new Moment(n, repaired, chapter.before()));
                    repaired = Optional.of(chapter.cure());
                }
            }
            moments.add(new Moment(n, repaired, after(n)));
        }
        return moments;
    }

    /**
     * The same as {@link #of}, sooner there where some of what was believed on the way is still known.
     *
     * @param earlier {@link #settled} of a history of the same vehicle whose readings are the first of these
     */
    public static BeliefHistory resumed(
            LayoutModel model, Intake intake, List<Reading> readings, List<Belief> earlier) {
        LikelihoodCache cache = new LikelihoodCache(model, intake.sometimes());
        return new BeliefHistory(
                model,
                intake,
                Repairs.NONE,
                cache,
                readings.stream().map(cache::of).toList(),
                Optional.empty(),
                List.of(),
                earlier.subList(0, Math.min(earlier.size(), readings.size())));
    }

    /**
     * What was believed before any reading and after each, without particles: little to keep, and enough to resume
     * from.
     */
    public List<Belief> settled() {
        return IntStream.rangeClosed(0, likelihoods.size())
                .mapToObj(n -> after(n).settled())
                .toList();
    }

    /** The same with more readings; equal to the history made anew, only sooner there. */
    public BeliefHistory with(List<Reading> readings) {
        List<ReadingLikelihood> more = new ArrayList<>(likelihoods);
        readings.forEach(r -> more.add(cache.of(r)));
        return new BeliefHistory(
                model, intake, repairs, cache, more, Optional.of(read), closed, known(likelihoods.size() + 1));
    }

    /**
     * The same after a repair: from here on it is asked what is still needed, or was brought by the repair, and
     * readings show what is left.
     */
    public BeliefHistory repaired(Cure cure) {
        List<Belief> before = settled();
        List<Closed> chapters = new ArrayList<>(closed);
        chapters.add(new Closed(likelihoods.size(), cure, before.get(likelihoods.size())));
        double[] shares = Brought.shares(model.layout(), model.suspects(), cure);
        return new BeliefHistory(
                model,
                intake,
                repairs.and(cure, model.suspects(), read, now().brought(cure, shares)),
                cache,
                likelihoods,
                Optional.of(read),
                chapters,
                before.subList(0, likelihoods.size()));
    }

    /**
     * The same after a repair that changed a dimension: readings from here on are of the changed vehicle, those before
     * stay judged as they were.
     *
     * @param changed model of the changed layout; its vehicles are the same ones but for that dimension
     */
    public BeliefHistory changedTo(LayoutModel changed) {
        return new BeliefHistory(
                changed,
                intake,
                repairs,
                new LikelihoodCache(changed, intake.sometimes()),
                likelihoods,
                Optional.of(read),
                closed,
                known(likelihoods.size()));
    }

    /** What has been worked out of the first beliefs; null where it has not been asked for. */
    private List<Belief> known(int count) {
        return IntStream.range(0, count).mapToObj(after::get).collect(Collectors.toCollection(ArrayList::new));
    }

    /** A belief, worked out when first asked for; should two ask at once, both get the one that was there first. */
    private static Belief once(AtomicReferenceArray<Belief> beliefs, int place, Supplier<Belief> worked) {
        Belief known = beliefs.get(place);
        if (known == null) {
            beliefs.compareAndSet(place, null, worked.get());
            known = beliefs.get(place);
        }
        return known;
    }

    /**
     * Works every belief on the way out now, and keeps no particles but those of the latest. What would be believed
     * without a reading is worked out for whoever asks.
     */
    public BeliefHistory complete() {
        for (int n = 0; n < likelihoods.size(); n++) {
            after.set(n, after(n).settled());
        }
        now();
        return this;
    }

    /** What has been remedied. */
    public Repaired done() {
        return repairs.done();
    }

    public LayoutModel model() {
        return model;
    }

    public Intake intake() {
        return intake;
    }

    public List<Reading> readings() {
        return readings;
    }

    /** What was believed after the first {@code count} readings, as it was believed then; 0 is before any. */
    public Belief after(int count) {
        return once(after, count, () -> {
            if (count == likelihoods.size()) {
                return Belief.of(model, hypotheses, evidence);
            }
            List<ReadingLikelihood> first = likelihoods.subList(0, count);
            SummedLikelihood then = SummedLikelihood.of(model.suspects().size(), setups(first));
            return Belief.of(model, Pairing.hypotheses(model, prior, repairs, then), evidence(first, then));
        });
    }

    /** What is believed now. */
    public Belief now() {
        return after(likelihoods.size());
    }

    /**
     * What would be believed without the reading at this index. It is found from what is believed now, which is
     * therefore worked out first: sums that are sometimes continued and sometimes made anew would differ in their last
     * digits.
     */
    public Belief without(int reading) {
        now();
        return once(without, reading, () -> {
            List<ReadingLikelihood> rest = new ArrayList<>(likelihoods);
            rest.remove(reading);
            return Belief.of(model, hypotheses, evidence(rest, read.without(setups(rest))))
                    .settled();
        });
    }

    /**
     * Roughly how many times a reading raised the odds of a suspect; below 1 it speaks against it. Each particle is
     * tried on its own vehicle only: half of these are within a fifteenth of {@link #oddsFactor}, nine tenths within a
     * factor of 1.6, and all suspects and readings take less than one exact answer for each reading.
     */
    public double roughOddsFactor(int reading, String suspectId) {
        double[][] known = roughFactors;
        if (known == null) {
            double[] with = roughSuspects(evidence);
            known = IntStream.range(0, likelihoods.size())
                    .mapToObj(i -> roughFactors(i, with))
                    .toArray(double[][]::new);
            roughFactors = known;
        }
        return known[reading][model.indexOf(suspectId)];
    }

    private double[] roughFactors(int reading, double[] with) {
        List<ReadingLikelihood> others = new ArrayList<>(likelihoods);
        others.remove(reading);
        double[] without = roughSuspects(evidence(others, read.without(setups(others))));
        return IntStream.range(0, with.length)
                .mapToDouble(s -> odds(with[s]) / odds(without[s]))
                .toArray();
    }

    private double[] roughSuspects(Evidence of) {
        double[] shares = roughShares(of);
        double[] suspects = new double[model.suspects().size()];
        for (int h = 0; h < shares.length; h++) {
            Belief.add(now().left(hypotheses.get(h)), shares[h], suspects);
        }
        return suspects;
    }

    private double[] roughShares(Evidence of) {
        return LogSpace.normalised(hypotheses.stream().mapToDouble(of::log).toArray());
    }

    /**
     * Roughly the probability, without the reading at this index, that every remedy of a cure is needed: each particle
     * on its own vehicle only. Soon found, to see where to look closer.
     */
    public double roughlyWithout(int reading, Cure cure) {
        now();
        List<ReadingLikelihood> others = new ArrayList<>(likelihoods);
        others.remove(reading);
        double[] shares = roughShares(evidence(others, read.without(setups(others))));
        return IntStream.range(0, shares.length)
                .filter(h -> now().cure(hypotheses.get(h)).includes(cure))
                .mapToDouble(h -> shares[h])
                .sum();
    }

    /**
     * How many times a reading raises the odds of a remedy by itself, nothing else being known: what it can carry,
     * however much others say the same.
     */
    public double ownFactor(int reading, Remedy remedy) {
        return odds(ofSingles(List.of(likelihoods.get(reading))).probability(remedy))
                / odds(ofSingles(List.of()).probability(remedy));
    }

    private Belief ofSingles(List<ReadingLikelihood> readings) {
        return cache.alone(
                readings,
                done(),
                () -> Belief.of(
                        model,
                        Stream.concat(Pairing.singles(model).stream(), repairs.brought().stream())
                                .toList(),
                        evidence(readings, SummedLikelihood.of(model.suspects().size(), setups(readings)))
                                .alone()));
    }

    private RigSetups setups(List<ReadingLikelihood> readings) {
        return cache.setups(readings);
    }

    /** How many times a reading raised the odds of a suspect; below 1 it speaks against it. */
    public double oddsFactor(int reading, String suspectId) {
        return odds(now().probability(suspectId)) / odds(without(reading).probability(suspectId));
    }

    /** How many times a reading raised the odds of a remedy. */
    public double oddsFactor(int reading, Remedy remedy) {
        return odds(now().probability(remedy)) / odds(without(reading).probability(remedy));
    }

    /** How many times a reading raised the odds of exactly this cure. */
    public double oddsFactor(int reading, Cure cure) {
        return odds(now().probability(cure)) / odds(without(reading).probability(cure));
    }

    /**
     * The reading, since the last repair, that does not fit: where nothing in the list explains what was read, the one
     * that speaks against all of it most, or else one that more likely lied than not, alone or as one of two that
     * cannot both be right. None once another rig has read it too, and borne it out or shown it up.
     */
    public Optional<Reading> oddOneOut() {
        List<ReadingLikelihood> repeatable = likelihoods.stream()
                .filter(r -> r.reading().after().equals(done()))
                .toList();
        if (now().noneOfThese() <= UNEXPLAINED) {
            return repeatable.stream()
                    .map(ReadingLikelihood::reading)
                    .filter(r -> lied(r) && readings().stream().noneMatch(other -> showsUp(r.rigSetup(), other)))
                    .reduce((first, second) -> second)
                    .or(() -> ofTwo(repeatable));
        }
        List<ReadingLikelihood> strange =
                repeatable.stream().filter(r -> now().strange(r) > LIKELY).toList();
        boolean borneOut = strange.stream()
                .map(ReadingLikelihood::reading)
                .anyMatch(r -> readings().stream().anyMatch(other -> onAnotherRig(r, other)));
        return borneOut
                ? Optional.empty()
                : strange.stream()
                        .max(Comparator.comparingDouble(r -> now().strange(r)))
                        .map(ReadingLikelihood::reading);
    }

    /**
     * Of two set-ups whose readings do not go together, whether one lied or nothing in the list explains both, the
     * reading of the one that more likely lied.
     */
    private Optional<Reading> ofTwo(List<ReadingLikelihood> repeatable) {
        List<String> doubted = repeatable.stream()
                .map(r -> r.reading().rigSetup())
                .distinct()
                .sorted(Comparator.comparingDouble((String setup) -> -now().lyingProbability(setup)))
                .limit(2)
                .toList();
        double either = now().noneOfThese()
                + doubted.stream().mapToDouble(now()::lyingProbability).sum();
        return doubted.size() < 2 || either < ONE_OF_TWO || now().lyingProbability(doubted.get(0)) < DOUBTED
                ? Optional.empty()
                : repeatable.stream()
                        .map(ReadingLikelihood::reading)
                        .filter(r -> r.rigSetup().equals(doubted.get(0)))
                        .filter(r -> readings().stream().noneMatch(other -> onAnotherRig(r, other)))
                        .reduce((first, second) -> second);
    }

    /** Whether this was read with a rig that more likely lied than not. */
    boolean lied(Reading reading) {
        return now().lyingProbability(reading.rigSetup()) > LIKELY;
    }

    /** Whether a reading that did not lie repeats one of that rig set-up. */
    private boolean showsUp(String rigSetup, Reading other) {
        return !lied(other)
                && readings().stream().anyMatch(r -> r.rigSetup().equals(rigSetup) && onAnotherRig(r, other));
    }

    private static boolean onAnotherRig(Reading reading, Reading other) {
        return other.repeats(reading) && !other.rigSetup().equals(reading.rigSetup());
    }

    private static double odds(double probability) {
        double kept = Math.min(1 - 1e-12, Math.max(1e-12, probability));
        return kept / (1 - kept);
    }
}
