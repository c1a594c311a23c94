package overturn.app.usecase.practice;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.JobState;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.practice.Exercises;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.job.Jobs;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.app.workshop.Staff;
import overturn.circuit.Family;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.practice.Exercise;
import overturn.practice.ExerciseKind;
import overturn.practice.ExerciseLevel;
import overturn.practice.Lesson;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** Sets an exercise: of the course, from a closed job, a chosen fault, or what comes. */
@Component
public class SetExercises {

    private final Exercises exercises;
    private final LayoutSheets sheets;
    private final Jobs jobs;
    private final Staff staff;
    private final Clock clock;
    private final Random random = new SecureRandom();

    SetExercises(Exercises exercises, LayoutSheets sheets, Jobs jobs, Staff staff, Clock clock) {
        this.exercises = exercises;
        this.sheets = sheets;
        this.jobs = jobs;
        this.staff = staff;
        this.clock = clock;
    }

    /**
     * What is asked for; what is null comes as it comes.
     *
     * @param exerciseId made by the client; the same twice sets one
     * @param family of circuits, where no layout is named
     * @param suspectIds what is to be wrong
     * @param lessonId of the course; then nothing else is asked
     * @param fromJobId a closed job that is played again; then nothing else is asked
     * @param personIds for whom; left out, for whoever asks
     */
    public record Draft(
            UUID exerciseId,
            @Nullable String kind,
            @Nullable String level,
            @Nullable String family,
            @Nullable String layoutId,
            @Nullable List<String> suspectIds,
            @Nullable String lessonId,
            @Nullable UUID fromJobId,
            @Nullable List<String> personIds) {}

    /**
     * Sets it for each person; the first has the id that was given, those of the others follow from it.
     *
     * @throws InvalidInputException naming every field that cannot be taken
     */
    public List<SetExercise> set(Actor actor, Draft draft) {
        List<String> persons = draft.personIds() == null || draft.personIds().isEmpty()
                ? List.of(actor.personId())
                : draft.personIds();
        if (!persons.equals(List.of(actor.personId())) || !chosen(draft).isEmpty()) {
            actor.require(Act.SET_EXERCISE);
        }
        List<String> here = staff.signing();
        new Checks()
                .that(() -> draft.exerciseId() != null, "exerciseId", draft.exerciseId(), "a UUID made by the client")
                .that(() -> here.containsAll(persons), "personIds", persons, "any of " + here)
                .orThrow();
        Optional<SetExercise> there = exercises.find(draft.exerciseId());
        if (there.isPresent()) {
            return List.of(there.get());
        }
        Planned planned = planned(draft);
        return persons.stream()
                .map(person -> {
                    UUID id = person.equals(persons.get(0))
                            ? draft.exerciseId()
                            : UUID.nameUUIDFromBytes((draft.exerciseId() + person).getBytes());
                    SetExercise set = new SetExercise(
                            id,
                            person,
                            clock.instant().truncatedTo(ChronoUnit.MICROS),
                            actor.personId(),
                            planned.layoutId(),
                            planned.exercise(),
                            Optional.ofNullable(draft.lessonId()),
                            Optional.ofNullable(draft.fromJobId()));
                    exercises.add(set);
                    return set;
                })
                .toList();
    }

    /** Faults that were asked for by name. */
    private static List<String> chosen(Draft draft) {
        return Objects.requireNonNullElse(draft.suspectIds(), List.of());
    }

    private record Planned(String layoutId, Exercise exercise) {}

    private Planned planned(Draft draft) {
        if (draft.lessonId() != null) {
            return Lesson.find(draft.lessonId())
                    .map(lesson -> new Planned(lesson.layoutId(), lesson.exercise()))
                    .orElseThrow(() -> Checks.refusal(
                            "lessonId",
                            draft.lessonId(),
                            "one of " + Lesson.all().stream().map(Lesson::id).toList()));
        }
        return draft.fromJobId() != null ? playedAgain(draft.fromJobId()) : free(draft);
    }

    /** The fault that was found and mended, on the same circuit; another vehicle of its kind. */
    private Planned playedAgain(UUID jobId) {
        Jobs.Log log = jobs.read(jobId);
        JobState state = log.state();
        List<String> cures = state.remedied().cures().stream()
                .flatMap(cure -> cure.remedies().stream())
                .map(Remedy::id)
                .toList();
        List<Suspect> suspects = log.sheet().suspects();
        List<String> causes = cures.stream()
                .distinct()
                .flatMap(id -> suspects.stream()
                        .filter(s -> s.remedy().id().equals(id) && !s.id().equals(SuspectCatalogue.NOTHING_WRONG))
                        .limit(1))
                .map(Suspect::id)
                .limit(2)
                .toList();
        if (causes.isEmpty() || exercises.find(jobId).isPresent()) {
            throw Checks.refusal("fromJobId", jobId, "a job in which something was found and mended");
        }
        ExerciseKind kind = causes.size() == 1 ? ExerciseKind.ONE_FAULT : ExerciseKind.TWO_FAULTS;
        return new Planned(
                state.opened().layoutId(), new Exercise(kind, ExerciseLevel.EVERYDAY, causes, random.nextLong()));
    }

    private Planned free(Draft draft) {
        List<String> offered = sheets.offered();
        List<String> kinds =
                Arrays.stream(ExerciseKind.values()).map(ExerciseKind::id).toList();
        List<String> levels =
                Arrays.stream(ExerciseLevel.values()).map(ExerciseLevel::id).toList();
        List<String> families = Arrays.stream(Family.values()).map(Family::id).toList();
        Optional<Sheet> sheet =
                Optional.ofNullable(draft.layoutId()).filter(offered::contains).flatMap(sheets::find);
        List<String> suspects = sheet.map(s -> s.suspects().stream()
                        .map(Suspect::id)
                        .filter(id -> !id.equals(SuspectCatalogue.NOTHING_WRONG))
                        .toList())
                .orElse(List.of());
        new Checks()
                .that(
                        () -> draft.kind() == null || kinds.contains(draft.kind()),
                        "kind",
                        draft.kind(),
                        "one of " + kinds)
                .that(
                        () -> draft.level() == null || levels.contains(draft.level()),
                        "level",
                        draft.level(),
                        "one of " + levels)
                .that(
                        () -> draft.family() == null || families.contains(draft.family()),
                        "family",
                        draft.family(),
                        "one of " + families)
                .that(
                        () -> draft.layoutId() == null || sheet.isPresent(),
                        "layoutId",
                        draft.layoutId(),
                        "one of " + offered + ", or left out")
                .that(
                        () -> suspects.containsAll(chosen(draft))
                                && chosen(draft).size() <= 2,
                        "suspectIds",
                        draft.suspectIds(),
                        "one or two of " + suspects)
                .orThrow();
        ExerciseKind drawn = ExerciseKind.WHAT_COMES.get(random.nextInt(ExerciseKind.WHAT_COMES.size()));
        ExerciseKind kind = Optional.ofNullable(draft.kind())
                .flatMap(ExerciseKind::find)
                .orElse(chosen(draft).isEmpty() ? drawn : of(chosen(draft)));
        ExerciseLevel level =
                Optional.ofNullable(draft.level()).flatMap(ExerciseLevel::find).orElse(ExerciseLevel.EVERYDAY);
        return new Planned(
                sheet.map(s -> s.file().id()).orElseGet(() -> anyLayout(draft.family())),
                new Exercise(kind, level, chosen(draft), random.nextLong()));
    }

    private static ExerciseKind of(List<String> suspectIds) {
        return suspectIds.size() == 1 ? ExerciseKind.ONE_FAULT : ExerciseKind.TWO_FAULTS;
    }

    private String anyLayout(@Nullable String family) {
        List<String> fitting = Presets.files().stream()
                .filter(file -> family == null || file.layout().family().id().equals(family))
                .map(LayoutFile::id)
                .toList();
        return fitting.get(random.nextInt(fitting.size()));
    }
}
