package overturn.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Foresight;
import overturn.inference.LayoutModel;
import overturn.measurement.RigTrust;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Verdict.Missing;

/**
 * Grades a belief (handbook 05): proven means 95 % or more, carried by an isolating or directly observing reading whose rig is
 * proven or which was repeated with another rig, no conflict open, and 80 % left without any other single reading.
 */
public final class VerdictRule {

    public static final double PROVEN_SHARE = 0.95;
    public static final double PROBABLE_SHARE = 0.80;

    private final LayoutModel model;

    private VerdictRule(LayoutModel model) {
        this.model = model;
    }

    public static VerdictRule of(LayoutModel model) {
        return new VerdictRule(model);
    }

    /** The verdict on these readings. */
    public Verdict on(BeliefHistory history) {
        Belief now = history.now();
        Remedy remedy = now.leadingRemedy();
        Suspect suspect = now.ranking().stream().filter(s -> s.remedy() == remedy).findFirst().orElseThrow();
        List<Integer> carriers = carriers(history, remedy);
        List<Missing> missing = missing(history, remedy, carriers);
        double probability = now.probability(remedy);
        Grade grade = missing.isEmpty() ? Grade.PROVEN : probability >= PROBABLE_SHARE ? Grade.PROBABLE : Grade.OPEN;
        return new Verdict(remedy, suspect, probability, grade, carriers.stream().map(history.readings()::get).toList(), missing,
                Overturners.of(model, history, remedy));
    }

    private List<Integer> carriers(BeliefHistory history, Remedy remedy) {
        List<Suspect> cured = model.suspects().stream().filter(s -> s.remedy() == remedy).toList();
        return IntStream.range(0, history.readings().size()).boxed()
                .filter(i -> cured.stream().anyMatch(s -> canCarry(history.readings().get(i), s)))
                .filter(i -> history.oddsFactor(i, remedy) >= Foresight.CARRYING_FACTOR)
                .sorted(Comparator.comparingDouble(i -> -history.oddsFactor(i, remedy)))
                .toList();
    }

    private boolean canCarry(Reading reading, Suspect suspect) {
        return model.procedures().find(reading.procedureId()).orElseThrow().canCarry(suspect.id());
    }

    private List<Missing> missing(BeliefHistory history, Remedy remedy, List<Integer> carriers) {
        List<Missing> missing = new ArrayList<>();
        if (history.now().probability(remedy) < PROVEN_SHARE) {
            missing.add(Missing.MORE_WEIGHT);
        }
        Optional<Integer> proven = carriers.stream().filter(i -> rigStands(history, i)).findFirst();
        if (carriers.isEmpty()) {
            missing.add(Missing.A_CARRIER);
        } else if (proven.isEmpty()) {
            missing.add(Missing.A_PROVEN_RIG);
        }
        if (history.oddOneOut().isPresent()) {
            missing.add(Missing.NO_CONFLICT);
        }
        if (missing.isEmpty() && hangsOnOneOther(history, remedy, carriers)) {
            missing.add(Missing.ROBUSTNESS);
        }
        return missing;
    }

    private static boolean hangsOnOneOther(BeliefHistory history, Remedy remedy, List<Integer> carriers) {
        return IntStream.range(0, history.readings().size())
                .filter(i -> !carriers.contains(i))
                .anyMatch(i -> history.without(i).probability(remedy) < PROBABLE_SHARE);
    }

    private static boolean rigStands(BeliefHistory history, int carrier) {
        Reading reading = history.readings().get(carrier);
        return reading.trust() == RigTrust.PROVEN || history.readings().stream()
                .anyMatch(r -> r.procedureId().equals(reading.procedureId()) && !r.rigSetup().equals(reading.rigSetup()));
    }
}
