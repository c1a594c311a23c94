package overturn.app.usecase.job;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import overturn.app.job.JobState;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary.Lead;
import overturn.app.job.JobSummary.NextTest;
import overturn.app.job.JobSummary.Stands;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.layout.LayoutModels;
import overturn.app.usecase.learning.Learned;
import overturn.app.usecase.learning.LearnedFrequencies;
import overturn.app.workshop.WorkshopSettings;
import overturn.circuit.Layout;
import overturn.course.Decided;
import overturn.course.Decided.TurnedOut;
import overturn.course.JobStatus;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;
import overturn.verdict.Assessment;
import overturn.verdict.CatalogueVersion;
import overturn.verdict.Driving;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;
import overturn.verdict.VerdictRule;

/**
 * Assesses jobs: each state of a job once, as many at a time as there are processors, kept while there is room. It
 * holds no database connection while it works, so that nobody who only reads or writes has to wait for it.
 */
@Component
public class Assessor {

    private static final Logger LOG = LoggerFactory.getLogger(Assessor.class);
    private static final double SHARE_OF_HEAP = 0.25;
    /**
     * Heap of an assessed job, bytes: of its own, and for each reading; measured, the largest preset (docs/speed.md).
     */
    private static final int JOB_BYTES = 1_600_000;

    private static final int READING_BYTES = 600_000;
    private static final double SHARE_OF_HEAP_BELIEVED = 0.04;
    /** Heap of what is believed at one moment, without particles, bytes; estimate. */
    private static final int BELIEF_BYTES = 12_000;

    private final LayoutModels models;
    private final JobSummaries summaries;
    private final RecordJob record;
    private final LearnedFrequencies frequencies;
    private final Semaphore hands = new Semaphore(Runtime.getRuntime().availableProcessors(), true);
    private final ConcurrentHashMap<Object, Long> began = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<State, CompletableFuture<Job>> underWay = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<UUID, Runnable> waiting = new ConcurrentHashMap<>();
    private final ExecutorService turns =
            Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors(), Assessor::turn);
    private final Cache<UUID, Job> known = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()))
            .weigher((UUID id, Job job) ->
                    JOB_BYTES + READING_BYTES * job.state().readings().size())
            .build();

    private final Cache<UUID, Believed> believed = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_OF_HEAP_BELIEVED * Runtime.getRuntime().maxMemory()))
            .weigher((UUID id, Believed job) -> BELIEF_BYTES * job.beliefs().size())
            .build();

    Assessor(LayoutModels models, JobSummaries summaries, RecordJob record, LearnedFrequencies frequencies) {
        this.record = record;
        this.frequencies = frequencies;
        this.models = models;
        this.summaries = summaries;
        models.whenDropped(model -> {
            known.asMap().values().removeIf(job -> job.model() == model);
            believed.asMap().values().removeIf(job -> job.model() == model);
        });
    }

    /** What was believed of a job after each reading: kept longer than the job itself, since it takes little. */
    private record Believed(LayoutModel model, Intake intake, List<Reading> readings, List<Belief> beliefs) {

        static Believed of(BeliefHistory history) {
            return new Believed(history.model(), history.intake(), history.readings(), history.settled());
        }

        boolean begins(LayoutModel model, Intake intake, List<Reading> readings) {
            return this.model == model
                    && this.intake.equals(intake)
                    && this.readings.size() <= readings.size()
                    && this.readings.equals(readings.subList(0, this.readings.size()));
        }
    }

    /** A job at one moment: everything that its assessment depends on. */
    private record State(UUID id, int sequence, int settingsVersion) {

        static State of(Job job) {
            return new State(job.id(), job.state().sequence(), job.workshop().version());
        }
    }

    /** The job with what follows from its log; who asks for the same while it is worked out gets the same. */
    Job assessed(UUID id, JobState state, WorkshopSettings settings) {
        State wanted = new State(id, state.sequence(), settings.version());
        Job before = known.getIfPresent(id);
        if (before != null && State.of(before).equals(wanted)) {
            return before;
        }
        CompletableFuture<Job> own = new CompletableFuture<>();
        CompletableFuture<Job> others = underWay.putIfAbsent(wanted, own);
        if (others != null) {
            return join(others);
        }
        try {
            Job job = withAHand(() -> assess(id, state, settings));
            known.asMap().merge(id, job, (there, now) -> State.of(there).sequence() > wanted.sequence() ? there : now);
            own.complete(job);
            summarise(job);
            return job;
        } catch (RuntimeException | Error e) {
            own.completeExceptionally(e);
            throw e;
        } finally {
            underWay.remove(wanted);
        }
    }

    /**
     * The job as far as its log can be worked with, from now on what everybody gets who asks for it at this sequence.
     */
    Job instead(UUID id, JobState readable, WorkshopSettings settings) {
        Job job = withAHand(() -> assess(id, readable, settings));
        known.put(id, job);
        summarise(job);
        return job;
    }

    /** The job with what follows from a log of which it is not known whether it can be worked with: nothing is kept. */
    Job apart(UUID id, JobState state, WorkshopSettings settings) {
        return withAHand(() -> anew(id, state, settings, models::of));
    }

    /** The same on a circuit that is not kept here. */
    Job triedOut(UUID id, JobState state, LayoutModel model, WorkshopSettings settings) {
        return withAHand(() -> anew(
                id, state, settings, (layoutId, layout) -> layout == state.layout() ? model : LayoutModel.of(layout)));
    }

    private static Job join(CompletableFuture<Job> others) {
        try {
            return others.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException own ? own : e;
        }
    }

    /** Does this in its turn; what waits for the same job and has not begun is not done any more. */
    void soon(UUID id, Runnable assessing) {
        if (waiting.put(id, assessing) == null) {
            turns.execute(() -> {
                try {
                    waiting.remove(id).run();
                } catch (RuntimeException e) {
                    LOG.warn("Job {} is assessed when it is next asked for: {}", id, e.toString());
                }
            });
        }
    }

    private static Thread turn(Runnable work) {
        Thread thread = new Thread(work, "assessing");
        thread.setDaemon(true);
        return thread;
    }

    private Job withAHand(Supplier<Job> work) {
        hands.acquireUninterruptibly();
        Object hand = new Object();
        began.put(hand, System.nanoTime());
        try {
            return work.get();
        } finally {
            began.remove(hand);
            hands.release();
        }
    }

    /** How long the longest assessment under way has taken so far, ns; 0 where none is. */
    public long longestNanos() {
        long now = System.nanoTime();
        return began.values().stream().mapToLong(from -> now - from).max().orElse(0);
    }

    private Learned learned(UUID id, JobState state, WorkshopSettings settings) {
        return frequencies.of(id, state.layout().family(), state.log().get(0).takenAt(), settings);
    }

    private Job assess(UUID id, JobState state, WorkshopSettings settings) {
        LayoutModel model = models.of(state.opened().layoutId(), state.layoutNow());
        Job before = known.getIfPresent(id);
        Learned learned = learned(id, state, settings);
        Told told = new Told(state, learned, settings);
        if (before != null && before.model() == model && saysTheSame(before, told)) {
            return job(id, told, model, before.before(), before.assessment(), models::of);
        }
        BeliefHistory history = history(id, model, told).complete();
        if (state.remedied().isEmpty()) {
            believed.put(id, Believed.of(history));
        }
        Job job = job(id, told, history, models::of);
        models.weighAgain(model);
        return job;
    }

    /**
     * Whether nothing on which an assessment depends has changed: a step of the plan, a stroke or a check tells nothing
     * new.
     */
    private static boolean saysTheSame(Job before, Told told) {
        JobState then = before.state();
        JobState state = told.state();
        return before.workshop().version() == told.settings().version()
                && then.readings().equals(state.readings())
                && before.intake().equals(told.intake())
                && then.remedied().equals(state.remedied())
                && then.vehicle().equals(state.vehicle())
                && then.setAside().equals(state.setAside())
                && then.changed().equals(state.changed());
    }

    /** Where models come from, by the layout that a job names and the layout as it is. */
    private interface ModelSource {
        LayoutModel of(String layoutId, Layout layout);
    }

    /** Everything that a job is assessed by. */
    private record Told(JobState state, Learned learned, WorkshopSettings settings) {

        Intake intake() {
            return state.intake().with(learned.counts().counts());
        }

        Workshop workshop() {
            return Job.planning(settings, learned);
        }
    }

    private Job anew(UUID id, JobState state, WorkshopSettings settings, ModelSource source) {
        Told told = new Told(state, learned(id, state, settings), settings);
        return job(id, told, anew(told, source).complete(), source);
    }

    private static Job job(UUID id, Told told, BeliefHistory history, ModelSource source) {
        LayoutModel model = history.model();
        JobState state = told.state();
        Assessment assessment = Assessment.of(history, state.vehicle(), cannotBeDone(state, model), told.workshop());
        return job(id, told, model, before(told, source), assessment, source);
    }

    private static Job job(
            UUID id,
            Told told,
            LayoutModel model,
            Optional<BeliefHistory> before,
            Assessment assessment,
            ModelSource source) {
        JobState state = told.state();
        JobStatus status = JobStatus.of(
                state.standing(),
                assessment.beforeDeciding().map(proposal -> proposal.procedure().id()),
                Driving.of(assessment.history().now(), model.layout()),
                decided(told, assessment, source));
        return new Job(id, state, model, before, told.settings(), told.learned(), assessment, status);
    }

    /** What was accepted, and whether what was read before its repair proves it. */
    private static Optional<Decided> decided(Told told, Assessment assessment, ModelSource source) {
        JobState state = told.state();
        return state.accepted().map(accepted -> {
            List<Remedy> remedies = accepted.remedyIds().stream()
                    .flatMap(id -> Remedy.find(id).stream())
                    .toList();
            Grade then = accepted.grade();
            boolean over = state.repairedSinceAccepted() || !state.stage().open();
            Grade last = then == Grade.PROVEN ? then : lastGrade(told, remedies, assessment, source);
            return new Decided(remedies, then, TurnedOut.of(then, last, over));
        });
    }

    private static Grade lastGrade(Told told, List<Remedy> remedies, Assessment assessment, ModelSource source) {
        JobState state = told.state();
        if (!state.repairedSinceAccepted()) {
            Verdict verdict = assessment.verdict();
            return verdict.remedies().equals(remedies) ? verdict.grade() : Grade.OPEN;
        }
        List<Reading> before = state.readingsBeforeRepair();
        if (!state.readSinceAccepted(before)) {
            return Grade.OPEN;
        }
        LayoutModel model = source.of(state.opened().layoutId(), state.layout());
        VerdictRule.Named named =
                VerdictRule.of(model, told.workshop()).named(BeliefHistory.of(model, told.intake(), before));
        return named.cure().equals(Cure.of(remedies.toArray(Remedy[]::new))) ? named.grade() : Grade.OPEN;
    }

    private static Optional<BeliefHistory> before(Told told, ModelSource source) {
        JobState state = told.state();
        return state.layoutNow() == state.layout()
                ? Optional.empty()
                : Optional.of(BeliefHistory.of(
                        source.of(state.opened().layoutId(), state.layout()),
                        told.intake(),
                        state.readings().stream()
                                .filter(reading -> reading.after().isEmpty())
                                .toList()));
    }

    /** Tests set aside by hand and, where the vehicle may not be moved, all that move it. */
    private static Set<String> cannotBeDone(JobState state, LayoutModel model) {
        Set<String> ids = new HashSet<>(state.setAside());
        if (!state.opened().mayBeMoved()) {
            model.procedures().all().stream()
                    .filter(Procedure::movesVehicle)
                    .map(Procedure::id)
                    .forEach(ids::add);
        }
        return ids;
    }

    /**
     * What is known of the readings before is kept; with one more only that one is worked out. Equal to working it all
     * out anew.
     */
    private BeliefHistory history(UUID id, LayoutModel model, Told told) {
        JobState state = told.state();
        Job before = known.getIfPresent(id);
        List<Reading> readings = state.readings();
        if (before != null
                && before.model() == model
                && before.intake().equals(told.intake())
                && before.state().remedied().equals(state.remedied())) {
            List<Reading> then = before.state().readings();
            if (then.size() <= readings.size() && then.equals(readings.subList(0, then.size()))) {
                return before.assessment().history().with(readings.subList(then.size(), readings.size()));
            }
        }
        Believed earlier = believed.getIfPresent(id);
        return state.remedied().isEmpty() && earlier != null && earlier.begins(model, told.intake(), readings)
                ? BeliefHistory.resumed(model, told.intake(), readings, earlier.beliefs())
                : anew(told, models::of);
    }

    private static BeliefHistory anew(Told told, ModelSource source) {
        JobState state = told.state();
        return !state.remedied().isEmpty()
                ? sinceRepair(state, told.intake(), state.readings(), source)
                : BeliefHistory.of(
                        source.of(state.opened().layoutId(), state.layoutNow()), told.intake(), state.readings());
    }

    /** What is believed on everything that was read but this. */
    Belief believedWithout(JobState state, String readingId) {
        List<Reading> others = state.readings().stream()
                .filter(reading -> !reading.id().equals(readingId))
                .toList();
        return sinceRepair(state, state.intake(), others, models::of).now();
    }

    /** What is believed of a vehicle that was repaired: readings in their order, each repair where it was done. */
    private static BeliefHistory sinceRepair(
            JobState state, Intake intake, List<Reading> readings, ModelSource source) {
        LayoutModel before = source.of(state.opened().layoutId(), state.layout());
        BeliefHistory history = BeliefHistory.of(before, intake, List.of());
        for (Reading reading : readings) {
            history = remedied(history, state, reading.after(), source).with(List.of(reading));
        }
        return remedied(history, state, state.remedied(), source);
    }

    /** After the repairs that it does not know yet, each on the vehicle as the last one left it. */
    private static BeliefHistory remedied(BeliefHistory history, JobState state, Repaired repairs, ModelSource source) {
        BeliefHistory repaired = history;
        for (int r = history.done().cures().size(); r < repairs.cures().size(); r++) {
            repaired = repaired.repaired(repairs.cures().get(r));
            LayoutModel now = source.of(state.opened().layoutId(), state.layoutAfter(repairs.first(r + 1)));
            repaired = now == repaired.model() ? repaired : repaired.changedTo(now);
        }
        return repaired;
    }

    /** The bay can wait: where its line cannot be written now, it is written when the job is next looked after. */
    void summarise(Job job) {
        Verdict verdict = job.assessment().verdict();
        try {
            summaries.keep(
                    job.id(),
                    new Lead(
                            job.state().sequence(),
                            job.workshop().version(),
                            verdict.suspectId(),
                            verdict.remedy().id(),
                            verdict.probability(),
                            verdict.grade(),
                            CatalogueVersion.CURRENT,
                            job.assessment()
                                    .beforeDeciding()
                                    .map(p -> new NextTest(p.procedure().id(), p.minutes())),
                            Optional.of(Stands.of(job.status()))));
            record.keep(job);
        } catch (DataAccessException e) {
            LOG.warn("The line of job {} in the bay is written later: {}", job.id(), e.getMessage());
        } catch (RuntimeException e) {
            LOG.error("Job {} has no line in the record", job.id(), e);
        }
    }
}
