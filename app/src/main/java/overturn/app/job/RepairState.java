package overturn.app.job;

import static overturn.course.Progress.Release.CONDITIONAL;
import static overturn.course.Progress.Release.FINAL;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry.BleedingChosen;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.CircuitRested;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.LevelEntered;
import overturn.app.job.RepairEntry.SecondChecked;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WayChosen;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.workshop.Staff.Person;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.circuit.Layout;
import overturn.course.Progress;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.proving.Proving.Blocker;
import overturn.proving.Proving.Outcome;
import overturn.repair.WorkPlan;
import overturn.repair.WorkSchools;
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
 * @param early checks of the next day that were done before it had come
 * @param proving gates
 * @param released the latest release, while nothing was opened, fitted, moved, struck or found since
 * @param takenBack whether there was a release that does not hold any more
 * @param already steps that a test has done, by their keys, and the entries of these tests
 * @param closedAt by gate, when what it checks was last opened, fitted or moved, or, for the next day, released
 * @param nextDayFrom from when on the checks of the next day count; empty while it was not released since it was last
 *     closed
 * @param fluid the can from which it is filled; empty until somebody says
 * @param secondChecked who looked at the checks as they stand, another person than the one who releases
 */
public record RepairState(
        WorkPlan plan,
        Map<String, LoggedEntry> done,
        Set<String> mismatched,
        Optional<BleedSheet> sheet,
        Schools schools,
        String orderSource,
        Map<String, LoggedEntry> outcomes,
        Map<String, LoggedEntry> already,
        Map<String, LoggedEntry> early,
        Proving proving,
        Optional<LoggedEntry> released,
        boolean takenBack,
        Optional<Instant> nextDayFrom,
        Map<Gate, Instant> closedAt,
        Optional<UUID> cameBackAs,
        Optional<FluidTaken> fluid,
        Set<String> secondChecked) {

    /** After so long trapped air has moved and a weep shows; a night. Estimate. */
    public static final Duration UNTIL_NEXT_DAY = Duration.ofHours(8);

    /** After so far trapped air has moved and a weep shows, km, whatever the hour. Estimate. */
    public static final int SET_DISTANCE_KM = 50;

    /** A log is folded many times, and its plan stays the same. */
    private static final Cache<Planned, WorkPlan> PLANS =
            Caffeine.newBuilder().maximumSize(500).build();

    /** With these the fluid is changed, so that what comes out has to run clear in colour too. */
    private static final Set<String> FLUSHES = Set.of(Remedy.CHANGE_FLUID.id(), Remedy.FLUSH_AND_RESEAL.id());

    /** Empty while no verdict is accepted. */
    static Optional<RepairState> of(JobState state, Layout layout) {
        return state.accepted().map(verdict -> new Fold(state, layout, verdict).repair());
    }

    /** The plan of an accepted verdict. */
    static WorkPlan plan(VerdictAccepted verdict, Layout layout, WorkSchools schools) {
        List<Remedy> remedies = new ArrayList<>();
        Map<Remedy, String> places = new EnumMap<>(Remedy.class);
        for (int i = 0; i < verdict.remedyIds().size(); i++) {
            Remedy remedy = remedy(verdict.remedyIds().get(i));
            remedies.add(remedy);
            List<String> offered = WorkPlan.places(layout, remedy);
            String place = i < verdict.places().size() ? verdict.places().get(i) : offered.get(0);
            places.put(remedy, offered.contains(place) ? place : offered.get(0));
        }
        return PLANS.get(
                new Planned(layout, remedies, places, schools),
                asked -> WorkPlan.of(layout, remedies, places, schools));
    }

    private record Planned(Layout layout, List<Remedy> remedies, Map<Remedy, String> places, WorkSchools schools) {}

    private static Remedy remedy(String id) {
        for (Remedy remedy : Remedy.values()) {
            if (remedy.id().equals(id)) {
                return remedy;
            }
        }
        throw new IllegalArgumentException("Impossible: remedy " + id);
    }

    /**
     * Whether a step stops the plan: a figure differs from the list, or two do not go together, and nobody said why
     * they are taken.
     */
    static boolean stops(WorkStep planned, WorkStepDone step) {
        Map<String, Double> measured =
                step.measured().stream().collect(Collectors.toMap(m -> m.id(), m -> m.value(), (one, other) -> other));
        boolean differs = planned.asks().stream()
                .anyMatch(asked -> measured.containsKey(asked.id()) && asked.differs(measured.get(asked.id())));
        return step.why().isBlank() && (differs || planned.together().stream().anyMatch(two -> two.apart(measured)));
    }

    /**
     * When the next day has come after a conditional release: after a night, or as soon as it was driven far enough.
     */
    static Instant nextDay(Instant releasedAt, int drivenKm) {
        return drivenKm >= SET_DISTANCE_KM ? releasedAt : releasedAt.plus(UNTIL_NEXT_DAY);
    }

    /** A release is not believed: it holds if the gates were through when it was signed, behind all their checks. */
    boolean letsThrough(JobReleased release, LoggedEntry logged) {
        boolean through = release.conditional() ? proving.mayBeReleasedConditionally() : proving.mayBeReleased();
        boolean behind =
                outcomes.values().stream().noneMatch(seen -> seen.takenAt().isAfter(logged.takenAt()));
        return through && behind || release.byEarlierGates() && !Person.isElsewhere(logged.personId());
    }

    /** What decides where the job stands. */
    Progress progress() {
        return new Progress(
                open(plan.steps()),
                open(plan.beforeBled()),
                !done.isEmpty(),
                sheet,
                proving,
                released.map(logged -> ((JobReleased) logged.entry()).conditional() ? CONDITIONAL : FINAL),
                takenBack,
                cameBackAs.map(UUID::toString));
    }

    /** A part that differs stops the plan: its step comes first. */
    private List<WorkStep> open(List<WorkStep> steps) {
        return steps.stream()
                .filter(step -> isOpen(step, done, already))
                .sorted(Comparator.comparing(step -> !mismatched.contains(step.key())))
                .toList();
    }

    /** Whether a step has still to be done before the vehicle is proved. */
    private static boolean isOpen(WorkStep step, Map<String, LoggedEntry> done, Map<String, LoggedEntry> already) {
        return !step.optional()
                && !step.bleedsAnEnd()
                && !done.containsKey(step.key())
                && !already.containsKey(step.key());
    }

    private static final class Fold {
        private final JobState state;
        private final WorkPlan plan;
        private final boolean flush;
        private final List<Check> checks;
        private final Map<String, LoggedEntry> done = new LinkedHashMap<>();
        private final Set<String> mismatched = new LinkedHashSet<>();
        private final List<BleedEvent> events = new ArrayList<>();
        private final Map<String, LoggedEntry> outcomes = new HashMap<>();
        private final Map<String, LoggedEntry> early = new HashMap<>();
        private final Map<Gate, Instant> since = new EnumMap<>(Gate.class);
        private Optional<LoggedEntry> released = Optional.empty();
        /** The next day begins with a conditional release: before it none of its checks can be true. */
        private Optional<Instant> releasedAt = Optional.empty();

        private boolean takenBack;
        private Optional<UUID> cameBackAs = Optional.empty();
        private Optional<FluidTaken> fluid = Optional.empty();
        private Schools schools;
        private String orderSource = "";

        Fold(JobState state, Layout layout, VerdictAccepted verdict) {
            this.state = state;
            this.plan = RepairState.plan(verdict, layout, state.schools());
            this.flush = verdict.remedyIds().stream().anyMatch(FLUSHES::contains);
            this.checks = Checks.of(layout);
            this.schools = verdict.bleeding().schools(List.of());
            boolean after = false;
            for (LoggedEntry logged : state.log()) {
                if (state.notUnderstood().contains(logged.id())) {
                    continue;
                }
                boolean struck = state.struckIds().contains(logged.id());
                if (logged.entry() == verdict) {
                    after = true;
                    backTo(Gate.CHOCKS, logged.takenAt());
                } else if (after && !struck) {
                    add(logged);
                } else if (after) {
                    addStruck(logged);
                }
            }
        }

        /** What was opened or fitted was so, struck or not; a check that failed and was struck is asked again. */
        private void addStruck(LoggedEntry logged) {
            disturbed(logged);
            if (logged.entry() instanceof CheckDone check && failed(check)) {
                outcomes.remove(check.checkId());
            }
        }

        private void disturbed(LoggedEntry logged) {
            Optional.ofNullable(state.disturbing().get(logged.id()))
                    .ifPresent(disturbance -> backTo(disturbance.backTo(), logged.takenAt()));
        }

        private void add(LoggedEntry logged) {
            Entry entry = logged.entry();
            if (entry instanceof WorkStepDone step) {
                plan.find(step.key()).ifPresent(planned -> take(planned, step, logged));
            } else if (entry instanceof StrokesBled strokes) {
                bled(strokes, logged);
            } else if (entry instanceof BleedingChosen chosen) {
                schools = chosen.bleeding().schools(chosen.makersOrder());
                orderSource = chosen.source();
            } else if (entry instanceof LevelEntered level) {
                events.add(new BleedEvent.Level(level.aboveMinimumMl()));
            } else if (entry instanceof FluidTaken taken) {
                fluid = Optional.of(taken);
            } else if (entry instanceof WayChosen) {
                backTo(Gate.CHOCKS, logged.takenAt());
            } else if (entry instanceof CircuitRested) {
                events.add(new BleedEvent.Rest());
            } else if (entry instanceof CheckDone check) {
                check(check, logged);
            } else if (entry instanceof JobReleased release) {
                release(release, logged);
            } else if (entry instanceof EntryStruck strike) {
                strike(strike);
            } else if (entry instanceof FittingsTakenOff) {
                backTo(Gate.CHOCKS, logged.takenAt());
            } else if (entry instanceof CameBack back && back.followsIt()) {
                cameBackAs = Optional.of(back.jobId());
            } else {
                disturbed(logged);
            }
        }

        private void bled(StrokesBled strokes, LoggedEntry logged) {
            events.add(strokes.by(schools.method()));
            backTo(Gate.CHOCKS, logged.takenAt());
        }

        /**
         * Checks belong to the circuit as it was last closed: those of a gate and of all behind it are asked again,
         * what was seen before does not count, and a release does not hold any more. What failed stays failed unless
         * the circuit was opened: wheels that are raised mend nothing.
         */
        private void backTo(Gate gate, Instant at) {
            checks.stream()
                    .filter(check -> check.gate().compareTo(gate) >= 0)
                    .filter(check -> gate == Gate.CHOCKS || !hasFailed(check))
                    .forEach(check -> outcomes.remove(check.id()));
            for (Gate later : Gate.values()) {
                if (later.compareTo(gate) >= 0) {
                    since.merge(later, at, (before, now) -> now.isAfter(before) ? now : before);
                }
            }
            releasedAt = Optional.empty();
            takeBack();
        }

        private boolean hasFailed(Check check) {
            return Optional.ofNullable(outcomes.get(check.id()))
                    .filter(logged -> failed((CheckDone) logged.entry()))
                    .isPresent();
        }

        private void takeBack() {
            takenBack |= released.isPresent();
            released = Optional.empty();
        }

        private static boolean failed(CheckDone check) {
            return check.result() == Outcome.FAILED;
        }

        /**
         * A failure counts whenever it arrives; a pass only if it, and the reading that it rests on, was seen after
         * whatever opened the circuit, after an earlier failure, and, for the checks of the next day, after a night.
         */
        private void check(CheckDone check, LoggedEntry logged) {
            Optional<LoggedEntry> before = Optional.ofNullable(outcomes.get(check.checkId()));
            if (failed(check)) {
                outcomes.put(check.checkId(), logged);
                takeBack();
            } else if (check.early()) {
                early.put(check.checkId(), logged);
            } else if (checks.stream()
                            .filter(c -> c.id().equals(check.checkId()))
                            .allMatch(
                                    c -> inTime(c, check, logged) && (c.testId().isEmpty() || isRead(c, check)))
                    && before.filter(b -> failed((CheckDone) b.entry()))
                            .filter(b -> logged.takenAt().isBefore(b.takenAt()))
                            .isEmpty()) {
                outcomes.put(check.checkId(), logged);
            }
        }

        private boolean inTime(Check check, CheckDone done, LoggedEntry logged) {
            return check.gate() == Gate.NEXT_DAY
                    ? releasedAt
                            .filter(at -> !logged.takenAt().isBefore(nextDay(at, done.drivenKm())))
                            .isPresent()
                    : !logged.takenAt().isBefore(since.get(check.gate()));
        }

        /** A measurement passes by a reading that stands. */
        private boolean isRead(Check check, CheckDone done) {
            return state.log().stream()
                    .filter(logged -> logged.id().toString().equals(done.readingId()))
                    .filter(logged -> !state.struckIds().contains(logged.id()))
                    .anyMatch(logged -> inTime(check, done, logged));
        }

        private void release(JobReleased release, LoggedEntry logged) {
            if (state.releases().contains(logged.id())) {
                released = Optional.of(logged);
                takenBack = false;
                if (release.conditional()) {
                    checks.stream()
                            .filter(check -> check.gate() == Gate.NEXT_DAY)
                            .forEach(check -> outcomes.remove(check.id()));
                    releasedAt = Optional.of(logged.takenAt());
                }
            }
        }

        /** What rests on something that was struck is asked again; a failure that is struck is not thereby passed. */
        private void strike(EntryStruck strike) {
            state.log().stream()
                    .filter(logged -> logged.id().equals(strike.struckId()))
                    .filter(target -> target.entry() instanceof CheckDone
                            || target.entry() instanceof WorkStepDone
                            || target.entry() instanceof StrokesBled
                            || isJudged(target)
                            || state.disturbing().containsKey(target.id()))
                    .forEach(target -> takeBack());
        }

        /** Whether a check rests on this reading. */
        private boolean isJudged(LoggedEntry reading) {
            return state.log().stream()
                    .map(LoggedEntry::entry)
                    .anyMatch(entry -> entry instanceof CheckDone check
                            && check.readingId().equals(reading.id().toString()));
        }

        private void take(WorkStep planned, WorkStepDone step, LoggedEntry logged) {
            if (!planned.handling().onlyLooks()) {
                backTo(Gate.CHOCKS, logged.takenAt());
            }
            if (stops(planned, step)) {
                mismatched.add(planned.key());
                done.remove(planned.key());
                return;
            }
            mismatched.remove(planned.key());
            done.put(planned.key(), logged);
        }

        private Optional<BleedSheet> sheet() {
            List<String> ends = plan.steps().stream()
                    .filter(WorkStep::bleedsAnEnd)
                    .map(WorkStep::place)
                    .toList();
            return ends.isEmpty()
                    ? Optional.empty()
                    : Optional.of(BleedSheet.of(state.layoutNow(), ends, schools, flush, events));
        }

        /** Plan and bleed sheet name the ends in the same order. */
        private WorkPlan inOrderOfEnds(BleedSheet sheet) {
            List<String> ends = sheet.ends().stream().map(BleedSheet.End::id).toList();
            return plan.withEnds(ends);
        }

        private List<Blocker> blockers(Optional<BleedSheet> sheet) {
            List<Blocker> blockers = new ArrayList<>();
            plan.steps().stream()
                    .filter(step -> isOpen(step, done, state.already()))
                    .forEach(step -> blockers.add(new Blocker(Blocker.Kind.STEP_OPEN, step.key())));
            state.onVehicle().toSetBack().forEach(item -> blockers.add(new Blocker(Blocker.Kind.ON_VEHICLE, item)));
            if (!sheet.map(BleedSheet::done).orElse(true)) {
                blockers.add(new Blocker(Blocker.Kind.BLEEDING, ""));
            }
            return blockers;
        }

        private Proving proving(List<Blocker> blockers) {
            Map<String, Outcome> latest = new HashMap<>();
            outcomes.forEach((id, logged) -> latest.put(id, ((CheckDone) logged.entry()).result()));
            return Proving.of(checks, latest, blockers);
        }

        private Map<Gate, Instant> closedAt() {
            Map<Gate, Instant> closed = new EnumMap<>(since);
            closed.remove(Gate.NEXT_DAY);
            releasedAt.ifPresent(at -> closed.put(Gate.NEXT_DAY, at));
            return Map.copyOf(closed);
        }

        RepairState repair() {
            Optional<BleedSheet> sheet = sheet();
            return new RepairState(
                    sheet.map(this::inOrderOfEnds).orElse(plan),
                    Map.copyOf(done),
                    Set.copyOf(mismatched),
                    sheet,
                    schools,
                    orderSource,
                    Map.copyOf(outcomes),
                    state.already(),
                    Map.copyOf(early),
                    proving(blockers(sheet)),
                    released,
                    takenBack,
                    releasedAt.map(at -> nextDay(at, 0)),
                    closedAt(),
                    cameBackAs,
                    fluid,
                    secondChecked());
        }

        /** Whoever said so after the latest check, and after whatever opened the circuit. */
        private Set<String> secondChecked() {
            Instant checked = outcomes.values().stream()
                    .map(LoggedEntry::takenAt)
                    .max(Comparator.naturalOrder())
                    .orElse(Instant.MAX);
            return state.log().stream()
                    .filter(logged -> logged.entry() instanceof SecondChecked)
                    .filter(logged -> !state.struckIds().contains(logged.id()))
                    .filter(logged -> !logged.takenAt().isBefore(checked)
                            && !logged.takenAt().isBefore(since.get(Gate.CHOCKS)))
                    .map(LoggedEntry::personId)
                    .collect(Collectors.toUnmodifiableSet());
        }
    }
}
