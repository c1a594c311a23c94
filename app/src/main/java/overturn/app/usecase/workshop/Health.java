package overturn.app.usecase.workshop;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.lang.management.MemoryUsage;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;
import overturn.app.usecase.job.Assessor;
import overturn.app.workshop.Backups;
import overturn.app.workshop.StoreHealth;

/** Whether a reading that is sent now would be kept and answered. */
@Component
public class Health {

    /**
     * Share of the heap that may be held after the last collection; beyond it the server does little but collect.
     * Estimate.
     */
    private static final double MOST_HEAP = 0.95;
    /**
     * An assessment that takes longer than this will not end; the slowest, a cold job on a cold layout of the largest
     * size, takes some seconds.
     */
    private static final long MOST_ASSESSING_SECONDS = 120;

    private final StoreHealth store;
    private final Assessor assessor;
    private final Backups backups;
    private final Clock clock;

    Health(StoreHealth store, Assessor assessor, Backups backups, Clock clock) {
        this.store = store;
        this.assessor = assessor;
        this.backups = backups;
        this.clock = clock;
    }

    /** How the backups stand that are made by themselves. */
    public enum BackupState {
        /** Somebody else keeps the database, or none was made yet. */
        NONE,
        GOOD,
        /** The last that was tried was not made. */
        FAILED,
        /** None was tried for twice as long as it should have been. */
        OVERDUE
    }

    public BackupState backupState() {
        return backups.last()
                .map(last -> {
                    Instant due = last.triedAt().plus(Duration.ofHours(2L * last.everyHours()));
                    return !last.good()
                            ? BackupState.FAILED
                            : due.isBefore(clock.instant()) ? BackupState.OVERDUE : BackupState.GOOD;
                })
                .orElse(BackupState.NONE);
    }

    public Optional<Backups.LastBackup> lastBackup() {
        return backups.last();
    }

    /** One thing that was looked at. */
    public record Check(String name, boolean sound, String found) {}

    /** Looks at everything that has to work. */
    public List<Check> checks() {
        boolean writes = store.takesWrites();
        double held = heldShare();
        long assessing = TimeUnit.NANOSECONDS.toSeconds(assessor.longestNanos());
        return List.of(
                new Check("store", writes, writes ? "answers and takes writes" : "does not answer, or takes no writes"),
                new Check("heap", held <= MOST_HEAP, Math.round(100 * held) + " % held after the last collection"),
                new Check(
                        "assessing",
                        assessing <= MOST_ASSESSING_SECONDS,
                        "the longest under way has taken " + assessing + " s"));
    }

    /** The fullest pool of the heap that tells what was left after its last collection. */
    private static double heldShare() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getType() == MemoryType.HEAP)
                .map(MemoryPoolMXBean::getCollectionUsage)
                .filter(Objects::nonNull)
                .filter(usage -> usage.getMax() > 0)
                .mapToDouble(Health::share)
                .max()
                .orElse(0);
    }

    private static double share(MemoryUsage usage) {
        return (double) usage.getUsed() / usage.getMax();
    }
}
