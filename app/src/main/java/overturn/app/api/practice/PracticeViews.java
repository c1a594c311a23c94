package overturn.app.api.practice;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import overturn.app.api.practice.RigViews.RigView;
import overturn.app.practice.Noted;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.practice.PracticeResults;
import overturn.app.usecase.practice.Practise;
import overturn.practice.Lesson;
import overturn.practice.Spacing;

/** What is told of exercises. */
final class PracticeViews {

    private PracticeViews() {}

    /** What can be chosen, the exercises that this person may see, and how sure this person was so far. */
    record PracticePageView(
            List<String> kinds,
            List<String> levels,
            List<LessonView> lessons,
            List<LineView> exercises,
            List<SureView> claims) {}

    /** How sure somebody was, per cent, whether it was so, and how sure the planner then was, 0 to 1. */
    record SureView(int percent, boolean needed, double planner) {

        static SureView of(Noted.Ended.Claim claim) {
            return new SureView(claim.percent(), claim.needed(), claim.planner());
        }
    }

    /** How exercises went, by person and by class. */
    record ResultsView(List<PersonResultView> people, List<ClassView> classes) {

        static ResultsView of(PracticeResults.Results results) {
            return new ResultsView(
                    results.people().stream().map(PersonResultView::of).toList(),
                    results.classes().stream().map(ClassView::of).toList());
        }
    }

    /** One person: exercises that are over, how many were right, mean points, points of the latest, claims. */
    record PersonResultView(
            String personId, int done, int right, double points, List<Integer> latest, List<SureView> claims) {

        static PersonResultView of(PracticeResults.OfPerson one) {
            return new PersonResultView(
                    one.personId(),
                    one.done(),
                    one.right(),
                    one.points(),
                    one.latest(),
                    one.claims().stream().map(SureView::of).toList());
        }
    }

    /** One vehicle that was set for several people; what is hidden is told once everybody has ended. */
    record ClassView(
            Instant setAt,
            String setById,
            String layoutId,
            String level,
            Optional<String> lessonId,
            Optional<String> kind,
            List<String> suspectIds,
            List<LineView> people) {

        static ClassView of(PracticeResults.OfClass one) {
            boolean told = one.people().stream().allMatch(line -> line.ended().isPresent());
            return new ClassView(
                    one.set().setAt(),
                    one.set().setById(),
                    one.set().layoutId(),
                    one.set().exercise().level().id(),
                    one.set().lessonId(),
                    told ? Optional.of(one.set().exercise().kind().id()) : Optional.empty(),
                    told ? one.set().exercise().suspectIds() : List.of(),
                    one.people().stream()
                            .map(line -> LineView.of(line.set(), line.opened(), line.ended()))
                            .toList());
        }
    }

    /** A lesson of the course, and when whoever is signed in should do it again. */
    record LessonView(String id, String layoutId, Optional<LocalDate> dueOn) {

        static LessonView of(Lesson lesson, List<Practise.Line> own) {
            List<Spacing.Attempt> attempts = own.stream()
                    .filter(line ->
                            line.set().lessonId().filter(lesson.id()::equals).isPresent())
                    .filter(line -> line.ended().isPresent())
                    .sorted(Comparator.comparing(line -> line.set().setAt()))
                    .map(line -> new Spacing.Attempt(
                            LocalDate.ofInstant(line.set().setAt(), ZoneId.systemDefault())
                                    .toEpochDay(),
                            line.ended().get().points()))
                    .toList();
            OptionalLong due = Spacing.due(attempts);
            return new LessonView(
                    lesson.id(),
                    lesson.layoutId(),
                    due.isPresent() ? Optional.of(LocalDate.ofEpochDay(due.getAsLong())) : Optional.empty());
        }
    }

    /** An exercise in the list; {@code kind} is told once it is over. */
    record LineView(
            UUID id,
            String personId,
            String setById,
            Instant setAt,
            String layoutId,
            String level,
            Optional<String> kind,
            Optional<String> lessonId,
            Optional<UUID> fromJobId,
            boolean opened,
            Optional<Integer> points,
            Optional<Boolean> right) {

        static LineView of(SetExercise set, boolean opened, Optional<Noted.Ended> ended) {
            return new LineView(
                    set.id(),
                    set.personId(),
                    set.setById(),
                    set.setAt(),
                    set.layoutId(),
                    set.exercise().level().id(),
                    ended.map(e -> set.exercise().kind().id()),
                    set.lessonId(),
                    set.fromJobId(),
                    opened,
                    ended.map(Noted.Ended::points),
                    ended.map(Noted.Ended::right));
        }
    }

    /** An exercise: its line, what the driver tells (words {@code driver.<felt>.<variant>}), and the vehicle. */
    record ExerciseView(
            LineView line, String felt, int variant, boolean sometimes, double travelToStopMm, RigView rig) {

        static ExerciseView of(Practise.Told told) {
            return new ExerciseView(
                    LineView.of(told.set(), told.opened(), told.ended()),
                    told.felt(),
                    1 + (int) Math.floorMod(told.set().exercise().seed(), 2L),
                    told.sometimes(),
                    told.travelToStopMm(),
                    RigView.of(told.rig()));
        }
    }
}
