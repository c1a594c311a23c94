package overturn.app.job;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import overturn.app.job.Entry.BleedingChosen;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.CheckDone;
import overturn.app.job.Entry.CircuitRested;
import overturn.app.job.Entry.JobReleased;
import overturn.app.job.Entry.LevelEntered;
import overturn.app.job.Entry.StrokesBled;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.Entry.WorkStepDone;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.circuit.Layout;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.proving.Proving.Blocker;
import overturn.proving.Proving.Outcome;
import overturn.repair.Section;
import overturn.repair.WorkPlan;
import overturn.repair.WorkStep;
import overturn.suspect.Remedy;

/**
 * The half of a job after the verdict: the fold of its log since the verdict that stands was accepted.
 *
 * @param plan what is done
 * @param done who did which step, by its key
 * @param mismatched steps of which a figure differs from the list and nobody said why it was taken
 * @param sheet the bleed sheet, where the plan bleeds
 * @param schools how it is bled
 * @param orderSource where the maker gives the order of the ends; empty while the workshop's order is kept
 * @param outcomes the latest outcome of each check
 * @param on what the plan has put on or taken off and what it has moved, {@code kind@component}
 * @param proving gates
 * @param released the latest release, while nothing was found since
 */
public record RepairState(
        WorkPlan plan,
        Map<String, LoggedEntry> done,
        Set<String> mismatched,
        Optional<BleedSheet> sheet,
        Schools schools,
        String orderSource,
        Map<String, LoggedEntry> outcomes,
        Set<String> on,
        Proving proving,
        Optional<LoggedEntry> released,
        Optional<UUID> cameBackAs) {

    private static final String TAG = "do-not-drive-tag";
    private static final String TAG_OFF = "tag-off";
    private static final String BLEED_END = "bleed-end";

    /** Empty while no verdict is accepted. */
    static Optional<RepairState> of(JobState state, Layout layout) {
        return state.accepted().map(verdict -> new Fold(state, layout, verdict).repair());
    }

    /** The plan of an accepted verdict. */
    static WorkPlan plan(VerdictAccepted verdict, Layout layout) {
        List<Remedy> remedies = new ArrayList<>();
        Map<Remedy, String> places = new EnumMap<>(Remedy.class);
        for (int i = 0; i < verdict.remedyIds().size(); i++) {
            Remedy remedy = remedy(verdict.remedyIds().get(i));
            remedies.add(remedy);
            List<String> offered = WorkPlan.places(layout, remedy);
            String place = i < verdict.places().size() ? verdict.places().get(i) : offered.get(0);
            places.put(remedy, offered.contains(place) ? place : offered.get(0));
        }
        return WorkPlan.of(layout, remedies, places);
    }

    private static Remedy remedy(String id) {
        for (Remedy remedy : Remedy.values()) {
            if (remedy.id().equals(id)) {
                return remedy;
            }
        }
        throw new IllegalArgumentException("Impossible: remedy " + id);
    }

    /** Whether everything that changes the vehicle is done, so that a reading is about what is left. */
    static boolean repaired(WorkPlan plan, Set<String> done) {
        return plan.steps().stream()
                .filter(step -> !step.optional() && step.section().compareTo(Section.FILL) < 0)
                .map(WorkStep::key)
                .allMatch(done::contains);
    }

    /** Where the job is. */
    JobStage stage() {
        if (cameBackAs.isPresent()) {
            return JobStage.COMEBACK;
        }
        if (released.isPresent()) {
            boolean conditional = ((JobReleased) released.get().entry()).conditional();
            return conditional ? JobStage.RELEASED_CONDITIONALLY : JobStage.RELEASED;
        }
        if (!proving.at(Gate.CHOCKS).blockers().isEmpty()) {
            return done.isEmpty() ? JobStage.ACCEPTED : JobStage.UNDER_REPAIR;
        }
        return proving.at(Gate.YARD).state() == Proving.State.PASSED
                ? JobStage.PROVING_ON_THE_ROAD
                : proving.at(Gate.CHOCKS).state() == Proving.State.PASSED
                        ? JobStage.PROVING_IN_THE_YARD
                        : JobStage.PROVING_ON_CHOCKS;
    }

    private static final class Fold {
        private final JobState state;
        private final Layout layout;
        private final WorkPlan plan;
        private final Map<String, LoggedEntry> done = new LinkedHashMap<>();
        private final Set<String> mismatched = new LinkedHashSet<>();
        private final List<BleedEvent> events = new ArrayList<>();
        private final Map<String, LoggedEntry> outcomes = new HashMap<>();
        private final Set<String> on = new LinkedHashSet<>();
        private final Set<String> moved = new LinkedHashSet<>();
        private Optional<LoggedEntry> released = Optional.empty();
        private Optional<UUID> cameBackAs = Optional.empty();
        private Schools schools;
        private String orderSource = "";

        Fold(JobState state, Layout layout, VerdictAccepted verdict) {
            this.state = state;
            this.layout = layout;
            this.plan = RepairState.plan(verdict, layout);
            this.schools = verdict.bleeding().schools(List.of());
            boolean since = false;
            for (LoggedEntry logged : state.log()) {
                if (logged.entry() == verdict) {
                    since = true;
                } else if (since && !state.struckIds().contains(logged.id())) {
                    add(logged);
                }
            }
        }

        private void add(LoggedEntry logged) {
            Entry entry = logged.entry();
            if (entry instanceof WorkStepDone step) {
                plan.find(step.key()).ifPresent(planned -> take(planned, step, logged));
            } else if (entry instanceof StrokesBled strokes) {
                events.add(new BleedEvent.Strokes(
                        strokes.endId(),
                        strokes.count(),
                        BleedEvent.Bubbles.valueOf(strokes.bubbles().toUpperCase(Locale.ROOT)),
                        BleedEvent.Colour.valueOf(strokes.colour().toUpperCase(Locale.ROOT)),
                        schools.method()));
            } else if (entry instanceof BleedingChosen chosen) {
                schools = chosen.bleeding().schools(chosen.makersOrder());
                orderSource = chosen.source();
            } else if (entry instanceof LevelEntered level) {
                events.add(new BleedEvent.Level(level.aboveMinimumMl()));
            } else if (entry instanceof CircuitRested) {
                events.add(new BleedEvent.Rest());
            } else if (entry instanceof CheckDone check) {
                outcomes.put(check.checkId(), logged);
                released = check.outcome().equals("failed") ? Optional.empty() : released;
            } else if (entry instanceof JobReleased) {
                released = Optional.of(logged);
            } else if (entry instanceof CameBack back && back.followsIt()) {
                cameBackAs = Optional.of(back.jobId());
            }
        }

        private void take(WorkStep planned, WorkStepDone step, LoggedEntry logged) {
            boolean differs = planned.asks().stream()
                    .anyMatch(asked -> step.measured().stream()
                            .filter(m -> m.id().equals(asked.id()))
                            .anyMatch(m -> asked.differs(m.value())));
            if (differs && step.why().isBlank()) {
                mismatched.add(planned.key());
                return;
            }
            mismatched.remove(planned.key());
            done.put(planned.key(), logged);
            on.addAll(planned.fits());
            planned.takesOff().forEach(on::remove);
            moved.addAll(planned.moves());
            planned.setsBack().forEach(moved::remove);
        }

        RepairState repair() {
            List<String> ends = plan.steps().stream()
                    .filter(step -> step.id().equals(BLEED_END))
                    .map(WorkStep::place)
                    .toList();
            Optional<BleedSheet> sheet = ends.isEmpty()
                    ? Optional.empty()
                    : Optional.of(BleedSheet.of(state.layoutNow(), ends, schools, events));
            boolean bled = sheet.map(BleedSheet::done).orElse(true)
                    || plan.steps().stream()
                            .filter(step -> step.id().equals(BLEED_END))
                            .allMatch(step -> done.containsKey(step.key()));
            List<Blocker> blockers = new ArrayList<>();
            plan.steps().stream()
                    .filter(step -> !step.optional()
                            && !step.id().equals(TAG_OFF)
                            && !step.id().equals(BLEED_END))
                    .filter(step -> !done.containsKey(step.key()))
                    .forEach(step -> blockers.add(new Blocker(Blocker.Kind.STEP_OPEN, step.key())));
            state.stillFitted().forEach(item -> blockers.add(new Blocker(Blocker.Kind.FITTED, item)));
            on.stream()
                    .filter(item -> !item.startsWith(TAG))
                    .forEach(item -> blockers.add(new Blocker(Blocker.Kind.FITTED, item)));
            moved.forEach(item -> blockers.add(new Blocker(Blocker.Kind.MOVED, item)));
            if (!bled) {
                blockers.add(new Blocker(Blocker.Kind.BLEEDING, ""));
            }
            Map<String, Outcome> latest = new HashMap<>();
            outcomes.forEach((id, logged) -> latest.put(
                    id, Outcome.valueOf(((CheckDone) logged.entry()).outcome().toUpperCase(Locale.ROOT))));
            Set<String> standing = new LinkedHashSet<>(on);
            standing.addAll(moved);
            return new RepairState(
                    plan,
                    Map.copyOf(done),
                    Set.copyOf(mismatched),
                    sheet,
                    schools,
                    orderSource,
                    Map.copyOf(outcomes),
                    standing,
                    Proving.of(Checks.of(layout), latest, blockers),
                    released,
                    cameBackAs);
        }
    }
}
