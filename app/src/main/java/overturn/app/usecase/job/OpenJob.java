package overturn.app.usecase.job;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.app.vehicle.Vehicle;
import overturn.inference.Intake.Age;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.RigTrust;
import overturn.procedure.ProcedureCatalogue;
import overturn.suspect.Suspect;

/** Opens a job: complaint, behaviour, layout, hunch. */
@Component
public class OpenJob {

    private static final int MOST_COMPLAINT = 400;
    private static final int MOST_VEHICLE = 40;
    private static final List<String> AGES =
            Arrays.stream(Age.values()).map(Age::name).toList();

    private final LogWriter writer;
    private final LayoutSheets sheets;
    private final Jobs jobs;

    OpenJob(LogWriter writer, LayoutSheets sheets, Jobs jobs) {
        this.writer = writer;
        this.sheets = sheets;
        this.jobs = jobs;
    }

    /**
     * What is given at intake.
     *
     * @param recentWork whether the system was worked on just before; may be left out, as age and sometimes
     * @param vehicleId which vehicle is meant; left out, the one that is called so
     * @param readingId id of the entry that holds the behaviour, made by the client
     */
    public record Intake(
            UUID jobId,
            Stamp stamp,
            UUID readingId,
            UUID vehicleId,
            String vehicle,
            String layoutId,
            String complaint,
            String behaviour,
            String hunchId,
            Boolean mayBeMoved,
            Boolean recentWork,
            String age,
            Boolean sometimes) {}

    /** @throws InvalidInputException naming every field that cannot be taken */
    public Job open(Intake intake) {
        List<String> offered = sheets.offered();
        Optional<Sheet> sheet =
                Optional.ofNullable(intake.layoutId()).filter(offered::contains).flatMap(sheets::find);
        List<String> behaviours = sheet.map(OpenJob::behaviours).orElse(List.of());
        List<String> suspects =
                sheet.map(m -> m.suspects().stream().map(Suspect::id).toList()).orElse(List.of());
        new Checks()
                .that(() -> intake.jobId() != null, "jobId", intake.jobId(), "a UUID made by the client")
                .that(
                        () -> intake.readingId() != null
                                && !intake.readingId().equals(intake.stamp().entryId()),
                        "readingId",
                        intake.readingId(),
                        "a UUID made by the client, other than entryId")
                .text("vehicle", intake.vehicle(), MOST_VEHICLE)
                .text("complaint", intake.complaint(), MOST_COMPLAINT)
                .that(sheet::isPresent, "layoutId", intake.layoutId(), "one of " + offered)
                .that(
                        () -> sheet.isEmpty() || intake.behaviour() != null && behaviours.contains(intake.behaviour()),
                        "behaviour",
                        intake.behaviour(),
                        "one of " + behaviours)
                .that(
                        () -> sheet.isEmpty() || intake.hunchId() != null && suspects.contains(intake.hunchId()),
                        "hunchId",
                        intake.hunchId(),
                        "one of " + suspects)
                .that(
                        () -> intake.age() == null || AGES.contains(intake.age()),
                        "age",
                        intake.age(),
                        "one of " + AGES + ", or left out")
                .that(() -> intake.mayBeMoved() != null, "mayBeMoved", intake.mayBeMoved(), "true or false")
                .orThrow();
        UUID vehicleId = intake.vehicleId() == null ? Vehicle.idOf(intake.vehicle()) : intake.vehicleId();
        return jobs.of(writer.open(
                intake.jobId(),
                sheet.orElseThrow(),
                intake.stamp(),
                new JobOpened(
                        vehicleId,
                        intake.vehicle(),
                        intake.layoutId(),
                        intake.complaint(),
                        intake.hunchId(),
                        intake.mayBeMoved(),
                        intake.recentWork(),
                        intake.age(),
                        intake.sometimes()),
                intake.readingId(),
                ReadingTaken.observed(
                        ProcedureCatalogue.CHARACTERISE,
                        intake.behaviour(),
                        sheet.orElseThrow().procedures().intake().rigSetup(),
                        RigTrust.NORMAL)));
    }

    private static List<String> behaviours(Sheet sheet) {
        return ((Observation) sheet.procedures().intake().spec()).options();
    }
}
