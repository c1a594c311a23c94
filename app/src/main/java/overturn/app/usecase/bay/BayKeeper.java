package overturn.app.usecase.bay;

import java.util.Collections;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import overturn.app.job.JobState;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummaries.Search;
import overturn.app.job.JobSummary;
import overturn.app.record.ShopRecord;
import overturn.app.usecase.job.Jobs;
import overturn.app.usecase.layout.LayoutModels;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.Vehicles;
import overturn.app.workshop.OneAtATime;
import overturn.app.workshop.WorkshopLog;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;

/**
 * Looks after the lines of the bay: those that are missing are made from the logs before the server listens, and open
 * jobs of which it is not known where they stand (after an upgrade, a change of the workshop's settings, or a server
 * that ended in between) are assessed one by one in the background, by one server where there are several.
 */
@Component
public class BayKeeper implements SmartInitializingSingleton, DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(BayKeeper.class);
    private static final int AT_ONCE = 100;
    private static final long LOOK_EVERY_MILLIS = 2_000;
    private static final int WARMED = 30;
    /** The record is looked through once a minute. */
    private static final int LOOK_AT_RECORD_ROUNDS = 30;

    private static final long MOST_WAIT_MILLIS = 2_000;

    private final JobSummaries summaries;
    private final Vehicles vehicles;
    private final Jobs jobs;
    private final LayoutModels models;
    private final boolean warms;
    private final WorkshopLog workshop;
    private final ShopRecord record;
    private final OneAtATime oneAtATime;
    private final Thread thread = new Thread(this::keep, "bay-keeper");
    /** Jobs that cannot be read have no line in the record; they are tried once for each start. */
    private final Set<UUID> unrecordable = new HashSet<>();

    private int rounds;
    private volatile boolean ended;
    private volatile boolean rebuildWanted;

    /** @param warms whether circuits are worked out before they are asked for */
    BayKeeper(
            JobSummaries summaries,
            Vehicles vehicles,
            Jobs jobs,
            LayoutModels models,
            WorkshopLog workshop,
            ShopRecord record,
            OneAtATime oneAtATime,
            @Value("${overturn.warm-up:true}") boolean warms) {
        this.record = record;
        this.oneAtATime = oneAtATime;
        this.models = models;
        this.warms = warms;
        this.summaries = summaries;
        this.vehicles = vehicles;
        this.jobs = jobs;
        this.workshop = workshop;
        thread.setDaemon(true);
    }

    @Override
    public void afterSingletonsInstantiated() {
        addMissing();
    }

    /** Whoever waits for the server comes first. */
    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        thread.start();
    }

    /** Has all lines thrown away and made anew from the logs, soon and in the background. */
    public void rebuild() {
        rebuildWanted = true;
        thread.interrupt();
    }

    /** Makes the lines that are missing, and the vehicles of them; a job that this version cannot read has none. */
    private void addMissing() {
        summaries.missing().forEach(id -> tend(id, () -> add(id, jobs.read(id).state())));
    }

    private void add(UUID jobId, JobState state) {
        JobSummary line = JobSummary.of(jobId, state);
        vehicles.add(
                new Vehicle(line.vehicleId(), line.openedAt(), line.vehicle().strip(), line.layoutId()));
        summaries.keep(line);
    }

    /** One job that cannot be read must not keep the others from their lines. */
    private static void tend(UUID id, Runnable work) {
        try {
            work.run();
        } catch (DataAccessException e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.warn("The line of job {} in the bay stays as it is: {}", id, e.toString());
        }
    }

    /**
     * After a start the jobs that the bay shows first are assessed before anybody asks, and with them the circuits that
     * they stand on.
     */
    private void warmUp() {
        Search first = new Search(Optional.of(true), Optional.empty(), "", Optional.empty(), WARMED);
        for (JobSummary line : summaries.find(first).lines()) {
            if (!ended && !rebuildWanted) {
                tend(line.jobId(), () -> jobs.find(line.jobId()));
            }
        }
    }

    /** One of the circuits that ship, while nothing else waits. */
    private void warmNext(Iterator<LayoutFile> cold) {
        if (!ended && !rebuildWanted && cold.hasNext()) {
            models.of(cold.next().id());
        }
    }

    /** For as long as the server runs: whatever fails is looked at again, and ends this for no other job. */
    private void keep() {
        Iterator<LayoutFile> cold = warms ? Presets.files().iterator() : Collections.emptyIterator();
        try {
            if (warms) {
                warmUp();
            }
        } catch (RuntimeException e) {
            LOG.warn("The first jobs are worked out when they are asked for: {}", e.toString());
        }
        while (!ended) {
            try {
                rest(LOOK_EVERY_MILLIS);
                oneAtATime.unlessAnotherDoes("keep-the-bay", this::keepBay);
                warmNext(cold);
            } catch (RuntimeException e) {
                LOG.warn("The bay is looked after later: {}", e.toString());
            }
        }
    }

    private void keepBay() {
        if (rebuildWanted) {
            rebuildWanted = false;
            summaries.clear();
            record.clear();
            addMissing();
        }
        assessBehind();
    }

    /** Rests as long as each took, so that it never takes more than half a processor from those who work. */
    private void assessBehind() {
        summarise(summaries.behind(workshop.latest().version(), AT_ONCE));
        if (rounds++ % LOOK_AT_RECORD_ROUNDS == 0) {
            recordMissing();
        }
    }

    /** Whoever closes a job writes its line; only an upgrade or a server that ended in between leaves some out. */
    private void recordMissing() {
        List<UUID> missing = record.missing(AT_ONCE);
        while (!ended && !rebuildWanted && missing.stream().anyMatch(unrecordable::add)) {
            summarise(missing);
            missing = record.missing(AT_ONCE);
        }
    }

    private void summarise(List<UUID> behind) {
        for (UUID id : behind) {
            if (ended || rebuildWanted) {
                return;
            }
            long from = System.nanoTime();
            tend(id, () -> jobs.summarise(id));
            rest(1 + (System.nanoTime() - from) / 1_000_000);
        }
    }

    /** Whoever interrupts wants it to look what is wanted. */
    private static void rest(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            LOG.debug("Woken up");
        }
    }

    @Override
    public void destroy() throws InterruptedException {
        ended = true;
        thread.interrupt();
        thread.join(MOST_WAIT_MILLIS);
    }
}
