package overturn.app.api.record;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.record.RecordLine;
import overturn.app.record.ShopRecord.Done;
import overturn.app.record.ShopRecord.Insights;
import overturn.app.record.ShopRecord.Page;
import overturn.app.usecase.record.SearchRecord;
import overturn.app.workshop.WorkshopSettings;
import overturn.course.Decided.TurnedOut;
import overturn.verdict.Grade;

/** What the record tells. */
final class RecordViews {

    private RecordViews() {}

    /** Some closed jobs; {@code found} is counted up to 1,000, {@code next} absent where there are no more. */
    record RecordPageView(List<RecordLineView> lines, int found, boolean atLeast, Optional<String> next) {

        static RecordPageView of(Page page) {
            List<RecordLine> lines = page.lines();
            return new RecordPageView(
                    lines.stream().map(RecordLineView::of).toList(),
                    Math.min(page.found(), Page.MOST_COUNTED),
                    page.found() > Page.MOST_COUNTED,
                    page.more() ? Optional.of(SearchRecord.place(lines.get(lines.size() - 1))) : Optional.empty());
        }
    }

    /** A closed job: what it was, what was done, what became of it. */
    record RecordLineView(
            UUID jobId,
            UUID vehicleId,
            String vehicle,
            String layoutId,
            String make,
            String complaint,
            String behaviour,
            String hunchId,
            Optional<Boolean> hunchHeld,
            String openedById,
            Instant openedAt,
            Instant closedAt,
            String stage,
            List<String> remedies,
            List<String> triedBefore,
            String causeId,
            Optional<Grade> grade,
            Optional<TurnedOut> turnedOut,
            Optional<Instant> cameBackAt,
            Optional<UUID> comesBackFrom,
            double spentMinutes) {

        static RecordLineView of(RecordLine line) {
            return new RecordLineView(
                    line.jobId(),
                    line.vehicleId(),
                    line.vehicle(),
                    line.layoutId(),
                    line.make(),
                    line.complaint(),
                    line.behaviour(),
                    line.hunchId(),
                    line.hunchHeld(),
                    line.openedById(),
                    line.openedAt(),
                    line.closedAt(),
                    line.stage().id(),
                    line.remedies(),
                    line.triedBefore(),
                    line.causeId(),
                    line.grade(),
                    line.turnedOut(),
                    line.cameBackAt(),
                    line.comesBackFrom(),
                    line.spentMinutes());
        }
    }

    /**
     * What was done before: {@code again} are remedies that this vehicle had more than once or that did not hold,
     * {@code sisters} those of several vehicles of its circuit.
     */
    record BeforeView(List<RecordLineView> own, List<String> again, List<DoneView> sisters) {

        static BeforeView of(SearchRecord.Before before) {
            return new BeforeView(
                    before.own().stream().map(RecordLineView::of).toList(),
                    before.again(),
                    before.sisters().stream().map(DoneView::of).toList());
        }
    }

    /** How often a remedy was done, on how many vehicles, and how many came back. */
    record DoneView(String remedyId, int vehicles, int jobs, int cameBack) {

        static DoneView of(Done done) {
            return new DoneView(done.remedyId(), done.vehicles(), done.jobs(), done.cameBack());
        }
    }

    /**
     * Sums of closed jobs.
     *
     * @param ratePerHour what an hour of labour costs, so that minutes can be told as money; absent where only minutes
     *     count
     */
    record InsightsView(
            List<HunchesView> hunches,
            List<VerdictsView> verdicts,
            List<StepsView> steps,
            List<MonthView> months,
            List<DoneView> triedBefore,
            Optional<Double> ratePerHour,
            Optional<String> currency) {

        static InsightsView of(Insights insights, WorkshopSettings settings) {
            return new InsightsView(
                    insights.hunches().stream()
                            .map(h -> new HunchesView(h.behaviour(), h.made(), h.held()))
                            .toList(),
                    insights.verdicts().stream()
                            .map(v -> new VerdictsView(
                                    TurnedOut.valueOf(v.turnedOut()), v.jobs(), v.cameBack(), v.triedBefore()))
                            .toList(),
                    insights.steps().stream()
                            .map(s -> new StepsView(s.procedureId(), s.done(), s.estimatedMinutes(), s.tookMinutes()))
                            .toList(),
                    insights.months().stream()
                            .map(m -> new MonthView(
                                    m.month(),
                                    m.closed(),
                                    m.cameBack(),
                                    m.triedBefore(),
                                    m.spentMinutes(),
                                    m.byLikelihoodMinutes()))
                            .toList(),
                    insights.triedBefore().stream().map(DoneView::of).toList(),
                    settings.rate().map(WorkshopSettings.Rate::perHour),
                    settings.rate().map(WorkshopSettings.Rate::currency));
        }
    }

    /** Bets on one kind of complaint, and how many of them held; an empty behaviour is a check without complaint. */
    record HunchesView(String behaviour, int made, int held) {}

    /** What became of jobs by how sure their verdict was. */
    record VerdictsView(TurnedOut turnedOut, int jobs, int cameBack, int triedBefore) {}

    /** A test: what the planner takes it for, and what it took, medians in minutes. */
    record StepsView(String procedureId, int done, double estimatedMinutes, double tookMinutes) {}

    /** A month of closed jobs; minutes of tests and parts in vain, and those of replacing the likeliest first. */
    record MonthView(
            LocalDate month,
            int closed,
            int cameBack,
            int triedBefore,
            double spentMinutes,
            double byLikelihoodMinutes) {}

    /** A search that somebody keeps. */
    record SavedFilterView(String name, String query) {}
}
