package overturn.bench.hidden;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import overturn.bench.hidden.Outcome.Claim;
import overturn.suspect.Cure;
import overturn.verdict.Grade;

/** How one policy fared over all vehicles; per cent, minutes, points. The last five are the planner's alone. */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
record PolicyFigures(
        double singlesRightPct,
        double pairsRightPct,
        double soundCalledSoundPct,
        double soundCondemnedPct,
        double wrongPartsPer100,
        double minutesToVerdictMean,
        double costToCureMean,
        double costToCureP90,
        double testsMean,
        double provenSharePct,
        double provenWrongPct,
        double calibrationMaxGapPoints,
        Optional<Double> roughSinglesRightPct,
        Optional<Double> intermittentRightPct,
        Optional<Double> unlistedProvenPct,
        Optional<Double> noneOfTheseLeadsPct,
        Optional<Double> calibrationWithUnlistedMaxGapPoints) {

    private static final int LEAST_PER_BIN = 400;
    private static final long CLAIM_SEED = 5L;

    static PolicyFigures of(List<Outcome> outcomes) {
        List<Outcome> compared =
                outcomes.stream().filter(o -> o.vehicle().stratum.compared()).toList();
        List<Outcome> singles = only(outcomes, Stratum.SINGLE);
        List<Outcome> sound = only(outcomes, Stratum.SOUND);
        List<Outcome> proven =
                compared.stream().filter(o -> o.grade() == Grade.PROVEN).toList();
        List<Outcome> unlisted = only(outcomes, Stratum.UNLISTED);
        boolean planner = outcomes.stream().anyMatch(o -> o.policy() == Policy.OVERTURN);
        return new PolicyFigures(
                share(singles, Outcome::right),
                share(only(outcomes, Stratum.PAIR), Outcome::right),
                share(sound, PolicyFigures::found),
                share(
                        sound,
                        o -> o.grade() != Grade.OPEN
                                && !o.named().equals(Cure.HAND_BACK)
                                && !o.named().equals(Cure.LOOK_ELSEWHERE)),
                mean(compared, o -> 100.0 * o.wrongParts()),
                mean(compared, Outcome::minutes),
                mean(compared, Outcome::costToCure),
                percentile(compared, Outcome::costToCure, 0.9),
                mean(compared, Outcome::tests),
                share(singles, o -> o.grade() == Grade.PROVEN),
                share(
                        proven,
                        o -> o.named().remedies().stream()
                                .anyMatch(r -> !o.vehicle().cure.has(r))),
                calibrationGap(compared),
                planner ? Optional.of(share(only(outcomes, Stratum.ROUGH), Outcome::right)) : Optional.empty(),
                planner ? Optional.of(share(only(outcomes, Stratum.INTERMITTENT), Outcome::right)) : Optional.empty(),
                planner ? Optional.of(share(unlisted, o -> o.grade() == Grade.PROVEN)) : Optional.empty(),
                planner ? Optional.of(share(unlisted, PolicyFigures::found)) : Optional.empty(),
                planner ? Optional.of(calibrationGap(withUnlisted(outcomes))) : Optional.empty());
    }

    /**
     * The vehicles that are compared and, one in nine, those with a fault in no list: about as many as are allowed for.
     */
    static List<Outcome> withUnlisted(List<Outcome> outcomes) {
        return outcomes.stream()
                .filter(o -> o.vehicle().stratum.compared() || o.vehicle().stratum == Stratum.UNLISTED)
                .toList();
    }

    /** Whether what is asked of its stratum was reached: right, called sound, or that the fault is in no list leads. */
    static boolean found(Outcome outcome) {
        return switch (outcome.vehicle().stratum) {
            case SOUND -> outcome.right() && outcome.named().equals(Cure.HAND_BACK);
            case UNLISTED -> outcome.named().equals(Cure.LOOK_ELSEWHERE);
            default -> outcome.right();
        };
    }

    static List<Outcome> only(List<Outcome> outcomes, Stratum stratum) {
        return outcomes.stream().filter(o -> o.vehicle().stratum == stratum).toList();
    }

    static double share(List<Outcome> among, Predicate<Outcome> which) {
        return among.isEmpty() ? 0 : tenth(100.0 * among.stream().filter(which).count() / among.size());
    }

    private static double mean(List<Outcome> among, ToDoubleFunction<Outcome> what) {
        return tenth(among.stream().mapToDouble(what).average().orElse(0));
    }

    private static double percentile(List<Outcome> among, ToDoubleFunction<Outcome> what, double at) {
        double[] sorted = among.stream().mapToDouble(what).sorted().toArray();
        return sorted.length == 0 ? 0 : tenth(sorted[(int) Math.min(sorted.length - 1.0, at * sorted.length)]);
    }

    static double tenth(double value) {
        return Math.rint(10 * value) / 10;
    }

    /** A bin of claims: what was claimed on average, how often it held, one standard error of that. */
    record Bin(int claims, double claimedPct, double heldPct, double standardError) {

        double gap() {
            return Math.max(0, Math.abs(claimedPct - heldPct) - 2 * standardError);
        }
    }

    /** One claim per job chosen at random, sorted by what was claimed, in bins of at least 400. */
    static List<Bin> bins(List<Outcome> outcomes) {
        SplittableRandom random = new SplittableRandom(CLAIM_SEED);
        List<Claim> claims = new ArrayList<>();
        outcomes.stream()
                .filter(o -> !o.claims().isEmpty())
                .forEach(
                        o -> claims.add(o.claims().get(random.nextInt(o.claims().size()))));
        claims.sort(Comparator.comparingDouble(Claim::probability));
        int bins = Math.max(1, claims.size() / LEAST_PER_BIN);
        List<Bin> all = new ArrayList<>();
        for (int b = 0; b < bins && !claims.isEmpty(); b++) {
            List<Claim> own = claims.subList(b * claims.size() / bins, (b + 1) * claims.size() / bins);
            double claimed =
                    own.stream().mapToDouble(Claim::probability).average().orElse(0);
            double held = (double) own.stream().filter(Claim::held).count() / own.size();
            double error = Math.sqrt(Math.max(claimed * (1 - claimed), held * (1 - held)) / own.size());
            all.add(new Bin(own.size(), 100 * claimed, 100 * held, 100 * error));
        }
        return all;
    }

    private static double calibrationGap(List<Outcome> outcomes) {
        return tenth(bins(outcomes).stream().mapToDouble(Bin::gap).max().orElse(0));
    }
}
