package overturn.app.usecase.job;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.SecondChecked;
import overturn.app.job.RepairState;
import overturn.app.people.Act;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.course.Measured;
import overturn.proving.Check;
import overturn.proving.Gate;
import overturn.proving.Proving;

/** Takes a repaired vehicle through its gates: checks, and who signs for its release. */
@Component
public class ProveVehicle {

    private static final int RECHECK_DAYS = 1;
    private static final String PASSED = "passed";
    private static final String FAILED = "failed";
    /** Checks told at once. */
    private static final int MOST_AT_ONCE = 30;

    private final LogWriter writer;
    private final Jobs jobs;
    private final Judge judge;
    private final Clock clock;

    ProveVehicle(LogWriter writer, Jobs jobs, Judge judge, Clock clock) {
        this.judge = judge;
        this.writer = writer;
        this.jobs = jobs;
        this.clock = clock;
    }

    /**
     * What was checked.
     *
     * @param checkId one check
     * @param also more that were looked at in the same go; null or empty where none were
     * @param outcome passed or failed; null for a measurement, which its reading decides
     * @param seen what was seen, or done since it failed; null or blank where nothing is told
     * @param readingId the reading by which a measurement passes or fails; null for a look
     * @param early whether a check of the next day is done before it has come
     * @param drivenKm how far it was driven since its release, km; null where that is not told
     */
    public record Checked(
            String checkId,
            @Nullable List<String> also,
            @Nullable String outcome,
            @Nullable String seen,
            @Nullable UUID readingId,
            boolean early,
            @Nullable Integer drivenKm) {

        private Checked one(String id) {
            return new Checked(id, List.of(), outcome, seen, readingId, early, drivenKm);
        }

        private String told() {
            return seen == null ? "" : seen.strip();
        }

        private int km() {
            return drivenKm == null ? 0 : drivenKm;
        }
    }

    /** Notes checks of open gates: each an entry of its own. */
    public Log checked(UUID jobId, Stamp stamp, Checked checked) {
        List<String> also = checked.also() == null ? List.of() : checked.also();
        new Checks()
                .that(() -> also.size() <= MOST_AT_ONCE, "also", also.size(), "at most " + MOST_AT_ONCE)
                .that(() -> also.stream().noneMatch(Objects::isNull), "also", also, "ids of checks")
                .orThrow();
        Log now = one(jobs.read(jobId), stamp, checked);
        for (String id : also) {
            now = one(now, stamp.along(id), checked.one(id));
        }
        return now;
    }

    private Log one(Log read, Stamp stamp, Checked checked) {
        return writer.append(
                read,
                stamp,
                Behind.REBASED,
                log -> sentBefore(read, stamp, checked)
                        .orElseGet(() -> entry(read, read.stateOf(log), stamp, checked)));
    }

    /** Sent again it is what it was, also where its reading would be judged by other limits today. */
    private static Optional<CheckDone> sentBefore(Log read, Stamp stamp, Checked checked) {
        String reading = checked.readingId() == null ? "" : checked.readingId().toString();
        return read.entries().stream()
                .filter(logged -> logged.id().equals(stamp.entryId()))
                .map(LoggedEntry::entry)
                .filter(CheckDone.class::isInstance)
                .map(CheckDone.class::cast)
                .filter(there -> there.checkId().equals(checked.checkId())
                        && there.seen().equals(checked.told())
                        && (there.readingId().isEmpty() || there.readingId().equals(reading))
                        && (checked.outcome() == null || there.outcome().equals(checked.outcome())))
                .findFirst();
    }

    private CheckDone entry(Log read, JobState state, Stamp stamp, Checked checked) {
        Checks checks = new Checks();
        Optional<RepairState> repair = RecordRepair.accepted(state, checks);
        checks.orThrow();
        RepairState done = repair.orElseThrow();
        List<Check> open = overturn.proving.Checks.of(state.layout()).stream()
                .filter(c -> done.proving().at(c.gate()).state() != Proving.State.SHUT)
                .toList();
        Optional<Check> check =
                open.stream().filter(c -> c.id().equals(checked.checkId())).findFirst();
        checks.that(
                        check::isPresent,
                        "checkId",
                        checked.checkId(),
                        "a check of an open gate: "
                                + open.stream().map(Check::id).toList())
                .orThrow();
        Optional<Measured> measured = measured(read, state, check.get(), checked, checks);
        String outcome = outcome(measured, checked, checks);
        boolean failedBefore = Optional.ofNullable(done.outcomes().get(checked.checkId()))
                .filter(logged -> !logged.id().equals(stamp.entryId()))
                .filter(logged -> ((CheckDone) logged.entry()).outcome().equals(FAILED))
                .isPresent();
        boolean early = checked.early() && check.get().gate() == Gate.NEXT_DAY;
        checks.that(
                        () -> early || !waitsForNextDay(done, check.get(), checked.km(), stamp),
                        "checkId",
                        checked.checkId(),
                        done.nextDayFrom()
                                .map(from -> "a check of the next day from " + from + " on, after "
                                        + RepairState.SET_DISTANCE_KM + " km, or early with the reason")
                                .orElse("a check of the next day once the vehicle was released conditionally"))
                .that(
                        () -> !early
                                || done.nextDayFrom().isPresent()
                                        && !checked.told().isEmpty(),
                        "seen",
                        checked.seen(),
                        "why it is done before the next day, on a vehicle that was released conditionally")
                .that(
                        () -> checked.km() >= 0 && checked.km() <= EntryRules.MOST_DRIVEN_KM,
                        "drivenKm",
                        checked.km(),
                        "0 to " + EntryRules.MOST_DRIVEN_KM + " km")
                .that(
                        () -> !PASSED.equals(outcome)
                                || !failedBefore
                                || !checked.told().isEmpty(),
                        "seen",
                        checked.seen(),
                        "what was done since it failed")
                .that(
                        () -> checked.told().length() <= EntryRules.MOST_TEXT,
                        "seen",
                        checked.seen(),
                        "at most " + EntryRules.MOST_TEXT + " characters")
                .that(
                        () -> !FAILED.equals(outcome)
                                || checked.readingId() != null
                                || !checked.told().isEmpty(),
                        "seen",
                        checked.seen(),
                        "what was seen, since it failed")
                .orThrow();
        String reading = check.get().testId().isPresent() && checked.readingId() != null
                ? checked.readingId().toString()
                : "";
        return new CheckDone(
                checked.checkId(),
                outcome,
                checked.told(),
                reading,
                early,
                checked.km(),
                measured.map(Measured::figures).orElse(List.of()).stream()
                        .map(f -> new CheckDone.Judged(f.figureId(), f.value(), f.least(), f.most()))
                        .toList());
    }

    /** What its reading says of a check that is a measurement; empty for a look, and where it failed at sight. */
    private Optional<Measured> measured(Log read, JobState state, Check check, Checked checked, Checks checks) {
        boolean atSight = FAILED.equals(checked.outcome()) && checked.readingId() == null;
        if (check.testId().isEmpty() || atSight) {
            return Optional.empty();
        }
        Optional<LoggedEntry> reading = state.log().stream()
                .filter(logged -> logged.id().equals(checked.readingId()))
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .filter(logged -> logged.entry() instanceof ReadingTaken taken
                        && taken.procedureId().equals(check.testId().get()))
                .filter(logged -> !logged.takenAt().isBefore(closedAt(state, check)))
                .findFirst();
        Optional<Measured> judged = reading.flatMap(one -> judge.judged(read, state, check, one));
        checks.that(
                        judged::isPresent,
                        "readingId",
                        checked.readingId(),
                        "a reading of the test " + check.testId().get()
                                + ", its last figure in it, since the circuit was last closed")
                .orThrow();
        return judged;
    }

    /** Of a look what was told; of a measurement what its reading says, which a hand may only call worse. */
    private static String outcome(Optional<Measured> measured, Checked checked, Checks checks) {
        List<String> outcomes = RecordRepair.names(Proving.Outcome.values());
        if (measured.isEmpty()) {
            checks.that(() -> outcomes.contains(checked.outcome()), "outcome", checked.outcome(), "one of " + outcomes)
                    .orThrow();
            return Objects.requireNonNull(checked.outcome());
        }
        boolean passes = measured.get().passes();
        checks.that(
                        () -> passes || !PASSED.equals(checked.outcome()),
                        "outcome",
                        checked.outcome(),
                        "failed: the reading is not that of a sound vehicle")
                .orThrow();
        return passes && !FAILED.equals(checked.outcome()) ? PASSED : FAILED;
    }

    private static Instant closedAt(JobState state, Check check) {
        return state.repair()
                .map(repair -> repair.closedAt().getOrDefault(check.gate(), Instant.MIN))
                .orElse(Instant.MIN);
    }

    /**
     * Takes a reading for the check that waits for it, so that it comes back passed, or failed; one that was broken off
     * stays a reading and decides nothing.
     *
     * @param read the log with the reading
     */
    Log readFor(Log read, Stamp stamp, String procedureId) {
        JobState state = read.state();
        Stamp own = stamp.along("check");
        boolean there = read.entries().stream().anyMatch(e -> e.id().equals(own.entryId()));
        Optional<Check> waiting = state.repair().stream()
                .flatMap(repair -> overturn.proving.Checks.of(state.layout()).stream()
                        .filter(c -> c.testId().filter(procedureId::equals).isPresent())
                        .filter(c -> repair.proving().at(c.gate()).state() != Proving.State.SHUT)
                        .filter(c -> !repair.outcomes().containsKey(c.id()))
                        .filter(c -> !waitsForNextDay(repair, c, 0, stamp)))
                .findFirst();
        boolean stands = state.log().stream()
                .anyMatch(e -> e.id().equals(stamp.entryId())
                        && !state.struckIds().contains(e.id())
                        && waiting.filter(c -> !e.takenAt().isBefore(closedAt(state, c)))
                                .isPresent());
        if (there || !stands || !Judge.canJudge(state, stamp.entryId())) {
            return read;
        }
        return one(read, own, new Checked(waiting.get().id(), List.of(), null, null, stamp.entryId(), false, null));
    }

    /** Whether a check of the next day is done before it has come. */
    private boolean waitsForNextDay(RepairState repair, Check check, int drivenKm, Stamp stamp) {
        return check.gate() == Gate.NEXT_DAY
                && repair.nextDayFrom()
                        .filter(from -> drivenKm >= RepairState.SET_DISTANCE_KM
                                || !writer.takenAt(stamp).isBefore(from))
                        .isEmpty();
    }

    /**
     * Releases the vehicle: conditionally once chocks, yard and road are through, finally after the next-day checks.
     *
     * @param secondId another person who said to have looked at the checks; null where none is asked
     */
    public Log release(UUID jobId, Stamp stamp, boolean conditional, @Nullable String secondId) {
        stamp.actor().require(Act.RELEASE);
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
            Set<String> others = repair.map(RepairState::secondChecked).orElse(Set.of());
            checks.that(
                            () -> secondId == null || others.contains(secondId) && !secondId.equals(stamp.personId()),
                            "secondId",
                            secondId,
                            "another person who said after the last check to have looked at them, or left out")
                    .orThrow();
            String recheck =
                    conditional ? LocalDate.now(clock).plusDays(RECHECK_DAYS).toString() : "";
            return JobReleased.now(conditional, recheck, secondId == null ? "" : secondId);
        });
    }

    /**
     * Notes that whoever is signed in looked at the checks as they stand, besides the one who will release.
     *
     * @throws InvalidInputException while nothing was checked
     */
    public Log secondChecked(UUID jobId, Stamp stamp) {
        stamp.actor().require(Act.SECOND_CHECK);
        Log read = jobs.read(jobId);
        return writer.append(read, stamp, seen -> {
            Checks checks = new Checks();
            Optional<RepairState> repair = RecordRepair.accepted(read.stateOf(seen), checks);
            checks.that(
                            () -> repair.stream().anyMatch(r -> !r.outcomes().isEmpty()),
                            "job",
                            jobId,
                            "a job of which something was checked")
                    .orThrow();
            return new SecondChecked();
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
