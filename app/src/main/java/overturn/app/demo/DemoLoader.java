package overturn.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import overturn.app.demo.DemoJobs.Stage;
import overturn.app.demo.DemoJobs.Story;
import overturn.app.job.Entry;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobLog;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.people.Account;
import overturn.app.people.Accounts;
import overturn.app.usecase.job.AcceptVerdict;
import overturn.app.usecase.layout.LayoutModels;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.Vehicles;
import overturn.app.workshop.OneAtATime;
import overturn.app.workshop.WorkshopSettings;
import overturn.course.Measured;
import overturn.evidence.Reading;
import overturn.evidence.RigSetup;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.PlacesSeen;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.RigTrust;
import overturn.practice.HiddenVehicle;
import overturn.practice.PlanFollower;
import overturn.procedure.Procedure;
import overturn.proving.Gate;
import overturn.repair.Section;
import overturn.repair.WorkPlan;
import overturn.simulation.VehicleUnknowns;
import overturn.verdict.Verdict;

/** Loads the demo jobs into an empty workshop; does nothing where any job stands. Runs before the server listens. */
@Component
@ConditionalOnProperty(name = "overturn.demo", havingValue = "true")
class DemoLoader implements SmartInitializingSingleton {

    private static final Duration BETWEEN_ENTRIES = Duration.ofMinutes(7);
    private static final String WHY = "The boat leaves at six and the part is on the shelf.";

    private static final long BETWEEN_ASKING_MILLIS = 500;

    private final OneAtATime oneAtATime;
    private final JobLog log;
    private final Vehicles vehicles;
    private final Accounts accounts;
    private final PasswordEncoder encoder;
    private final String password;
    private final String pin;
    private final LayoutModels models;
    private final Clock clock;
    private static final Duration A_NIGHT = Duration.ofHours(16);
    private final TransactionTemplate transactions;
    private final Set<String> circuits;
    private final boolean past;

    /**
     * @param circuits ids of the circuits whose stories are told; empty for all
     * @param past whether the jobs that were closed long ago are told too
     * @param password of all people of the demo; where it is empty they cannot sign in
     * @param pin of all of them on shop tablets; empty for none
     */
    DemoLoader(
            OneAtATime oneAtATime,
            JobLog log,
            Vehicles vehicles,
            Accounts accounts,
            PasswordEncoder encoder,
            LayoutModels models,
            Clock clock,
            TransactionTemplate transactions,
            @Value("${overturn.demo.circuits:}") Set<String> circuits,
            @Value("${overturn.demo.past:true}") boolean past,
            @Value("${overturn.demo.password:}") String password,
            @Value("${overturn.demo.pin:}") String pin) {
        this.oneAtATime = oneAtATime;
        this.log = log;
        this.vehicles = vehicles;
        this.accounts = accounts;
        this.encoder = encoder;
        this.password = password;
        this.pin = pin;
        this.models = models;
        this.clock = clock;
        this.transactions = transactions;
        this.circuits = circuits;
        this.past = past;
    }

    @Override
    public void afterSingletonsInstantiated() {
        while (!oneAtATime.unlessAnotherDoes("load-the-demo", this::loadAll)) {
            rest();
        }
    }

    private static void rest() {
        try {
            Thread.sleep(BETWEEN_ASKING_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Ended while another server loads the demo", e);
        }
    }

    private void loadAll() {
        transactions.executeWithoutResult(status -> {
            DemoJobs.STAFF.forEach(this::employ);
            if (log.isEmpty()) {
                Stream.concat(past ? DemoJobs.PAST.stream() : Stream.empty(), DemoJobs.STORIES.stream())
                        .filter(this::told)
                        .forEach(this::load);
            }
        });
    }

    /** Whoever has no password yet gets the one that the start tells. */
    private void employ(Account person) {
        Optional<Account> there = accounts.find(person.personId());
        if (there.isEmpty()) {
            accounts.add(person, clock.instant());
        }
        if (!password.isEmpty() && there.flatMap(Account::passwordHash).isEmpty()) {
            accounts.change(person.withPassword(encoder.encode(password))
                    .withPin(Optional.of(pin).filter(p -> !p.isEmpty()).map(encoder::encode)));
        }
    }

    private boolean told(Story story) {
        return circuits.isEmpty() || circuits.contains(story.layoutId());
    }

    private void load(Story story) {
        LayoutModel model = models.of(story.layoutId());
        SplittableRandom random = new SplittableRandom(story.seed());
        VehicleUnknowns unknowns = VehicleUnknowns.draw(random);
        HiddenVehicle vehicle = HiddenVehicle.of(model.simulator(), unknowns, story.faults(), 1);
        PlanFollower.Diagnosis diagnosis = new PlanFollower(model).diagnose(vehicle, random, story.tests());
        Instant at = clock.instant().minus(Duration.ofHours(story.hoursAgo())).truncatedTo(ChronoUnit.SECONDS);
        UUID vehicleId = Vehicle.idOf(story.vehicle());
        vehicles.add(new Vehicle(vehicleId, at, story.vehicle(), story.layoutId()));
        List<LoggedEntry> entries = new ArrayList<>();
        Function<Entry, UUID> append = entry -> {
            entries.add(next(story, entries, at, entry));
            return entries.get(entries.size() - 1).id();
        };
        append.apply(new JobOpened(
                vehicleId,
                story.vehicle(),
                story.layoutId(),
                story.complaint(),
                story.hunchId(),
                story.mayBeMoved(),
                false,
                "UNKNOWN",
                false,
                List.of(),
                List.of()));
        Optional<UUID> before = Optional.of(story.backFrom())
                .filter(hours -> hours > 0)
                .map(hours -> idOfPast(story.vehicle(), hours, "job"));
        diagnosis.readings().forEach(reading -> append.apply(taken(model, reading)));
        if (story.misread() > 0) {
            misread(story, model, entries);
        }
        if (story.stage() != Stage.TRACING) {
            append.apply(accepted(model, diagnosis, entries));
            HiddenVehicle repaired = HiddenVehicle.of(model.simulator(), unknowns, List.of(), 1);
            carryOn(
                    story,
                    new DemoRepair(
                            model.layout(),
                            () -> JobState.of(entries, model.procedures()),
                            append,
                            test -> read(model, repaired, test, new SplittableRandom(story.seed())),
                            taken -> judged(model, diagnosis, taken)),
                    at);
        }
        UUID jobId = id(story, "job");
        before.ifPresent(earlier -> append.apply(new CameBack(earlier, false)));
        log.open(jobId, at);
        entries.forEach(entry -> log.append(jobId, entry));
        before.ifPresent(earlier -> log.append(
                earlier,
                LoggedEntry.of(
                        id(story, "came back"),
                        log.entries(earlier).size() + 1,
                        at,
                        story.openedBy(),
                        new CameBack(jobId, true))));
    }

    /**
     * Every entry a few minutes after the one before, a night after a release; who opened the job says what it does,
     * the other works on it.
     */
    private static LoggedEntry next(Story story, List<LoggedEntry> before, Instant at, Entry entry) {
        int place = before.size();
        long nights = before.stream()
                .filter(logged -> logged.entry() instanceof JobReleased)
                .count();
        return LoggedEntry.of(
                id(story, "entry " + place),
                place + 1,
                at.plus(BETWEEN_ENTRIES.multipliedBy(Math.max(0, place - 1))).plus(A_NIGHT.multipliedBy(nights)),
                place < 2 ? story.openedBy() : story.worksOnIt(),
                entry);
    }

    private static List<CheckDone.Judged> judged(
            LayoutModel model, PlanFollower.Diagnosis diagnosis, ReadingTaken taken) {
        Procedure test = model.procedures().find(taken.procedureId()).orElseThrow();
        Belief belief = diagnosis
                .assessment()
                .history()
                .repaired(diagnosis.assessment().verdict().cure())
                .now();
        return Measured.of(belief, test, (Figures) taken.value()).figures().stream()
                .map(f -> new CheckDone.Judged(f.figureId(), f.value(), f.least(), f.most()))
                .toList();
    }

    private static ReadingTaken read(LayoutModel model, HiddenVehicle vehicle, String testId, SplittableRandom random) {
        Procedure test = model.procedures().find(testId).orElseThrow();
        return ReadingTaken.of(
                testId, test.spec(), vehicle.read(test, random), RigSetup.name(test.rigSetup(), 1), RigTrust.PROVEN);
    }

    private static ReadingTaken taken(LayoutModel model, Reading reading) {
        return ReadingTaken.of(
                reading.procedureId(),
                model.procedures().find(reading.procedureId()).orElseThrow().spec(),
                reading.value(),
                reading.rigSetup(),
                reading.trust());
    }

    /** One reading is what a sound vehicle would have read. */
    private static void misread(Story story, LayoutModel model, List<LoggedEntry> entries) {
        LoggedEntry right = entries.get(story.misread() + 1);
        ReadingTaken reading = (ReadingTaken) right.entry();
        Procedure test = model.procedures().find(reading.procedureId()).orElseThrow();
        HiddenVehicle sound = HiddenVehicle.of(model.simulator(), VehicleUnknowns.NOMINAL, List.of(), 1);
        entries.set(
                story.misread() + 1,
                LoggedEntry.of(
                        right.id(),
                        right.sequence(),
                        right.at(),
                        right.personId(),
                        ReadingTaken.of(
                                reading.procedureId(),
                                test.spec(),
                                sound.read(test, new SplittableRandom(story.seed())),
                                reading.rigSetup(),
                                reading.trust())));
    }

    private static VerdictAccepted accepted(
            LayoutModel model, PlanFollower.Diagnosis diagnosis, List<LoggedEntry> entries) {
        Verdict verdict = diagnosis.assessment().verdict();
        List<String> readings = diagnosis.readings().stream().map(Reading::id).toList();
        return AcceptVerdict.asItStands(
                verdict,
                WHY,
                remedy -> AcceptVerdict.first(diagnosis
                        .assessment()
                        .history()
                        .now()
                        .places()
                        .of(remedy, WorkPlan.places(model.layout(), remedy), PlacesSeen.NONE)),
                WorkshopSettings.PLAIN,
                reading -> entries.get(readings.indexOf(reading) + 1).id());
    }

    private void carryOn(Story story, DemoRepair repair, Instant at) {
        if (story.stage() == Stage.ACCEPTED) {
            return;
        }
        repair.takeOff();
        if (story.stage() == Stage.UNDER_REPAIR) {
            repair.workUpTo(Section.FIT);
            return;
        }
        repair.workAndBleed();
        repair.pass(Gate.ROAD);
        repair.release(LocalDate.ofInstant(at, ZoneOffset.UTC).plusDays(2).toString());
        if (story.stage() == Stage.RELEASED) {
            repair.pass(Gate.NEXT_DAY);
            repair.release("");
        }
    }

    private static UUID id(Story story, String what) {
        return DemoJobs.PAST.contains(story)
                ? idOfPast(story.vehicle(), story.hoursAgo(), what)
                : UUID.nameUUIDFromBytes((story.vehicle() + " " + what).getBytes(StandardCharsets.UTF_8));
    }

    private static UUID idOfPast(String vehicle, int hoursAgo, String what) {
        return UUID.nameUUIDFromBytes((vehicle + " " + hoursAgo + " " + what).getBytes(StandardCharsets.UTF_8));
    }
}
