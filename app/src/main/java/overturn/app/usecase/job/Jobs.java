package overturn.app.usecase.job;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.JobLog;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.ReadableLog;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.learning.Learned;
import overturn.app.workshop.WorkshopLog;
import overturn.app.workshop.WorkshopSettings;
import overturn.course.JobStatus;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.inference.PlacesSeen;
import overturn.planning.Workshop;
import overturn.repair.WorkPlan;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.verdict.Assessment;
import overturn.verdict.Verdict;

/** Reads jobs: the log, its fold, and what follows from it. */
@Component
public class Jobs {

    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);

    private final JobLog log;
    private final LayoutSheets sheets;
    private final WorkshopLog workshop;
    private final Assessor assessor;

    Jobs(JobLog log, LayoutSheets sheets, WorkshopLog workshop, Assessor assessor) {
        this.log = log;
        this.sheets = sheets;
        this.workshop = workshop;
        this.assessor = assessor;
    }

    /**
     * A job with everything that follows from its log.
     *
     * @param model of the circuit as it is now
     * @param before what was believed on the circuit as it came, where a repair has put another size in
     * @param learned how frequent faults are and how long tests take, beside what ships
     * @param status what every page says of it
     */
    public record Job(
            UUID id,
            JobState state,
            LayoutModel model,
            Optional<BeliefHistory> before,
            WorkshopSettings workshop,
            Learned learned,
            Assessment assessment,
            JobStatus status) {

        /** The facts of intake, with what was learned from closed jobs by then. */
        public Intake intake() {
            return state.intake().with(learned.counts().counts());
        }

        /** What the planner knows of the workshop, with how long tests take there. */
        public Workshop planning() {
            return planning(workshop, learned);
        }

        static Workshop planning(WorkshopSettings workshop, Learned learned) {
            return workshop.forPlanning().taking(learned.minutes().factors());
        }

        /** Suspicion per component now, with what was seen at single parts. */
        public Map<String, Double> suspectedParts() {
            return assessment.history().now().places().components(seen());
        }

        /** Where a remedy can be done, the most suspected part first: share of each, by id. */
        public Map<String, Double> placesOf(Remedy remedy) {
            return assessment.history().now().places().of(remedy, WorkPlan.places(model.layout(), remedy), seen());
        }

        /**
         * The verdict where it says more than was decided: none while what was accepted waits for its repair and still
         * leads, and that nothing is wrong is none once something was repaired: it has to be proved.
         */
        public Optional<Verdict> verdict() {
            Verdict verdict = assessment.verdict();
            boolean decided = status.decided()
                    .filter(d -> state.repairedSinceAccepted()
                            ? verdict.cure().equals(Cure.HAND_BACK)
                            : verdict.remedies().equals(d.remedies()))
                    .isPresent();
            return decided ? Optional.empty() : Optional.of(verdict);
        }

        /** What was last seen at single parts. */
        public PlacesSeen seen() {
            return state.seen(model.procedures());
        }
    }

    /** A log that was read, and the layout it stands on. */
    public record Log(UUID jobId, List<LoggedEntry> entries, LayoutSheets.Sheet sheet) {

        /** Its fold; from an entry on that cannot be folded everything is set apart. */
        public JobState state() {
            return stateOf(entries);
        }

        /** The fold of a part of it. */
        JobState stateOf(List<LoggedEntry> part) {
            try {
                return folded(part);
            } catch (RuntimeException e) {
                LOG.warn("Job {} cannot be folded whole: {}", jobId, e.toString());
                return folded(ReadableLog.of(part, this::folds));
            }
        }

        private boolean folds(List<LoggedEntry> part) {
            try {
                folded(part);
                return true;
            } catch (RuntimeException e) {
                return false;
            }
        }

        /** Everything that follows from it is worked out once, so that what cannot be is told here. */
        private JobState folded(List<LoggedEntry> part) {
            JobState state = JobState.of(part, sheet.procedures());
            state.stage();
            return state;
        }
    }

    /** @throws NotFoundException if there is no such job */
    public Job find(UUID id) {
        return of(read(id));
    }

    /** Works out where a job stands and has its line in the bay say so. */
    public void summarise(UUID id) {
        assessor.summarise(find(id));
    }

    /**
     * The job as a log that was just written says; where it cannot be assessed, what stands from the entry on that
     * keeps it from that is set apart.
     */
    public Job of(Log read) {
        WorkshopSettings settings = workshop.latest();
        try {
            return assessor.assessed(read.jobId(), read.state(), settings);
        } catch (DataAccessException | UnreadableJobException e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.error("Job {} cannot be assessed whole", read.jobId(), e);
            return upTo(read, settings, job -> {});
        }
    }

    /** Has a job that was just written to assessed in its turn, its latest state only; nobody waits for it. */
    public void assessSoon(Log read) {
        assessor.soon(read.jobId(), () -> of(read));
    }

    /**
     * A job as far as it can be assessed and told.
     *
     * @param told throws where a job cannot be told
     */
    public Job asFarAsToldBy(UUID id, Consumer<Job> told) {
        return upTo(read(id), workshop.latest(), told);
    }

    private Job upTo(Log read, WorkshopSettings settings, Consumer<Job> told) {
        List<LoggedEntry> readable = ReadableLog.of(read.entries(), part -> {
            try {
                told.accept(assessor.apart(read.jobId(), read.stateOf(part), settings));
                return true;
            } catch (DataAccessException e) {
                throw e;
            } catch (RuntimeException e) {
                return false;
            }
        });
        return assessor.instead(read.jobId(), read.stateOf(readable), settings);
    }

    /**
     * A job that is not kept here (yet), assessed and told as it would be.
     *
     * @param told throws where it cannot be told
     */
    void tryOut(Log read, LayoutModel model, Consumer<Job> told) {
        told.accept(assessor.triedOut(
                read.jobId(), JobState.of(read.entries(), read.sheet().procedures()), model, workshop.latest()));
    }

    /**
     * A log and its layout, nothing worked out.
     *
     * @throws NotFoundException if there is no such job
     * @throws UnreadableJobException if this version cannot open it
     */
    public Log read(UUID id) {
        List<LoggedEntry> entries = log.entries(id);
        if (entries.isEmpty()) {
            throw new NotFoundException("job", id.toString());
        }
        if (!(entries.get(0).entry() instanceof JobOpened opened)) {
            throw UnreadableJobException.ofOpening();
        }
        return new Log(id, entries, sheets.of(opened.layoutId()));
    }
}
