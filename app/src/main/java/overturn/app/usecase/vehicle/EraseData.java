package overturn.app.usecase.vehicle;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;
import overturn.app.job.Entry.DataErased;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.JobLog;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.job.LogNotices;
import overturn.app.job.LoggedEntry;
import overturn.app.people.Accounts;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.photo.Photos;
import overturn.app.record.ShopRecord;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.job.Jobs;
import overturn.app.vehicle.Vehicles;

/**
 * Erases on request which vehicle it was and whose, in all its jobs, and their pictures. What was read and done stays,
 * and every log says who erased what; the chain of hashes holds, since these things lie beside it. Free texts are not
 * looked through.
 */
@Component
public class EraseData {

    private static final int MOST_WHY = 400;

    private final JobLog log;
    private final Jobs jobs;
    private final JobSummaries summaries;
    private final Vehicles vehicles;
    private final Photos photos;
    private final LogNotices notices;
    private final ShopRecord record;
    private final Accounts accounts;
    private final Clock clock;
    private final TransactionOperations transactions;

    EraseData(
            JobLog log,
            Jobs jobs,
            JobSummaries summaries,
            Vehicles vehicles,
            Photos photos,
            LogNotices notices,
            ShopRecord record,
            Accounts accounts,
            Clock clock,
            TransactionOperations transactions) {
        this.log = log;
        this.jobs = jobs;
        this.summaries = summaries;
        this.vehicles = vehicles;
        this.photos = photos;
        this.notices = notices;
        this.record = record;
        this.accounts = accounts;
        this.clock = clock;
        this.transactions = transactions;
    }

    /**
     * Erases it, in all jobs of the vehicle or in none.
     *
     * @throws NotFoundException if there is no such vehicle
     * @throws InvalidInputException if nobody said why
     */
    public void erase(Actor actor, UUID vehicleId, String why) {
        actor.require(Act.ERASE_DATA);
        String told = why == null ? "" : why.strip();
        new Checks().text("why", told, MOST_WHY).orThrow();
        vehicles.find(vehicleId).orElseThrow(() -> new NotFoundException("vehicle", vehicleId.toString()));
        List<UUID> concerned =
                summaries.ofVehicle(vehicleId).stream().map(JobSummary::jobId).toList();
        transactions.executeWithoutResult(status -> {
            vehicles.rename(vehicleId, DataErased.INSTEAD);
            concerned.forEach(jobId -> eraseJob(actor, jobId, told));
            accounts.note(clock.instant(), actor.personId(), "vehicle-erased", vehicleId + ": " + told);
        });
        concerned.forEach(jobId -> notices.grown(jobId, jobs.read(jobId).state().sequence()));
    }

    private void eraseJob(Actor actor, UUID jobId, String why) {
        List<LoggedEntry> entries = new ArrayList<>(log.entries(jobId));
        List<String> pictures = entries.stream()
                .map(LoggedEntry::entry)
                .filter(PhotoTaken.class::isInstance)
                .map(entry -> ((PhotoTaken) entry).sha256())
                .distinct()
                .toList();
        pictures.forEach(photos::erase);
        Instant at = clock.instant().truncatedTo(ChronoUnit.MICROS);
        int last = entries.get(entries.size() - 1).sequence();
        log.append(
                jobId,
                LoggedEntry.of(
                        UUID.randomUUID(), last + 1, at, actor.personId(), new DataErased(pictures.size(), why)));
        log.eraseBeside(jobId);
        summaries.keep(JobSummary.of(jobId, jobs.read(jobId).state()));
        record.drop(jobId);
    }
}
