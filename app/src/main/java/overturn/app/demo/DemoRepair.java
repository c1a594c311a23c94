package overturn.app.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import overturn.app.job.Entry;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobState;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.CircuitRested;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.LevelEntered;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairEntry.WorkStepDone.Measured;
import overturn.app.job.RepairState;
import overturn.bleeding.BleedSheet;
import overturn.circuit.Layout;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.repair.Asked;
import overturn.repair.Section;
import overturn.repair.WorkPlan;
import overturn.repair.WorkStep;

/** Carries a demo job through its repair by the same plan, sheet and gates that a technician follows. */
final class DemoRepair {

    private static final String FULL = "max";
    private static final int MOST_TURNS = 200;
    private static final double UNLISTED_MM = 7;

    private final Layout layout;
    private final Supplier<JobState> state;
    private final Function<Entry, UUID> append;
    private final Function<String, ReadingTaken> reads;
    private final Function<ReadingTaken, List<CheckDone.Judged>> judge;

    /**
     * @param state the fold of the log as it stands
     * @param append puts an entry behind the log and returns its id
     * @param reads what a test reads on the repaired vehicle
     * @param judge between what a sound vehicle would have read
     */
    DemoRepair(
            Layout layout,
            Supplier<JobState> state,
            Function<Entry, UUID> append,
            Function<String, ReadingTaken> reads,
            Function<ReadingTaken, List<CheckDone.Judged>> judge) {
        this.judge = judge;
        this.reads = reads;
        this.layout = layout;
        this.state = state;
        this.append = append;
    }

    /** Takes off what the tests have left on the vehicle. */
    void takeOff() {
        List<String> fitted = List.copyOf(state.get().onVehicle().toSetBack());
        if (!fitted.isEmpty()) {
            append.apply(new FittingsTakenOff(fitted));
        }
    }

    /** Ticks the steps of the plan, up to and without the first of a section. */
    void workUpTo(Section section) {
        List<WorkStep> plan = repair().plan().steps();
        tick(plan.stream().takeWhile(step -> step.section() != section).toList());
    }

    /** Ticks all steps before the last end is bled, bleeds by the sheet, and ticks what follows. */
    void workAndBleed() {
        WorkPlan plan = repair().plan();
        List<WorkStep> before = plan.beforeBled();
        tick(before);
        bleed();
        tick(plan.steps().subList(before.size(), plan.steps().size()));
    }

    private void tick(List<WorkStep> steps) {
        for (WorkStep step : steps) {
            if (!step.optional() && !step.bleedsAnEnd()) {
                append.apply(new WorkStepDone(step.key(), measured(step), ""));
            }
        }
    }

    private static List<Measured> measured(WorkStep step) {
        List<Measured> all = new ArrayList<>();
        for (Asked asked : step.asks()) {
            double mm = asked.listed().orElse(UNLISTED_MM);
            all.add(new Measured(asked.id(), String.valueOf(mm), "mm", mm));
        }
        return all;
    }

    /** Bleeds by the sheet until it calls the circuit done. */
    private void bleed() {
        for (int turn = 0; turn < MOST_TURNS; turn++) {
            Optional<BleedSheet> sheet = repair().sheet();
            if (sheet.isEmpty() || sheet.get().done()) {
                return;
            }
            append.apply(next(sheet.get()));
        }
    }

    private Entry next(BleedSheet sheet) {
        if (sheet.reservoir().topUpNow()) {
            return new LevelEntered(FULL, "", layout.reservoir().minToMaxMl());
        }
        if (sheet.restFirst()) {
            return new CircuitRested();
        }
        BleedSheet.End end = sheet.ends().stream()
                .filter(e -> e.id().equals(sheet.next().orElseThrow()))
                .findFirst()
                .orElseThrow();
        return new StrokesBled(end.id(), end.strokesNow(), end.strokes() == 0 ? "few" : "none", "clear");
    }

    /** Passes every check up to and with a gate. */
    void pass(Gate upTo) {
        for (Check check : Checks.of(layout)) {
            if (check.gate().compareTo(upTo) <= 0 && !repair().outcomes().containsKey(check.id())) {
                append.apply(passed(check));
            }
        }
    }

    /** A look, or a measurement with its reading. */
    private CheckDone passed(Check check) {
        if (check.testId().isEmpty()) {
            return CheckDone.looked(check.id(), "passed", "");
        }
        ReadingTaken taken = reads.apply(check.testId().get());
        String id = append.apply(taken).toString();
        return new CheckDone(check.id(), "passed", "", id, false, 0, judge.apply(taken));
    }

    /** Released until a day on which it is looked at again; finally where there is none. */
    void release(String recheckOn) {
        append.apply(JobReleased.now(!recheckOn.isEmpty(), recheckOn, ""));
    }

    private RepairState repair() {
        return state.get().repair().orElseThrow();
    }
}
