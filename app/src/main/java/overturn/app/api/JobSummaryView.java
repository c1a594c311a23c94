package overturn.app.api;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import overturn.app.usecase.Jobs.Job;
import overturn.planning.Proposal;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;

/** A job as a line of the bay: where it stands, what it waits for. */
public record JobSummaryView(UUID id, String vehicle, String layoutId, String complaint, String openedById, Instant openedAt,
                             int readings, String hunchId, String leadSuspectId, String leadRemedyId, double leadProbability,
                             Grade grade, boolean accepted, Optional<String> nextProcedureId, Optional<Double> nextMinutes,
                             int stillFitted) {

    static JobSummaryView of(Job job) {
        Verdict verdict = job.assessment().verdict();
        Optional<Proposal> next = job.assessment().next();
        return new JobSummaryView(job.id(), job.state().opened().vehicle(), job.state().opened().layoutId(),
                job.state().opened().complaint(), job.state().log().get(0).personId(), job.state().log().get(0).at(),
                job.state().readings().size(), job.state().opened().hunchId(), verdict.suspectId(), verdict.remedy().id(),
                verdict.probability(), verdict.grade(), job.state().accepted().isPresent(), next.map(p -> p.procedure().id()),
                next.map(Proposal::minutes), job.state().stillFitted().size());
    }
}
