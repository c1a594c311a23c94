package overturn.app.api.job;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.job.JobSummary;
import overturn.course.Decided;
import overturn.course.MayMove;
import overturn.verdict.Grade;

/**
 * A job as a line of the bay: where it stands, what it waits for; {@code lead} is absent until that has been worked
 * out.
 */
public record JobSummaryView(
        UUID id,
        String vehicle,
        String layoutId,
        String complaint,
        String openedById,
        Instant openedAt,
        int readings,
        String hunchId,
        String stage,
        int stillFitted,
        Optional<LocalDate> recheckOn,
        Optional<LeadView> lead) {

    static JobSummaryView of(JobSummary line) {
        return new JobSummaryView(
                line.jobId(),
                line.vehicle(),
                line.layoutId(),
                line.complaint(),
                line.openedById(),
                line.openedAt(),
                line.readings(),
                line.hunchId(),
                line.stage().id(),
                line.stillFitted(),
                line.recheckOn(),
                line.lead().map(lead -> LeadView.of(lead, lead.sequence() == line.sequence())));
    }

    /** Who leads and what is next; {@code current} where it is by the whole log. */
    public record LeadView(
            String suspectId,
            String remedyId,
            double probability,
            Grade grade,
            Optional<String> nextProcedureId,
            Optional<Double> nextMinutes,
            Optional<StandsView> stands,
            boolean current) {

        static LeadView of(JobSummary.Lead lead, boolean current) {
            return new LeadView(
                    lead.suspectId(),
                    lead.remedyId(),
                    lead.probability(),
                    lead.grade(),
                    lead.next().map(JobSummary.NextTest::procedureId),
                    lead.next().map(JobSummary.NextTest::minutes),
                    lead.stands().map(StandsView::of),
                    current);
        }
    }

    /**
     * What every page says of the job: what was decided and became of it, what is done next, whether it may be moved.
     */
    public record StandsView(
            List<String> decided,
            Optional<Decided.TurnedOut> turnedOut,
            StatusView.NextActView next,
            MayMove.Answer mayMove) {

        static StandsView of(JobSummary.Stands stands) {
            return new StandsView(
                    stands.decided(), stands.turnedOut(), StatusView.NextActView.of(stands.next()), stands.mayMove());
        }
    }
}
