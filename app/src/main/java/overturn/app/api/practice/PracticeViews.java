package overturn.app.api.practice;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.IntStream;
import overturn.app.practice.Noted;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.practice.Debriefing;
import overturn.app.usecase.practice.PracticeResults;
import overturn.app.usecase.practice.Practise;
import overturn.bleeding.BleedEvent;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.practice.Debrief;
import overturn.practice.Hose;
import overturn.practice.Lesson;
import overturn.practice.RigState;
import overturn.practice.Route;
import overturn.practice.Spacing;
import overturn.secondworld.LiveVehicle;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

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

    /** What was seen in the bleed hose at the last end that was bled, in words of the bleed sheet. */
    record HoseView(String endId, int strokes, BleedEvent.Bubbles bubbles, BleedEvent.Colour colour) {

        static HoseView of(Hose hose) {
            return new HoseView(hose.endId(), hose.strokes(), hose.bubbles(), hose.colour());
        }
    }

    /**
     * How the vehicle of an exercise stands; words of {@code mishaps} are {@code mishap.<id>}, of {@code stopped}
     * {@code hazard.<id>}.
     */
    record RigView(
            double forceN,
            boolean engineOn,
            boolean capOn,
            List<String> plugged,
            List<String> cracked,
            List<String> takenOut,
            double aboveMinimumMl,
            double rodTooLongMm,
            Map<String, Double> misfits,
            boolean warm,
            double minutes,
            List<String> replaced,
            Optional<HoseView> hose,
            List<String> mishaps,
            Optional<String> stopped) {

        static RigView of(RigState rig) {
            return new RigView(
                    rig.footN(),
                    rig.engineOn(),
                    rig.capOn(),
                    rig.cuts().closed().stream().sorted().toList(),
                    rig.cuts().opened().stream().sorted().toList(),
                    rig.cuts().isolations().stream()
                            .map(i -> i.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                            .sorted()
                            .toList(),
                    rig.reservoirMl(),
                    rig.rodTooLongMm(),
                    rig.misfits(),
                    rig.warm(),
                    rig.minutes(),
                    remedies(rig.replaced()),
                    rig.hose().map(HoseView::of),
                    rig.mishaps().stream().map(RigState.Mishap::id).toList(),
                    rig.stopped().map(RigState.Hazard::id));
        }

        private static List<String> remedies(Repaired done) {
            return done.cures().stream()
                    .flatMap(cure -> cure.remedies().stream())
                    .map(Remedy::id)
                    .toList();
        }
    }

    /**
     * One moment of the live vehicle; {@code rests} while nothing moves. Chambers by their place, ends by their id;
     * {@code read} is what each instrument shows, none where it dropped out.
     */
    record RigMomentView(
            long tick,
            boolean rests,
            double forceN,
            double travelMm,
            Map<String, Double> barByChamber,
            Map<String, Double> barByEnd,
            Map<String, Double> dragNmByEnd,
            double reserve,
            double supply,
            double slaveStrokeMm,
            double heatC,
            double dripMlPerMinute,
            double aboveMinimumMl,
            Map<String, Double> read) {

        static RigMomentView of(Practise.Moment moment) {
            LiveVehicle.Shown shown = moment.shown();
            Map<String, Double> bars = new TreeMap<>();
            shown.barByChamber()
                    .forEach((chamber, bar) -> bars.put(chamber.name().toLowerCase(Locale.ROOT), round(bar)));
            return new RigMomentView(
                    moment.tick(),
                    moment.rests(),
                    round(shown.forceN()),
                    round(shown.travelMm()),
                    bars,
                    rounded(shown.endBarById()),
                    rounded(shown.dragNmById()),
                    round(shown.reserve()),
                    round(shown.supply()),
                    round(shown.slaveStrokeMm()),
                    round(shown.heatC()),
                    round(shown.dripMlPerMinute()),
                    round(moment.state().reservoirMl()),
                    read(moment));
        }

        private static Map<String, Double> read(Practise.Moment moment) {
            Map<String, Double> all = new TreeMap<>();
            moment.read().forEach((kind, value) -> all.put(kind.id(), round(value)));
            return all;
        }

        private static Map<String, Double> rounded(Map<String, Double> values) {
            Map<String, Double> all = new TreeMap<>();
            values.forEach((id, value) -> all.put(id, round(value)));
            return all;
        }

        private static double round(double value) {
            return Math.rint(value * 100) / 100;
        }
    }

    /** A figure as the instrument showed it; {@code text} is typed as it is. */
    record FigureShown(String id, String text, String unit) {}

    /** What a test showed: figures, or the option seen; and what the check of its rig said. */
    record TestShown(String procedureId, List<FigureShown> figures, Optional<String> observed, String rigCheck) {

        static TestShown of(Practise.Shown shown) {
            List<FigureShown> figures = new ArrayList<>();
            if (shown.value() instanceof Figures taken && shown.test().spec() instanceof Series series) {
                List<Figure> of = series.figures();
                IntStream.range(0, of.size())
                        .forEach(k -> taken.taken()
                                .get(k)
                                .ifPresent(q -> figures.add(new FigureShown(
                                        of.get(k).id(), q.text(), q.unit().symbol()))));
            }
            return new TestShown(
                    shown.test().id(),
                    figures,
                    shown.value() instanceof Observed seen ? Optional.of(seen.option()) : Optional.empty(),
                    shown.doubtful() ? "doubtful" : "sound");
        }
    }

    /** What a driver would say of the vehicle now. */
    record FeltView(String felt) {}

    /** One reading of an exercise looked at afterwards; shares 0 to 1. */
    record DebriefStepView(
            String readingId,
            String procedureId,
            double truthBefore,
            double truthAfter,
            String leadBefore,
            String leadAfter,
            boolean misread,
            boolean needless) {

        static DebriefStepView of(Debrief.Step step) {
            return new DebriefStepView(
                    step.readingId(),
                    step.procedureId(),
                    step.truthBefore(),
                    step.truthAfter(),
                    step.leadBefore().id(),
                    step.leadAfter().id(),
                    step.misread(),
                    step.needless());
        }
    }

    /** A way through the exercise; {@code who} is own or a simulated trainee. */
    record RouteView(
            String who,
            List<String> tests,
            double minutes,
            List<String> named,
            String grade,
            int wrongParts,
            double costMinutes,
            boolean right) {

        RouteView naming(List<String> other) {
            return new RouteView(who, tests, minutes, other, grade, wrongParts, costMinutes, right);
        }

        static RouteView of(String who, Route route) {
            return new RouteView(
                    who,
                    route.tests(),
                    route.minutes(),
                    route.named().remedies().stream().map(Remedy::id).toList(),
                    route.grade().name(),
                    route.wrongParts(),
                    route.costMinutes(),
                    route.right());
        }
    }

    /** How sure somebody was of something, per cent, whether it was needed, and how sure the planner then was. */
    record ClaimView(UUID readingId, String remedyId, int percent, boolean needed, double planner) {}

    /**
     * What is told when an exercise is over; {@code causes} are suspects, or {@code fault.<id>} where no list has it.
     */
    record DebriefView(
            String kind,
            String level,
            List<String> causes,
            List<String> needed,
            Optional<String> lyingRig,
            double shownShare,
            List<DebriefStepView> steps,
            Optional<Integer> knowableAt,
            List<RouteView> routes,
            List<String> mishaps,
            Optional<String> stopped,
            int helps,
            List<ClaimView> claims,
            int points) {

        static DebriefView of(SetExercise set, Debriefing.Told told) {
            List<RouteView> routes = new ArrayList<>();
            RouteView own = RouteView.of("own", told.own());
            routes.add(told.named() ? own : own.naming(List.of()));
            told.others().entrySet().stream()
                    .sorted(Map.Entry.comparingByKey(Comparator.naturalOrder()))
                    .forEach(e -> routes.add(RouteView.of(e.getKey().id(), e.getValue())));
            return new DebriefView(
                    set.exercise().kind().id(),
                    set.exercise().level().id(),
                    List.copyOf(told.truth().faults().keySet()),
                    told.truth().cure().remedies().stream().map(Remedy::id).toList(),
                    told.truth().lyingRig().map(rig -> rig.id()),
                    told.truth().shownShare(),
                    told.steps().steps().stream().map(DebriefStepView::of).toList(),
                    told.steps().knowableAt().stream().boxed().findFirst(),
                    routes,
                    told.rig().mishaps().stream().map(RigState.Mishap::id).toList(),
                    told.rig().stopped().map(RigState.Hazard::id),
                    told.helps(),
                    told.sures().stream()
                            .map(c ->
                                    new ClaimView(c.readingId(), c.remedy().id(), c.percent(), c.needed(), c.planner()))
                            .toList(),
                    told.points());
        }
    }
}
