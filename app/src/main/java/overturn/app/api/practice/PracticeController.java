package overturn.app.api.practice;

import static overturn.app.api.Optionals.orNull;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.practice.DebriefViews.DebriefView;
import overturn.app.api.practice.PracticeViews.ExerciseView;
import overturn.app.api.practice.PracticeViews.LessonView;
import overturn.app.api.practice.PracticeViews.LineView;
import overturn.app.api.practice.PracticeViews.PracticePageView;
import overturn.app.api.practice.PracticeViews.ResultsView;
import overturn.app.api.practice.PracticeViews.SureView;
import overturn.app.api.practice.RigViews.FeltView;
import overturn.app.api.practice.RigViews.RigView;
import overturn.app.api.practice.RigViews.TestShown;
import overturn.app.people.Actor;
import overturn.app.practice.RigActWords;
import overturn.app.usecase.practice.Debriefing;
import overturn.app.usecase.practice.PracticeResults;
import overturn.app.usecase.practice.Practise;
import overturn.app.usecase.practice.SetExercises;
import overturn.practice.ExerciseKind;
import overturn.practice.ExerciseLevel;
import overturn.practice.Lesson;

/**
 * Exercises on a hidden vehicle. The job of an exercise has its id and is opened and worked on as any other; what hands
 * do to the vehicle, what tests show on it and what was hidden is asked here.
 */
@RestController
@RequestMapping("/api/practice")
class PracticeController {

    private final SetExercises setExercises;
    private final Practise practise;
    private final Debriefing debriefing;
    private final PracticeResults results;

    PracticeController(SetExercises setExercises, Practise practise, Debriefing debriefing, PracticeResults results) {
        this.results = results;
        this.setExercises = setExercises;
        this.practise = practise;
        this.debriefing = debriefing;
    }

    /** An exercise that is asked for; what is left out comes as it comes. */
    record SetRequest(
            UUID exerciseId,
            Optional<String> kind,
            Optional<String> level,
            Optional<String> family,
            Optional<String> layoutId,
            Optional<List<String>> suspectIds,
            Optional<String> lessonId,
            Optional<UUID> fromJobId,
            Optional<List<String>> personIds) {}

    /** One act with hands; which of the fields it needs depends on the act. */
    record ActRequest(
            UUID entryId, String act, Optional<String> subject, Optional<Double> figure, Optional<Boolean> on) {}

    /** A test that is done as its steps say. */
    record TestRequest(UUID entryId, String procedureId, Optional<Boolean> anotherRig) {}

    /** How sure somebody is of a remedy after the latest reading. */
    record SureRequest(UUID entryId, String remedyId, Integer percent) {}

    /** A write that needs nothing but its id. */
    record PlainRequest(UUID entryId) {}

    @GetMapping
    PracticePageView practice(Actor actor) {
        List<Practise.Line> lines = practise.lines(actor);
        List<Practise.Line> own = lines.stream()
                .filter(line -> line.set().personId().equals(actor.personId()))
                .toList();
        return new PracticePageView(
                Arrays.stream(ExerciseKind.values()).map(ExerciseKind::id).toList(),
                Arrays.stream(ExerciseLevel.values()).map(ExerciseLevel::id).toList(),
                Lesson.all().stream().map(lesson -> LessonView.of(lesson, own)).toList(),
                lines.stream()
                        .map(line -> LineView.of(line.set(), line.opened(), line.ended()))
                        .toList(),
                own.stream()
                        .flatMap(line -> line.ended().stream())
                        .flatMap(ended -> ended.claims().stream())
                        .map(SureView::of)
                        .toList());
    }

    /** How exercises went, by person and by class: of everybody for whoever sets them, of oneself for others. */
    @GetMapping("/results")
    ResultsView results(Actor actor) {
        return ResultsView.of(results.results(actor));
    }

    /** Sets an exercise, for each person one. */
    @PostMapping("/exercises")
    @ResponseStatus(HttpStatus.CREATED)
    List<LineView> set(Actor actor, @RequestBody SetRequest asked) {
        return setExercises
                .set(
                        actor,
                        new SetExercises.Draft(
                                asked.exerciseId(),
                                orNull(asked.kind()),
                                orNull(asked.level()),
                                orNull(asked.family()),
                                orNull(asked.layoutId()),
                                orNull(asked.suspectIds()),
                                orNull(asked.lessonId()),
                                orNull(asked.fromJobId()),
                                orNull(asked.personIds())))
                .stream()
                .map(set -> LineView.of(set, false, Optional.empty()))
                .toList();
    }

    @GetMapping("/exercises/{id}")
    ExerciseView exercise(Actor actor, @PathVariable UUID id) {
        return ExerciseView.of(practise.told(id, actor));
    }

    /** Does something with hands and tells how the vehicle stands then. */
    @PostMapping("/exercises/{id}/acts")
    RigView act(Actor actor, @PathVariable UUID id, @RequestBody ActRequest asked) {
        return RigView.of(practise.act(
                id,
                actor,
                asked.entryId(),
                new RigActWords(asked.act(), orNull(asked.subject()), orNull(asked.figure()), orNull(asked.on()))));
    }

    /** Does a test as its steps say, and tells what it showed; the reading is then entered in the job as any other. */
    @PostMapping("/exercises/{id}/tests")
    TestShown test(Actor actor, @PathVariable UUID id, @RequestBody TestRequest asked) {
        return TestShown.of(practise.test(
                id, actor, asked.entryId(), asked.procedureId(), Boolean.TRUE.equals(orNull(asked.anotherRig()))));
    }

    /** Asks the program what it would do; from then on, until the next entry, the job shows it. */
    @PostMapping("/exercises/{id}/help")
    void help(Actor actor, @PathVariable UUID id, @RequestBody PlainRequest asked) {
        practise.help(id, actor, asked.entryId());
    }

    @PostMapping("/exercises/{id}/sure")
    void sure(Actor actor, @PathVariable UUID id, @RequestBody SureRequest asked) {
        practise.sure(id, actor, asked.entryId(), asked.remedyId(), asked.percent());
    }

    /** What a driver would say of the vehicle now: whether a repair cured it. */
    @GetMapping("/exercises/{id}/felt")
    FeltView felt(Actor actor, @PathVariable UUID id) {
        return new FeltView(practise.feltNow(id, actor));
    }

    /** Ends the exercise and tells what was hidden; ending it again tells the same. */
    @PostMapping("/exercises/{id}/end")
    DebriefView end(Actor actor, @PathVariable UUID id, @RequestBody PlainRequest asked) {
        Debriefing.Told told = debriefing.end(id, actor, asked.entryId());
        return DebriefView.of(practise.told(id, actor).set(), told);
    }

    @GetMapping("/exercises/{id}/debrief")
    DebriefView debrief(Actor actor, @PathVariable UUID id) {
        return DebriefView.of(practise.told(id, actor).set(), debriefing.told(id, actor));
    }
}
