package overturn.app.usecase.job;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.CheckDone;
import overturn.app.job.Entry.JobReleased;
import overturn.app.job.JobState;
import overturn.app.job.RepairState;
import overturn.app.usecase.Checks;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.app.workshop.Staff;
import overturn.proving.Gate;
import overturn.proving.Proving;

/** Takes a repaired vehicle through its gates: checks, and who signs for its release. */
@Component
public class ProveVehicle {

    private static final int RECHECK_DAYS = 1;
    private static final String FAILED = "failed";

    private final LogWriter writer;
    private final Jobs jobs;
    private final Staff staff;
    private final Clock clock;

    ProveVehicle(LogWriter writer, Jobs jobs, Staff staff, Clock clock) {
        this.writer = writer;
        this.jobs = jobs;
        this.staff = staff;
        this.clock = clock;
    }

    /** Notes a check of an open gate. */
    public Log checked(UUID jobId, Stamp stamp, String checkId, String outcome, String seen) {
        Log read = jobs.read(jobId);
        return writer.append(read, stamp, Behind.REBASED, log -> {
            JobState state = read.stateOf(log);
            Checks checks = new Checks();
            Optional<RepairState> repair = RecordRepair.accepted(state, checks);
            Optional<Proving> proving = repair.map(RepairState::proving);
            List<String> outcomes = RecordRepair.names(Proving.Outcome.values());
            String told = seen == null ? "" : seen.strip();
            proving.ifPresent(p -> {
                List<String> open = overturn.proving.Checks.of(state.layout()).stream()
                        .filter(c -> p.at(c.gate()).state() != Proving.State.SHUT)
                        .map(overturn.proving.Check::id)
                        .toList();
                checks.that(() -> open.contains(checkId), "checkId", checkId, "a check of an open gate: " + open);
            });
            boolean failedBefore = repair.map(r -> r.outcomes().get(checkId))
                    .filter(logged -> !logged.id().equals(stamp.entryId()))
                    .filter(logged -> ((CheckDone) logged.entry()).outcome().equals(FAILED))
                    .isPresent();
            repair.ifPresent(r -> checks.that(
                    () -> !waitsForNextDay(state, r, checkId, stamp),
                    "checkId",
                    checkId,
                    r.nextDayFrom()
                            .map(from -> "a check of the next day from " + from + " on")
                            .orElse("a check of the next day once the vehicle was released conditionally")));
            checks.that(() -> outcomes.contains(outcome), "outcome", outcome, "one of " + outcomes)
                    .that(
                            () -> !"passed".equals(outcome) || !failedBefore || !told.isEmpty(),
                            "seen",
                            seen,
                            "what was done since it failed")
                    .that(
                            () -> told.length() <= EntryRules.MOST_TEXT,
                            "seen",
                            seen,
                            "at most " + EntryRules.MOST_TEXT + " characters")
                    .that(
                            () -> !FAILED.equals(outcome) || !told.isEmpty(),
                            "seen",
                            seen,
                            "what was seen, since it failed")
                    .orThrow();
            return new CheckDone(checkId, outcome, told);
        });
    }

    /** Whether a check of the next day is done before the night after the release is over. */
    private boolean waitsForNextDay(JobState state, RepairState repair, String checkId, Stamp stamp) {
        boolean nextDay = repair.proving().at(Gate.NEXT_DAY).state() != Proving.State.SHUT
                && overturn.proving.Checks.of(state.layout()).stream()
                        .anyMatch(c -> c.id().equals(checkId) && c.gate() == Gate.NEXT_DAY);
        return nextDay
                && repair.nextDayFrom()
                        .filter(from -> !writer.takenAt(stamp).isBefore(from))
                        .isEmpty();
    }

    /**
     * Releases the vehicle: conditionally once chocks, yard and road are through, finally after the next-day checks.
     *
     * @param secondId a second person who checked; null where none is asked
     */
    public Log release(UUID jobId, Stamp stamp, boolean conditional, String secondId) {
        Log read = jobs.read(jobId);
        return writer.append(read, stamp, seen -> {
            JobState state = read.stateOf(seen);
            Checks checks = new Checks();
            Optional<RepairState> repair = RecordRepair.accepted(state, checks);
            repair.ifPresent(r -> checks.that(
                            () -> conditional
                                    ? r.proving().mayBeReleasedConditionally()
                                    : r.proving().mayBeReleased(),
                            "conditional",
                            conditional,
                            "only with nothing in the way: " + inTheWay(r.proving(), conditional))
                    .that(
                            () -> r.released().isEmpty()
                                    || ((JobReleased) r.released().get().entry()).conditional() && !conditional,
                            "conditional",
                            conditional,
                            "a job that is not released yet"));
            repair.ifPresent(r -> checks.that(
                    () -> r.outcomes().values().stream()
                            .noneMatch(check -> check.takenAt().isAfter(writer.takenAt(stamp))),
                    "takenSecondsAgo",
                    stamp.takenSecondsAgo(),
                    "a release signed after its checks"));
            List<String> people = staff.signing();
            checks.that(
                            () -> secondId == null || people.contains(secondId) && !secondId.equals(stamp.personId()),
                            "secondId",
                            secondId,
                            "another person of the workshop, or left out")
                    .orThrow();
            String recheck =
                    conditional ? LocalDate.now(clock).plusDays(RECHECK_DAYS).toString() : "";
            return JobReleased.now(conditional, recheck, secondId == null ? "" : secondId);
        });
    }

    private static List<String> inTheWay(Proving proving, boolean conditional) {
        List<String> what = new ArrayList<>();
        for (Proving.Standing gate : proving.gates()) {
            if (conditional && gate.gate() == Gate.NEXT_DAY) {
                continue;
            }
            gate.blockers().forEach(b -> what.add(b.item().isEmpty() ? b.kind().name() : b.item()));
            what.addAll(gate.missing());
            what.addAll(gate.failed());
        }
        return what;
    }
}
