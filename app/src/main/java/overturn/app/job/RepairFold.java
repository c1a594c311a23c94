package overturn.app.job;

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
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.circuit.Layout;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.proving.Proving.Blocker;
import overturn.proving.Proving.Outcome;
import overturn.repair.WorkPlan;
import overturn.repair.WorkStep;
import overturn.suspect.Remedy;

/** The log since the verdict, entry by entry: how plan, bleed sheet, checks and release stand after it. */
final class RepairFold {

    /** With these the fluid is changed, so that what comes out has to run clear in colour too. */
    private static final Set<String> FLUSHES = Set.of(Remedy.CHANGE_FLUID.id(), Remedy.FLUSH_AND_RESEAL.id());

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

    RepairFold(JobState state, Layout layout, VerdictAccepted verdict) {
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
     * Checks belong to the circuit as it was last closed: those of a gate and of all behind it are asked again, what
     * was seen before does not count, and a release does not hold any more. What failed stays failed unless the circuit
     * was opened: wheels that are raised mend nothing.
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
                        .allMatch(c -> inTime(c, check, logged) && (c.testId().isEmpty() || isRead(c, check)))
                && before.filter(b -> failed((CheckDone) b.entry()))
                        .filter(b -> logged.takenAt().isBefore(b.takenAt()))
                        .isEmpty()) {
            outcomes.put(check.checkId(), logged);
        }
    }

    private boolean inTime(Check check, CheckDone done, LoggedEntry logged) {
        return check.gate() == Gate.NEXT_DAY
                ? releasedAt
                        .filter(at -> !logged.takenAt().isBefore(RepairState.nextDay(at, done.drivenKm())))
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
        if (RepairState.stops(planned, step)) {
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
                .filter(step -> RepairState.isOpen(step, done, state.already()))
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
                releasedAt.map(at -> RepairState.nextDay(at, 0)),
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
                .filter(logged ->
                        !logged.takenAt().isBefore(checked) && !logged.takenAt().isBefore(since.get(Gate.CHOCKS)))
                .map(LoggedEntry::personId)
                .collect(Collectors.toUnmodifiableSet());
    }
}
