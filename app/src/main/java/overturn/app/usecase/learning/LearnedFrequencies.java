package overturn.app.usecase.learning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.practice.Exercises;
import overturn.app.record.FrequenciesTaken;
import overturn.app.record.FrequenciesTaken.Elsewhere;
import overturn.app.record.ShopRecord;
import overturn.app.record.ShopRecord.Learnable;
import overturn.app.workshop.WorkshopSettings;
import overturn.circuit.Family;
import overturn.learning.ClosedJob;
import overturn.learning.LearnedCounts;
import overturn.learning.LearnedMinutes;

/**
 * What closed jobs say of how frequent faults are and how long tests take. A job is told what was known on the day on
 * which it was opened, so that its own outcome never moves its own assessment; an exercise is told nothing.
 */
@Component
public class LearnedFrequencies {

    private static final double DAYS_IN_A_YEAR = 365.25;
    /** A line that is added to the record, or taken out, is noticed after so long. */
    private static final Duration KEPT = Duration.ofMinutes(1);

    private static final int MOST_KEPT = 500;

    private final ShopRecord record;
    private final FrequenciesTaken taken;
    private final Exercises exercises;
    private final Cache<Asked, List<Learnable>> known =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();

    private final Cache<Instant, LearnedMinutes> timed =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();

    LearnedFrequencies(ShopRecord record, FrequenciesTaken taken, Exercises exercises) {
        this.record = record;
        this.taken = taken;
        this.exercises = exercises;
    }

    private record Asked(Family family, Instant day) {}

    /** What a job is told. */
    public Learned of(UUID jobId, Family family, Instant openedAt, WorkshopSettings settings) {
        if (!settings.learning().on() || exercises.find(jobId).isPresent()) {
            return Learned.NOTHING;
        }
        return with(own(family, openedAt, jobId), minutes(openedAt), family, settings);
    }

    /** What a job of this family is told that is opened then. */
    public Learned at(Family family, Instant openedAt, WorkshopSettings settings) {
        return settings.learning().on()
                ? with(own(family, openedAt), minutes(openedAt), family, settings)
                : Learned.NOTHING;
    }

    private Learned with(LearnedCounts own, LearnedMinutes minutes, Family family, WorkshopSettings settings) {
        LearnedCounts all = own;
        int elsewhere = 0;
        Map<UUID, Double> weights = settings.learning().weights();
        for (Elsewhere one : weights.isEmpty() ? List.<Elsewhere>of() : taken.all()) {
            double weight = weights.getOrDefault(one.id(), 0.0);
            LearnedCounts counts = one.families().getOrDefault(family, LearnedCounts.NONE);
            if (weight > 0 && counts.jobs() > 0) {
                all = all.and(counts, weight);
                elsewhere += counts.jobs();
            }
        }
        return new Learned(true, own.jobs(), elsewhere, all, minutes);
    }

    /** What this workshop's own closed jobs say. */
    public LearnedCounts own(Family family, Instant at) {
        return own(family, at, null);
    }

    /** A job that was written down afterwards may have been closed before it was opened here; it is left out. */
    private LearnedCounts own(Family family, Instant at, @Nullable UUID except) {
        Instant day = at.truncatedTo(ChronoUnit.DAYS);
        List<Learnable> jobs = known.get(new Asked(family, day), asked -> record.learnable(family, day));
        return LearnedCounts.of(jobs.stream()
                .filter(job -> !job.jobId().equals(except))
                .map(job -> new ClosedJob(
                        job.shares(), Math.max(0, ChronoUnit.DAYS.between(job.closedAt(), day) / DAYS_IN_A_YEAR)))
                .toList());
    }

    /** How long tests took here in jobs that had been closed the day before. */
    private LearnedMinutes minutes(Instant at) {
        return timed.get(at.truncatedTo(ChronoUnit.DAYS), day -> LearnedMinutes.of(record.timed(day)));
    }

    /** A line of the record was added here, changed or taken out. */
    public void forget() {
        known.invalidateAll();
        timed.invalidateAll();
    }
}
