package overturn.app.api.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import overturn.app.api.job.BleedViews.BleedSheetView;
import overturn.app.api.job.GateViews.GateView;
import overturn.app.api.job.WorkStepViews.WorkStepView;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairState;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.workshop.WorkshopSettings;
import overturn.circuit.Component.Reservoir;
import overturn.procedure.Needed;
import overturn.procedure.Procedure.RigKind;
import overturn.proving.Checks;
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
