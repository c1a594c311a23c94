package overturn.app.api.report;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.TraceKept;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.job.Jobs.Job;
import overturn.catalogue.ProcedureCatalogue;
import overturn.course.MayMove;
import overturn.evidence.Reading;
import overturn.inference.BeliefHistory;
import overturn.inference.RulerBands;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleWords;
import overturn.quantity.PlainText;
import overturn.quantity.TypedQuantity;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import overturn.verdict.Grade;
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
    private final Map<String, String> sheet;
    private final StringBuilder html = new StringBuilder();

    private ReportHtml(
            Job job,
            Map<String, String> words,
            Map<String, String> people,
            ZoneId zone,
            Function<String, byte[]> photos,
            Map<String, String> sheet) {
        this.sheet = sheet;
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
     * @param sheet what the vehicle's sheet says, by what it is about
     */
    static String of(
            Job job,
            Map<String, String> words,
            Map<String, String> people,
            ZoneId zone,
            Function<String, byte[]> photos,
            Map<String, String> sheet) {
        return new ReportHtml(job, words, people, zone, photos, sheet).page();
    }

    static String escaped(String text) {
        return PlainText.of(text)
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;")
                .replace("'", "&#39;");
    }

    String word(String id) {
        return words.getOrDefault(VehicleWords.key(id, state.layout()), id);
    }

    String part(String id) {
        return words.getOrDefault("component." + id, id);
    }

    String person(String id) {
        return people.getOrDefault(id, id);
    }

    String at(Instant when) {
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
        if (state.repair().isPresent()) {
            new ReportRepair(job, sheet, this).write();
        }
        struck();
        pictures();
        traces();
        if (job.status().mayMove().answer() != MayMove.Answer.RELEASED) {
            html.append("<p class=\"caution\">")
                    .append(escaped(word("caution.not-to-be-driven")))
                    .append("</p>");
        }
        return html.append("</body></html>").toString();
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

    /** What instruments wrote down, each with the test and when it was kept. */
    private void traces() {
        List<LoggedEntry> kept = state.log().stream()
                .filter(logged -> logged.entry() instanceof TraceKept)
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .toList();
        if (kept.isEmpty()) {
            return;
        }
        title("Traces");
        for (LoggedEntry logged : kept) {
            TraceKept trace = (TraceKept) logged.entry();
            html.append("<div class=\"picture\">")
                    .append(ReportTrace.svg(trace))
                    .append("<p class=\"quiet\">")
                    .append(escaped(word("test." + trace.procedureId()) + " · " + trace.instrument() + ", "
                            + trace.unit() + " · " + at(logged.takenAt())))
                    .append("</p></div>");
        }
    }

    void line(String label, String text) {
        html.append("<tr><td class=\"quiet\" style=\"width: 34mm\">")
                .append(escaped(label))
                .append("</td><td>")
                .append(escaped(text))
                .append("</td></tr>");
    }

    void table() {
        html.append("<table>");
    }

    void endTable() {
        html.append("</table>");
    }

    void title(String text) {
        html.append("<h2>").append(escaped(text)).append("</h2>");
    }

    private void head() {
        if (!job.workshop().name().isEmpty()) {
            html.append("<p class=\"quiet\">")
                    .append(escaped(job.workshop().name()))
                    .append("</p>");
        }
        html.append("<h1>").append(escaped(state.opened().vehicle())).append("</h1><table>");
        line("Complaint", "“" + state.opened().complaint() + "”");
        line(
                "Circuit",
                words.getOrDefault(
                        "layout." + state.opened().layoutId(), state.opened().layoutId()));
        JobOpened.ABOUT.stream()
                .filter(state.opened().about()::containsKey)
                .forEach(what ->
                        line(word("about." + what), state.opened().about().get(what)));
        LoggedEntry first = state.log().get(0);
        line("Opened", at(first.at()) + ", " + person(first.personId()));
        line("Stands", word("stage." + job.status().stage().id()));
        line("May it be moved", word("may-move." + job.status().mayMove().answer()));
        line("Time and cost", spent());
        html.append("</table>");
    }

    /** Minutes that were entered, and what they come to at the workshop's rate. */
    private String spent() {
        double minutes = state.log().stream()
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .flatMap(logged -> logged.spentMinutes().stream())
                .mapToDouble(Double::doubleValue)
                .sum();
        return String.format(Locale.ROOT, "%.0f min", minutes)
                + job.workshop()
                        .rate()
                        .map(rate -> String.format(Locale.ROOT, ", %.0f %s", rate.of(minutes), rate.currency()))
                        .orElse("");
    }

    /** Readings that were struck, and why they do not count. */
    private void struck() {
        List<LoggedEntry> all = state.log().stream()
                .filter(logged -> logged.entry() instanceof EntryStruck)
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .toList();
        Map<UUID, ReadingTaken> readings = new HashMap<>();
        state.log().forEach(logged -> {
            if (logged.entry() instanceof ReadingTaken taken) {
                readings.put(logged.id(), taken);
            }
        });
        List<LoggedEntry> told = all.stream()
                .filter(logged -> readings.containsKey(((EntryStruck) logged.entry()).struckId()))
                .toList();
        if (told.isEmpty()) {
            return;
        }
        title("Readings that do not count");
        table();
        for (LoggedEntry logged : told) {
            EntryStruck strike = (EntryStruck) logged.entry();
            ReadingTaken taken = readings.get(strike.struckId());
            line(
                    word("test." + taken.procedureId().split(Procedure.PLACES)[0]),
                    strike.why() + ", " + person(logged.personId()) + ", " + at(logged.takenAt()));
        }
        endTable();
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
        Grade grade = accepted.map(VerdictAccepted::grade).orElse(now.grade());
        double share = accepted.map(VerdictAccepted::probability).orElse(now.probability());
        title("Verdict");
        html.append("<p class=\"large\">")
                .append(escaped(
                        remedies.stream().map(id -> word("remedy." + id)).collect(Collectors.joining(" and "))))
                .append("</p><p>")
                .append(escaped(grade.name().toLowerCase(Locale.ROOT)))
                .append(job.status()
                        .decided()
                        .map(decided -> ", " + escaped(word("turned-out." + decided.turnedOut())))
                        .orElse(""))
                .append(share > NEARLY_SURE ? ", &gt; 99 %" : String.format(Locale.ROOT, ", %.0f %%", 100 * share))
                .append("</p>");
        int jobs = job.learned().own() + job.learned().elsewhere();
        html.append("<p class=\"quiet\">It began with the frequencies that ship")
                .append(jobs == 0 ? " alone" : " and " + jobs + " closed jobs")
                .append(".</p>");
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
                        .append(escaped(value(test, reading)))
                        .append(escaped(codes(reading)));
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

    private String codes(Reading reading) {
        return state.log().stream()
                .filter(logged -> logged.id().toString().equals(reading.id()))
                .filter(logged -> logged.entry() instanceof ReadingTaken)
                .flatMap(logged -> ((ReadingTaken) logged.entry()).codes().stream())
                .map(code -> "; " + code.number() + " " + code.text() + " (" + code.often() + ")")
                .collect(Collectors.joining());
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

    /** The ruler of the figure by which what is suspected lies farthest from sound, of those that were read. */
    private String ruler(Procedure test, Series series, List<Reading> readings) {
        List<RulerBands.Band> sound = RulerBands.of(history.now(), test, SuspectCatalogue.NOTHING_WRONG);
        List<RulerBands.FigureBands> live = RulerBands.of(history.now(), test);
        return IntStream.range(0, Math.min(series.figures().size(), sound.size()))
                .filter(figure -> !marks(readings, figure).isEmpty())
                .boxed()
                .max(Comparator.comparingDouble(figure -> apart(sound.get(figure), live.get(figure))))
                .map(figure ->
                        ReportDrawing.ruler(series.figures().get(figure), sound.get(figure), marks(readings, figure)))
                .orElse("");
    }

    private static List<Double> marks(List<Reading> readings, int figure) {
        return readings.stream()
                .map(r -> ((Figures) r.value()).taken().get(figure))
                .flatMap(Optional::stream)
                .map(TypedQuantity::coreValue)
                .toList();
    }

    /** How far the suspect that lies farthest is from sound, in widths of the sound band. */
    private static double apart(RulerBands.Band sound, RulerBands.FigureBands live) {
        double width = Math.max(1e-9, sound.high() - sound.low());
        return live.bands().stream()
                .mapToDouble(band -> Math.abs((band.low() + band.high()) - (sound.low() + sound.high())) / 2 / width)
                .max()
                .orElse(0);
    }

    private void ruledOut() {
        List<Reading> first =
                state.readings().stream().filter(r -> r.after().isEmpty()).toList();
        BeliefHistory before =
                history.done().isEmpty() && first.size() == state.readings().size()
                        ? history
                        : BeliefHistory.of(job.model(), job.intake(), first);
        List<Standing> cleared = job.model().suspects().stream()
                .filter(s -> !s.id().equals(SuspectCatalogue.NOTHING_WRONG))
                .sorted((a, b) -> Double.compare(b.frequency(), a.frequency()))
                .map(s -> Standing.of(before, s))
                .filter(s -> s.cleared()
                        && s.clearedBy()
                                .filter(by -> !ProcedureCatalogue.atIntake(
                                        by.reading().procedureId()))
                                .isPresent())
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
}
