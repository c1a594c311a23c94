package overturn.app.api.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairState;
import overturn.quantity.Dimension;
import overturn.repair.Asked;
import overturn.repair.Handling;
import overturn.repair.Section;
import overturn.repair.Together;
import overturn.repair.WorkStep;

/** Steps of the work plan, what they ask and what was entered. */
public final class WorkStepViews {

    private WorkStepViews() {}

    /**
     * One step: what is done where, who did it, what it measured; {@code setsBack} is what it takes off or sets back,
     * {@code already} the test that had done it.
     */
    public record WorkStepView(
            String key,
            String id,
            Section section,
            Handling handling,
            String place,
            double minutes,
            List<String> cautionIds,
            boolean optional,
            boolean helper,
            List<String> setsBack,
            List<AskedView> asks,
            List<TogetherView> together,
            List<String> sheetFigures,
            Optional<String> testId,
            boolean mismatched,
            Optional<UUID> already,
            Optional<StepDoneView> done) {

        static WorkStepView of(WorkStep step, RepairState repair) {
            return new WorkStepView(
                    step.key(),
                    step.id(),
                    step.section(),
                    step.handling(),
                    step.place(),
                    step.minutes(),
                    step.cautionIds(),
                    step.optional(),
                    step.helper(),
                    step.setsBack(),
                    step.asks().stream().map(AskedView::of).toList(),
                    step.together().stream().map(TogetherView::of).toList(),
                    step.sheetFigures(),
                    step.testId(),
                    repair.mismatched().contains(step.key()),
                    Optional.ofNullable(repair.already().get(step.key())).map(LoggedEntry::id),
                    Optional.ofNullable(repair.done().get(step.key())).map(StepDoneView::of));
        }
    }

    /** Two figures of a step of which the second less the first lies between two limits. */
    public record TogetherView(String first, String second, double least, double most) {

        static TogetherView of(Together two) {
            return new TogetherView(two.first(), two.second(), two.least(), two.most());
        }
    }

    /**
     * A figure that a step asks for, with what this layout lists and how far it may lie from it before it stops the
     * plan.
     */
    public record AskedView(String id, Dimension dimension, Optional<Double> listed, Optional<Double> within) {

        static AskedView of(Asked asked) {
            OptionalDouble listed = asked.listed();
            return new AskedView(
                    asked.id(),
                    asked.dimension(),
                    listed.isPresent() ? Optional.of(listed.getAsDouble()) : Optional.empty(),
                    asked.stops() && listed.isPresent() ? Optional.of(asked.within()) : Optional.empty());
        }
    }

    /** Who ticked a step, and the figures as typed. */
    public record StepDoneView(UUID entryId, String personId, Instant at, List<MeasuredView> measured, String why) {

        static StepDoneView of(LoggedEntry logged) {
            WorkStepDone step = (WorkStepDone) logged.entry();
            return new StepDoneView(
                    logged.id(),
                    logged.personId(),
                    logged.takenAt(),
                    step.measured().stream()
                            .map(m -> new MeasuredView(m.id(), m.text(), m.unit()))
                            .toList(),
                    step.why());
        }
    }

    /** A figure as typed. */
    public record MeasuredView(String id, String text, String unit) {}
}
