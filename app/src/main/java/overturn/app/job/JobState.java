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
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.Entry.NotUnderstood;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.SetApart;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.Entry.WalkSeen;
import overturn.app.job.RepairEntry.BleedingChosen;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WayChosen;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.bleeding.Schools.Method;
import overturn.bleeding.Schools.Order;
import overturn.circuit.Layout;
import overturn.course.JobStage;
import overturn.course.JobStatus;
import overturn.course.MayMove;
import overturn.course.OnVehicle;
import overturn.evidence.Reading;
import overturn.inference.Intake;
import overturn.inference.PlacesSeen;
import overturn.inference.PlainFact;
import overturn.inference.WorkDone;
import overturn.inference.WorkDone.Area;
import overturn.inference.WorkDone.Bled;
import overturn.inference.WorkDone.Kind;
import overturn.measurement.ReadingValue;
import overturn.procedure.Procedure;
import overturn.procedure.ProcedureCatalogue;
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

/**
 * Where a job stands: the fold of its log. An entry of something that is not known any more (a test, an option, a
 * remedy) counts for nothing.
 *
 * @param opened the first entry
 * @param log all entries, struck ones too
 * @param struckIds ids of entries that no longer count
 * @param notUnderstood ids of entries that this version does not understand
 * @param values what was read, in the order of each test as it is now, struck readings too
 * @param readings standing readings in order
 * @param setAside tests that cannot be done here
 * @param onVehicle what tests and plan have put on the vehicle, taken off it or moved
 * @param already steps of the plan that a test has done, by their keys, and the entries of these tests
 * @param vehicle state that the last test left it in
 * @param accepted the accepted verdict, if it still stands
 * @param remedied the repairs done so far, so that readings are about what is left
 * @param schools the ways in which the plan is done
 * @param repairedSinceAccepted whether the plan of the accepted verdict has changed the vehicle
 * @param layout the circuit as it came
 * @param changed by what has been remedied, the circuit from then on where a repair put another size in
 * @param disturbing what each reading opened, fitted or raised; others did none of it
 * @param releases ids of the releases that the gates let through when they were signed
 * @param withdrawn why the job was given up, if it was
 */
public record JobState(
        JobOpened opened,
        List<LoggedEntry> log,
        Set<UUID> struckIds,
        Set<UUID> notUnderstood,
        Map<UUID, ReadingValue> values,
        List<Reading> readings,
        Set<String> setAside,
        OnVehicle onVehicle,
        Map<String, LoggedEntry> already,
        VehicleNeeds vehicle,
        Optional<VerdictAccepted> accepted,
        Repaired remedied,
        WorkSchools schools,
        boolean repairedSinceAccepted,
        Layout layout,
        Map<Repaired, Layout> changed,
        Map<UUID, Disturbance> disturbing,
        Set<UUID> releases,
        Optional<String> withdrawn) {

    /** The test of a walk round the vehicle. */
    public static final String DRY_WALK = "dry-walk";

    private static final Set<String> REMEDIES =
            Arrays.stream(Remedy.values()).map(Remedy::id).collect(Collectors.toUnmodifiableSet());

    /** Folds a log that begins with {@link JobOpened}. */
    public static JobState of(List<LoggedEntry> log, ProcedureCatalogue procedures) {
        return new Fold(log, procedures, new HashMap<>()).state();
    }

    /**
     * Ids of entries that do not count. A strike that is struck itself strikes nothing, and so on: the last word
     * counts.
     */
    public static Set<UUID> struck(List<LoggedEntry> log) {
        Set<UUID> struck = new HashSet<>();
        for (int i = log.size() - 1; i >= 0; i--) {
            if (log.get(i).entry() instanceof EntryStruck strike
                    && !struck.contains(log.get(i).id())) {
                struck.add(strike.struckId());
            }
        }
        return struck;
    }

    /** The facts of intake, as the inference takes them; what is not known any more counts for nothing. */
    public Intake intake() {
        Intake.Age age = Arrays.stream(Intake.Age.values())
                .filter(a -> a.name().equals(opened.age()))
                .findFirst()
                .orElse(Intake.Age.UNKNOWN);
        return new Intake(
                opened.recentWork(),
                age,
                opened.sometimes(),
                opened.work().stream()
                        .map(JobState::work)
                        .flatMap(Optional::stream)
                        .toList(),
                opened.facts().stream()
                        .map(PlainFact::find)
                        .flatMap(Optional::stream)
                        .collect(Collectors.toUnmodifiableSet()),
                Map.of());
    }

    /** What a verdict cures; empty where nothing is done to the hydraulics. */
    private static Optional<Cure> cure(VerdictAccepted verdict) {
        return Arrays.stream(Remedy.values())
                .filter(remedy -> verdict.remedyIds().contains(remedy.id()))
                .filter(remedy -> remedy != Remedy.HAND_BACK && remedy != Remedy.LOOK_ELSEWHERE)
                .map(remedy -> Cure.of(remedy))
                .reduce(Cure::and);
    }

    private static Optional<WorkDone> work(JobOpened.Work work) {
        return WorkDone.find(Area.class, work.area())
                .flatMap(area -> WorkDone.find(Kind.class, work.kind())
                        .flatMap(kind ->
                                WorkDone.find(Bled.class, work.bled()).map(bled -> new WorkDone(area, kind, bled))));
    }

    /** What was done since a verdict was accepted; empty while none is. */
    public Optional<RepairState> repair() {
        return RepairState.of(this, layout);
    }

    /** Readings of the vehicle as it was when the verdict that stands was accepted and until its plan changed it. */
    public List<Reading> readingsBeforeRepair() {
        return readings.stream()
                .filter(reading -> !repairedSinceAccepted || !reading.after().equals(remedied))
                .toList();
    }

    /** Whether any of these readings was taken after the verdict that stands was accepted. */
    public boolean readSinceAccepted(List<Reading> some) {
        int sequence = log.stream()
                .filter(logged -> accepted.filter(a -> a == logged.entry()).isPresent())
                .mapToInt(LoggedEntry::sequence)
                .max()
                .orElse(Integer.MAX_VALUE);
        Set<String> ids = some.stream().map(Reading::id).collect(Collectors.toSet());
        return log.stream()
                .anyMatch(logged ->
                        logged.sequence() > sequence && ids.contains(logged.id().toString()));
    }

    /** The circuit as it is after these repairs. */
    public Layout layoutAfter(Repaired repairs) {
        return changed.getOrDefault(repairs, layout);
    }

    /** The circuit as it is now. */
    public Layout layoutNow() {
        return layoutAfter(remedied);
    }

    /** The released job of which this is the comeback, if it is one. */
    public Optional<UUID> comesBackFrom() {
        return log.stream()
                .map(LoggedEntry::entry)
                .filter(CameBack.class::isInstance)
                .map(CameBack.class::cast)
                .filter(back -> !back.followsIt())
                .map(CameBack::jobId)
                .findFirst();
    }

    /** Where the job stands, as far as its log tells. */
    public JobStatus.Log standing() {
        return new JobStatus.Log(
                withdrawn.isPresent(),
                repair().map(RepairState::progress),
                waitsForPart(),
                onVehicle.toSetBack(),
                new MayMove.Told(!opened.mayBeMoved(), Set.copyOf(opened.facts())),
                layout.family().clutch());
    }

    /** Where the job is. */
    public JobStage stage() {
        return standing().stage();
    }

    /** The latest of each part of this job, in the order in which they were first asked for. */
    public Map<String, LoggedEntry> parts() {
        Map<String, LoggedEntry> latest = new LinkedHashMap<>();
        log.stream()
                .filter(logged -> !struckIds.contains(logged.id()))
                .filter(logged -> logged.entry() instanceof PartMoved)
                .forEach(logged -> latest.put(((PartMoved) logged.entry()).part(), logged));
        return latest;
    }

    /** What was last seen at each part on a walk; tells of the suspects that a walk looks at. */
    public PlacesSeen seen(ProcedureCatalogue procedures) {
        Map<String, PlacesSeen.State> latest = new HashMap<>();
        log.stream()
                .filter(logged -> !struckIds.contains(logged.id()))
                .map(LoggedEntry::entry)
                .filter(WalkSeen.class::isInstance)
                .flatMap(walk -> ((WalkSeen) walk).spots().stream())
                .forEach(spot -> latest.put(spot.componentId(), spot.looked()));
        return new PlacesSeen(
                latest, procedures.find(DRY_WALK).map(Procedure::observes).orElse(Set.of()));
    }

    private Optional<String> waitsForPart() {
        return parts().values().stream()
                .map(logged -> (PartMoved) logged.entry())
                .filter(moved -> moved.state().equals(PartState.ORDERED.id()))
                .map(PartMoved::part)
                .findFirst();
    }

    /** Sequence of the entry from which on this version cannot work with the log; empty where it can with all of it. */
    public OptionalInt setApartFrom() {
        return log.stream()
                .filter(logged -> logged.entry() instanceof SetApart && !struckIds.contains(logged.id()))
                .mapToInt(LoggedEntry::sequence)
                .findFirst();
    }

    /** Sequence of the last entry. */
    public int sequence() {
        return log.get(log.size() - 1).sequence();
    }

    private static final class Fold {
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
        Fold(List<LoggedEntry> log, ProcedureCatalogue procedures, Map<UUID, Boolean> releases) {
            this.releases = releases;
            this.log = log;
            this.procedures = procedures;
            this.struck = struck(log);
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
                Optional<School> school = School.find(chosen.school())
                        .filter(known -> known.ways().contains(chosen.way()));
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
            return new Fold(log.subList(0, log.indexOf(logged)), procedures, releases)
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
            return accepted.filter(v -> plan.isRepairedBy(doneAll)).flatMap(JobState::cure);
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
}
