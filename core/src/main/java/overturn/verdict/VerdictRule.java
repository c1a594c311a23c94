package overturn.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.planning.Proof;
import overturn.planning.Workshop;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Verdict.Missing;

/**
 * Grades a belief (docs/method.md): proven means 95 % or more, carried by an isolating or directly observing reading
 * whose rig is proven or which was repeated with another rig, no conflict open, and 80 % left without any other single
 * reading. Of a cure of two remedies each has to be proven. A proof also asks that a second fault beside it is
 * unlikely.
 */
public final class VerdictRule {

    public static final double PROBABLE_SHARE = 0.80;
    /**
     * Probability that nothing beyond the cure is needed, from which on it is not asked further; the proving finds the
     * rest.
     */
    public static final double ENOUGH_SHARE = 0.85;

    /** Rough probability without a reading from which on it is not worked out to the end. */
    private static final double SURELY_ENOUGH = 0.98;

    private static final double SOUND_SHARE = 0.4;
    /** Most that any rival of nothing wrong may have, as a share of it. */
    private static final double RIVAL_OF_SOUND = 0.7;

    private final LayoutModel model;
    private final Workshop workshop;

    private VerdictRule(LayoutModel model, Workshop workshop) {
        this.model = model;
        this.workshop = workshop;
    }

    public static VerdictRule of(LayoutModel model, Workshop workshop) {
        return new VerdictRule(model, workshop);
    }

    /**
     * The name and grade alone.
     *
     * @param probability that every remedy of the cure is needed
     */
    public record Named(Cure cure, double probability, Grade grade) {}

    /**
     * The likeliest cure. Where that is two remedies of which one is unsure, the sure one alone, if it is probable: it
     * is begun with, and proving it tells of the other.
     */
    private static Cure cure(Belief now) {
        Cure leading = now.leadingCure();
        if (probability(now, leading) >= PROBABLE_SHARE) {
            return leading;
        }
        return leading.remedies().stream()
                .map(Cure::of)
                .filter(one -> probability(now, one) >= PROBABLE_SHARE)
                .max(Comparator.comparingDouble((Cure one) -> probability(now, one)))
                .orElse(leading);
    }

    /** The name and grade on these readings; quick where it is too early for a proof. */
    public Named named(BeliefHistory history) {
        Belief now = history.now();
        Cure cure = cure(now);
        double probability = probability(now, cure);
        if (probability < Proof.SHARE
                || enough(now, cure) < ENOUGH_SHARE
                || !liveRivals(now, cure).isEmpty()) {
            return new Named(cure, probability, unproven(now, cure, probability));
        }
        return new Named(
                cure,
                probability,
                grade(now, cure, probability, missing(history, cure, probability, carriers(history, cure))));
    }

    /** The verdict on these readings, without what would overturn it. */
    public Verdict on(BeliefHistory history) {
        Belief now = history.now();
        Cure cure = cure(now);
        double probability = probability(now, cure);
        List<Integer> carriers = carriers(history, cure).stream()
                .sorted(Comparator.comparingDouble(i -> -history.oddsFactor(i, cure)))
                .toList();
        List<Missing> missing = missing(history, cure, probability, carriers);
        return new Verdict(
                cure,
                suspects(now, cure),
                probability,
                waste(now, cure),
                enough(now, cure),
                grade(now, cure, probability, missing),
                carriers.stream()
                        .filter(i -> history.oddsFactor(i, cure) >= 1)
                        .map(history.readings()::get)
                        .toList(),
                missing,
                List.of(),
                Optional.empty());
    }

    private static List<Integer> carriers(BeliefHistory history, Cure cure) {
        return cure.remedies().stream()
                .flatMap(r -> Proof.carriers(history, r).stream())
                .distinct()
                .toList();
    }

    private static Grade grade(Belief now, Cure cure, double probability, List<Missing> missing) {
        return missing.isEmpty() ? Grade.PROVEN : unproven(now, cure, probability);
    }

    /** The same with what would overturn it. */
    public Verdict explained(BeliefHistory history) {
        Verdict verdict = on(history);
        Overturners overturners = new Overturners(history, workshop);
        return new Verdict(
                verdict.cure(),
                verdict.suspects(),
                verdict.probability(),
                verdict.wasteMinutes(),
                verdict.enough(),
                verdict.grade(),
                verdict.carriers(),
                verdict.missing(),
                overturners.of(verdict.remedy()),
                overturners.stripDown(verdict.remedy(), liveRivals(history.now(), verdict.cure())));
    }

    /**
     * Probable from 80 % on. That the fault is in no list stays open however likely: it names nothing to do, and on
     * vehicles that are not the model it was claimed too surely (docs/accuracy.md). Nothing wrong has everything
     * against it at once, so it is probable too when it leads and no rival is left with any weight of its own; it goes
     * out with a date to re-check.
     */
    private static Grade unproven(Belief now, Cure cure, double probability) {
        if (cure.equals(Cure.LOOK_ELSEWHERE)) {
            return Grade.OPEN;
        }
        boolean probable = probability >= PROBABLE_SHARE;
        if (!probable && cure.equals(Cure.HAND_BACK) && probability >= SOUND_SHARE) {
            probable = now.cures().entrySet().stream()
                    .allMatch(e -> e.getKey().equals(cure) || e.getValue() <= RIVAL_OF_SOUND * probability);
        }
        return probable ? Grade.PROBABLE : Grade.OPEN;
    }

    private List<Suspect> suspects(Belief belief, Cure cure) {
        return cure.remedies().stream()
                .sorted(Comparator.comparingDouble((Remedy r) -> -belief.probability(r)))
                .flatMap(r ->
                        belief.ranking().stream().filter(s -> s.remedy() == r).limit(1))
                .toList();
    }

    private double waste(Belief belief, Cure cure) {
        return belief.cures().entrySet().stream()
                .mapToDouble(e -> e.getValue() * workshop.prices().waste(cure, e.getKey()))
                .sum();
    }

    /** Probability that every remedy of a cure is needed. */
    private static double probability(Belief belief, Cure cure) {
        return belief.cures().entrySet().stream()
                .filter(e -> e.getKey().includes(cure))
                .mapToDouble(Map.Entry::getValue)
                .sum();
    }

    /** Probability that nothing beyond a cure is needed, of the cases in which what it holds is needed. */
    private static double enough(Belief belief, Cure cure) {
        return belief.probability(cure) / Math.max(1e-12, probability(belief, cure));
    }

    /** Other remedies, not beside the cure but instead of it, that are still likely enough to name. */
    private static List<Remedy> liveRivals(Belief belief, Cure cure) {
        Map<Remedy, Double> instead = new EnumMap<>(Remedy.class);
        belief.cures().entrySet().stream()
                .filter(e -> !e.getKey().includes(cure))
                .forEach(e -> e.getKey().remedies().forEach(r -> instead.merge(r, e.getValue(), Double::sum)));
        return instead.entrySet().stream()
                .filter(e -> !cure.has(e.getKey()) && e.getValue() > Proof.SEPARATED_SHARE)
                .map(Map.Entry::getKey)
                .toList();
    }

    private List<Missing> missing(BeliefHistory history, Cure cure, double probability, List<Integer> carriers) {
        List<Missing> missing = new ArrayList<>();
        if (probability < Proof.SHARE) {
            missing.add(Missing.MORE_WEIGHT);
        }
        List<Remedy> rivals = probability < Proof.SHARE ? List.of() : liveRivals(history.now(), cure);
        if (rivals.stream().anyMatch(r -> r != Remedy.LOOK_ELSEWHERE)) {
            missing.add(Missing.A_RIVAL_SEPARATED);
        }
        if (rivals.contains(Remedy.LOOK_ELSEWHERE)) {
            missing.add(Missing.NOTHING_UNLISTED);
        }
        if (enough(history.now(), cure) < ENOUGH_SHARE) {
            missing.add(Missing.NO_SECOND_FAULT);
        }
        if (cure.remedies().stream().anyMatch(r -> Proof.carriers(history, r).isEmpty())) {
            missing.add(Missing.A_CARRIER);
        } else if (cure.remedies().stream()
                .anyMatch(r -> Proof.carriers(history, r).stream().noneMatch(i -> Proof.rigStands(history, i)))) {
            missing.add(Missing.A_PROVEN_RIG);
        }
        if (history.oddOneOut().isPresent()) {
            missing.add(Missing.NO_CONFLICT);
        }
        if (missing.isEmpty() && hangsOnOneOther(history, cure, carriers)) {
            missing.add(Missing.ROBUSTNESS);
        }
        return missing;
    }

    private static boolean hangsOnOneOther(BeliefHistory history, Cure cure, List<Integer> carriers) {
        return IntStream.range(0, history.readings().size())
                .filter(i -> !carriers.contains(i))
                .anyMatch(i -> history.roughlyWithout(i, cure) < SURELY_ENOUGH
                        && probability(history.without(i), cure) < PROBABLE_SHARE);
    }
}
