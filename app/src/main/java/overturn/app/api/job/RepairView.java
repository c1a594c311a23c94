package overturn.app.api.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Stream;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairState;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.workshop.WorkshopSettings;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.circuit.Component.Reservoir;
import overturn.procedure.Needed;
import overturn.procedure.Procedure.RigKind;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.proving.Proving.Blocker;
import overturn.quantity.Dimension;
import overturn.repair.Asked;
import overturn.repair.Handling;
import overturn.repair.Section;
import overturn.repair.Together;
import overturn.repair.WorkStep;
import overturn.suspect.Remedy;

/**
 * The half of a job after the verdict.
 *
 * @param needed what has to be at hand before it is begun
 * @param fluid what the circuit is filled with; empty where nothing is filled
 * @param cost what the workshop reckons for it; empty where it told no rate
 * @param ways the schools that the plan depends on
 * @param accepted share that the evidence now gives to what was accepted; what was measured meanwhile counts
 * @param overturned whether something else leads by now, so that the new part should wait
 * @param takenBack whether it was released and has to be proved anew
 * @param nextDayKm how far it is driven until the next day has come, whatever the hour, km
 * @param nextDayFrom from when on the checks of the next day can be done; empty while it was not released since it was
 *     last closed
 * @param secondChecked who looked at the checks as they stand, for another person to release
 */
public record RepairView(
        List<WorkStepView> steps,
        List<NeededView> needed,
        Optional<FluidView> fluid,
        Optional<CostView> cost,
        List<WayView> ways,
        double minutes,
        double accepted,
        boolean overturned,
        Optional<BleedSheetView> sheet,
        List<GateView> gates,
        boolean mayBeReleasedConditionally,
        boolean mayBeReleased,
        Optional<ReleaseView> released,
        boolean takenBack,
        Optional<Instant> nextDayFrom,
        int nextDayKm,
        Optional<UUID> cameBackAs,
        List<String> secondChecked) {

    private static final double HELD = 0.5;

    static Optional<RepairView> of(Job job) {
        return job.state().repair().map(repair -> of(job, repair));
    }

    private static RepairView of(Job job, RepairState repair) {
        List<String> accepted = job.state().accepted().orElseThrow().remedyIds();
        double share = Stream.of(Remedy.values())
                .filter(r -> accepted.contains(r.id()))
                .mapToDouble(r -> job.assessment().history().now().probability(r))
                .min()
                .orElse(0);
        boolean before = job.assessment().history().done().isEmpty();
        return new RepairView(
                repair.plan().steps().stream()
                        .map(s -> WorkStepView.of(s, repair))
                        .toList(),
                repair.plan().needed().stream().map(NeededView::of).toList(),
                FluidView.of(repair, job.state().layout().reservoir()),
                CostView.of(accepted, job.workshop()),
                repair.plan().schools().stream()
                        .sorted()
                        .map(school ->
                                new WayView(school.id(), job.state().schools().way(school)))
                        .toList(),
                repair.plan().minutes(),
                share,
                before
                        && share < HELD
                        && !accepted.contains(
                                job.assessment().verdict().remedy().id()),
                repair.sheet()
                        .map(s -> BleedSheetView.of(
                                s, repair, job.state().layout().reservoir().minToMaxMl())),
                repair.proving().gates().stream()
                        .map(g -> GateView.of(g, Checks.of(job.state().layout()), repair))
                        .toList(),
                repair.proving().mayBeReleasedConditionally(),
                repair.proving().mayBeReleased(),
                repair.released().map(ReleaseView::of),
                repair.takenBack(),
                repair.nextDayFrom(),
                RepairState.SET_DISTANCE_KM,
                repair.cameBackAs(),
                repair.secondChecked().stream().sorted().toList());
    }

    /** What has to be at hand; {@code rigKind} where it is a tool that the workshop may lack. */
    public record NeededView(String id, Needed.Kind kind, Optional<String> rigKind) {

        static NeededView of(Needed needed) {
            return new NeededView(needed.id(), needed.kind(), needed.rig().map(RigKind::id));
        }
    }

    /**
     * The kind of fluid that this circuit takes, and the grade of the can that was taken; empty until somebody says.
     */
    public record FluidView(String takes, Optional<String> taken) {

        static Optional<FluidView> of(RepairState repair, Reservoir reservoir) {
            return repair.plan().needed().contains(Needed.FLUID)
                    ? Optional.of(
                            new FluidView(reservoir.fluid().id(), repair.fluid().map(FluidTaken::grade)))
                    : Optional.empty();
        }
    }

    /** What the workshop's table says of these remedies, in its currency. */
    public record CostView(double parts, double labour, String currency) {

        static Optional<CostView> of(List<String> remedyIds, WorkshopSettings workshop) {
            List<WorkshopSettings.Price> prices = remedyIds.stream()
                    .flatMap(id -> Remedy.find(id).stream())
                    .map(workshop::priceOf)
                    .toList();
            return workshop.rate()
                    .map(rate -> new CostView(
                            rate.of(prices.stream()
                                    .mapToDouble(WorkshopSettings.Price::partsMinutes)
                                    .sum()),
                            rate.of(prices.stream()
                                    .mapToDouble(WorkshopSettings.Price::labourMinutes)
                                    .sum()),
                            rate.currency()));
        }
    }

    /** A school that decides how some of the plan is done, and its way here. */
    public record WayView(String school, String way) {}

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

    /**
     * The bleed sheet.
     *
     * @param withoutPedal whether a stroke is a portion let out
     * @param fills whether fluid comes up from the end, so that the reservoir is drawn down instead of topped up
     * @param bubblesAfterRest whether bubbles came after the last rest, so that another round is asked
     * @param rounds rounds after a rest so far, the one under way among them
     * @param roundMinutes what another rest and round take
     * @param makersOrder ends as the maker gives them; empty while the workshop's order is kept
     */
    public record BleedSheetView(
            String method,
            boolean withoutPedal,
            boolean fills,
            Optional<String> methodCautionId,
            String order,
            List<String> makersOrder,
            Optional<String> orderSource,
            List<BleedEndView> ends,
            Optional<String> next,
            boolean restFirst,
            boolean bubblesAfterRest,
            int rounds,
            double roundMinutes,
            double restMinutes,
            boolean done,
            double roomMl,
            double aboveMinimumMl,
            double strokeMl,
            int safeStrokes,
            boolean topUpNow,
            double leftMl) {

        static BleedSheetView of(BleedSheet sheet, RepairState repair, double roomMl) {
            Schools schools = repair.schools();
            return new BleedSheetView(
                    schools.method().id(),
                    schools.method().withoutPedal(),
                    schools.method().fills(),
                    schools.method().cautionId(),
                    schools.order().id(),
                    schools.makersOrder(),
                    Optional.of(repair.orderSource()).filter(source -> !source.isEmpty()),
                    sheet.ends().stream().map(BleedEndView::of).toList(),
                    sheet.next(),
                    sheet.restFirst(),
                    sheet.bubblesAfterRest(),
                    sheet.rounds(),
                    sheet.roundMinutes(),
                    BleedSheet.REST_MINUTES,
                    sheet.done(),
                    roomMl,
                    sheet.reservoir().aboveMinimumMl(),
                    sheet.reservoir().strokeMl(),
                    sheet.reservoir().safeStrokes(),
                    sheet.reservoir().topUpNow(),
                    sheet.leftMl());
        }
    }

    /** One end of the bleed sheet. */
    public record BleedEndView(
            String id,
            BleedSheet.State state,
            int strokes,
            double takenMl,
            double leftMl,
            Optional<BleedEvent.Bubbles> bubbles,
            Optional<BleedEvent.Colour> colour,
            int strokesNow) {

        static BleedEndView of(BleedSheet.End end) {
            return new BleedEndView(
                    end.id(),
                    end.state(),
                    end.strokes(),
                    end.takenMl(),
                    end.leftMl(),
                    end.bubbles(),
                    end.colour(),
                    end.strokesNow());
        }
    }

    /** One gate: what shuts it, its checks; {@code closedAt} is since when what it checks was left as it is. */
    public record GateView(
            String id,
            Proving.State state,
            Optional<Instant> closedAt,
            List<BlockerView> blockers,
            List<GateCheckView> checks) {

        static GateView of(Proving.Standing standing, List<Check> checks, RepairState repair) {
            Gate gate = standing.gate();
            return new GateView(
                    gate.id(),
                    standing.state(),
                    Optional.ofNullable(repair.closedAt().get(gate)),
                    standing.blockers().stream().map(BlockerView::of).toList(),
                    checks.stream()
                            .filter(c -> c.gate() == gate)
                            .map(c -> GateCheckView.of(c, repair))
                            .toList());
        }
    }

    /** What keeps the gates shut, and where. */
    public record BlockerView(Blocker.Kind kind, String item) {

        static BlockerView of(Blocker blocker) {
            return new BlockerView(blocker.kind(), blocker.item());
        }
    }

    /** One check and its latest outcome. */
    public record GateCheckView(
            String id,
            Optional<String> cautionId,
            Optional<String> testId,
            Optional<String> outcome,
            Optional<String> seen,
            Optional<String> personId,
            Optional<Instant> at,
            Optional<UUID> entryId,
            Optional<UUID> readingId,
            List<JudgedView> judged,
            Optional<EarlyView> early) {

        static GateCheckView of(Check check, RepairState repair) {
            Optional<LoggedEntry> logged = Optional.ofNullable(repair.outcomes().get(check.id()));
            Optional<CheckDone> done = logged.map(l -> (CheckDone) l.entry());
            return new GateCheckView(
                    check.id(),
                    check.cautionId(),
                    check.testId(),
                    done.map(CheckDone::outcome),
                    done.map(CheckDone::seen),
                    logged.map(LoggedEntry::personId),
                    logged.map(LoggedEntry::takenAt),
                    logged.map(LoggedEntry::id),
                    done.map(CheckDone::readingId).filter(id -> !id.isEmpty()).map(UUID::fromString),
                    done.map(CheckDone::judged).orElse(List.of()).stream()
                            .map(f -> new JudgedView(f.figureId(), f.value(), f.least(), f.most()))
                            .toList(),
                    Optional.ofNullable(repair.early().get(check.id())).map(EarlyView::of));
        }
    }

    /** A figure of a measurement, core unit, and between what it had to lie. */
    public record JudgedView(String figureId, double value, double least, double most) {}

    /** A check of the next day that was done before it had come, by whom and why: told, and not counted. */
    public record EarlyView(String why, String personId, Instant at) {

        static EarlyView of(LoggedEntry logged) {
            return new EarlyView(((CheckDone) logged.entry()).seen(), logged.personId(), logged.takenAt());
        }
    }

    /** Who released it when, and until when it is looked at again. */
    public record ReleaseView(
            boolean conditional, Optional<String> recheckOn, String personId, Optional<String> secondId, Instant at) {

        static ReleaseView of(LoggedEntry logged) {
            JobReleased released = (JobReleased) logged.entry();
            return new ReleaseView(
                    released.conditional(),
                    Optional.of(released.recheckOn()).filter(day -> !day.isEmpty()),
                    logged.personId(),
                    Optional.of(released.secondId()).filter(id -> !id.isEmpty()),
                    logged.takenAt());
        }
    }
}
