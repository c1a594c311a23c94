package overturn.app.api.report;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairState;
import overturn.app.usecase.job.Jobs.Job;
import overturn.evidence.Reading;
import overturn.inference.BeliefHistory;
import overturn.inference.RulerBands;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleWords;
import overturn.proving.Checks;
import overturn.proving.Proving;
import overturn.quantity.PlainText;
import overturn.quantity.TypedQuantity;
import overturn.repair.Section;
import overturn.repair.WorkStep;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import overturn.verdict.Standing;
import overturn.verdict.Verdict;

/**
 * The report of a job as a page to be printed: what a customer or an insurer can read. Figures stand as they were
 * typed.
 */
final class ReportHtml {

    private static final int MOST_RULED_OUT = 10;
    private static final int MOST_RULERS = 8;
    private static final int MOST_PHOTOS = 6;
    /** Nothing is told as certain. */
    private static final double NEARLY_SURE = 0.99;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.UK);

    private final Job job;
    private final JobState state;
    private final BeliefHistory history;
    private final Map<String, String> words;
    private final Map<String, String> people;
    private final ZoneId zone;
    private final Function<String, byte[]> photos;
    private final StringBuilder html = new StringBuilder();

    private ReportHtml(
            Job job,
            Map<String, String> words,
            Map<String, String> people,
            ZoneId zone,
            Function<String, byte[]> photos) {
        this.job = job;
        this.state = job.state();
        this.history = job.assessment().history();
        this.words = words;
        this.people = people;
        this.zone = zone;
        this.photos = photos;
    }

    /**
     * The page.
     *
     * @param words of suspects, tests and steps, by id
     * @param people names by id
     * @param photos the JPEG file of a digest
     */
    static String of(
            Job job,
            Map<String, String> words,
            Map<String, String> people,
            ZoneId zone,
            Function<String, byte[]> photos) {
        return new ReportHtml(job, words, people, zone, photos).page();
    }

    static String escaped(String text) {
        return PlainText.of(text)
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;")
                .replace("'", "&#39;");
    }

    private String word(String id) {
        return words.getOrDefault(VehicleWords.key(id, state.layout()), id);
    }

    private String part(String id) {
        return words.getOrDefault("component." + id, id);
    }

    private String person(String id) {
        return people.getOrDefault(id, id);
    }

    private String at(Instant when) {
        return DAY.format(when.atZone(zone));
    }

    private String page() {
        html.append("<!DOCTYPE html><html lang=\"en\"><head><meta charset=\"utf-8\"/><title>")
                .append(escaped(state.opened().vehicle()))
                .append("""
                        </title><style>
                        @page { size: A4; margin: 16mm 15mm 18mm; @bottom-right { content: counter(page) " / " counter(pages); font-family: 'Liberation Sans'; font-size: 9pt; } }
                        body { font-family: 'Liberation Sans'; font-size: 9.5pt; color: #1f2a30; }
                        h1 { font-size: 18pt; font-weight: normal; margin: 0; }
                        h2 { font-size: 11.5pt; font-weight: normal; border-bottom: 1px solid #1f2a30; margin: 12pt 0 4pt; }
                        p { margin: 2pt 0; }
                        table { width: 100%; border-collapse: collapse; }
                        td { vertical-align: top; padding: 2pt 6pt 2pt 0; border-bottom: 0.5px solid #c9c5b8; }
                        .large { font-size: 13pt; }
                        .quiet { color: #5b656a; }
                        .caution { border: 1px solid #b98a1d; padding: 4pt 6pt; margin-top: 8pt; }
                        .picture { display: inline-block; width: 56mm; margin-right: 3mm; page-break-inside: avoid; }
                        .picture img { width: 56mm; }
                        tr, svg { page-break-inside: avoid; }
                        </style></head><body>
                        """);
        head();
        circuit();
        verdict();
        readings();
        ruledOut();
        state.repair().ifPresent(this::repair);
        pictures();
        html.append("<p class=\"caution\">")
                .append(escaped(word("caution.not-to-be-driven")))
                .append("</p></body></html>");
        return html.toString();
    }

    /** The latest pictures, each with what it shows and when it was taken. */
    private void pictures() {
        List<LoggedEntry> taken = state.log().stream()
                .filter(logged -> logged.entry() instanceof PhotoTaken)
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .toList();
        if (taken.isEmpty()) {
            return;
        }
        title("Pictures");
        for (LoggedEntry logged : taken.subList(Math.max(0, taken.size() - MOST_PHOTOS), taken.size())) {
            PhotoTaken photo = (PhotoTaken) logged.entry();
            html.append("<div class=\"picture\"><img src=\"data:image/jpeg;base64,")
                    .append(Base64.getEncoder().encodeToString(photos.apply(photo.sha256())))
                    .append("\"/><p class=\"quiet\">")
                    .append(escaped(photo.caption().isEmpty() ? "" : photo.caption() + " · "))
                    .append(escaped(at(logged.takenAt())))
                    .append("</p></div>");
        }
    }

    private void line(String label, String text) {
        html.append("<tr><td class=\"quiet\" style=\"width: 34mm\">")
                .append(escaped(label))
                .append("</td><td>")
                .append(escaped(text))
                .append("</td></tr>");
    }

    private void title(String text) {
        html.append("<h2>").append(escaped(text)).append("</h2>");
    }

    private void head() {
        html.append("<h1>").append(escaped(state.opened().vehicle())).append("</h1><table>");
        line("Complaint", "“" + state.opened().complaint() + "”");
        line(
                "Circuit",
                words.getOrDefault(
                        "layout." + state.opened().layoutId(), state.opened().layoutId()));
        LoggedEntry first = state.log().get(0);
        line("Opened", at(first.at()) + ", " + person(first.personId()));
        line("Stands", word("stage." + job.status().stage().id()));
        line("May it be moved", word("may-move." + job.status().mayMove().answer()));
        html.append("</table>");
    }

    private void circuit() {
        Set<String> hot = new LinkedHashSet<>();
        state.accepted().map(VerdictAccepted::places).ifPresent(hot::addAll);
        if (hot.isEmpty()) {
            job.verdict().ifPresent(verdict -> verdict.suspects().forEach(s -> hot.addAll(s.places())));
        }
        html.append("<div style=\"margin-top: 8pt\">")
                .append(ReportDrawing.circuit(state.layout(), hot, this::part))
                .append("</div>");
    }

    private void verdict() {
        Verdict now = job.assessment().verdict();
        Optional<VerdictAccepted> accepted = state.accepted();
        List<String> remedies = accepted.map(VerdictAccepted::remedyIds)
                .orElseGet(() -> now.remedies().stream().map(r -> r.id()).toList());
        String grade = accepted.map(VerdictAccepted::grade).orElse(now.grade().name());
        double share = accepted.map(VerdictAccepted::probability).orElse(now.probability());
        title("Verdict");
        html.append("<p class=\"large\">")
                .append(escaped(
                        remedies.stream().map(id -> word("remedy." + id)).collect(Collectors.joining(" and "))))
                .append("</p><p>")
                .append(escaped(grade.toLowerCase(Locale.ROOT)))
                .append(job.status()
                        .decided()
                        .map(decided -> ", " + escaped(word("turned-out." + decided.turnedOut())))
                        .orElse(""))
                .append(share > NEARLY_SURE ? ", &gt; 99 %" : String.format(Locale.ROOT, ", %.0f %%", 100 * share))
                .append("</p>");
        accepted.filter(v -> !v.why().isBlank())
                .ifPresent(v -> html.append("<p>").append(escaped(v.why())).append("</p>"));
        if (accepted.isEmpty() && !now.overturners().isEmpty()) {
            html.append("<p class=\"quiet\">It would be overturned by: ")
                    .append(escaped(now.overturners().stream()
                            .map(o -> word("test." + o.procedureId().split(Procedure.PLACES)[0]))
                            .distinct()
                            .collect(Collectors.joining(", "))))
                    .append("</p>");
        }
    }

    private void readings() {
        title("What was read, in the order of the work");
        Map<String, List<Reading>> byTest = new LinkedHashMap<>();
        state.readings()
                .forEach(r -> byTest.computeIfAbsent(r.procedureId(), id -> new ArrayList<>())
                        .add(r));
        html.append("<table>");
        int rulers = 0;
        for (Map.Entry<String, List<Reading>> entry : byTest.entrySet()) {
            Procedure test = job.model().procedures().find(entry.getKey()).orElseThrow();
            StringBuilder told = new StringBuilder();
            for (Reading reading : entry.getValue()) {
                told.append(told.isEmpty() ? "" : "<br/>")
                        .append(reading.after().isEmpty() ? "" : "after the repair: ")
                        .append(escaped(value(test, reading)));
            }
            if (rulers < MOST_RULERS && test.spec() instanceof Series series) {
                told.append("<br/>").append(ruler(test, series, entry.getValue()));
                rulers++;
            }
            html.append("<tr><td style=\"width: 52mm\">")
                    .append(escaped(word("test." + test.wordId())))
                    .append("</td><td>")
                    .append(told)
                    .append("</td></tr>");
        }
        html.append("</table>");
        if (rulers > 0) {
            html.append(
                    "<p class=\"quiet\">Rulers: shaded where a sound vehicle of this layout reads; solid mark before, dashed after the"
                            + " repair.</p>");
        }
    }

    private String value(Procedure test, Reading reading) {
        if (reading.value() instanceof Observed observed) {
            return observed.notSeen()
                    ? word("option.not-seen")
                    : word("option." + test.wordId() + "." + observed.option());
        }
        List<Optional<TypedQuantity>> taken = ((Figures) reading.value()).taken();
        List<Figure> figures = ((Series) test.spec()).figures();
        List<String> told = new ArrayList<>();
        for (int i = 0; i < taken.size(); i++) {
            String name = words.getOrDefault(
                    "figure." + test.wordId() + "." + figures.get(i).id(),
                    part(figures.get(i).id()));
            taken.get(i)
                    .ifPresent(
                            q -> told.add(name + " " + q.text() + " " + q.unit().symbol()));
        }
        return String.join(", ", told);
    }

    /** The ruler of the figure that was read last in each reading of a test. */
    private String ruler(Procedure test, Series series, List<Reading> readings) {
        List<RulerBands.Band> sound = RulerBands.of(history.now(), test, SuspectCatalogue.NOTHING_WRONG);
        for (int f = series.figures().size() - 1; f >= 0 && f < sound.size(); f--) {
            int figure = f;
            List<Double> marks = readings.stream()
                    .map(r -> ((Figures) r.value()).taken().get(figure))
                    .flatMap(Optional::stream)
                    .map(TypedQuantity::coreValue)
                    .toList();
            if (!marks.isEmpty()) {
                return ReportDrawing.ruler(series.figures().get(f), sound.get(f), marks);
            }
        }
        return "";
    }

    private void ruledOut() {
        List<Reading> first =
                state.readings().stream().filter(r -> r.after().isEmpty()).toList();
        BeliefHistory before =
                history.done().isEmpty() && first.size() == state.readings().size()
                        ? history
                        : BeliefHistory.of(job.model(), state.intake(), first);
        List<Standing> cleared = job.model().suspects().stream()
                .filter(s -> !s.id().equals(SuspectCatalogue.NOTHING_WRONG))
                .sorted((a, b) -> Double.compare(b.frequency(), a.frequency()))
                .map(s -> Standing.of(before, s))
                .filter(s -> s.cleared() && s.clearedBy().isPresent())
                .limit(MOST_RULED_OUT)
                .toList();
        if (cleared.isEmpty()) {
            return;
        }
        title("What was ruled out, and by what");
        html.append("<table>");
        for (Standing standing : cleared) {
            Suspect suspect = standing.suspect();
            String by = standing.clearedBy().orElseThrow().reading().procedureId();
            html.append("<tr><td style=\"width: 72mm\">")
                    .append(escaped(word("suspect." + suspect.id())))
                    .append("</td><td>")
                    .append(escaped(word("test."
                            + job.model().procedures().find(by).orElseThrow().wordId())))
                    .append("</td></tr>");
        }
        html.append("</table>");
    }

    private void repair(RepairState repair) {
        if (!repair.done().isEmpty()) {
            title("What was done");
            html.append("<table>");
            for (Section section : Section.values()) {
                List<WorkStep> steps = repair.plan().steps().stream()
                        .filter(step ->
                                step.section() == section && repair.done().containsKey(step.key()))
                        .toList();
                if (!steps.isEmpty()) {
                    line(word("section." + section.name()), told(steps, repair.done()));
                }
            }
            repair.sheet()
                    .ifPresent(sheet -> line(
                            "Strokes",
                            sheet.ends().stream()
                                    .filter(end -> end.strokes() > 0)
                                    .map(end -> part(end.id()) + " " + end.strokes())
                                    .collect(Collectors.joining(", "))));
            html.append("</table>");
        }
        if (!repair.outcomes().isEmpty()) {
            title("How it was proven");
            html.append("<table>");
            for (Proving.Standing gate : repair.proving().gates()) {
                List<LoggedEntry> checks = Checks.of(state.layout()).stream()
                        .filter(c ->
                                c.gate() == gate.gate() && repair.outcomes().containsKey(c.id()))
                        .map(c -> repair.outcomes().get(c.id()))
                        .toList();
                if (!checks.isEmpty()) {
                    line(word("gate." + gate.gate().id()), proven(checks));
                }
            }
            html.append("</table>");
        }
        repair.released().ifPresent(logged -> {
            JobReleased released = (JobReleased) logged.entry();
            title(released.conditional() ? "Released conditionally" : "Released");
            html.append("<table>");
            line("Signed", person(logged.personId()) + ", " + at(logged.takenAt()));
            if (!released.secondId().isEmpty()) {
                line("Checked by", person(released.secondId()));
            }
            if (released.conditional()) {
                line("Looked at again", released.recheckOn());
            }
            html.append("</table>");
        });
    }

    /** How many steps, by whom, and every figure that was measured. */
    private String told(List<WorkStep> steps, Map<String, LoggedEntry> done) {
        String measured = steps.stream()
                .flatMap(step -> ((WorkStepDone) done.get(step.key()).entry()).measured().stream())
                .map(m -> word("asked." + m.id()) + " " + m.text() + " " + m.unit())
                .collect(Collectors.joining(", "));
        return steps.size()
                + (steps.size() == 1 ? " step, " : " steps, ")
                + by(steps.stream().map(step -> done.get(step.key())).toList())
                + (measured.isEmpty() ? "" : "; " + measured);
    }

    private String proven(List<LoggedEntry> checks) {
        List<CheckDone> failed = checks.stream()
                .map(c -> (CheckDone) c.entry())
                .filter(c -> c.outcome().equals("failed"))
                .toList();
        String seen = checks.stream()
                .map(c -> (CheckDone) c.entry())
                .filter(c -> !c.seen().isEmpty())
                .map(c -> word("check." + c.checkId()) + " " + c.seen())
                .collect(Collectors.joining("; "));
        return checks.size() - failed.size() + " checks passed, " + failed.size() + " failed, " + by(checks)
                + (seen.isEmpty() ? "" : "; " + seen);
    }

    private String by(List<LoggedEntry> entries) {
        return entries.stream().map(e -> person(e.personId())).distinct().collect(Collectors.joining(", "));
    }
}
