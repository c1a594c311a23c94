package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import overturn.bench.hidden.HiddenFaults.Report;
import overturn.suspect.Cure;
import overturn.suspect.Suspect;
import overturn.verdict.Grade;

/** The report for people: the figures side by side, calibration, and the vehicles lost and why. */
final class ReportText {

    private static final int MOST_LOST = 40;

    private final List<Outcome> outcomes;
    private final StringBuilder text = new StringBuilder();

    private static final int LEAST_READ = 8;
    private static final double ALLOWED_PCT = 10;

    ReportText(List<Outcome> outcomes) {
        this.outcomes = outcomes;
    }

    /** What is right with every test read, and what is not. */
    String bound(int vehicles, long seed) {
        line("%d vehicles, seed %d, every test of the catalogue read", vehicles, seed);
        for (Stratum stratum : Stratum.values()) {
            lost(stratum, PolicyFigures.only(outcomes, stratum));
        }
        return text.toString();
    }

    /** Which vehicles the planner lost, and at what. */
    String lost() {
        for (Stratum stratum : List.of(Stratum.SINGLE, Stratum.SOUND)) {
            lost(stratum, PolicyFigures.only(outcomes, stratum));
        }
        outside();
        return text.toString();
    }

    /** How each suspect fared, the worst first; then every vehicle whose first verdict was not right. */
    String bySuspect() {
        Map<String, List<Outcome>> by =
                outcomes.stream().collect(Collectors.groupingBy(ReportText::causes, TreeMap::new, Collectors.toList()));
        line("%nsuspect, vehicles, right %%, proven %%, minutes");
        by.entrySet().stream()
                .sorted(Comparator.comparingDouble(e -> PolicyFigures.share(e.getValue(), Outcome::firstRight)))
                .forEach(e -> line(
                        "  %-34s %4d  %5.1f  %5.1f  %4.0f",
                        e.getKey(),
                        e.getValue().size(),
                        PolicyFigures.share(e.getValue(), Outcome::firstRight),
                        PolicyFigures.share(e.getValue(), o -> o.grade() == Grade.PROVEN),
                        e.getValue().stream()
                                .mapToDouble(Outcome::minutes)
                                .average()
                                .orElse(0)));
        line("%nfirst verdicts that were not right");
        by.values().stream()
                .flatMap(List::stream)
                .filter(o -> !o.firstRight())
                .forEach(o -> line(
                        "  %s on %s: %s %s %.2f after %s",
                        causes(o),
                        o.vehicle().layoutId,
                        o.grade(),
                        o.named().remedies().stream().map(r -> r.id()).toList(),
                        o.claims().isEmpty()
                                ? 0
                                : o.claims().get(o.claims().size() - 1).probability(),
                        String.join(" ", o.path())));
        return text.toString();
    }

    private static String causes(Outcome outcome) {
        return outcome.vehicle().causes.stream().map(Suspect::id).collect(Collectors.joining("+"));
    }

    /** Figures that lie outside the band of the suspect that was there more often than one in ten. */
    private void outside() {
        Map<String, List<Double>> off = outcomes.stream()
                .flatMap(o -> o.covered().stream())
                .collect(Collectors.groupingBy(
                        Outcome.Covered::figure,
                        TreeMap::new,
                        Collectors.mapping(Outcome.Covered::off, Collectors.toList())));
        line("%noutside the band: figure, read, outside %%, off on average");
        off.entrySet().stream()
                .filter(e -> e.getValue().size() >= LEAST_READ && outsidePct(e.getValue()) > ALLOWED_PCT)
                .sorted(Comparator.comparingDouble(
                        e -> -outsidePct(e.getValue()) * e.getValue().size()))
                .limit(MOST_LOST)
                .forEach(e -> line(
                        "  %-34s %4d  %5.1f  %5.2f",
                        e.getKey(),
                        e.getValue().size(),
                        outsidePct(e.getValue()),
                        e.getValue().stream().mapToDouble(v -> v).average().orElse(0)));
    }

    private static double outsidePct(List<Double> off) {
        return 100
                * off.stream()
                        .mapToDouble(v -> Math.abs(v) > 1 ? 1 : 0)
                        .average()
                        .orElse(0);
    }

    String text(Report report, double seconds) {
        line("%d vehicles, seed %d, %.0f s", report.vehicles(), report.seed(), seconds);
        row("", List.copyOf(report.policies().keySet()));
        figures(report, "singles right %", PolicyFigures::singlesRightPct);
        figures(report, "pairs right %", PolicyFigures::pairsRightPct);
        figures(report, "sound called sound %", PolicyFigures::soundCalledSoundPct);
        figures(report, "sound condemned %", PolicyFigures::soundCondemnedPct);
        figures(report, "wrong parts per 100", PolicyFigures::wrongPartsPer100);
        figures(report, "minutes to verdict", PolicyFigures::minutesToVerdictMean);
        figures(report, "cost to cure, mean", PolicyFigures::costToCureMean);
        figures(report, "cost to cure, P90", PolicyFigures::costToCureP90);
        figures(report, "tests", PolicyFigures::testsMean);
        figures(report, "singles proven %", PolicyFigures::provenSharePct);
        figures(report, "proven wrong %", PolicyFigures::provenWrongPct);
        figures(report, "calibration gap", PolicyFigures::calibrationMaxGapPoints);
        PolicyFigures own = report.policies().get(Policy.OVERTURN.id());
        line(
                "rough singles right %.1f %%, intermittent right %.1f %%, unlisted proven %.1f %%, none of these leads %.1f %%, calibration gap with them %.1f",
                own.roughSinglesRightPct().orElseThrow(),
                own.intermittentRightPct().orElseThrow(),
                own.unlistedProvenPct().orElseThrow(),
                own.noneOfTheseLeadsPct().orElseThrow(),
                own.calibrationWithUnlistedMaxGapPoints().orElseThrow());
        for (Policy other : Policy.COMPARED) {
            if (other != Policy.OVERTURN) {
                Paired paired = Paired.of(outcomes, other);
                line(
                        "%s costs %.1f ± %.1f minutes more than the planner on the same vehicle",
                        other.id(), paired.meanMinutes(), paired.halfWidthMinutes());
            }
        }
        line(
                "planning, ms: first %.1f, p50 %.1f, p95 %.1f",
                report.planningMillis().first(),
                report.planningMillis().p50(),
                report.planningMillis().p95());
        line(
                "%d reduced problems: planner %.1f %% above the exact optimum (most %.1f %%), looking ahead to the end %.1f %%, random %.1f %%",
                report.exact().problems(),
                report.exact().meanExcessPct(),
                report.exact().maxExcessPct(),
                report.exact().lookedAheadExcessPct(),
                report.exact().randomExcessPct());
        List<Outcome> planner =
                outcomes.stream().filter(o -> o.policy() == Policy.OVERTURN).toList();
        claims("", planner.stream().filter(o -> o.vehicle().stratum.compared()).toList());
        claims(" (faults in no list among them)", PolicyFigures.withUnlisted(planner));
        for (Stratum stratum : Stratum.values()) {
            lost(stratum, PolicyFigures.only(planner, stratum));
        }
        return text.toString();
    }

    private void claims(String which, List<Outcome> own) {
        line("%nclaimed and held, one claim per job%s:", which);
        PolicyFigures.bins(own)
                .forEach(b -> line(
                        "  %5.1f %% claimed, %5.1f %% held, %d claims, ± %.1f",
                        b.claimedPct(), b.heldPct(), b.claims(), b.standardError()));
    }

    /** What was hidden in the vehicles lost, and what was named instead. */
    private void lost(Stratum stratum, List<Outcome> own) {
        Map<String, Integer> counts = new TreeMap<>();
        own.stream()
                .filter(o -> !PolicyFigures.found(o))
                .forEach(o -> counts.merge(
                        o.vehicle().causes.stream().map(s -> s.id()).toList() + " -> " + o.grade() + " "
                                + o.named().remedies().stream().map(r -> r.id()).toList(),
                        1,
                        Integer::sum));
        line(
                "%n%s: %d of %d lost, minutes %.0f",
                stratum,
                own.stream().filter(o -> !PolicyFigures.found(o)).count(),
                own.size(),
                own.stream().mapToDouble(Outcome::minutes).average().orElse(0));
        Map<String, Long> ways = own.stream()
                .filter(o -> !PolicyFigures.found(o))
                .collect(Collectors.groupingBy(ReportText::way, TreeMap::new, Collectors.counting()));
        line("  first verdict: %s", ways);
        counts.entrySet().stream()
                .sorted(Map.Entry.<String, Integer>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .limit(MOST_LOST)
                .forEach(e -> line("  %3d  %s", e.getValue(), e.getKey()));
    }

    /** How the first verdict on a vehicle missed what was asked. */
    private static String way(Outcome outcome) {
        String grade = outcome.grade().name().toLowerCase(Locale.ROOT);
        return outcome.named().equals(Cure.HAND_BACK)
                ? "called sound, " + grade
                : outcome.named().equals(Cure.LOOK_ELSEWHERE)
                        ? "in no list, " + grade
                        : outcome.named().remedies().stream().allMatch(outcome.vehicle()::needs)
                                ? "what was needed, " + grade
                                : "something else, " + grade;
    }

    private void figures(Report report, String name, Function<PolicyFigures, Double> figure) {
        row(
                name,
                report.policies().values().stream()
                        .map(f -> String.format(Locale.ROOT, "%.1f", figure.apply(f)))
                        .toList());
    }

    private void row(String name, List<String> cells) {
        List<String> padded = new ArrayList<>();
        cells.forEach(c -> padded.add(String.format("%21s", c)));
        line("%-22s%s", name, String.join("", padded));
    }

    private void line(String format, Object... values) {
        text.append(String.format(Locale.ROOT, format, values)).append('\n');
    }
}
