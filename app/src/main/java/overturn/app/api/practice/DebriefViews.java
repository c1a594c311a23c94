package overturn.app.api.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.practice.Debriefing;
import overturn.practice.Debrief;
import overturn.practice.RigState;
import overturn.practice.Route;
import overturn.suspect.Remedy;

/** What is told when an exercise is over. */
final class DebriefViews {

    private DebriefViews() {}

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
