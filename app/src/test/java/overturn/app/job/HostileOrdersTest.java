package overturn.app.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.CircuitRested;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.LevelEntered;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.course.JobStage;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleNeeds;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.repair.WorkPlan;
import overturn.repair.WorkStep;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;

/**
 * Entries of the half after the verdict in any order, of any age, struck and failed at random. The fold is held to the
 * rule said the other way round: whatever is called released has, going back from its release, everything that a
 * release needs.
 */
class HostileOrdersTest {

    private static final int LOGS = Integer.getInteger("hostile.orders", 90);
    private static final long SEED = Long.getLong("hostile.seed", 20261129);
    private static final Layout TRIKE = Presets.layout("wisp-courier-clutch");
    private static final ProcedureCatalogue PROCEDURES = ProcedureCatalogue.of(TRIKE);
    private static final List<Check> CHECKS = Checks.of(TRIKE);
    private static final WorkPlan PLAN = WorkPlan.of(TRIKE, List.of(Remedy.SHORTEN_ROD), Map.of());

    /** A test that opens the circuit. */
    private static final Procedure OPENING = PROCEDURES.all().stream()
            .filter(p -> p.needs().opened() != VehicleNeeds.Opened.NOTHING)
            .findFirst()
            .orElseThrow();

    private SplittableRandom random;
    private List<LoggedEntry> log;
    private Instant now;
    private JobState folded;
    private int released;
    private final Map<Integer, Boolean> judged = new HashMap<>();

    private void add(Entry entry) {
        now = now.plusSeconds(random.nextInt(30) == 0 ? 40_000 : 60 + random.nextInt(600));
        Instant taken = random.nextInt(12) == 0 ? now.minusSeconds(random.nextInt(20_000)) : now;
        log.add(new LoggedEntry(
                new UUID(7, log.size()), log.size() + 1, taken, now, "juno-vale", Optional.empty(), "now", entry));
    }

    private void begin() {
        log = new ArrayList<>();
        judged.clear();
        folded = null;
        now = Instant.parse("2026-11-28T08:00:00Z");
        add(new JobOpened(new UUID(9, 9), "Wisp", TRIKE.id(), "drags", "", true, false, null, false, null, null));
        add(new VerdictAccepted(
                List.of(Remedy.SHORTEN_ROD.id()),
                Grade.PROVEN,
                0.97,
                List.of(),
                List.of(),
                "",
                List.of(),
                Bleeding.USUAL));
    }

    /** Mostly what the job needs next, so that many come to their release; now and then anything. */
    private Entry next() {
        Optional<RepairState> decided = state().repair();
        if (decided.isEmpty() || random.nextInt(40) == 0) {
            return anything();
        }
        RepairState repair = decided.get();
        for (WorkStep step : PLAN.steps()) {
            if (!step.optional() && !step.bleedsAnEnd() && !repair.done().containsKey(step.key())) {
                return new WorkStepDone(step.key(), List.of(), "");
            }
        }
        if (!state().onVehicle().toSetBack().isEmpty()) {
            return new FittingsTakenOff(List.copyOf(state().onVehicle().toSetBack()));
        }
        if (repair.sheet().filter(sheet -> !sheet.done()).isPresent()) {
            BleedSheet sheet = repair.sheet().get();
            return sheet.reservoir().topUpNow()
                    ? new LevelEntered("max", "", TRIKE.reservoir().minToMaxMl())
                    : sheet.restFirst()
                            ? new CircuitRested()
                            : new StrokesBled(sheet.next().orElseThrow(), 5, "none", "clear");
        }
        for (Check check : CHECKS) {
            boolean passed = Optional.ofNullable(repair.outcomes().get(check.id()))
                    .filter(l -> ((CheckDone) l.entry()).outcome().equals("passed"))
                    .isPresent();
            if (check.gate() != Gate.NEXT_DAY && !passed) {
                return check(check, random.nextInt(25) == 0);
            }
        }
        return repair.released().isPresent() ? anything() : JobReleased.now(true, "2026-11-29", "");
    }

    /** A look, or a measurement by the last reading of its test; that reading first, now and then. */
    private Entry check(Check check, boolean fails) {
        Optional<LoggedEntry> reading = check.testId()
                .flatMap(test -> log.stream()
                        .filter(l -> l.entry() instanceof ReadingTaken taken
                                && taken.procedureId().equals(test))
                        .reduce((first, second) -> second));
        boolean read = reading.filter(l -> !l.takenAt().isBefore(now.minusSeconds(700)) || random.nextInt(30) == 0)
                .isPresent();
        if (check.testId().isPresent() && !fails && !read) {
            return taken(PROCEDURES.find(check.testId().get()).orElseThrow());
        }
        return new CheckDone(
                check.id(),
                fails ? "failed" : "passed",
                "",
                fails ? "" : reading.map(l -> l.id().toString()).orElse(""),
                false,
                0,
                List.of());
    }

    private static Entry taken(Procedure test) {
        return test.spec() instanceof Series
                ? new ReadingTaken(test.id(), new Figures(List.of()), List.of(), "rig", RigTrust.NORMAL)
                : ReadingTaken.observed(test.id(), "not-seen", "rig", RigTrust.NORMAL);
    }

    private Entry anything() {
        switch (random.nextInt(7)) {
            case 0:
                return new EntryStruck(
                        log.get(1 + random.nextInt(log.size() - 1)).id(), "not so");
            case 1:
                return JobReleased.now(true, "2026-11-29", "");
            case 2:
                return CheckDone.looked(
                        CHECKS.get(random.nextInt(CHECKS.size())).id(), "failed", "drips");
            case 3:
                return new StrokesBled("slave", 5, "many", "clear");
            case 4:
                return taken(OPENING);
            case 5:
                return new WorkStepDone(
                        PLAN.steps().get(random.nextInt(PLAN.steps().size())).key(), List.of(), "");
            default:
                return CheckDone.looked(
                        CHECKS.get(random.nextInt(CHECKS.size())).id(), "passed", "");
        }
    }

    /** The fold of the log as it stands; folded once, since it is asked several times between two entries. */
    private JobState state() {
        if (folded == null || folded.sequence() != log.size()) {
            folded = JobState.of(log, PROCEDURES);
        }
        return folded;
    }

    @Test
    void nothingIsReleasedButByItsGates() {
        for (int n = 0; n < LOGS; n++) {
            random = new SplittableRandom(SEED + n);
            begin();
            for (int k = 0; k < 70; k++) {
                add(next());
                boolean says = state().stage() == JobStage.RELEASED_CONDITIONALLY;
                released += says ? 1 : 0;
                int at = k;
                int which = n;
                assertEquals(mayBe(), says, () -> "log " + which + " after entry " + at + ": " + told());
            }
        }
        assertTrue(released > LOGS / 2, "the test sees releases: " + released);
    }

    private String told() {
        StringBuilder told = new StringBuilder();
        log.forEach(l -> told.append('\n')
                .append(l.sequence())
                .append(' ')
                .append(l.takenAt())
                .append(' ')
                .append(l.entry()));
        return told.toString();
    }

    /** Whether a release stands, by going back from it. */
    private boolean mayBe() {
        if (JobState.struck(log).contains(log.get(1).id())) {
            return false;
        }
        for (int r = log.size() - 1; r >= 0; r--) {
            if (log.get(r).entry() instanceof JobReleased
                    && !JobState.struck(log).contains(log.get(r).id())
                    && quietAfter(r)
                    && deservedAt(r)) {
                return true;
            }
        }
        return false;
    }

    private boolean quietAfter(int release) {
        Set<UUID> struck = JobState.struck(log);
        for (LoggedEntry later : log.subList(release + 1, log.size())) {
            boolean counts = !struck.contains(later.id());
            if (opensBy(later)
                    || raisesBy(later)
                    || counts && opens(later)
                    || counts
                            && later.entry() instanceof CheckDone check
                            && check.outcome().equals("failed")
                    || counts && later.entry() instanceof EntryStruck strike && matters(strike)) {
                return false;
            }
        }
        return true;
    }

    private boolean matters(EntryStruck strike) {
        return log.stream()
                .filter(l -> l.id().equals(strike.struckId()))
                .anyMatch(l -> l.entry() instanceof CheckDone
                        || l.entry() instanceof WorkStepDone
                        || l.entry() instanceof StrokesBled
                        || opensBy(l)
                        || raisesBy(l)
                        || isJudged(l));
    }

    private boolean isJudged(LoggedEntry reading) {
        return log.stream()
                .anyMatch(l -> l.entry() instanceof CheckDone check
                        && check.readingId().equals(reading.id().toString()));
    }

    /** A test that opens the circuit. */
    private static boolean opensBy(LoggedEntry logged) {
        return logged.entry() instanceof ReadingTaken taken
                && PROCEDURES.find(taken.procedureId()).orElseThrow().needs().opened() != VehicleNeeds.Opened.NOTHING;
    }

    /** A test that raises the vehicle and opens nothing. */
    private static boolean raisesBy(LoggedEntry logged) {
        return !opensBy(logged)
                && logged.entry() instanceof ReadingTaken taken
                && PROCEDURES.find(taken.procedureId()).orElseThrow().needs().raised();
    }

    private static boolean opens(LoggedEntry logged) {
        return logged.entry() instanceof StrokesBled
                || logged.entry() instanceof FittingsTakenOff
                || opensBy(logged)
                || logged.entry() instanceof WorkStepDone done
                        && PLAN.find(done.key())
                                .filter(s -> !s.handling().onlyLooks())
                                .isPresent();
    }

    /** Everything that a release needs stood in the log when it was signed. */
    private boolean deserved(List<LoggedEntry> log, Instant signed) {
        Set<UUID> struck = JobState.struck(log);
        List<LoggedEntry> standing =
                log.stream().filter(l -> !struck.contains(l.id())).toList();
        Set<String> ticked = new HashSet<>();
        standing.forEach(l -> {
            if (l.entry() instanceof WorkStepDone done) {
                ticked.add(done.key());
            }
        });
        boolean worked = PLAN.steps().stream()
                .filter(s -> !s.optional() && !s.bleedsAnEnd())
                .allMatch(s -> ticked.contains(s.key()));
        return worked && nothingOn(log, standing) && bled(standing) && checked(log, struck, signed);
    }

    private static boolean nothingOn(List<LoggedEntry> log, List<LoggedEntry> standing) {
        Map<String, Boolean> on = new HashMap<>();
        for (LoggedEntry l : log) {
            if (l.entry() instanceof WorkStepDone done && standing.contains(l)) {
                WorkStep step = PLAN.find(done.key()).orElseThrow();
                step.leaves().forEach(item -> on.put(item, !item.startsWith("do-not-drive-tag")));
                step.setsBack().forEach(item -> on.put(item, false));
            } else if (l.entry() instanceof ReadingTaken taken) {
                PROCEDURES
                        .find(taken.procedureId())
                        .orElseThrow()
                        .steps()
                        .forEach(s -> s.fits().forEach(item -> on.put(item, true)));
            } else if (l.entry() instanceof FittingsTakenOff off) {
                off.items().forEach(item -> on.put(item, false));
            }
        }
        return !on.containsValue(true);
    }

    private static boolean bled(List<LoggedEntry> standing) {
        List<String> ends = PLAN.steps().stream()
                .filter(WorkStep::bleedsAnEnd)
                .map(WorkStep::place)
                .toList();
        List<BleedEvent> events = new ArrayList<>();
        standing.forEach(l -> {
            if (l.entry() instanceof StrokesBled strokes) {
                events.add(strokes.by(Schools.USUAL.method()));
            } else if (l.entry() instanceof LevelEntered level) {
                events.add(new BleedEvent.Level(level.aboveMinimumMl()));
            } else if (l.entry() instanceof CircuitRested) {
                events.add(new BleedEvent.Rest());
            }
        });
        return ends.isEmpty()
                || BleedSheet.of(TRIKE, ends, Schools.USUAL, false, events).done();
    }

    private boolean checked(List<LoggedEntry> log, Set<UUID> struck, Instant signed) {
        return CHECKS.stream()
                .allMatch(check -> check.gate() == Gate.NEXT_DAY
                        ? lastWord(check, log, struck)
                                .filter(word -> !word.passed || word.at.isAfter(signed))
                                .isEmpty()
                        : lastWord(check, log, struck)
                                .filter(word -> word.passed && !word.at.isAfter(signed))
                                .isPresent());
    }

    private record Word(boolean passed, Instant at) {}

    /**
     * The last word on a check since the circuit was last opened: any failure, and a pass that was seen after whatever
     * was opened or failed before it; of the checks of the next day a night after the release that let the vehicle go.
     */
    private Optional<Word> lastWord(Check check, List<LoggedEntry> log, Set<UUID> struck) {
        boolean nextDay = check.gate() == Gate.NEXT_DAY;
        Instant from = Instant.MIN;
        Optional<Word> word = Optional.empty();
        for (int i = 0; i < log.size(); i++) {
            LoggedEntry l = log.get(i);
            boolean counts = !struck.contains(l.id());
            if (counts && opens(l) || opensBy(l) || l.entry() instanceof VerdictAccepted) {
                from = nextDay ? Instant.MAX : l.takenAt().isAfter(from) ? l.takenAt() : from;
                word = Optional.empty();
            } else if (raisesBy(l) && check.gate() != Gate.CHOCKS) {
                from = nextDay ? Instant.MAX : l.takenAt().isAfter(from) ? l.takenAt() : from;
                word = word.filter(w -> !w.passed);
            } else if (nextDay && counts && l.entry() instanceof JobReleased && deservedAt(i)) {
                from = l.takenAt().plus(RepairState.UNTIL_NEXT_DAY);
                word = Optional.empty();
            } else if (l.entry() instanceof CheckDone done && done.checkId().equals(check.id())) {
                if (done.outcome().equals("failed")) {
                    word = counts ? Optional.of(new Word(false, l.takenAt())) : Optional.empty();
                } else if (counts
                        && !l.takenAt().isBefore(from)
                        && isRead(check, done, from, log, struck)
                        && word.filter(w -> !w.passed && l.takenAt().isBefore(w.at))
                                .isEmpty()) {
                    word = Optional.of(new Word(true, l.takenAt()));
                }
            }
        }
        return word;
    }

    private static boolean isRead(Check check, CheckDone done, Instant from, List<LoggedEntry> log, Set<UUID> struck) {
        return check.testId().isEmpty()
                || log.stream()
                        .anyMatch(l -> l.id().toString().equals(done.readingId())
                                && !struck.contains(l.id())
                                && !l.takenAt().isBefore(from));
    }

    /** What stands before an entry never changes, so that each release is judged once. */
    private boolean deservedAt(int release) {
        Boolean known = judged.get(release);
        if (known == null) {
            known = deserved(log.subList(0, release), log.get(release).takenAt());
            judged.put(release, known);
        }
        return known;
    }
}
