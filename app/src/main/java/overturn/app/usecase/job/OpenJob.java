package overturn.app.usecase.job;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.practice.Exercises;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.app.vehicle.Vehicle;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.inference.Intake.Age;
import overturn.inference.PlainFact;
import overturn.inference.WorkDone.Area;
import overturn.inference.WorkDone.Bled;
import overturn.inference.WorkDone.Kind;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.RigTrust;
import overturn.suspect.Suspect;
import overturn.verdict.Verdict;

/** Opens a job: complaint, behaviour, layout, hunch. */
@Component
public class OpenJob {

    /** In place of a behaviour: nobody complains, the vehicle is checked. */
    private static final String NO_COMPLAINT = "no-complaint";

    private static final List<String> AGES =
            Arrays.stream(Age.values()).map(Age::name).toList();

    private static final List<String> KINDS =
            Arrays.stream(Kind.values()).map(Kind::id).toList();
    private static final List<String> BLED =
            Arrays.stream(Bled.values()).map(Bled::id).toList();

    private final LogWriter writer;
    private final LayoutSheets sheets;
    private final Jobs jobs;
    private final ComeBack comeBack;
    private final Exercises exercises;

    OpenJob(LogWriter writer, LayoutSheets sheets, Jobs jobs, ComeBack comeBack, Exercises exercises) {
        this.exercises = exercises;
        this.writer = writer;
        this.sheets = sheets;
        this.jobs = jobs;
        this.comeBack = comeBack;
    }

    /**
     * What is given at intake.
     *
     * @param recentWork whether the system was worked on just before; may be left out, as age and sometimes
     * @param vehicleId which vehicle is meant; left out, the one that is called so
     * @param work what was done where before it, by stable ids; may be left out
     * @param facts what somebody told or saw, by stable ids; may be left out
     * @param about what else is told of vehicle and order, by {@link JobOpened#ABOUT}; may be left out
     * @param comesBackFrom the released job of which this is the comeback; null where it is none
     * @param behaviour stable id of what is felt, or {@code no-complaint} for a check, of which no behaviour is told
     * @param alsoBehaviour what else is felt, told beside the behaviour; null where nothing is
     * @param readingId id of the entry that holds the behaviour, made by the client
     */
    public record Intake(
            UUID jobId,
            Stamp stamp,
            UUID readingId,
            @Nullable UUID vehicleId,
            String vehicle,
            String layoutId,
            String complaint,
            String behaviour,
            @Nullable String alsoBehaviour,
            @Nullable String hunchId,
            Boolean mayBeMoved,
            Boolean recentWork,
            String age,
            Boolean sometimes,
            @Nullable List<JobOpened.Work> work,
            @Nullable List<String> facts,
            @Nullable Map<String, String> about,
            @Nullable UUID comesBackFrom) {}

    /** What was told of vehicle and order; what was left blank was not. */
    private static Map<String, String> about(Intake intake) {
        Map<String, String> told = new TreeMap<>();
        if (intake.about() != null) {
            intake.about().forEach((what, text) -> {
                if (text != null && !text.isBlank()) {
                    told.put(what == null ? "" : what, text.strip());
                }
            });
        }
        return told;
    }

    /** @throws InvalidInputException naming every field that cannot be taken */
    public Log open(Intake intake) {
        List<String> offered = sheets.offered();
        Optional<Sheet> sheet =
                Optional.ofNullable(intake.layoutId()).filter(offered::contains).flatMap(sheets::find);
        List<String> behaviours = sheet.map(OpenJob::behaviours).orElse(List.of());
        List<String> told =
                Stream.concat(behaviours.stream(), Stream.of(NO_COMPLAINT)).toList();
        List<String> suspects = sheet.map(
                        m -> Stream.concat(m.suspects().stream().map(Suspect::id), Stream.of(Verdict.NONE_OF_THESE))
                                .toList())
                .orElse(List.of());
        Optional<Layout> layout = sheet.map(Sheet::layout);
        List<String> facts = layout.map(OpenJob::facts).orElse(List.of());
        List<JobOpened.Work> work = intake.work() == null ? List.of() : intake.work();
        Checks checks = new Checks();
        EntryRules.about(about(intake), checks, "");
        for (int i = 0; i < work.size(); i++) {
            checkWork(checks, "work[" + i + "]", work.get(i), layout);
        }
        checks.that(
                        () -> intake.facts() == null || sheet.isEmpty() || facts.containsAll(intake.facts()),
                        "facts",
                        intake.facts(),
                        "any of " + facts)
                .that(
                        () -> intake.comesBackFrom() == null
                                || comeBack.released(intake.comesBackFrom(), intake.jobId()),
                        "comesBackFrom",
                        intake.comesBackFrom(),
                        "a released job that has not come back yet, or left out")
                .that(
                        () -> work.size() <= EntryRules.MOST_WORK,
                        "work",
                        work.size(),
                        "at most " + EntryRules.MOST_WORK + " pieces of work")
                .that(() -> intake.jobId() != null, "jobId", intake.jobId(), "a UUID made by the client")
                .that(
                        () -> intake.readingId() != null
                                && !intake.readingId().equals(intake.stamp().entryId()),
                        "readingId",
                        intake.readingId(),
                        "a UUID made by the client, other than entryId")
                .text("vehicle", intake.vehicle(), EntryRules.MOST_VEHICLE)
                .text("complaint", intake.complaint(), EntryRules.MOST_COMPLAINT)
                .that(sheet::isPresent, "layoutId", intake.layoutId(), "one of " + offered)
                .that(
                        () -> sheet.isEmpty() || intake.behaviour() != null && told.contains(intake.behaviour()),
                        "behaviour",
                        intake.behaviour(),
                        "one of " + told)
                .that(
                        () -> sheet.isEmpty()
                                || intake.alsoBehaviour() == null
                                || !NO_COMPLAINT.equals(intake.behaviour())
                                        && behaviours.contains(intake.alsoBehaviour())
                                        && !intake.alsoBehaviour().equals(intake.behaviour()),
                        "alsoBehaviour",
                        intake.alsoBehaviour(),
                        "another one of " + behaviours + ", or left out")
                .that(
                        () -> sheet.isEmpty() || intake.hunchId() == null || suspects.contains(intake.hunchId()),
                        "hunchId",
                        intake.hunchId(),
                        "one of " + suspects + ", or left out")
                .that(
                        () -> intake.age() == null || AGES.contains(intake.age()),
                        "age",
                        intake.age(),
                        "one of " + AGES + ", or left out")
                .that(() -> intake.mayBeMoved() != null, "mayBeMoved", intake.mayBeMoved(), "true or false")
                .orThrow();
        Optional<SetExercise> exercise = exercises.find(intake.jobId());
        exercise.ifPresent(set -> checks.that(
                        () -> set.layoutId().equals(intake.layoutId()), "layoutId", intake.layoutId(), set.layoutId())
                .that(
                        () -> set.personId().equals(intake.stamp().personId()),
                        "jobId",
                        intake.jobId(),
                        "an exercise of " + intake.stamp().personId())
                .orThrow());
        UUID vehicleId = exercise.isPresent()
                ? intake.jobId()
                : intake.vehicleId() == null ? Vehicle.idOf(intake.vehicle()) : intake.vehicleId();
        Log opened = writer.open(
                intake.jobId(),
                sheet.orElseThrow(),
                intake.stamp(),
                new JobOpened(
                        vehicleId,
                        intake.vehicle(),
                        intake.layoutId(),
                        intake.complaint(),
                        intake.hunchId() == null ? "" : intake.hunchId(),
                        intake.mayBeMoved(),
                        intake.recentWork(),
                        intake.age(),
                        intake.sometimes(),
                        work,
                        told(intake),
                        about(intake)),
                intake.readingId(),
                felt(intake, sheet.orElseThrow().procedures()));
        return intake.comesBackFrom() == null ? opened : comeBack.link(opened, intake.comesBackFrom(), intake.stamp());
    }

    /** What was told, each once; that nobody complains is told by opening a check. */
    private static List<String> told(Intake intake) {
        Stream<String> check =
                NO_COMPLAINT.equals(intake.behaviour()) ? Stream.of(PlainFact.NO_COMPLAINT.id()) : Stream.of();
        return Stream.concat(intake.facts() == null ? Stream.of() : intake.facts().stream(), check)
                .distinct()
                .toList();
    }

    private static List<ReadingTaken> felt(Intake intake, ProcedureCatalogue procedures) {
        if (NO_COMPLAINT.equals(intake.behaviour())) {
            return List.of();
        }
        String setup = procedures.intake().rigSetup();
        ReadingTaken first =
                ReadingTaken.observed(ProcedureCatalogue.CHARACTERISE, intake.behaviour(), setup, RigTrust.NORMAL);
        return intake.alsoBehaviour() == null
                ? List.of(first)
                : List.of(
                        first,
                        ReadingTaken.observed(
                                ProcedureCatalogue.ALSO_FELT, intake.alsoBehaviour(), setup, RigTrust.NORMAL));
    }

    private static void checkWork(Checks checks, String field, JobOpened.Work work, Optional<Layout> layout) {
        List<String> areas = layout.map(OpenJob::areas).orElse(List.of());
        checks.that(
                        () -> layout.isEmpty() || work != null && areas.contains(work.area()),
                        field + ".area",
                        work == null ? null : work.area(),
                        "one of " + areas)
                .that(
                        () -> work != null && KINDS.contains(work.kind()),
                        field + ".kind",
                        work == null ? null : work.kind(),
                        "one of " + KINDS)
                .that(
                        () -> work != null && BLED.contains(work.bled()),
                        field + ".bled",
                        work == null ? null : work.bled(),
                        "one of " + BLED);
    }

    /** Ids of the areas in which work on this circuit can have been done. */
    public static List<String> areas(Layout layout) {
        return Arrays.stream(Area.values())
                .filter(area -> area.in(layout))
                .map(Area::id)
                .toList();
    }

    /** Ids of the plain facts that can be told of this circuit. */
    public static List<String> facts(Layout layout) {
        return Arrays.stream(PlainFact.values())
                .filter(fact -> fact.in(layout))
                .map(PlainFact::id)
                .toList();
    }

    private static List<String> behaviours(Sheet sheet) {
        return ((Observation) sheet.procedures().intake().spec()).options();
    }
}
