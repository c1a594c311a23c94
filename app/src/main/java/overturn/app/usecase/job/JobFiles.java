package overturn.app.usecase.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.JobLog;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StoredEntry;
import overturn.app.photo.Photos;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.vehicle.VehicleRecords;
import overturn.app.workshop.Staff;
import overturn.app.workshop.Staff.Person;
import overturn.layoutfile.LayoutFile;

/** Jobs with everything they stand on. */
@Component
public class JobFiles {

    private final Jobs jobs;
    private final JobLog log;
    private final VehicleRecords vehicles;
    private final Staff staff;
    private final Photos photos;

    JobFiles(Jobs jobs, JobLog log, VehicleRecords vehicles, Staff staff, Photos photos) {
        this.jobs = jobs;
        this.log = log;
        this.vehicles = vehicles;
        this.staff = staff;
        this.photos = photos;
    }

    /** A job, its vehicle, its circuit, those whose names stand on entries, and the log as it was written. */
    public record JobFile(
            UUID id,
            VehicleRecords.Known vehicle,
            LayoutFile layout,
            List<Person> people,
            List<StoredEntry> entries,
            List<Attached> attached) {}

    /** The picture that an entry names. */
    public record Attached(UUID entryId, byte[] jpeg) {}

    /** @throws NotFoundException if there is no such job */
    public JobFile of(UUID jobId) {
        Jobs.Log read = jobs.read(jobId);
        List<StoredEntry> entries = log.stored(jobId);
        VehicleRecords.Known vehicle = vehicles.find(read.state().opened().vehicleId());
        Set<String> names = entries.stream().map(StoredEntry::personId).collect(Collectors.toSet());
        vehicle.entries().forEach(e -> names.add(e.personId()));
        return new JobFile(
                jobId,
                vehicle,
                read.sheet().file(),
                staff.all().stream().filter(p -> names.contains(p.id())).toList(),
                entries,
                attached(read.entries()));
    }

    private List<Attached> attached(List<LoggedEntry> entries) {
        List<Attached> all = new ArrayList<>();
        for (LoggedEntry logged : entries) {
            if (logged.entry() instanceof PhotoTaken taken) {
                photos.find(taken.sha256()).ifPresent(jpeg -> all.add(new Attached(logged.id(), jpeg)));
            }
        }
        return all;
    }
}
