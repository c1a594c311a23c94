package overturn.app.usecase.workshop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.usecase.job.Assessor;
import overturn.app.usecase.workshop.Health.Check;
import overturn.app.workshop.Backups;
import overturn.app.workshop.Backups.LastBackup;
import overturn.app.workshop.StoreHealth;

class HealthChecksTest {

    private static final Instant NOW = Instant.parse("2026-11-30T09:00:00Z");

    private final StoreHealth store = mock(StoreHealth.class);
    private final Assessor assessor = mock(Assessor.class);

    private final Backups backups = mock(Backups.class);

    private Health health() {
        return new Health(store, assessor, backups, Clock.fixed(NOW, ZoneOffset.UTC));
    }

    private List<String> unsound() {
        return health().checks().stream()
                .filter(c -> !c.sound())
                .map(Check::name)
                .toList();
    }

    @Test
    void aStoreThatTakesNoWritesAndAnAssessmentThatDoesNotEndAreNotSound() {
        when(store.takesWrites()).thenReturn(true);
        assertEquals(List.of(), unsound());
        when(assessor.longestNanos()).thenReturn(TimeUnit.MINUTES.toNanos(3));
        assertEquals(List.of("assessing"), unsound());
        when(store.takesWrites()).thenReturn(false);
        assertEquals(List.of("store", "assessing"), unsound());
    }

    @ParameterizedTest
    @CsvSource({
        "true, 2026-11-29T10:00:00Z, GOOD",
        "true, 2026-11-28T09:00:01Z, GOOD",
        "true, 2026-11-28T08:59:59Z, OVERDUE",
        "false, 2026-11-30T08:59:00Z, FAILED"
    })
    void aBackupThatFailedOrStaysAwayIsTold(boolean good, Instant tried, Health.BackupState state) {
        when(backups.last()).thenReturn(Optional.of(new LastBackup(good, tried, Optional.empty(), 24, "")));
        assertEquals(state, health().backupState());
    }

    @Test
    void whereNoneIsMadeHereNothingIsMissed() {
        when(backups.last()).thenReturn(Optional.empty());
        assertEquals(Health.BackupState.NONE, health().backupState());
    }
}
