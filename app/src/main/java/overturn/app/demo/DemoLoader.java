package overturn.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import overturn.app.demo.DemoJobs.Story;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobLog;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.layout.LayoutModels;
import overturn.app.vehicle.Vehicle;
import overturn.app.vehicle.Vehicles;
import overturn.app.workshop.Staff;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.layoutfile.Presets;
import overturn.practice.HiddenVehicle;
import overturn.practice.PlanFollower;
import overturn.simulation.VehicleUnknowns;

/** Loads the demo jobs into an empty workshop; does nothing where any job stands. Runs before the server listens. */
@Component
@ConditionalOnProperty(name = "overturn.demo", havingValue = "true")
class DemoLoader implements SmartInitializingSingleton {

    private static final Duration BETWEEN_ENTRIES = Duration.ofMinutes(7);

    private final JobLog log;
    private final Vehicles vehicles;
    private final Staff staff;
    private final LayoutModels models;
    private final Clock clock;
    private final TransactionTemplate transactions;

    DemoLoader(
            JobLog log,
            Vehicles vehicles,
            Staff staff,
            LayoutModels models,
            Clock clock,
            TransactionTemplate transactions) {
        this.log = log;
        this.vehicles = vehicles;
        this.staff = staff;
        this.models = models;
        this.clock = clock;
        this.transactions = transactions;
    }

    @Override
    public void afterSingletonsInstantiated() {
        transactions.executeWithoutResult(status -> {
            if (log.isEmpty()) {
                DemoJobs.STAFF.forEach(staff::add);
                DemoJobs.STORIES.forEach(this::load);
            }
        });
    }

    private void load(Story story) {
        LayoutModel model = models.of(Presets.TARN_BOX_VAN.id());
        SplittableRandom random = new SplittableRandom(story.seed());
        HiddenVehicle vehicle = HiddenVehicle.of(model.simulator(), VehicleUnknowns.draw(random), story.faults(), 1);
        List<Reading> readings =
                new PlanFollower(model).diagnose(vehicle, random, story.tests()).readings();
        UUID jobId = id(story, "job");
        Instant at = clock.instant().minus(Duration.ofHours(story.hoursAgo())).truncatedTo(ChronoUnit.SECONDS);
        UUID vehicleId = Vehicle.idOf(story.vehicle());
        vehicles.add(new Vehicle(vehicleId, at, story.vehicle(), model.layout().id()));
        log.open(jobId, at);
        log.append(
                jobId,
                LoggedEntry.of(
                        id(story, "opened"),
                        1,
                        at,
                        story.openedBy(),
                        new JobOpened(
                                vehicleId,
                                story.vehicle(),
                                model.layout().id(),
                                story.complaint(),
                                story.hunchId(),
                                story.mayBeMoved(),
                                false,
                                "UNKNOWN",
                                false,
                                List.of(),
                                List.of())));
        for (int i = 0; i < readings.size(); i++) {
            Reading reading = readings.get(i);
            Instant read = i == 0 ? at : at.plus(BETWEEN_ENTRIES.multipliedBy(i));
            log.append(
                    jobId,
                    LoggedEntry.of(
                            id(story, "reading " + i),
                            i + 2,
                            read,
                            i == 0 ? story.openedBy() : story.worksOnIt(),
                            ReadingTaken.of(
                                    reading.procedureId(),
                                    model.procedures()
                                            .find(reading.procedureId())
                                            .orElseThrow()
                                            .spec(),
                                    reading.value(),
                                    reading.rigSetup(),
                                    reading.trust())));
        }
    }

    private static UUID id(Story story, String what) {
        return UUID.nameUUIDFromBytes((story.vehicle() + " " + what).getBytes(StandardCharsets.UTF_8));
    }
}
