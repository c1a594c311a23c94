package overturn.app.api.report;

import java.util.ArrayList;
import java.util.Base64;
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
import java.util.stream.Stream;
import overturn.app.api.report.ReportPage.Line;
import overturn.app.api.report.ReportPage.Picture;
import overturn.app.api.report.ReportPage.Table;
import overturn.app.api.report.ReportPage.TraceDrawn;
import overturn.app.api.report.ReportPage.VerdictTold;
import overturn.app.job.Entry;
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
import overturn.suspect.SuspectCatalogue;
import overturn.verdict.Grade;
import overturn.verdict.Standing;
import overturn.verdict.Verdict;

/** The report of one job: what a customer or an insurer can read. Figures stand as they were typed. */
final class JobReport {

    private static final int MOST_RULED_OUT = 10;
    private static final int MOST_PHOTOS = 6;
    private static final int RULED_OUT_LABEL_MM = 72;
    /** Nothing is told as certain. */
    private static final double NEARLY_SURE = 0.99;

    private final Job job;
    private final JobState state;
    private final ReportWords words;
    private final Function<String, byte[]> photos;
    private final Map<String, String> sheet;

    /**
     * @param photos the JPEG file of a digest
     * @param sheet what the vehicle's sheet says, by what it is about
     */
    JobReport(Job job, ReportWords words, Function<String, byte[]> photos, Map<String, String> sheet) {
        this.job = job;
        this.state = job.state();
        this.words = words;
        this.photos = photos;
        this.sheet = sheet;
    }

    ReportPage page() {
        ReportReadings readings = new ReportReadings(job, words);
        return new ReportPage(
                state.opened().vehicle(),
                job.workshop().name(),
                head(),
                circuit(),
                verdict(),
                readings.told(),
                readings.told().stream().anyMatch(test -> !test.ruler().isEmpty()),
                tables(),
                pictures(),
                traces(),
                job.status().mayMove().answer() == MayMove.Answer.RELEASED
                        ? ""
                        : words.word("caution.not-to-be-driven"));
    }

    private List<Table> tables() {
        return Stream.of(
                        ruledOut().stream(),
                        state.repair().stream()
                                .flatMap(repair -> new ReportRepair(job, repair, sheet, words).tables().stream()),
                        struck().stream())
                .flatMap(tables -> tables)
                .toList();
    }

    private List<Line> head() {
        List<Line> lines = new ArrayList<>();
        JobOpened opened = state.opened();
        lines.add(new Line("Complaint", "“" + opened.complaint() + "”"));
        lines.add(new Line("Circuit", words.layoutName(opened.layoutId())));
        JobOpened.ABOUT.stream()
                .filter(opened.about()::containsKey)
                .forEach(what -> lines.add(
                        new Line(words.word("about." + what), opened.about().getOrDefault(what, ""))));
        LoggedEntry first = state.log().get(0);
        lines.add(new Line("Opened", words.at(first.at()) + ", " + words.person(first.personId())));
        lines.add(new Line("Stands", words.word("stage." + job.status().stage().id())));
        lines.add(new Line(
                "May it be moved",
                words.word("may-move." + job.status().mayMove().answer())));
        spent().ifPresent(told -> lines.add(new Line("Time and cost", told)));
        return lines;
    }

    /** Minutes that were entered, and what they come to at the workshop's rate; nothing where nobody entered any. */
    private Optional<String> spent() {
        double minutes = state.log().stream()
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .flatMap(logged -> logged.spentMinutes().stream())
                .mapToDouble(Double::doubleValue)
                .sum();
        String cost = job.workshop()
                .rate()
                .map(rate -> String.format(Locale.ROOT, ", %.0f %s", rate.of(minutes), rate.currency()))
                .orElse("");
        return minutes > 0 ? Optional.of(String.format(Locale.ROOT, "%.0f min", minutes) + cost) : Optional.empty();
    }

    private String circuit() {
        Set<String> hot = new LinkedHashSet<>();
        state.accepted().map(VerdictAccepted::places).ifPresent(hot::addAll);
        if (hot.isEmpty()) {
            job.verdict().ifPresent(verdict -> verdict.suspects().forEach(s -> hot.addAll(s.places())));
        }
        return ReportDrawing.circuit(state.layout(), hot, words::part);
    }

    private VerdictTold verdict() {
        Verdict now = job.assessment().verdict();
        Optional<VerdictAccepted> accepted = state.accepted();
        List<String> remedies = accepted.map(VerdictAccepted::remedyIds)
                .orElseGet(() -> now.remedies().stream().map(r -> r.id()).toList());
        Grade grade = accepted.map(VerdictAccepted::grade).orElse(now.grade());
        double share = accepted.map(VerdictAccepted::probability).orElse(now.probability());
        int jobs = job.learned().own() + job.learned().elsewhere();
        return new VerdictTold(
                remedies.stream().map(id -> words.word("remedy." + id)).collect(Collectors.joining(" and ")),
                grade(grade)
                        + (share > NEARLY_SURE ? ", > 99 %" : String.format(Locale.ROOT, ", %.0f %%", 100 * share)),
                "It began with the frequencies that ship" + closedJobs(jobs) + ".",
                accepted.map(VerdictAccepted::why).orElse(""),
                accepted.isPresent()
                        ? ""
                        : now.overturners().stream()
                                .map(o -> words.test(o.procedureId()))
                                .distinct()
                                .collect(Collectors.joining(", ")));
    }

    private static String closedJobs(int jobs) {
        return switch (jobs) {
            case 0 -> " alone";
            case 1 -> " and one closed job";
            default -> " and " + jobs + " closed jobs";
        };
    }

    /** The grade, and what became of the verdict where that says something else. */
    private String grade(Grade grade) {
        String own = grade.name().toLowerCase(Locale.ROOT);
        return job.status()
                .decided()
                .map(decided -> words.word("turned-out." + decided.turnedOut()))
                .filter(turnedOut -> !turnedOut.equals(own))
                .map(turnedOut -> own + ", " + turnedOut)
                .orElse(own);
    }

    private Optional<Table> ruledOut() {
        BeliefHistory history = job.assessment().history();
        List<Reading> first =
                state.readings().stream().filter(r -> r.after().isEmpty()).toList();
        BeliefHistory before =
                history.done().isEmpty() && first.size() == state.readings().size()
                        ? history
                        : BeliefHistory.of(job.model(), job.intake(), first);
        List<Line> cleared = job.model().suspects().stream()
                .filter(s -> !s.id().equals(SuspectCatalogue.NOTHING_WRONG))
                .sorted((a, b) -> Double.compare(b.frequency(), a.frequency()))
                .map(s -> Standing.of(before, s))
                .filter(Standing::cleared)
                .flatMap(standing -> standing
                        .clearedBy()
                        .map(by -> by.reading().procedureId())
                        .filter(id -> !ProcedureCatalogue.atIntake(id))
                        .map(id -> new Line(
                                words.word("suspect." + standing.suspect().id()), words.test(id)))
                        .stream())
                .limit(MOST_RULED_OUT)
                .toList();
        return cleared.isEmpty()
                ? Optional.empty()
                : Optional.of(new Table("What was ruled out, and by what", RULED_OUT_LABEL_MM, cleared));
    }

    /** Readings that were struck, and why they do not count. */
    private Optional<Table> struck() {
        Map<UUID, ReadingTaken> readings = new HashMap<>();
        state.log().forEach(logged -> {
            if (logged.entry() instanceof ReadingTaken taken) {
                readings.put(logged.id(), taken);
            }
        });
        List<Line> told = new ArrayList<>();
        standing(EntryStruck.class).forEach((logged, strike) -> {
            ReadingTaken taken = readings.get(strike.struckId());
            if (taken != null) {
                told.add(new Line(
                        words.test(taken.procedureId()),
                        strike.why() + ", " + words.person(logged.personId()) + ", " + words.at(logged.takenAt())));
            }
        });
        return told.isEmpty() ? Optional.empty() : Optional.of(Table.of("Readings that do not count", told));
    }

    /** The latest pictures, each with what it shows and when it was taken. */
    private List<Picture> pictures() {
        List<Map.Entry<LoggedEntry, PhotoTaken>> taken =
                List.copyOf(standing(PhotoTaken.class).entrySet());
        return taken.subList(Math.max(0, taken.size() - MOST_PHOTOS), taken.size()).stream()
                .map(photo -> new Picture(
                        Base64.getEncoder()
                                .encodeToString(photos.apply(photo.getValue().sha256())),
                        (photo.getValue().caption().isEmpty()
                                        ? ""
                                        : photo.getValue().caption() + " · ")
                                + words.at(photo.getKey().takenAt())))
                .toList();
    }

    /** What instruments wrote down, each with the test and when it was kept. */
    private List<TraceDrawn> traces() {
        return standing(TraceKept.class).entrySet().stream()
                .map(kept -> new TraceDrawn(
                        ReportTrace.svg(kept.getValue()),
                        words.test(kept.getValue().procedureId()) + " · "
                                + kept.getValue().instrument() + ", "
                                + kept.getValue().unit() + " · "
                                + words.at(kept.getKey().takenAt())))
                .toList();
    }

    /** Entries of one kind that were not struck, in their order. */
    private <E extends Entry> Map<LoggedEntry, E> standing(Class<E> kind) {
        Map<LoggedEntry, E> found = new LinkedHashMap<>();
        state.log().stream()
                .filter(logged -> kind.isInstance(logged.entry()))
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .forEach(logged -> found.put(logged, kind.cast(logged.entry())));
        return found;
    }
}
