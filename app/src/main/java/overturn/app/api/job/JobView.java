package overturn.app.api.job;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobState;
import overturn.app.job.JobSummary;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.TakeWalk;
import overturn.app.usecase.practice.Practise;
import overturn.circuit.Layout;
import overturn.inference.PlacesSeen;
import overturn.inference.WorkDone;
import overturn.measurement.ReadingSpec.Observation;
import overturn.suspect.Remedy;
import overturn.verdict.CatalogueVersion;
import overturn.verdict.Grade;
import overturn.verdict.Verdict.Missing;

/**
 * A job as the screens need it: the log, its fold and the assessment.
 *
 * @param setApartFrom sequence of the entry with which this version cannot work; it and what stands behind it count for
 *     nothing until it is struck
 * @param withdrawn why the job was given up
 */
public record JobView(
        UUID id,
        int sequence,
        UUID vehicleId,
        String vehicle,
        String layoutId,
        String complaint,
        Map<String, String> about,
        String hunchId,
        boolean mayBeMoved,
        IntakeView intake,
        String openedById,
        Instant openedAt,
        List<EntryView> entries,
        TestView.NeedsView vehicleState,
        List<String> setAside,
        Optional<AcceptedView> accepted,
        String stage,
        StatusView status,
        Optional<UUID> comesBackFrom,
        List<PartOfJobView> parts,
        WalkView walk,
        Optional<RepairView> repair,
        Optional<MovedView> moved,
        Optional<Integer> setApartFrom,
        Optional<String> withdrawn,
        Optional<PracticeView> practice,
        AssessmentView assessment) {

    /** As it stands right after an entry. */
    static JobView of(Job job) {
        return of(job, Optional.empty(), Optional.empty());
    }

    static JobView of(Job job, Optional<JobSummary.Moved> moved, Optional<PracticeView> practice) {
        JobState state = job.state();
        return new JobView(
                job.id(),
                state.sequence(),
                state.opened().vehicleId(),
                state.opened().vehicle(),
                state.opened().layoutId(),
                state.opened().complaint(),
                state.opened().about(),
                state.opened().hunchId(),
                state.opened().mayBeMoved(),
                IntakeView.of(state.opened()),
                state.log().get(0).personId(),
                state.log().get(0).at(),
                state.log().stream().map(e -> EntryView.of(e, state)).toList(),
                TestView.NeedsView.of(state.vehicle()),
                state.setAside().stream().sorted().toList(),
                state.accepted().map(verdict -> AcceptedView.of(verdict, state.layout())),
                job.status().stage().id(),
                StatusView.of(job.status()),
                state.comesBackFrom(),
                state.parts().values().stream().map(PartOfJobView::of).toList(),
                WalkView.of(job),
                RepairView.of(job),
                moved.map(MovedView::of),
                state.setApartFrom().stream().boxed().findFirst(),
                state.withdrawn(),
                practice,
                AssessmentView.of(job));
    }

    /**
     * The walk round the vehicle: at which parts fluid can be seen, what else is looked at, and what was seen so far.
     */
    public record WalkView(List<String> parts, List<LookView> looks, List<SpotView> spots) {

        static WalkView of(Job job) {
            return new WalkView(
                    TakeWalk.parts(job.state().layout()),
                    TakeWalk.looks(job.model().procedures()).stream()
                            .filter(p -> !p.id().equals(JobState.DRY_WALK))
                            .map(p -> new LookView(p.id(), ((Observation) p.spec()).options()))
                            .toList(),
                    job.seen().states().entrySet().stream()
                            .sorted(Map.Entry.comparingByKey())
                            .map(e -> new SpotView(e.getKey(), e.getValue()))
                            .toList());
        }
    }

    /** A look of the walk. */
    public record LookView(String procedureId, List<String> options) {}

    /** How a part looked. */
    public record SpotView(String componentId, PlacesSeen.State state) {}

    /**
     * That a job is an exercise on a hidden vehicle.
     *
     * @param personId who practises
     * @param helped whether the program was asked what it would do, as the job stands
     * @param ended whether it is over and what was hidden may be told
     */
    public record PracticeView(String personId, Optional<String> lessonId, boolean helped, boolean ended) {

        static PracticeView of(Practise.Marked marked) {
            return new PracticeView(marked.personId(), marked.lessonId(), marked.helped(), marked.ended());
        }
    }

    /** A part of the job and how far it has come. */
    public record PartOfJobView(
            String part,

            @Schema(allowableValues = {"wanted", "ordered", "arrived", "returned", "spare", "core-sent-back"})
            String state,

            String note,
            String personId,
            Instant at) {

        static PartOfJobView of(LoggedEntry logged) {
            PartMoved moved = (PartMoved) logged.entry();
            return new PartOfJobView(moved.part(), moved.state(), moved.note(), logged.personId(), logged.takenAt());
        }
    }

    /** What was told at intake beside complaint and behaviour. */
    public record IntakeView(
            boolean recentWork, String age, boolean sometimes, List<WorkView> work, List<String> facts) {

        static IntakeView of(JobOpened opened) {
            return new IntakeView(
                    opened.recentWork(),
                    opened.age(),
                    opened.sometimes(),
                    opened.work().stream().map(WorkView::of).toList(),
                    opened.facts());
        }
    }

    /**
     * Where the job stood by an earlier catalogue, where an upgrade has changed that since the last entry;
     * {@code since} is the catalogue that changed it.
     */
    public record MovedView(String remedyId, Grade grade, double probability, String by, String since) {

        static MovedView of(JobSummary.Moved moved) {
            return new MovedView(
                    moved.remedyId(),
                    moved.grade(),
                    moved.probability(),
                    moved.catalogueVersion(),
                    CatalogueVersion.CURRENT);
        }
    }

    /** The verdict as it was accepted, both remedies of a pair; below proven it counts as assumed. */
    public record AcceptedView(
            List<String> remedyIds,
            Grade grade,
            double probability,
            String why,
            List<String> places,
            List<UUID> carriers,
            List<Missing> missing,
            List<WorkView> asWork) {

        static AcceptedView of(VerdictAccepted verdict, Layout layout) {
            return new AcceptedView(
                    verdict.remedyIds(),
                    verdict.grade(),
                    verdict.probability(),
                    verdict.why(),
                    verdict.places(),
                    verdict.carrierIds(),
                    verdict.missing(),
                    IntStream.range(
                                    0,
                                    Math.min(
                                            verdict.remedyIds().size(),
                                            verdict.places().size()))
                            .boxed()
                            .flatMap(i -> Remedy.find(verdict.remedyIds().get(i)).stream()
                                    .flatMap(remedy ->
                                            WorkDone.of(remedy, verdict.places().get(i), layout).stream()))
                            .map(WorkView::of)
                            .toList());
        }
    }
}
