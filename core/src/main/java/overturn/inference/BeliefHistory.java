package overturn.inference;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import overturn.evidence.Reading;
import overturn.suspect.Remedy;

/** What was believed before any reading and after each, and what would be believed without any one of them. For one thread. */
public final class BeliefHistory {

    private final LayoutModel model;
    private final List<Reading> readings;
    private final List<ReadingLikelihood> likelihoods;
    private final Belief[] after;
    private final Belief[] without;

    private BeliefHistory(LayoutModel model, List<Reading> readings) {
        this.model = model;
        this.readings = List.copyOf(readings);
        this.likelihoods = readings.stream().map(r -> ReadingLikelihood.of(model, r)).toList();
        this.after = new Belief[readings.size() + 1];
        this.without = new Belief[readings.size()];
    }

    /** The beliefs of a job, a pure function of its readings; each is worked out when first asked for. */
    public static BeliefHistory of(LayoutModel model, List<Reading> readings) {
        return new BeliefHistory(model, readings);
    }

    public List<Reading> readings() {
        return readings;
    }

    /** What was believed after the first {@code count} readings; 0 is before any. */
    public Belief after(int count) {
        if (after[count] == null) {
            after[count] = Belief.of(model, likelihoods.subList(0, count));
        }
        return after[count];
    }

    /** What is believed now. */
    public Belief now() {
        return after(readings.size());
    }

    /** What would be believed without the reading at this index. */
    public Belief without(int reading) {
        if (without[reading] == null) {
            List<ReadingLikelihood> rest = new ArrayList<>(likelihoods);
            rest.remove(reading);
            without[reading] = Belief.of(model, rest);
        }
        return without[reading];
    }

    /** How many times a reading raised the odds of a suspect; below 1 it speaks against it. */
    public double oddsFactor(int reading, String suspectId) {
        return odds(now().probability(suspectId)) / odds(without(reading).probability(suspectId));
    }

    /** How many times a reading raised the odds of a remedy. */
    public double oddsFactor(int reading, Remedy remedy) {
        return odds(now().probability(remedy)) / odds(without(reading).probability(remedy));
    }

    /** The reading that most likely lied, if it more likely lied than not. */
    public Optional<Reading> oddOneOut() {
        return readings.stream()
                .filter(r -> now().lyingProbabilities().getOrDefault(r.rigSetup(), 0.0) > 0.5)
                .reduce((first, second) -> second);
    }

    private static double odds(double probability) {
        double kept = Math.min(1 - 1e-12, Math.max(1e-12, probability));
        return kept / (1 - kept);
    }
}
