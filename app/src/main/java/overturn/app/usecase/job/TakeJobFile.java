package overturn.app.usecase.job;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobLog;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.job.LogNotices;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StoredEntry;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.photo.Photo;
import overturn.app.photo.Photos;
import overturn.app.photo.PictureShrinker;
import overturn.app.usecase.Checks;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.job.JobFiles.Attached;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.layout.LayoutModels;
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

/**
 * Takes a job that was written elsewhere into this workshop: its log as it was written, its vehicle, its circuit. Names
 * on its entries stay, marked as from elsewhere; nobody here can sign with them.
 */
@Component
public class TakeJobFile {

    private static final Logger LOG = LoggerFactory.getLogger(TakeJobFile.class);
    /** No job is older than such a program. */
    private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");
    /** Clocks of workshops differ. */
    private static final Duration CLOCKS_DIFFER = Duration.ofHours(1);

    private final JobLog log;
    private final Jobs jobs;
    private final JobSummaries summaries;
    private final LogNotices notices;
    private final Vehicles vehicles;
    private final Staff staff;
    private final LayoutSheets sheets;
    private final SaveLayout layouts;
    private final Photos photos;
    private final PictureShrinker shrinker;
    private final LayoutModels models;
    private final Clock clock;
    private final TransactionOperations transactions;

    TakeJobFile(
            JobLog log,
            Jobs jobs,
            JobSummaries summaries,
            LogNotices notices,
            Vehicles vehicles,
            Staff staff,
            LayoutSheets sheets,
            SaveLayout layouts,
            Photos photos,
            PictureShrinker shrinker,
            LayoutModels models,
            Clock clock,
            TransactionOperations transactions) {
        this.log = log;
        this.jobs = jobs;
        this.summaries = summaries;
        this.notices = notices;
        this.vehicles = vehicles;
        this.staff = staff;
        this.sheets = sheets;
        this.layouts = layouts;
        this.photos = photos;
        this.shrinker = shrinker;
        this.models = models;
        this.clock = clock;
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
     * The log as it stands here afterwards. Taking the same file again changes nothing.
     *
     * @param told throws where a job cannot be told
     * @throws InvalidInputException naming everything that keeps it from being taken; nothing is changed then
     */
    public Log take(Actor actor, Brought file, Consumer<Job> told) {
        actor.require(Act.TAKE_IN_JOB_FILE);
        List<StoredEntry> there = log.stored(file.jobId());
        if (!there.isEmpty()) {
            new Checks()
                    .that(
                            () -> begins(there, file.entries()),
                            "id",
                            file.jobId(),
                            "a job that is not here yet, or the same one as it stands here")
                    .orThrow();
            return jobs.read(file.jobId());
        }
        LayoutFile circuit = circuit(file);
        Map<String, Person> people = people(file);
        List<StoredEntry> entries =
                file.entries().stream().map(e -> signedElsewhere(e, people)).toList();
        Log read = understood(file, entries, circuit);
        Map<BroughtFact, Fact> facts = facts(file);
        List<Photo> pictures = pictures(file, read);
        tryOut(read, told);
        transactions.executeWithoutResult(status -> {
            people.values().forEach(staff::add);
            pictures.forEach(photos::add);
            saveWhereNew(circuit, file, people);
            LoggedEntry first = read.entries().get(0);
            vehicles.add(new Vehicle(file.vehicleId(), first.at(), file.vehicleName(), file.layoutId()));
            addNew(file.vehicleId(), facts, people);
            log.open(file.jobId(), first.at());
            log.takeOver(file.jobId(), entries);
            summaries.keep(JobSummary.of(file.jobId(), read.state()));
        });
        notices.grown(file.jobId(), entries.size());
        return read;
    }

    /** The picture of every entry that names one, as it was kept where it was taken. */
    private List<Photo> pictures(Brought file, Log read) {
        Map<UUID, Photo> brought = new HashMap<>();
        file.attached().forEach(a -> brought.put(a.entryId(), Photo.kept(a.jpeg())));
        Checks checks = new Checks();
        List<Photo> pictures = new ArrayList<>();
        for (LoggedEntry logged : read.entries()) {
            Photo photo = brought.remove(logged.id());
            if (logged.entry() instanceof PhotoTaken taken) {
                checks.that(
                        () -> photo != null && photo.sha256().equals(taken.sha256()) && shrinker.isSmall(photo.jpeg()),
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
            layouts.takeOver(circuit, id(people, file.entries().get(0).personId()));
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
    private Map<BroughtFact, Fact> facts(Brought file) {
        Checks checks = new Checks();
        Instant latest = clock.instant().plus(CLOCKS_DIFFER);
        file.facts()
                .forEach(fact -> checks.that(
                        () -> !fact.at().isAfter(latest) && !fact.at().isBefore(EARLIEST),
                        "vehicle.facts.at",
                        fact.at(),
                        "a moment between " + EARLIEST + " and now"));
        Map<BroughtFact, Fact> all = new LinkedHashMap<>();
        file.facts().stream()
                .filter(fact -> VehicleRecords.KINDS.contains(fact.kind()))
                .forEach(fact -> VehicleRecords.fact(
                                new VehicleRecords.Draft(
                                        fact.id(),
                                        null,
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
                String signed = id(people, fact.personId());
                place++;
                vehicles.append(vehicleId, new VehicleEntry(fact.id(), place, fact.at(), signed, brought.getValue()));
            }
        }
    }

    private static String id(Map<String, Person> people, String personId) {
        return Objects.requireNonNull(people.get(personId), "checked before").id();
    }

    private static StoredEntry signedElsewhere(StoredEntry entry, Map<String, Person> people) {
        return new StoredEntry(
                entry.id(),
                entry.sequence(),
                entry.takenAt(),
                entry.enteredAt(),
                id(people, entry.personId()),
                entry.spentMinutes(),
                entry.catalogueVersion(),
                entry.kind(),
                entry.bodyVersion(),
                entry.body());
    }

    /**
     * The log as this version understands it; what could not have been entered here is refused before anything is
     * written.
     */
    private Log understood(Brought file, List<StoredEntry> entries, LayoutFile circuit) {
        Checks checks = new Checks();
        places(entries, checks);
        List<LoggedEntry> logged = log.understood(entries);
        boolean opened = logged.get(0).entry() instanceof JobOpened first
                && first.layoutId().equals(file.layoutId())
                && first.vehicleId().equals(file.vehicleId());
        checks.that(
                () -> opened, "entries[0]", entries.get(0).kind(), "the opening of a job on this vehicle and circuit");
        LayoutSheets.Sheet sheet = LayoutSheets.Sheet.of(circuit);
        for (int i = 0; i < logged.size(); i++) {
            String at = "entries[" + i + "].body";
            StoredEntry stored = entries.get(i);
            boolean asWritten = log.isAsWritten(stored);
            checks.that(
                    () -> asWritten,
                    at,
                    stored.body(),
                    "a body as this program writes it, version " + stored.bodyVersion() + " of " + stored.kind());
            if (asWritten) {
                EntryRules.check(logged.get(i).entry(), sheet, at + ".", checks);
            }
        }
        strikes(logged, checks);
        long readings =
                logged.stream().filter(l -> l.entry() instanceof ReadingTaken).count();
        checks.that(
                        () -> readings <= LogWriter.MOST_READINGS,
                        "entries",
                        readings + " readings",
                        "at most " + LogWriter.MOST_READINGS)
                .orThrow();
        return new Log(file.jobId(), logged, sheet);
    }

    private void places(List<StoredEntry> entries, Checks checks) {
        Set<UUID> ids = new HashSet<>();
        Instant latest = clock.instant().plus(CLOCKS_DIFFER);
        checks.that(
                () -> entries.size() <= LogWriter.MOST_ENTRIES,
                "entries",
                entries.size(),
                "at most " + LogWriter.MOST_ENTRIES);
        for (int i = 0; i < entries.size(); i++) {
            StoredEntry entry = entries.get(i);
            String at = "entries[" + i + "].";
            int place = i + 1;
            checks.that(() -> entry.sequence() == place, at + "sequence", entry.sequence(), String.valueOf(place))
                    .that(
                            () -> ids.add(entry.id()) && !log.holds(entry.id()),
                            at + "id",
                            entry.id(),
                            "an id that no other entry has")
                    .that(
                            () -> !entry.enteredAt().isAfter(latest)
                                    && !entry.enteredAt().isBefore(EARLIEST),
                            at + "enteredAt",
                            entry.enteredAt(),
                            "a moment between " + EARLIEST + " and now")
                    .that(
                            () -> !entry.takenAt().isAfter(entry.enteredAt())
                                    && !entry.takenAt().isBefore(EARLIEST),
                            at + "takenAt",
                            entry.takenAt(),
                            "a moment from " + EARLIEST + " on, not after it was entered")
                    .that(
                            () -> entry.spentMinutes()
                                    .filter(m -> m > LogWriter.MOST_MINUTES)
                                    .isEmpty(),
                            at + "spentMinutes",
                            entry.spentMinutes(),
                            "0 to " + LogWriter.MOST_MINUTES + " min");
        }
    }

    /** A strike is of an entry before it that can be struck and still stood. */
    private static void strikes(List<LoggedEntry> logged, Checks checks) {
        for (int i = 0; i < logged.size(); i++) {
            if (logged.get(i).entry() instanceof EntryStruck strike) {
                StrikeEntry.check(logged.subList(0, i), strike.struckId(), "entries[" + i + "].body.struckId", checks);
            }
        }
    }

    /** Folded, assessed and told once, so that a job which cannot be opened here is refused. */
    private void tryOut(Log read, Consumer<Job> told) {
        try {
            jobs.tryOut(read, models.apart(read.sheet()), told);
        } catch (DataAccessException e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.warn("A job file was refused: {}", e.toString());
            throw new InvalidInputException(List.of(
                    new Finding("entries", "a log that contradicts itself", "a log as this program writes it")));
        }
    }
}
