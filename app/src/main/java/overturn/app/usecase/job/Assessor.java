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
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.layout.LayoutModels;
import overturn.app.workshop.WorkshopSettings;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.verdict.Assessment;
import overturn.verdict.CatalogueVersion;
import overturn.verdict.Verdict;

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
    private final Semaphore hands = new Semaphore(Runtime.getRuntime().availableProcessors(), true);
    private final ConcurrentHashMap<Object, Long> began = new ConcurrentHashMap<>();
    private final ConcurrentHashMap<State, CompletableFuture<Job>> underWay = new ConcurrentHashMap<>();
    private final Cache<UUID, Job> known = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()))
            .weigher((UUID id, Job job) ->
                    JOB_BYTES + READING_BYTES * job.state().readings().size())
            .build();

    private final Cache<UUID, Believed> believed = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_OF_HEAP_BELIEVED * Runtime.getRuntime().maxMemory()))
            .weigher((UUID id, Believed job) -> BELIEF_BYTES * job.beliefs().size())
            .build();

    Assessor(LayoutModels models, JobSummaries summaries) {
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
            return job;
        } catch (RuntimeException | Error e) {
            own.completeExceptionally(e);
            throw e;
        } finally {
            underWay.remove(wanted);
        }
    }

    private static Job join(CompletableFuture<Job> others) {
        try {
            return others.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException own ? own : e;
        }
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

    private Job assess(UUID id, JobState state, WorkshopSettings settings) {
        LayoutModel model = models.of(state.opened().layoutId(), state.layoutNow());
        BeliefHistory history = history(id, model, state).complete();
        if (state.remedied().isEmpty()) {
            believed.put(id, Believed.of(history));
        }
        Assessment assessment =
                Assessment.of(history, state.vehicle(), cannotBeDone(state, model), settings.forPlanning());
        models.weighAgain(model);
        Job job = new Job(id, state, model, before(state), settings, assessment);
        summarise(job);
        return job;
    }

    private Optional<BeliefHistory> before(JobState state) {
        return state.layoutNow() == state.layout()
                ? Optional.empty()
                : Optional.of(BeliefHistory.of(
                        models.of(state.opened().layoutId(), state.layout()),
                        state.intake(),
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
    private BeliefHistory history(UUID id, LayoutModel model, JobState state) {
        Job before = known.getIfPresent(id);
        List<Reading> readings = state.readings();
        if (before != null
                && before.model() == model
                && before.state().intake().equals(state.intake())
                && before.state().remedied().equals(state.remedied())) {
            List<Reading> then = before.state().readings();
            if (then.size() <= readings.size() && then.equals(readings.subList(0, then.size()))) {
                return before.assessment().history().with(readings.subList(then.size(), readings.size()));
            }
        }
        if (state.remedied().isPresent()) {
            return sinceRepair(state);
        }
        Believed earlier = believed.getIfPresent(id);
        return earlier != null && earlier.begins(model, state.intake(), readings)
                ? BeliefHistory.resumed(model, state.intake(), readings, earlier.beliefs())
                : BeliefHistory.of(model, state.intake(), readings);
    }

    /** What is believed of a vehicle that was repaired: readings in their order, each repair where it was done. */
    private BeliefHistory sinceRepair(JobState state) {
        LayoutModel before = models.of(state.opened().layoutId(), state.layout());
        BeliefHistory history = BeliefHistory.of(before, state.intake(), List.of());
        for (Reading reading : state.readings()) {
            history = remedied(history, state, reading.after()).with(List.of(reading));
        }
        return remedied(history, state, state.remedied());
    }

    /** After a repair, on the vehicle as it left it. */
    private BeliefHistory remedied(BeliefHistory history, JobState state, Optional<Cure> cure) {
        if (cure.isEmpty() || cure.equals(history.done())) {
            return history;
        }
        BeliefHistory repaired = history.repaired(cure.get());
        LayoutModel now = models.of(state.opened().layoutId(), state.layoutAfter(cure));
        return now == repaired.model() ? repaired : repaired.changedTo(now);
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
                            verdict.grade().name(),
                            CatalogueVersion.CURRENT,
                            job.assessment()
                                    .next()
                                    .map(p -> new NextTest(p.procedure().id(), p.minutes()))));
        } catch (DataAccessException e) {
            LOG.warn("The line of job {} in the bay is written later: {}", job.id(), e.getMessage());
        }
    }
}
