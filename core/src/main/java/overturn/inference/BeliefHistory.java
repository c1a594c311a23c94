package overturn.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.evidence.Reading;
import overturn.numeric.LogSpace;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/**
 * What was believed before any reading and after each, and what would be believed without any one of them. Thread-safe: what is
 * worked out late is worked out alike by whoever comes first.
 */
public final class BeliefHistory {

    private static final double LIKELY = 0.5;

    private final LayoutModel model;
    private final Intake intake;
    private final Repairs repairs;
    private final Prior prior;
    private final List<ReadingLikelihood> likelihoods;
    private final Judged judged;
    private final SummedLikelihood read;
    private final List<Hypothesis> hypotheses;
    private final Belief[] after;
    private final Belief[] without;

    private BeliefHistory(LayoutModel model, Intake intake, Repairs repairs, Judged judged, List<ReadingLikelihood> likelihoods,
                          Optional<SummedLikelihood> readBefore, Belief[] before) {
        this.model = model;
        this.intake = intake;
        this.repairs = repairs.with(likelihoods);
        this.prior = Prior.of(model.suspects(), model.sound(), intake);
        this.likelihoods = List.copyOf(likelihoods);
        this.judged = judged;
        RigSetups all = setups(likelihoods);
        this.read = readBefore.map(b -> b.continued(all)).orElseGet(() -> SummedLikelihood.of(model.suspects().size(), all));
        this.hypotheses = Pairing.hypotheses(model, prior, this.repairs, read);
        this.after = Arrays.copyOf(before, likelihoods.size() + 1);
        this.without = new Belief[likelihoods.size()];
    }

    /** The beliefs of a job, a pure function of its readings and the facts of intake; each is worked out when first asked for. */
    public static BeliefHistory of(LayoutModel model, Intake intake, List<Reading> readings) {
        Judged judged = new Judged(model, intake.sometimes());
        return new BeliefHistory(model, intake, Repairs.NONE, judged, readings.stream().map(judged::of).toList(), Optional.empty(), new Belief[0]);
    }

    /** The same with more readings; equal to the history made anew, only sooner there. */
    public BeliefHistory with(List<Reading> readings) {
        List<ReadingLikelihood> more = new ArrayList<>(likelihoods);
        readings.forEach(r -> more.add(judged.of(r)));
        return new BeliefHistory(model, intake, repairs, judged, more, Optional.of(read), after);
    }

    /** The same after a repair: from here on it is asked what is still needed, and readings show what is left. */
    public BeliefHistory repaired(Cure cure) {
        return new BeliefHistory(model, intake, repairs.and(cure, model.suspects(), read), judged, likelihoods, Optional.of(read), Arrays.copyOf(after, likelihoods.size()));
    }

    /** What has been remedied. */
    public Optional<Cure> done() {
        return repairs.done();
    }

    public LayoutModel model() {
        return model;
    }

    public Intake intake() {
        return intake;
    }

    public List<Reading> readings() {
        return likelihoods.stream().map(ReadingLikelihood::reading).toList();
    }

    /** What was believed after the first {@code count} readings, as it was believed then; 0 is before any. */
    public Belief after(int count) {
        if (after[count] == null) {
            SummedLikelihood then = count == likelihoods.size() ? read : SummedLikelihood.of(model.suspects().size(), setups(likelihoods.subList(0, count)));
            after[count] = Belief.of(model, prior, repairs, count == likelihoods.size() ? hypotheses : Pairing.hypotheses(model, prior, repairs, then), then);
        }
        return after[count];
    }

    /** What is believed now. */
    public Belief now() {
        return after(likelihoods.size());
    }

    /** What would be believed without the reading at this index. */
    public Belief without(int reading) {
        if (without[reading] == null) {
            List<ReadingLikelihood> rest = new ArrayList<>(likelihoods);
            rest.remove(reading);
            without[reading] = Belief.of(model, prior, repairs, hypotheses, read.without(setups(rest)));
        }
        return without[reading];
    }

    /**
     * Roughly the probability, without the reading at this index, that every remedy of a cure is needed: each particle on its own vehicle only. Soon
     * found, to see where to look closer.
     */
    public double roughlyWithout(int reading, Cure cure) {
        List<ReadingLikelihood> others = new ArrayList<>(likelihoods);
        others.remove(reading);
        SummedLikelihood rest = read.without(setups(others));
        double[] shares = LogSpace.normalised(hypotheses.stream().mapToDouble(h -> Belief.logEvidence(prior, h, rest)).toArray());
        return IntStream.range(0, shares.length).filter(h -> now().cure(hypotheses.get(h)).includes(cure)).mapToDouble(h -> shares[h]).sum();
    }

    /**
     * How many times a reading raises the odds of a remedy by itself, nothing else being known: what it can carry, however much others say
     * the same.
     */
    public double ownFactor(int reading, Remedy remedy) {
        return odds(ofSingles(List.of(likelihoods.get(reading))).probability(remedy)) / odds(ofSingles(List.of()).probability(remedy));
    }

    private Belief ofSingles(List<ReadingLikelihood> readings) {
        return judged.alone(readings, done(), () ->
                Belief.of(model, prior, repairs, Pairing.singles(model), SummedLikelihood.of(model.suspects().size(), setups(readings))));
    }

    private RigSetups setups(List<ReadingLikelihood> readings) {
        Map<String, List<ReadingLikelihood>> groups = new LinkedHashMap<>();
        readings.forEach(r -> groups.computeIfAbsent(r.reading().rigSetup(), s -> new ArrayList<>()).add(r));
        return new RigSetups(groups.values().stream().map(judged::setup).toList(), readings);
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
     * The reading, since the last repair, that does not fit: where nothing in the list explains what was read, the one that speaks against all of it
     * most, or else one that more likely lied than not. None once another rig has read it too, and borne it out or shown it up.
     */
    public Optional<Reading> oddOneOut() {
        List<ReadingLikelihood> repeatable = likelihoods.stream().filter(r -> r.reading().after().equals(done())).toList();
        if (now().noneOfThese() <= LIKELY) {
            return repeatable.stream().map(ReadingLikelihood::reading).filter(r -> lied(r) && readings().stream().noneMatch(other -> showsUp(r.rigSetup(), other)))
                    .reduce((first, second) -> second);
        }
        List<ReadingLikelihood> strange = repeatable.stream().filter(r -> now().strange(r) > LIKELY).toList();
        boolean borneOut = strange.stream().map(ReadingLikelihood::reading).anyMatch(r -> readings().stream().anyMatch(other -> onAnotherRig(r, other)));
        return borneOut ? Optional.empty() : strange.stream().max(Comparator.comparingDouble(r -> now().strange(r))).map(ReadingLikelihood::reading);
    }

    /** Whether this was read with a rig that more likely lied than not. */
    boolean lied(Reading reading) {
        return now().lyingProbability(reading.rigSetup()) > LIKELY;
    }

    /** Whether a reading that did not lie repeats one of that rig set-up. */
    private boolean showsUp(String rigSetup, Reading other) {
        return !lied(other) && readings().stream().anyMatch(r -> r.rigSetup().equals(rigSetup) && onAnotherRig(r, other));
    }

    private static boolean onAnotherRig(Reading reading, Reading other) {
        return other.repeats(reading) && !other.rigSetup().equals(reading.rigSetup());
    }

    private static double odds(double probability) {
        double kept = Math.min(1 - 1e-12, Math.max(1e-12, probability));
        return kept / (1 - kept);
    }
}
