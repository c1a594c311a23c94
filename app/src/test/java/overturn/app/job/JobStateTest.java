package overturn.app.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.layoutfile.Presets;
import overturn.evidence.Reading;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.ProcedureCatalogue;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;

/** The fold of a log. */
class JobStateTest {

    private static final ProcedureCatalogue PROCEDURES = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);

    private final List<LoggedEntry> log = new ArrayList<>();

    private UUID add(Entry entry) {
        UUID id = new UUID(0, log.size() + 1);
        log.add(LoggedEntry.of(id, log.size() + 1, Instant.EPOCH, "juno-vale", entry));
        return id;
    }

    private UUID reading(String procedure) {
        return add(new ReadingTaken(procedure, new Observed("not-seen"), "rig", RigTrust.NORMAL));
    }

    private JobState state() {
        return JobState.of(log, PROCEDURES);
    }

    JobStateTest() {
        add(new JobOpened("Tarn SK 14", "tarn-box-van", "sinks", "primary-piston-cup", false, false, null, false));
    }

    @Test
    void readingsStandInTheOrderOfTheLogUntilTheyAreStruck() {
        reading("reservoir");
        UUID wrong = reading("dry-walk");
        reading("free-play");
        add(new EntryStruck(wrong, "other vehicle"));
        assertEquals(List.of("reservoir", "free-play"), state().readings().stream().map(Reading::procedureId).toList());
        assertEquals(5, state().log().size(), "nothing leaves the log");
        assertEquals(Set.of(wrong), state().struckIds());
        assertEquals(5, state().sequence());
    }

    @Test
    void theVehicleStandsAsTheLastTestLeftIt() {
        assertEquals(VehicleNeeds.SEAT, state().vehicle());
        reading("port-plugs");
        assertEquals(Opened.MASTER_PORTS, state().vehicle().opened());
        assertEquals(Set.of("plug@front-port", "plug@rear-port"), state().stillFitted());
    }

    @Test
    void strikingAReadingTakesNoPlugOffTheVehicle() {
        UUID plugs = reading("port-plugs");
        add(new EntryStruck(plugs, "plug wept"));
        assertTrue(state().readings().isEmpty());
        assertEquals(2, state().stillFitted().size(), "the plugs are still in the ports");
        add(new FittingsTakenOff(List.of("plug@front-port", "plug@rear-port")));
        assertEquals(Set.of(), state().stillFitted());
        assertEquals(VehicleNeeds.SEAT, state().vehicle());
    }

    @Test
    void aTestSetAsideCanBeTakenUpAgain() {
        UUID aside = add(new TestSetAside("hoses-clamped", "no clamps"));
        assertEquals(Set.of("hoses-clamped"), state().setAside());
        add(new EntryStruck(aside, "borrowed clamps"));
        assertEquals(Set.of(), state().setAside());
    }

    @Test
    void aJobIsTracedUntilAVerdictIsAcceptedAndItsLineTellsWhatTheLogTells() {
        reading("reservoir");
        reading("port-plugs");
        JobSummary line = JobSummary.of(new UUID(1, 1), state());
        assertEquals(JobStage.TRACING, line.stage());
        assertEquals(List.of(3, 2, 2), List.of(line.sequence(), line.readings(), line.stillFitted()));
        assertTrue(line.lead().isEmpty(), "where it stands has still to be worked out");
    }

    @Test
    void theLastAcceptedVerdictThatIsNotStruckCounts() {
        add(new VerdictAccepted(List.of("bleed-rear"), "PROBABLE", 0.85, List.of(), List.of("A_CARRIER"), "ferry"));
        UUID second = add(new VerdictAccepted(List.of("renew-master", "set-rod"), "PROVEN", 0.99, List.of(), List.of(), ""));
        assertEquals(List.of("renew-master", "set-rod"), state().accepted().orElseThrow().remedyIds(), "both remedies of a pair");
        assertEquals(JobStage.ACCEPTED, state().stage());
        add(new EntryStruck(second, "too early"));
        assertEquals(List.of("bleed-rear"), state().accepted().orElseThrow().remedyIds());
    }
}
