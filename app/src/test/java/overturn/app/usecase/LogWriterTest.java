package overturn.app.usecase;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
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
import overturn.app.job.Entry;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.JobLog;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StaleLogException;
import overturn.app.job.Staff;

/** Appending to a log whose store is outside. */
class LogWriterTest {

    private static final UUID JOB = new UUID(1, 1);
    private static final UUID OPENED = new UUID(2, 1);
    private static final UUID NEW = new UUID(2, 2);
    private static final Instant NOW = Instant.parse("2026-11-25T09:12:00.123456789Z");
    private static final Entry ASIDE = new TestSetAside("hoses-clamped", "no clamps");

    private final JobLog log = mock(JobLog.class);
    private final Staff staff = mock(Staff.class);
    private final LogWriter writer = new LogWriter(log, staff, Clock.fixed(NOW, ZoneOffset.UTC));
    private final LoggedEntry opened = new LoggedEntry(OPENED, 1, NOW, "ines-quill",
            new JobOpened("Tarn SK 14", "tarn-box-van", "sinks", "primary-piston-cup", false, false, null, false));

    @BeforeEach
    void oneJob() {
        when(staff.all()).thenReturn(List.of(new Staff.Person("ines-quill", "Ines Quill", "lead")));
        when(log.entries(JOB)).thenReturn(List.of(opened));
    }

    private static Stamp stamp(int sequence) {
        return new Stamp(NEW, sequence, "ines-quill");
    }

    private void inLog(Entry entry) {
        when(log.entries(JOB)).thenReturn(List.of(opened, new LoggedEntry(NEW, 2, NOW, "ines-quill", entry)));
        when(log.jobOfEntry(NEW)).thenReturn(Optional.of(JOB));
    }

    @Test
    void appendsBehindTheLastEntryWithTheServersTimeToTheMicrosecond() {
        writer.append(JOB, stamp(1), seen -> ASIDE);
        verify(log).append(JOB, new LoggedEntry(NEW, 2, Instant.parse("2026-11-25T09:12:00.123456Z"), "ines-quill", ASIDE));
    }

    @Test
    void writesNothingWhenTheSameEntryStandsAlreadyHoweverMuchTheWriterHasSeenSince() {
        inLog(ASIDE);
        writer.append(JOB, stamp(1), seen -> ASIDE);
        writer.append(JOB, stamp(2), seen -> ASIDE);
        verify(log, never()).append(any(), any());
    }

    @Test
    void anEntryIsMadeFromWhatTheWriterHadSeenNotFromItself() {
        inLog(ASIDE);
        writer.append(JOB, stamp(2), seen -> {
            assertEquals(List.of(opened), seen);
            return ASIDE;
        });
    }

    @Test
    void refusesAnotherEntryUnderAnIdInUse() {
        inLog(new TestSetAside("port-plugs", "no plugs"));
        assertThrows(EntryIdTakenException.class, () -> writer.append(JOB, stamp(2), seen -> ASIDE));
        verify(log, never()).append(any(), any());
    }

    @Test
    void refusesAWriterWhoHasSeenTooLittleOrMoreThanThereIs() {
        when(log.entries(JOB)).thenReturn(List.of(opened, new LoggedEntry(new UUID(9, 9), 2, NOW, "ines-quill", ASIDE)));
        assertEquals(1, assertThrows(StaleLogException.class, () -> writer.append(JOB, stamp(1), seen -> ASIDE)).given());
        assertThrows(StaleLogException.class, () -> writer.append(JOB, stamp(0), seen -> ASIDE));
        assertThrows(StaleLogException.class, () -> writer.append(JOB, stamp(5), seen -> ASIDE));
        verify(log, never()).append(any(), any());
    }

    @Test
    void refusesStrangersAndMissingStampsNamingEachField() {
        InvalidInputException refused = assertThrows(InvalidInputException.class,
                () -> writer.append(JOB, new Stamp(null, null, "stranger"), seen -> ASIDE));
        assertEquals(List.of("entryId", "sequence", "personId"), refused.findings().stream().map(Finding::field).toList());
        assertThrows(NotFoundException.class, () -> writer.append(new UUID(7, 7), stamp(1), seen -> ASIDE));
    }

    @Test
    void passesOnWhenTheStoreSaysSomebodyWasFaster() {
        doThrow(new StaleLogException(1)).when(log).append(any(), any());
        assertThrows(StaleLogException.class, () -> writer.append(JOB, stamp(1), seen -> ASIDE));
    }
}
