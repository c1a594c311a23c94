package overturn.app.usecase.learning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.practice.Exercises;
import overturn.app.record.FrequenciesTaken;
import overturn.app.record.FrequenciesTaken.Elsewhere;
import overturn.app.record.ShopRecord;
import overturn.app.workshop.WorkshopSettings;
import overturn.circuit.Family;
import overturn.learning.ClosedJob;
import overturn.learning.LearnedCounts;

/**
 * What closed jobs say of how frequent faults are. A job is told what was known on the day on which it was opened, so
 * that its own outcome never moves its own assessment; an exercise is told nothing.
 */
@Component
public class LearnedFrequencies {

    private static final double DAYS_IN_A_YEAR = 365.25;
    /** A cure of an old job that is struck meanwhile is noticed after so long. */
    private static final Duration KEPT = Duration.ofMinutes(30);

    private static final int MOST_KEPT = 500;

    private final ShopRecord record;
    private final FrequenciesTaken taken;
    private final Exercises exercises;
    private final Cache<Asked, LearnedCounts> known =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();

    LearnedFrequencies(ShopRecord record, FrequenciesTaken taken, Exercises exercises) {
        this.record = record;
        this.taken = taken;
        this.exercises = exercises;
    }

    private record Asked(Family family, Instant day) {}

    /** What a job is told. */
    public Learned of(UUID jobId, Family family, Instant openedAt, WorkshopSettings settings) {
        boolean practice = settings.learning().on() && exercises.find(jobId).isPresent();
        return practice ? Learned.NOTHING : at(family, openedAt, settings);
    }

    /** What a job of this family is told that is opened then. */
    public Learned at(Family family, Instant openedAt, WorkshopSettings settings) {
        if (!settings.learning().on()) {
            return Learned.NOTHING;
        }
        LearnedCounts own = own(family, openedAt);
        LearnedCounts all = own;
        int elsewhere = 0;
        for (Map.Entry<UUID, Double> weighed : settings.learning().weights().entrySet()) {
            Optional<LearnedCounts> others = taken.all().stream()
                    .filter(one -> one.id().equals(weighed.getKey()) && weighed.getValue() > 0)
                    .findFirst()
                    .map(Elsewhere::families)
                    .map(families -> families.getOrDefault(family, LearnedCounts.NONE));
            if (others.isPresent()) {
                all = all.and(others.get(), weighed.getValue());
                elsewhere += others.get().jobs();
            }
        }
        return new Learned(true, own.jobs(), elsewhere, all);
    }

    /** What this workshop's own closed jobs say. */
    public LearnedCounts own(Family family, Instant at) {
        Instant day = at.truncatedTo(ChronoUnit.DAYS);
        return known.get(new Asked(family, day), asked -> {
            List<ClosedJob> jobs = record.learnable(family, day).stream()
                    .map(job -> new ClosedJob(
                            family,
                            job.behaviour(),
                            job.shares(),
                            Math.max(0, ChronoUnit.DAYS.between(job.closedAt(), day) / DAYS_IN_A_YEAR)))
                    .toList();
            return LearnedCounts.of(jobs);
        });
    }
}
