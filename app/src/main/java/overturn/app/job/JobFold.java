package overturn.app.job;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.Entry.NotUnderstood;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.SetApart;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry.BleedingChosen;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WayChosen;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.bleeding.Schools.Method;
import overturn.bleeding.Schools.Order;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.course.OnVehicle;
import overturn.evidence.Reading;
import overturn.measurement.ReadingValue;
import overturn.procedure.Procedure;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.repair.Asked;
import overturn.repair.ChangedLayout;
import overturn.repair.School;
import overturn.repair.WorkPlan;
import overturn.repair.WorkSchools;
import overturn.repair.WorkStep;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

/** Adds the entries of a log one after another; what a job is after the last is its {@link JobState}. */
final class JobFold {
    private static final Set<String> REMEDIES =
            Arrays.stream(Remedy.values()).map(Remedy::id).collect(Collectors.toUnmodifiableSet());

    private final List<LoggedEntry> log;
    private final ProcedureCatalogue procedures;
    private final Set<UUID> struck;
    private final Set<UUID> notUnderstood = new LinkedHashSet<>();
    private final Set<String> checks;
    private final Map<UUID, ReadingValue> values = new LinkedHashMap<>();
    private final List<Reading> readings = new ArrayList<>();
    private final Set<String> setAside = new LinkedHashSet<>();
    private OnVehicle on = OnVehicle.NOTHING;
    private final Map<String, LoggedEntry> already = new LinkedHashMap<>();
    private VehicleNeeds vehicle = VehicleNeeds.SEAT;
    private Optional<VerdictAccepted> accepted = Optional.empty();
    private WorkPlan plan = WorkPlan.NOTHING;
    private WorkSchools schools = WorkSchools.USUAL;
    private Repaired remedied = Repaired.NONE;
    private final Map<String, WorkStepDone> stepsDone = new LinkedHashMap<>();
    private final Map<Repaired, Layout> changed = new HashMap<>();
    private final Map<UUID, Disturbance> disturbing = new HashMap<>();
    private final Map<UUID, Boolean> releases;
    private Optional<String> withdrawn = Optional.empty();
    private Layout layoutBefore;
    private Layout layoutNow;

    /** @param releases those of which it is known whether they were let through */
    JobFold(List<LoggedEntry> log, ProcedureCatalogue procedures, Map<UUID, Boolean> releases) {
        this.releases = releases;
        this.log = log;
        this.procedures = procedures;
        this.struck = JobState.struck(log);
        this.layoutBefore = procedures.layout();
        this.layoutNow = layoutBefore;
        this.checks = Checks.of(layoutBefore).stream().map(Check::id).collect(Collectors.toUnmodifiableSet());
        log.forEach(this::add);
    }

    private void add(LoggedEntry logged) {
        boolean understood = true;
        if (logged.entry() instanceof ReadingTaken taken) {
            understood = add(logged, taken);
        } else if (logged.entry() instanceof FittingsTakenOff off) {
            on = on.without(off.items());
            OnVehicle setBack = new OnVehicle(Set.copyOf(off.items()));
            plan.steps().stream()
                    .filter(step -> step.leaves().stream().anyMatch(setBack::has))
                    .forEach(step -> already.remove(step.key()));
            vehicle = on.toSetBack().isEmpty() ? VehicleNeeds.SEAT : vehicle;
        } else if (logged.entry() instanceof TestSetAside aside) {
            understood = procedures.find(aside.procedureId()).isPresent();
            if (understood && !struck.contains(logged.id())) {
                setAside.add(aside.procedureId());
            }
        } else if (logged.entry() instanceof VerdictAccepted verdict) {
            understood = REMEDIES.containsAll(verdict.remedyIds());
            if (understood && !struck.contains(logged.id())) {
                remedied = remedied();
                accepted = Optional.of(verdict);
                stepsDone.clear();
                already.clear();
                plan(WorkSchools.of(verdict.schools()), logged);
                layoutBefore = layoutNow;
            }
        } else if (logged.entry() instanceof WayChosen chosen) {
            Optional<School> school =
                    School.find(chosen.school()).filter(known -> known.ways().contains(chosen.way()));
            understood = school.isPresent();
            if (understood && !struck.contains(logged.id())) {
                plan(schools.with(school.get(), chosen.way()), logged);
            }
        } else if (logged.entry() instanceof WorkStepDone step) {
            if (!struck.contains(logged.id())) {
                stepsDone.remove(step.key());
                plan.find(step.key())
                        .filter(planned -> !RepairState.stops(planned, step))
                        .ifPresent(planned -> {
                            stepsDone.put(step.key(), step);
                            on = on.with(planned.leaves()).without(planned.setsBack());
                        });
                layoutNow = changed();
            }
        } else if (logged.entry() instanceof JobReleased release) {
            if (!releases.containsKey(logged.id())) {
                releases.put(logged.id(), wasLetThrough(release, logged));
            }
            if (releases.get(logged.id())) {
                on = on.released();
                vehicle = VehicleNeeds.SEAT;
            }
        } else if (logged.entry() instanceof JobWithdrawn gone) {
            withdrawn = struck.contains(logged.id()) ? withdrawn : Optional.of(gone.why());
        } else {
            understood = isKnown(logged.entry());
        }
        if (!understood) {
            notUnderstood.add(logged.id());
        }
    }

    /** Whether everything that an entry names is there in this version and on this circuit. */
    private boolean isKnown(Entry entry) {
        if (entry instanceof StrokesBled strokes) {
            return isEnd(strokes.endId());
        } else if (entry instanceof BleedingChosen chosen) {
            return Method.find(chosen.bleeding().method()).isPresent()
                    && Order.find(chosen.bleeding().order()).isPresent()
                    && chosen.makersOrder().stream().allMatch(this::isEnd);
        } else if (entry instanceof CheckDone check) {
            return checks.contains(check.checkId());
        }
        return !(entry instanceof NotUnderstood || entry instanceof SetApart);
    }

    private boolean isEnd(String id) {
        return layoutNow.ends().stream().anyMatch(end -> end.id().equals(id));
    }

    /** By the log as it stood then: what was struck afterwards counted. */
    private boolean wasLetThrough(JobReleased release, LoggedEntry logged) {
        return new JobFold(log.subList(0, log.indexOf(logged)), procedures, releases)
                .state()
                .repair()
                .filter(repair -> repair.letsThrough(release, logged))
                .isPresent();
    }

    /** The plan in these ways, and what the tests before it have done of it. */
    private void plan(WorkSchools ways, LoggedEntry by) {
        schools = ways;
        accepted.ifPresent(verdict -> {
            plan = RepairState.plan(verdict, procedures.layout(), ways);
            log.stream()
                    .filter(before -> before.sequence() < by.sequence())
                    .filter(before -> disturbing.containsKey(before.id()))
                    .forEach(this::doesStepsOf);
        });
    }

    /** What a test has put on or taken off need not be done again while it stands. */
    private void doesStepsOf(LoggedEntry test) {
        plan.steps().stream()
                .filter(step -> !stepsDone.containsKey(step.key()) && on.does(step.leaves()))
                .forEach(step -> already.putIfAbsent(step.key(), test));
    }

    private boolean add(LoggedEntry logged, ReadingTaken taken) {
        UUID id = logged.id();
        Optional<Procedure> procedure = procedures.find(taken.procedureId());
        Optional<ReadingValue> value = procedure.flatMap(p -> taken.in(p.spec()));
        if (value.isEmpty()) {
            return false;
        }
        for (Step step : procedure.get().steps()) {
            on = on.with(step.fits());
        }
        Disturbance.of(procedure.get()).ifPresent(disturbance -> {
            disturbing.put(id, disturbance);
            doesStepsOf(logged);
        });
        vehicle = procedure.get().needsFrom(vehicle);
        values.put(id, value.get());
        if (!struck.contains(id)) {
            readings.add(new Reading(
                    id.toString(),
                    taken.procedureId(),
                    value.get(),
                    taken.rigSetup(),
                    taken.trust(),
                    noted(remedied())));
        }
        return true;
    }

    /**
     * The circuit as the steps of the plan leave it: a figure that differs and was taken nevertheless is what the
     * vehicle has from then on; of a step that was ticked twice the last counts.
     */
    private Layout changed() {
        Layout now = layoutBefore;
        for (WorkStepDone step : stepsDone.values()) {
            now = step.why().isBlank() ? now : changed(now, step);
        }
        return now;
    }

    private Layout changed(Layout before, WorkStepDone step) {
        Layout now = before;
        for (WorkStep planned : plan.find(step.key()).stream().toList()) {
            for (Asked asked : planned.asks()) {
                for (WorkStepDone.Measured measured : step.measured()) {
                    now = measured.id().equals(asked.id())
                            ? ChangedLayout.of(now, planned, asked, measured.value())
                            : now;
                }
            }
        }
        return now;
    }

    private Repaired noted(Repaired repairs) {
        if (!repairs.isEmpty() && layoutNow != procedures.layout()) {
            changed.put(repairs, layoutNow);
        }
        return repairs;
    }

    /** The repairs before the verdict that stands, and its own once its plan has changed the vehicle. */
    private Repaired remedied() {
        return repairNow().map(remedied::and).orElse(remedied);
    }

    /** What the plan of the verdict that stands has remedied; empty until it has changed the vehicle. */
    private Optional<Cure> repairNow() {
        Set<String> doneAll = new HashSet<>(stepsDone.keySet());
        doneAll.addAll(already.keySet());
        return accepted.filter(v -> plan.isRepairedBy(doneAll)).flatMap(JobFold::cure);
    }

    /** What a verdict cures; empty where nothing is done to the hydraulics. */
    private static Optional<Cure> cure(VerdictAccepted verdict) {
        return Arrays.stream(Remedy.values())
                .filter(remedy -> verdict.remedyIds().contains(remedy.id()))
                .filter(remedy -> remedy != Remedy.HAND_BACK && remedy != Remedy.LOOK_ELSEWHERE)
                .map(remedy -> Cure.of(remedy))
                .reduce(Cure::and);
    }

    JobState state() {
        return new JobState(
                (JobOpened) log.get(0).entry(),
                List.copyOf(log),
                struck,
                Set.copyOf(notUnderstood),
                Map.copyOf(values),
                List.copyOf(readings),
                Set.copyOf(setAside),
                on,
                Map.copyOf(already),
                vehicle,
                accepted,
                noted(remedied()),
                schools,
                repairNow().isPresent(),
                procedures.layout(),
                Map.copyOf(changed),
                Map.copyOf(disturbing),
                releases.entrySet().stream()
                        .filter(Map.Entry::getValue)
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toUnmodifiableSet()),
                withdrawn);
    }
}
