package overturn.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.planning.Proof;
import overturn.planning.Proof.Claim;
import overturn.planning.Workshop;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Verdict.Missing;

/**
 * Grades a belief (docs/method.md): proven means 98 % or more, carried by an isolating or directly observing reading
 * whose rig is proven or which was repeated with another rig, no conflict open, and 80 % left without any other single
 * reading. Of a cure of two remedies each has to be proven. A proof also asks that a second fault beside it is
 * unlikely.
 */
public final class VerdictRule {

    /** From here on a verdict is probable; docs/method.md. */
    public static final double PROBABLE_SHARE = 0.80;
    /** Rough probability without a reading from which on it is not worked out to the end; chosen. */
    private static final double SURELY_ENOUGH = 0.98;

    /** From here on nothing wrong can be probable; chosen (docs/accuracy.md). */
    private static final double SOUND_SHARE = 0.4;
    /** From so much on it is told which rivals still keep it from being proven; chosen. */
    private static final double RIVALS_TOLD_SHARE = 0.95;
    /** Most that any rival of nothing wrong may have, as a share of it; chosen. */
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
        Claim claim = claim(now, cure, now.untemperedRise());
        double probability = probability(now, cure);
        Grade grade = claim.holds()
                ? grade(now, cure, probability, missing(history, cure, claim, carriers(history, cure)))
                : unproven(now, cure, probability);
        return new Named(cure, probability, grade);
    }

    /** The verdict on these readings, without what would overturn it. */
    public Verdict on(BeliefHistory history) {
        Belief now = history.now();
        Cure cure = cure(now);
        Claim claim = claim(now, cure, now.untemperedRise());
        double probability = probability(now, cure);
        List<Integer> carriers = carriers(history, cure).stream()
                .sorted(Comparator.comparingDouble(i -> -history.oddsFactor(i, cure)))
                .toList();
        List<Missing> missing = missing(history, cure, claim, carriers);
        return new Verdict(
                cure,
                suspects(now, cure),
                probability,
                waste(now, cure),
                claim.enough(),
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
                overturners.stripDown(
                        verdict.remedy(),
                        claim(history.now(), verdict.cure(), history.now().untemperedRise())
                                .rivals()));
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

    private static double probability(Belief belief, Cure cure) {
        return claim(belief, cure, 1).probability();
    }

    private static Claim claim(Belief belief, Cure cure, double untemperedRise) {
        List<Cure> cures = List.copyOf(belief.cures().keySet());
        double[] shares = cures.stream().mapToDouble(belief.cures()::get).toArray();
        return Proof.claim(cures, Proof.untempered(cures, shares, untemperedRise), cure);
    }

    private List<Missing> missing(BeliefHistory history, Cure cure, Claim claim, List<Integer> carriers) {
        List<Missing> missing = new ArrayList<>();
        List<Remedy> rivals = claim.probability() < RIVALS_TOLD_SHARE ? List.of() : claim.rivals();
        // Enough is believed where only the misfit that a proof counts again is against it: that is told as such.
        boolean onlyMisfit = probability(history.now(), cure) >= Proof.SHARE && rivals.contains(Remedy.LOOK_ELSEWHERE);
        if (claim.probability() < Proof.SHARE && !onlyMisfit) {
            missing.add(Missing.MORE_WEIGHT);
        }
        if (rivals.stream().anyMatch(r -> r != Remedy.LOOK_ELSEWHERE)) {
            missing.add(Missing.A_RIVAL_SEPARATED);
        }
        if (rivals.contains(Remedy.LOOK_ELSEWHERE)) {
            missing.add(Missing.NOTHING_UNLISTED);
        }
        if (claim.enough() < Proof.ENOUGH_SHARE) {
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
