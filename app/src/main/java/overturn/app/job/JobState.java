package overturn.app.job;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.Entry.SetApart;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.Entry.WalkSeen;
import overturn.catalogue.ProcedureCatalogue;
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
import overturn.procedure.VehicleNeeds;
import overturn.repair.WorkSchools;
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

    /** Folds a log that begins with {@link JobOpened}. */
    public static JobState of(List<LoggedEntry> log, ProcedureCatalogue procedures) {
        return new JobFold(log, procedures, new HashMap<>()).state();
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
}
