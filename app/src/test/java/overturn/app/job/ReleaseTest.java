package overturn.app.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairEntry.WorkStepDone.Measured;
import overturn.bleeding.BleedSheet;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.course.JobStage;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.RigTrust;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.repair.Asked;
import overturn.repair.WorkStep;
import overturn.verdict.Grade;

/** When a release holds: by the gates alone, and no longer than the circuit stays as it was proved. */
class ReleaseTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final ProcedureCatalogue PROCEDURES = ProcedureCatalogue.of(TARN);
    private static final Duration STEP = Duration.ofMinutes(1);

    private final List<LoggedEntry> log = new ArrayList<>();
    private Instant now = Instant.parse("2026-11-28T08:00:00Z");

    @BeforeEach
    void decided() {
        add(new JobOpened(new UUID(9, 9), "Tarn SK 14", TARN.id(), "sinks", "", false, false, null, false, null, null));
        add(new VerdictAccepted(
                List.of("renew-master"),
                Grade.PROVEN,
                0.97,
                List.of(),
                List.of(),
                "",
                List.of("master"),
                Bleeding.USUAL));
    }

    private UUID add(Entry entry) {
        now = now.plus(STEP);
        return addTaken(now, entry);
    }

    private UUID addTaken(Instant taken, Entry entry) {
        UUID id = new UUID(0, log.size() + 1);
        log.add(new LoggedEntry(id, log.size() + 1, taken, now, "juno-vale", Optional.empty(), "now", entry));
        return id;
    }

    private JobState state() {
        return JobState.of(log, PROCEDURES);
    }

    private RepairState repair() {
        return state().repair().orElseThrow();
    }

    private JobStage stage() {
        return state().stage();
    }

    private void work() {
        for (WorkStep step : repair().plan().steps()) {
            if (!step.optional() && !step.bleedsAnEnd()) {
                List<Measured> measured = new ArrayList<>();
                for (Asked asked : step.asks()) {
                    double mm = asked.listed().orElse(7);
                    measured.add(new Measured(asked.id(), Double.toString(mm), "mm", mm));
                }
                add(new WorkStepDone(step.key(), measured, ""));
            }
        }
    }

    private void bleed() {
        for (int turn = 0; turn < 200; turn++) {
            BleedSheet sheet = repair().sheet().orElseThrow();
            if (sheet.done()) {
                return;
            }
            add(
                    sheet.reservoir().topUpNow()
                            ? new RepairEntry.LevelEntered(
                                    "max", "", TARN.reservoir().minToMaxMl())
                            : sheet.restFirst()
                                    ? new RepairEntry.CircuitRested()
                                    : new StrokesBled(sheet.next().orElseThrow(), 5, "none", "clear"));
        }
    }

    private void pass(Gate gate) {
        Checks.of(TARN).stream()
                .filter(check -> check.gate() == gate)
                .forEach(check -> add(new CheckDone(
                        check.id(),
                        "passed",
                        "",
                        check.testId().map(this::reading).map(UUID::toString).orElse(""),
                        false,
                        0,
                        List.of())));
    }

    private void prove() {
        pass(Gate.CHOCKS);
        pass(Gate.YARD);
        pass(Gate.ROAD);
    }

    private UUID release() {
        return add(JobReleased.now(true, "2026-11-29", ""));
    }

    private void released() {
        work();
        bleed();
        prove();
        release();
        assertEquals(JobStage.RELEASED_CONDITIONALLY, stage());
    }

    @Test
    void aReleaseWithoutItsGatesIsNotBelieved() {
        release();
        assertEquals(JobStage.ACCEPTED, stage());
        work();
        bleed();
        pass(Gate.CHOCKS);
        release();
        assertEquals(JobStage.PROVING_IN_THE_YARD, stage());
    }

    @Test
    void whatEarlierGatesLetThroughStaysSoHereAndCountsForNothingFromElsewhere() {
        JobReleased earlier = new JobReleased(true, "2026-11-29", "", true);
        add(earlier);
        assertEquals(JobStage.RELEASED_CONDITIONALLY, stage());
        LoggedEntry here = log.remove(log.size() - 1);
        log.add(new LoggedEntry(
                here.id(),
                here.sequence(),
                here.takenAt(),
                here.at(),
                "elsewhere-juno-vale-1f",
                here.spentMinutes(),
                here.catalogueVersion(),
                earlier));
        assertEquals(JobStage.ACCEPTED, stage());
    }

    @Test
    void theBleedSheetAloneSaysWhenAnEndIsDone() {
        work();
        repair().plan().steps().stream()
                .filter(WorkStep::bleedsAnEnd)
                .forEach(step -> add(new WorkStepDone(step.key(), List.of(), "")));
        assertTrue(blocked(Proving.Blocker.Kind.BLEEDING), "ticked, and no stroke made");
        bleed();
        assertFalse(blocked(Proving.Blocker.Kind.BLEEDING));
        add(new StrokesBled("rear-left", 50, "many", "clear"));
        assertTrue(blocked(Proving.Blocker.Kind.BLEEDING), "fifty strokes of many bubbles");
    }

    private boolean blocked(Proving.Blocker.Kind kind) {
        return repair().proving().at(Gate.CHOCKS).blockers().stream().anyMatch(b -> b.kind() == kind);
    }

    private static Consumer<ReleaseTest> then(Consumer<ReleaseTest> what) {
        return what;
    }

    private UUID last(Class<? extends Entry> kind) {
        return log.stream()
                .filter(l -> kind.isInstance(l.entry()))
                .reduce((a, b) -> b)
                .orElseThrow()
                .id();
    }

    private UUID step(String key) {
        return log.stream()
                .filter(l ->
                        l.entry() instanceof WorkStepDone done && done.key().equals(key))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private UUID reading(String procedure) {
        boolean series = PROCEDURES.find(procedure).orElseThrow().spec() instanceof Series;
        return add(
                series
                        ? new ReadingTaken(procedure, new Figures(List.of()), List.of(), "rig", RigTrust.NORMAL)
                        : ReadingTaken.observed(procedure, "not-seen", "rig", RigTrust.NORMAL));
    }

    static Stream<Arguments> whatTakesAReleaseBack() {
        return Stream.of(
                Arguments.of(
                        "a step struck",
                        Gate.CHOCKS,
                        then(t -> t.add(new EntryStruck(t.step("fit-master@master"), "not so")))),
                Arguments.of(
                        "a check struck",
                        Gate.ROAD,
                        then(t -> t.add(new EntryStruck(t.last(CheckDone.class), "not so")))),
                Arguments.of(
                        "strokes full of bubbles",
                        Gate.CHOCKS,
                        then(t -> t.add(new StrokesBled("rear-left", 5, "many", "clear")))),
                Arguments.of("wheels raised", Gate.YARD, then(t -> t.reading("slides-moved"))),
                Arguments.of("a line opened", Gate.CHOCKS, then(t -> t.reading("port-plugs"))),
                Arguments.of(
                        "a part fitted anew",
                        Gate.CHOCKS,
                        then(t -> t.add(new WorkStepDone("fit-master@master", List.of(), "")))),
                Arguments.of(
                        "a check failed",
                        Gate.ROAD,
                        then(t -> t.add(CheckDone.looked("leaks-once-more", "failed", "drips at the flare")))));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("whatTakesAReleaseBack")
    void aReleaseIsTakenBackToTheGateItConcernsUntilItIsProvedAndSignedAnew(
            String what, Gate gate, Consumer<ReleaseTest> happens) {
        released();
        happens.accept(this);
        assertEquals(JobStage.RELEASE_TAKEN_BACK, stage(), what);
        assertTrue(repair().proving().at(gate).state() != Proving.State.PASSED, gate + " is to be gone through again");
        assertFalse(repair().proving().mayBeReleasedConditionally());
        release();
        assertEquals(JobStage.RELEASE_TAKEN_BACK, stage(), "signing alone does not bring it back");
        if (!state().onVehicle().toSetBack().isEmpty()) {
            add(new FittingsTakenOff(List.copyOf(state().onVehicle().toSetBack())));
        }
        work();
        bleed();
        prove();
        release();
        assertEquals(JobStage.RELEASED_CONDITIONALLY, stage());
    }

    /** What a test has taken out the plan does not take out again, and the vehicle is repaired all the same. */
    @Test
    void whatATestHasDoneCountsAsDoneUntilItIsSetBackByHand() {
        LoggedEntry verdict = log.remove(1);
        reading("master-stripped");
        add(verdict.entry());
        assertTrue(state().already().containsKey("unbolt-master@master"));
        for (WorkStep step : repair().plan().steps()) {
            boolean asked = !step.optional() && !step.bleedsAnEnd();
            if (asked && !state().already().containsKey(step.key())) {
                add(new WorkStepDone(step.key(), List.of(), ""));
            }
        }
        assertFalse(state().remedied().isEmpty(), "readings are about what is left from here on");
        assertFalse(blocked(Proving.Blocker.Kind.STEP_OPEN));
    }

    /** The master has brought its bleeding along; bled again, or renewed again, the vehicle is repaired once more. */
    @ParameterizedTest
    @ValueSource(strings = {"bleed-master", "renew-master"})
    void aSecondRepairIsARepairOfItsOwn(String remedy) {
        released();
        assertTrue(state().repairedSinceAccepted());
        UUID before = reading("driven");
        add(new VerdictAccepted(
                List.of(remedy), Grade.PROVEN, 0.9, List.of(), List.of(), "", List.of("master"), Bleeding.USUAL));
        assertFalse(state().repairedSinceAccepted(), "nothing of it has been done");
        work();
        bleed();
        assertTrue(state().repairedSinceAccepted());
        UUID after = reading("driven");
        assertEquals(
                List.of(1, 2),
                state().readings().stream()
                        .filter(r ->
                                List.of(before.toString(), after.toString()).contains(r.id()))
                        .map(r -> r.after().cures().size())
                        .toList());
        assertTrue(state().readingsBeforeRepair().stream().noneMatch(r -> r.id().equals(after.toString())));
    }

    @Test
    void whatIsSetBackByHandIsDoneByThePlanAgain() {
        LoggedEntry verdict = log.remove(1);
        reading("master-stripped");
        add(verdict.entry());
        add(new FittingsTakenOff(List.copyOf(state().onVehicle().toSetBack())));
        assertFalse(state().already().containsKey("unbolt-master@master"));
    }

    @Test
    void strikingAFailureDoesNotPassIt() {
        released();
        UUID failed = add(CheckDone.looked("leaks-once-more", "failed", "drips"));
        add(new EntryStruck(failed, "was the other van"));
        assertEquals(JobStage.RELEASE_TAKEN_BACK, stage());
        assertFalse(repair().outcomes().containsKey("leaks-once-more"), "it is asked again");
    }

    @Test
    void aPropFittedAndTakenOffAsksTheChecksAgain() {
        work();
        bleed();
        prove();
        assertTrue(repair().proving().mayBeReleasedConditionally());
        reading("port-plugs");
        add(new FittingsTakenOff(List.copyOf(state().onVehicle().toSetBack())));
        assertTrue(repair().outcomes().isEmpty());
        release();
        assertEquals(JobStage.PROVING_ON_CHOCKS, stage());
    }

    @Test
    void anOlderPassDoesNotOverrideANewerFailure() {
        work();
        bleed();
        Instant before = now;
        add(CheckDone.looked("pumped-firm", "failed", "goes down"));
        addTaken(before, CheckDone.looked("pumped-firm", "passed", ""));
        assertEquals(Proving.Outcome.FAILED, outcome("pumped-firm"));
        add(CheckDone.looked("pumped-firm", "passed", "bled again"));
        assertEquals(Proving.Outcome.PASSED, outcome("pumped-firm"));
    }

    private Proving.Outcome outcome(String check) {
        return ((CheckDone) repair().outcomes().get(check).entry()).result();
    }

    @Test
    void aCheckOfBeforeTheCircuitWasClosedDoesNotCount() {
        work();
        bleed();
        addTaken(now.minus(Duration.ofDays(300)), CheckDone.looked("pumped-firm", "passed", ""));
        assertFalse(repair().outcomes().containsKey("pumped-firm"));
    }

    @Test
    void aReleaseOlderThanItsChecksDoesNotCount() {
        work();
        bleed();
        Instant before = now;
        prove();
        addTaken(before, JobReleased.now(true, "2026-11-29", ""));
        assertEquals(JobStage.PROVING_ON_THE_ROAD, stage());
    }

    @Test
    void theChecksOfTheNextDayWaitForANight() {
        released();
        pass(Gate.NEXT_DAY);
        add(JobReleased.now(false, "", ""));
        assertEquals(JobStage.RELEASED_CONDITIONALLY, stage(), "seconds after the release they cannot be true");
        now = now.plus(RepairState.UNTIL_NEXT_DAY);
        pass(Gate.NEXT_DAY);
        add(JobReleased.now(false, "", ""));
        assertEquals(JobStage.RELEASED, stage());
    }

    @Test
    void aStepThatMeasuresOtherwiseTheSecondTimeIsNotDoneAnyMore() {
        work();
        WorkStep compared = repair().plan().find("compare-bore@master").orElseThrow();
        List<Measured> other = compared.asks().stream()
                .map(asked -> new Measured(
                        asked.id(), "31", "mm", 1.3 * asked.listed().orElse(24)))
                .toList();
        add(new WorkStepDone(compared.key(), other, ""));
        assertFalse(repair().done().containsKey(compared.key()));
        assertTrue(blocked(Proving.Blocker.Kind.STEP_OPEN));
        assertTrue(state().remedied().isEmpty());
        add(new WorkStepDone(compared.key(), other, "the maker's successor"));
        assertTrue(repair().done().containsKey(compared.key()));
    }

    @Test
    void whatIsFoundTheNextDayIsGoneIntoBeforeAnotherRelease() {
        released();
        now = now.plus(RepairState.UNTIL_NEXT_DAY);
        add(CheckDone.looked("level-same", "failed", "a finger lower"));
        release();
        assertEquals(JobStage.RELEASE_TAKEN_BACK, stage(), "the gates of yesterday do not let it go");
        add(CheckDone.looked("level-same", "passed", "cap seal renewed, topped up"));
        release();
        assertEquals(JobStage.RELEASED_CONDITIONALLY, stage());
    }

    @Test
    void noCheckOfTheNextDayIsTrueBeforeTheVehicleWasLetGo() {
        work();
        bleed();
        prove();
        pass(Gate.NEXT_DAY);
        add(JobReleased.now(false, "", ""));
        assertEquals(JobStage.PROVING_ON_THE_ROAD, stage());
        release();
        assertEquals(JobStage.RELEASED_CONDITIONALLY, stage());
        add(new StrokesBled("rear-left", 5, "none", "clear"));
        assertTrue(repair().nextDayFrom().isEmpty(), "opened again, the night begins anew");
    }
}
