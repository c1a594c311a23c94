package overturn.app.usecase.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionOperations;
import overturn.app.job.Entry;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.JobLog;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.job.LogNotices;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StaleLogException;
import overturn.app.people.Actor;
import overturn.app.people.Role;
import overturn.app.practice.Exercises;
import overturn.app.usecase.EntryIdTakenException;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.vehicle.Vehicles;
import overturn.app.workshop.Staff;
import overturn.layoutfile.Presets;

/** Appending to a log whose store is outside. */
class LogWriterTest {

    private static final UUID JOB = new UUID(1, 1);
    private static final UUID OPENED = new UUID(2, 1);
    private static final UUID NEW = new UUID(2, 2);
    private static final Instant NOW = Instant.parse("2026-11-25T09:12:00.123456789Z");
    private static final Entry ASIDE = new TestSetAside("hoses-clamped", "no clamps");

    private static final LayoutSheets.Sheet TARN =
            LayoutSheets.Sheet.of(Presets.find("tarn-box-van").orElseThrow());

    private final JobLog log = mock(JobLog.class);
    private final JobSummaries summaries = mock(JobSummaries.class);
    private final Staff staff = mock(Staff.class);
    private final LogNotices notices = mock(LogNotices.class);
    private final LogWriter writer = new LogWriter(
            log,
            summaries,
            mock(Vehicles.class),
            mock(Exercises.class),
            staff,
            notices,
            Clock.fixed(NOW, ZoneOffset.UTC),
            TransactionOperations.withoutTransaction());
    private final LoggedEntry opened = LoggedEntry.of(
            OPENED,
            1,
            NOW,
            "ines-quill",
            new JobOpened(
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

    @BeforeEach
    void someoneWorksHere() {
        when(staff.signing()).thenReturn(List.of("ines-quill"));
    }

    private static final Actor INES = new Actor("ines-quill", Role.LEAD, true);

    private static Stamp stamp(int sequence) {
        return Stamp.now(NEW, sequence, INES);
    }

    private Log read(LoggedEntry... entries) {
        return new Log(JOB, List.of(entries), TARN);
    }

    private static LoggedEntry inLog(UUID id, Entry entry) {
        return LoggedEntry.of(id, 2, NOW, "ines-quill", entry);
    }

    @Test
    void appendsBehindTheLastEntryWithTheServersTimeToTheMicrosecond() {
        Log now = writer.append(read(opened), stamp(1), seen -> ASIDE);
        LoggedEntry appended =
                LoggedEntry.of(NEW, 2, Instant.parse("2026-11-25T09:12:00.123456Z"), "ines-quill", ASIDE);
        verify(log).append(JOB, appended);
        verify(notices).grown(JOB, 2);
        assertEquals(List.of(opened, appended), now.entries());
    }

    @Test
    void theLineOfTheBayIsWrittenWithTheEntryAndTheLogIsNotReadAgain() {
        writer.append(read(opened), stamp(1), seen -> ASIDE);
        verify(summaries)
                .keep(argThat((JobSummary line) ->
                        line.sequence() == 2 && line.jobId().equals(JOB)));
        verify(log, never()).entries(any());
    }

    @Test
    void anEntryThatWasKeptOnTheDeviceCarriesTheTimeAtWhichItWasMade() {
        LoggedEntry kept = writer.append(read(opened), new Stamp(NEW, 1, INES, 5400L, 12.0), seen -> ASIDE)
                .entries()
                .get(1);
        assertEquals(Instant.parse("2026-11-25T07:42:00.123456Z"), kept.takenAt());
        assertEquals(Optional.of(12.0), kept.spentMinutes());
        assertEquals(
                "spentMinutes",
                assertThrows(
                                InvalidInputException.class,
                                () -> writer.append(read(opened), new Stamp(NEW, 1, INES, null, -1.0), seen -> ASIDE))
                        .findings()
                        .get(0)
                        .field());
        assertEquals(Instant.parse("2026-11-25T09:12:00.123456Z"), kept.at());
        for (long never : new long[] {-1, 400_000_000}) {
            assertEquals(
                    "takenSecondsAgo",
                    assertThrows(
                                    InvalidInputException.class,
                                    () -> writer.append(
                                            read(opened), new Stamp(NEW, 1, INES, never, null), seen -> ASIDE))
                            .findings()
                            .get(0)
                            .field());
        }
    }

    @Test
    void writesNothingWhenTheSameEntryStandsAlreadyHoweverMuchTheWriterHasSeenSince() {
        Log read = read(opened, inLog(NEW, ASIDE));
        assertEquals(read, writer.append(read, stamp(1), seen -> ASIDE));
        assertEquals(read, writer.append(read, stamp(2), seen -> ASIDE));
        verify(log, never()).append(any(), any());
        verify(notices, never()).grown(any(), anyInt());
    }

    @Test
    void anEntryIsMadeFromWhatTheWriterHadSeenNotFromItself() {
        writer.append(read(opened, inLog(NEW, ASIDE)), stamp(2), seen -> {
            assertEquals(List.of(opened), seen);
            return ASIDE;
        });
    }

    @Test
    void refusesAnotherEntryUnderAnIdInUse() {
        Log read = read(opened, inLog(NEW, new TestSetAside("port-plugs", "no plugs")));
        assertThrows(EntryIdTakenException.class, () -> writer.append(read, stamp(2), seen -> ASIDE));
        verify(log, never()).append(any(), any());
    }

    @Test
    void refusesAWriterWhoHasSeenTooLittleOrMoreThanThereIs() {
        Log read = read(opened, inLog(new UUID(9, 9), ASIDE));
        assertEquals(
                1,
                assertThrows(StaleLogException.class, () -> writer.append(read, stamp(1), seen -> ASIDE))
                        .given());
        assertThrows(StaleLogException.class, () -> writer.append(read, stamp(0), seen -> ASIDE));
        assertThrows(StaleLogException.class, () -> writer.append(read, stamp(5), seen -> ASIDE));
        verify(log, never()).append(any(), any());
    }

    @Test
    void aRebasedEntryGoesBehindWhateverWasEnteredMeanwhileAndIsMadeFromAllOfIt() {
        Log read = read(opened, inLog(new UUID(9, 9), ASIDE));
        Log now = writer.append(read, stamp(1), Behind.REBASED, seen -> {
            assertEquals(2, seen.size());
            return ASIDE;
        });
        assertEquals(3, now.entries().get(2).sequence());
        assertEquals(now, writer.append(now, stamp(1), Behind.REBASED, seen -> {
            assertEquals(2, seen.size(), "sent again it is made from what stood before it");
            return ASIDE;
        }));
        assertThrows(
                StaleLogException.class,
                () -> writer.append(read, stamp(7), Behind.REBASED, seen -> ASIDE),
                "nobody has seen what is not there");
    }

    @Test
    void aRebasedEntryIsTriedAgainWhenSomebodyIsFaster() {
        doThrow(new StaleLogException(1)).doNothing().when(log).append(any(), any());
        when(log.entries(JOB)).thenReturn(List.of(opened, inLog(new UUID(9, 9), ASIDE)));
        assertEquals(
                3,
                writer.append(read(opened), stamp(1), Behind.REBASED, seen -> ASIDE)
                        .entries()
                        .size());
    }

    @Test
    void refusesStrangersAndMissingStampsNamingEachField() {
        InvalidInputException refused = assertThrows(
                InvalidInputException.class,
                () -> writer.append(
                        read(opened),
                        Stamp.now(null, null, new Actor("stranger", Role.TECHNICIAN, false)),
                        seen -> ASIDE));
        assertEquals(
                List.of("entryId", "sequence", "personId"),
                refused.findings().stream().map(Finding::field).toList());
    }

    private void somebodyIsFaster(LoggedEntry with) {
        doThrow(new StaleLogException(1)).when(log).append(any(), any());
        when(log.entries(JOB)).thenReturn(List.of(opened, with));
    }

    @Test
    void passesOnWhenTheStoreSaysSomebodyWasFaster() {
        somebodyIsFaster(inLog(new UUID(9, 9), ASIDE));
        assertThrows(StaleLogException.class, () -> writer.append(read(opened), stamp(1), seen -> ASIDE));
    }

    @Test
    void theSameEntrySentTwiceAtOnceStandsOnceAndBothAreTold() {
        somebodyIsFaster(inLog(NEW, ASIDE));
        assertEquals(
                2,
                writer.append(read(opened), stamp(1), seen -> ASIDE).entries().size());
        assertThrows(
                EntryIdTakenException.class,
                () -> writer.append(read(opened), stamp(1), seen -> new TestSetAside("port-plugs", "no plugs")));
    }

    @Test
    void anIdThatAnotherJobHoldsIsRefused() {
        somebodyIsFaster(inLog(new UUID(9, 9), ASIDE));
        when(log.holds(NEW)).thenReturn(true);
        assertThrows(EntryIdTakenException.class, () -> writer.append(read(opened), stamp(1), seen -> ASIDE));
    }
}
