package overturn.app.job;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.evidence.Reading;
import overturn.inference.Intake;
import overturn.procedure.Procedure;
import overturn.procedure.ProcedureCatalogue;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;

/**
 * Where a job stands: the fold of its log.
 *
 * @param opened      the first entry
 * @param log         all entries, struck ones too
 * @param struckIds   ids of entries that no longer count
 * @param readings    standing readings in order
 * @param setAside    tests that cannot be done here
 * @param stillFitted what stands on the vehicle
 * @param vehicle     state that the last test left it in
 * @param accepted    the accepted verdict, if it still stands
 */
public record JobState(JobOpened opened, List<LoggedEntry> log, Set<UUID> struckIds, List<Reading> readings, Set<String> setAside,
                       Set<String> stillFitted, VehicleNeeds vehicle, Optional<VerdictAccepted> accepted) {

    /** Folds a log that begins with {@link JobOpened}. */
    public static JobState of(List<LoggedEntry> log, ProcedureCatalogue procedures) {
        Set<UUID> struck = log.stream().map(LoggedEntry::entry).filter(EntryStruck.class::isInstance)
                .map(e -> ((EntryStruck) e).struckId()).collect(Collectors.toUnmodifiableSet());
        List<Reading> readings = new ArrayList<>();
        Set<String> setAside = new LinkedHashSet<>();
        Set<String> fitted = new LinkedHashSet<>();
        VehicleNeeds vehicle = VehicleNeeds.SEAT;
        Optional<VerdictAccepted> accepted = Optional.empty();
        for (LoggedEntry logged : log) {
            Entry entry = logged.entry();
            if (entry instanceof ReadingTaken taken) {
                Procedure procedure = procedures.find(taken.procedureId()).orElseThrow();
                procedure.steps().stream().map(Step::fits).forEach(fitted::addAll);
                vehicle = procedure.needs();
                if (!struck.contains(logged.id())) {
                    readings.add(new Reading(logged.id().toString(), taken.procedureId(), taken.value(), taken.rigSetup(), taken.trust()));
                }
            } else if (entry instanceof FittingsTakenOff off) {
                off.items().forEach(fitted::remove);
                vehicle = VehicleNeeds.SEAT;
            } else if (!struck.contains(logged.id())) {
                if (entry instanceof TestSetAside aside) {
                    setAside.add(aside.procedureId());
                } else if (entry instanceof VerdictAccepted verdict) {
                    accepted = Optional.of(verdict);
                }
            }
        }
        return new JobState((JobOpened) log.get(0).entry(), List.copyOf(log), struck, List.copyOf(readings), Set.copyOf(setAside),
                Set.copyOf(fitted), vehicle, accepted);
    }

    /** The facts of intake, as the inference takes them. */
    public Intake intake() {
        return new Intake(opened.recentWork(), Intake.Age.valueOf(opened.age()), opened.sometimes(), Map.of());
    }

    /** Where the job is. */
    public JobStage stage() {
        return accepted.isPresent() ? JobStage.ACCEPTED : JobStage.TRACING;
    }

    /** Sequence of the last entry. */
    public int sequence() {
        return log.get(log.size() - 1).sequence();
    }
}
