package overturn.app.usecase.job;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;
import overturn.app.job.Entry;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.LevelEntered;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.StrokesBled;
import overturn.app.job.JobLog;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StoredEntry;
import overturn.app.photo.Photo;
import overturn.app.photo.Photos;
import overturn.app.usecase.Checks;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.job.JobFiles.Attached;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.layout.SaveLayout;
import overturn.app.usecase.vehicle.VehicleRecords;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.VehicleEntry;
import overturn.app.vehicle.VehicleEntry.Fact;
import overturn.app.vehicle.Vehicles;
import overturn.app.workshop.Staff;
import overturn.app.workshop.Staff.Person;
import overturn.layoutfile.LayoutFile;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.procedure.Procedure;

/**
 * Takes a job that was written elsewhere into this workshop: its log as it was written, its vehicle, its circuit. Names
 * on its entries stay, marked as from elsewhere; nobody here can sign with them.
 */
@Component
public class TakeJobFile {

    private final JobLog log;
    private final Jobs jobs;
    private final JobSummaries summaries;
    private final Vehicles vehicles;
    private final Staff staff;
    private final LayoutSheets sheets;
    private final SaveLayout layouts;
    private final Photos photos;
    private final TransactionOperations transactions;

    TakeJobFile(
            JobLog log,
            Jobs jobs,
            JobSummaries summaries,
            Vehicles vehicles,
            Staff staff,
            LayoutSheets sheets,
            SaveLayout layouts,
            Photos photos,
            TransactionOperations transactions) {
        this.log = log;
        this.jobs = jobs;
        this.summaries = summaries;
        this.vehicles = vehicles;
        this.staff = staff;
        this.sheets = sheets;
        this.layouts = layouts;
        this.photos = photos;
        this.transactions = transactions;
    }

    /** Something found out about the vehicle, as it was typed; what a kind does not have is empty. */
    public record BroughtFact(
            UUID id, Instant at, String personId, String kind, String what, String text, String unit, String source) {}

    /**
     * A job file whose shape has been checked.
     *
     * @param layout the circuit as JSON
     */
    public record Brought(
            UUID jobId,
            UUID vehicleId,
            String vehicleName,
            String layoutId,
            List<BroughtFact> facts,
            String layout,
            List<Person> people,
            List<StoredEntry> entries,
            List<Attached> attached) {}

    /**
     * The job as it stands here afterwards. Taking the same file again changes nothing.
     *
     * @throws InvalidInputException naming everything that keeps it from being taken; nothing is changed then
     */
    public Job take(Brought file) {
        List<StoredEntry> there = log.stored(file.jobId());
        if (!there.isEmpty()) {
            new Checks()
                    .that(
                            () -> begins(there, file.entries()),
                            "id",
                            file.jobId(),
                            "a job that is not here yet, or the same one as it stands here")
                    .orThrow();
            return jobs.find(file.jobId());
        }
        LayoutFile circuit = circuit(file);
        Map<String, Person> people = people(file);
        List<StoredEntry> entries =
                file.entries().stream().map(e -> signedElsewhere(e, people)).toList();
        Log read = understood(file, entries, circuit);
        Map<BroughtFact, Fact> facts = facts(file);
        List<Photo> pictures = pictures(file, read);
        transactions.executeWithoutResult(status -> {
            people.values().forEach(staff::add);
            pictures.forEach(photos::add);
            saveWhereNew(circuit, file, people);
            LoggedEntry first = read.entries().get(0);
            vehicles.add(new Vehicle(file.vehicleId(), first.at(), file.vehicleName(), file.layoutId()));
            addNew(file.vehicleId(), facts, people);
            log.open(file.jobId(), first.at());
            entries.forEach(entry -> log.takeOver(file.jobId(), entry));
            summaries.keep(JobSummary.of(file.jobId(), read.state()));
        });
        jobs.summarise(file.jobId());
        return jobs.find(file.jobId());
    }

    /** The picture of every entry that names one, as it was kept where it was taken. */
    private static List<Photo> pictures(Brought file, Log read) {
        Map<UUID, Photo> brought = new HashMap<>();
        file.attached().forEach(a -> brought.put(a.entryId(), Photo.kept(a.jpeg())));
        Checks checks = new Checks();
        List<Photo> pictures = new ArrayList<>();
        for (LoggedEntry logged : read.entries()) {
            Photo photo = brought.remove(logged.id());
            if (logged.entry() instanceof PhotoTaken taken) {
                checks.that(
                        () -> photo != null
                                && photo.sha256().equals(taken.sha256())
                                && Photo.of(photo.jpeg()).isPresent(),
                        "attachments",
                        logged.id(),
                        "the picture that this entry names");
                pictures.add(photo);
            } else {
                checks.that(() -> photo == null, "attachments", logged.id(), "pictures of entries that name one");
            }
        }
        brought.keySet().forEach(id -> checks.add("attachments", id, "pictures of entries of this job"));
        checks.orThrow();
        return pictures;
    }

    /** Whether one log is the beginning of the other, whoever is said to have signed. */
    private static boolean begins(List<StoredEntry> there, List<StoredEntry> brought) {
        return brought.size() <= there.size()
                && IntStream.range(0, brought.size()).allMatch(i -> {
                    StoredEntry here = there.get(i);
                    StoredEntry given = brought.get(i);
                    return here.id().equals(given.id())
                            && here.kind().equals(given.kind())
                            && here.takenAt().equals(given.takenAt());
                });
    }

    private LayoutFile circuit(Brought file) {
        LayoutFile circuit = layouts.check(file.layout());
        Optional<LayoutFile> here = sheets.find(circuit.id()).map(LayoutSheets.Sheet::file);
        new Checks()
                .that(
                        () -> circuit.id().equals(file.layoutId()),
                        "layout.id",
                        circuit.id(),
                        "the circuit of the vehicle, " + file.layoutId())
                .that(
                        () -> here.isEmpty() || here.get().layout().equals(circuit.layout()),
                        "layout",
                        circuit.id(),
                        "the circuit of that name as it is here; another one needs a name of its own")
                .orThrow();
        return here.orElse(circuit);
    }

    private void saveWhereNew(LayoutFile circuit, Brought file, Map<String, Person> people) {
        if (sheets.find(circuit.id()).isEmpty()) {
            layouts.takeOver(
                    circuit, people.get(file.entries().get(0).personId()).id());
        }
    }

    /** By the id in the file, everybody who signed, marked as from elsewhere. */
    private static Map<String, Person> people(Brought file) {
        Map<String, Person> known = file.people().stream()
                .collect(Collectors.toMap(Person::id, Person::fromElsewhere, (one, again) -> one));
        Checks checks = new Checks();
        Stream.concat(
                        file.entries().stream().map(StoredEntry::personId),
                        file.facts().stream().map(BroughtFact::personId))
                .distinct()
                .filter(id -> !known.containsKey(id))
                .forEach(id -> checks.add("personId", id, "one of the people of the file"));
        checks.orThrow();
        return known;
    }

    /** What is known of the vehicle; a kind that this version does not know is left out. */
    private static Map<BroughtFact, Fact> facts(Brought file) {
        Checks checks = new Checks();
        Map<BroughtFact, Fact> all = new LinkedHashMap<>();
        file.facts().stream()
                .filter(fact -> VehicleRecords.KINDS.contains(fact.kind()))
                .forEach(fact -> VehicleRecords.fact(
                                new VehicleRecords.Draft(
                                        fact.id(),
                                        fact.personId(),
                                        fact.kind(),
                                        fact.what(),
                                        fact.text(),
                                        fact.unit(),
                                        fact.source()),
                                checks)
                        .ifPresent(understood -> all.put(fact, understood)));
        checks.orThrow();
        return all;
    }

    /** Puts what is not known here yet behind what is. */
    private void addNew(UUID vehicleId, Map<BroughtFact, Fact> facts, Map<String, Person> people) {
        int place = vehicles.entries(vehicleId).size();
        for (Map.Entry<BroughtFact, Fact> brought : facts.entrySet()) {
            BroughtFact fact = brought.getKey();
            if (vehicles.entry(fact.id()).isEmpty()) {
                String signed = people.get(fact.personId()).id();
                place++;
                vehicles.append(vehicleId, new VehicleEntry(fact.id(), place, fact.at(), signed, brought.getValue()));
            }
        }
    }

    private static StoredEntry signedElsewhere(StoredEntry entry, Map<String, Person> people) {
        return new StoredEntry(
                entry.id(),
                entry.sequence(),
                entry.takenAt(),
                entry.enteredAt(),
                people.get(entry.personId()).id(),
                entry.spentMinutes(),
                entry.catalogueVersion(),
                entry.kind(),
                entry.bodyVersion(),
                entry.body());
    }

    /** The log as this version understands it; what it cannot open at all is refused before anything is written. */
    private Log understood(Brought file, List<StoredEntry> entries, LayoutFile circuit) {
        Checks checks = new Checks();
        Set<UUID> ids = new HashSet<>();
        for (int i = 0; i < entries.size(); i++) {
            StoredEntry entry = entries.get(i);
            int place = i + 1;
            checks.that(
                            () -> entry.sequence() == place,
                            "entries[" + i + "].sequence",
                            entry.sequence(),
                            String.valueOf(place))
                    .that(
                            () -> ids.add(entry.id()) && !log.holds(entry.id()),
                            "entries[" + i + "].id",
                            entry.id(),
                            "an id that no other entry has");
        }
        List<LoggedEntry> logged = log.understood(entries);
        boolean opened = logged.get(0).entry() instanceof JobOpened first
                && first.layoutId().equals(file.layoutId())
                && first.vehicleId().equals(file.vehicleId());
        checks.that(
                () -> opened, "entries[0]", entries.get(0).kind(), "the opening of a job on this vehicle and circuit");
        LayoutSheets.Sheet sheet = LayoutSheets.Sheet.of(circuit);
        for (int i = 0; i < logged.size(); i++) {
            Entry entry = logged.get(i).entry();
            checks.that(
                    () -> possible(entry, sheet), "entries[" + i + "].body", entry.kind(), "figures that are possible");
        }
        checks.orThrow();
        Log read = new Log(file.jobId(), logged, sheet);
        try {
            read.state().repair();
            if (sheets.find(circuit.id()).isPresent()) {
                jobs.of(read);
            }
        } catch (RuntimeException e) {
            throw new InvalidInputException(List.of(
                    new Finding("entries", "a log that contradicts itself", "a log as this program writes it")));
        }
        return read;
    }

    /** Whether what an entry says could have been entered here. */
    private static boolean possible(Entry entry, LayoutSheets.Sheet sheet) {
        if (entry instanceof ReadingTaken taken) {
            return sheet
                    .procedures()
                    .find(taken.procedureId())
                    .map(Procedure::spec)
                    .filter(Series.class::isInstance)
                    .map(Series.class::cast)
                    .stream()
                    .allMatch(series -> possible(taken, series));
        } else if (entry instanceof StrokesBled strokes) {
            return strokes.count() >= 1 && strokes.count() <= RecordRepair.MOST_STROKES;
        } else if (entry instanceof LevelEntered level) {
            double roomMl = sheet.layout().reservoir().minToMaxMl();
            return level.aboveMinimumMl() >= 0 && level.aboveMinimumMl() <= roomMl;
        }
        return true;
    }

    private static boolean possible(ReadingTaken taken, Series series) {
        return taken.in(series).stream()
                .map(Figures.class::cast)
                .allMatch(figures -> IntStream.range(0, figures.taken().size())
                        .allMatch(i -> figures.taken().get(i).stream()
                                .allMatch(q -> series.figures().get(i).allows(q.coreValue()))));
    }
}
