package overturn.app.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.NotUnderstood;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.catalogue.ProcedureCatalogue;
import overturn.course.JobStage;
import overturn.evidence.Reading;
import overturn.layoutfile.Presets;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.RigTrust;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.verdict.Grade;
import overturn.verdict.Verdict.Missing;

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
        boolean series = PROCEDURES.find(procedure).orElseThrow().spec() instanceof Series;
        return add(
                series
                        ? new ReadingTaken(procedure, new Figures(List.of()), List.of(), "rig", RigTrust.NORMAL)
                        : ReadingTaken.observed(procedure, "not-seen", "rig", RigTrust.NORMAL));
    }

    private JobState state() {
        return JobState.of(log, PROCEDURES);
    }

    JobStateTest() {
        add(new JobOpened(
                new UUID(9, 9),
                "Tarn SK 14",
                "tarn-box-van",
                "sinks",
                "primary-piston-cup",
                false,
                false,
                null,
                false,
                null,
                null));
    }

    @Test
    void readingsStandInTheOrderOfTheLogUntilTheyAreStruck() {
        reading("reservoir");
        UUID wrong = reading("dry-walk");
        reading("free-play");
        add(new EntryStruck(wrong, "other vehicle"));
        assertEquals(
                List.of("reservoir", "free-play"),
                state().readings().stream().map(Reading::procedureId).toList());
        assertEquals(5, state().log().size(), "nothing leaves the log");
        assertEquals(Set.of(wrong), state().struckIds());
        assertEquals(5, state().sequence());
    }

    @Test
    void theVehicleStandsAsTheLastTestLeftIt() {
        assertEquals(VehicleNeeds.SEAT, state().vehicle());
        reading("port-plugs");
        assertEquals(Opened.MASTER_PORTS, state().vehicle().opened());
        assertEquals(
                Set.of("plug@front-port", "plug@rear-port"), state().onVehicle().toSetBack());
    }

    @Test
    void strikingAReadingTakesNoPlugOffTheVehicle() {
        UUID plugs = reading("port-plugs");
        add(new EntryStruck(plugs, "plug wept"));
        assertTrue(state().readings().isEmpty());
        assertEquals(2, state().onVehicle().toSetBack().size(), "the plugs are still in the ports");
        add(new FittingsTakenOff(List.of("plug@front-port", "plug@rear-port")));
        assertEquals(Set.of(), state().onVehicle().toSetBack());
        assertEquals(VehicleNeeds.SEAT, state().vehicle());
    }

    private static TypedQuantity mm(double value) {
        return new TypedQuantity(Double.toString(value), MeasureUnit.MILLIMETRE, value);
    }

    @Test
    void whatIsNotKnownAnyMoreCountsForNothingAndTheRestStands() {
        List<UUID> strange = List.of(
                add(ReadingTaken.observed("tap-the-bonnet", "rings", "eye", RigTrust.NORMAL)),
                add(ReadingTaken.observed("reservoir", "full-of-tadpoles", "eye", RigTrust.NORMAL)),
                add(ReadingTaken.observed("free-play", "loose", "eye", RigTrust.NORMAL)),
                add(new ReadingTaken(
                        "free-play",
                        new Figures(List.of(Optional.of(mm(4)))),
                        List.of("wobble"),
                        "tape",
                        RigTrust.NORMAL)),
                add(new ReadingTaken(
                        "free-play",
                        new Figures(Collections.nCopies(9, Optional.of(mm(4)))),
                        List.of(),
                        "tape",
                        RigTrust.NORMAL)),
                add(new TestSetAside("tap-the-bonnet", "no bonnet")),
                add(new VerdictAccepted(
                        List.of("renew-master", "say-a-spell"),
                        Grade.PROVEN,
                        0.99,
                        List.of(),
                        List.of(),
                        "",
                        List.of(),
                        Bleeding.USUAL)),
                add(new NotUnderstood("horoscope-cast", "{\"sign\":\"crab\"}")));
        reading("reservoir");
        JobState state = state();
        assertEquals(Set.copyOf(strange), state.notUnderstood());
        assertEquals(
                List.of("reservoir"),
                state.readings().stream().map(Reading::procedureId).toList());
        assertTrue(state.setAside().isEmpty()
                && state.accepted().isEmpty()
                && state.values().size() == 1);
        assertEquals(PROCEDURES.find("reservoir").orElseThrow().needs(), state.vehicle());
    }

    @Test
    void figuresAreFoundByTheirIdsWhateverPlaceTheyHaveInTheTestNow() {
        ReadingSpec hold = PROCEDURES.find("hold-medium").orElseThrow().spec();
        Figures whole =
                new Figures(List.of(Optional.of(mm(36)), Optional.empty(), Optional.of(mm(45)), Optional.empty()));
        ReadingTaken taken = ReadingTaken.of("hold-medium", hold, whole, "tape", RigTrust.PROVEN);
        assertEquals(List.of("at-5", "at-30"), taken.figureIds());
        assertEquals(Optional.of(whole), taken.in(hold));
        List<Figure> turned = new ArrayList<>(((Series) hold).figures());
        Collections.reverse(turned);
        assertEquals(
                Optional.of(new Figures(
                        List.of(Optional.empty(), Optional.of(mm(45)), Optional.empty(), Optional.of(mm(36))))),
                taken.in(new Series(turned, 1)));
        assertEquals(
                Optional.empty(), taken.in(new Series(turned.subList(0, 2), 1)), "a figure that the test has no more");
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
        add(new VerdictAccepted(
                List.of("bleed-rear"),
                Grade.PROBABLE,
                0.85,
                List.of(),
                List.of(Missing.A_CARRIER),
                "ferry",
                List.of(),
                Bleeding.USUAL));
        UUID second = add(new VerdictAccepted(
                List.of("renew-master", "set-rod"),
                Grade.PROVEN,
                0.99,
                List.of(),
                List.of(),
                "",
                List.of(),
                Bleeding.USUAL));
        assertEquals(
                List.of("renew-master", "set-rod"),
                state().accepted().orElseThrow().remedyIds(),
                "both remedies of a pair");
        assertEquals(JobStage.ACCEPTED, state().stage());
        add(new EntryStruck(second, "too early"));
        assertEquals(List.of("bleed-rear"), state().accepted().orElseThrow().remedyIds());
    }
}
