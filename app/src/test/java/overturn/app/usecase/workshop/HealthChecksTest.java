package overturn.app.usecase.workshop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import overturn.app.usecase.job.Assessor;
import overturn.app.usecase.workshop.Health.Check;
import overturn.app.workshop.StoreHealth;

class HealthChecksTest {

    private final StoreHealth store = mock(StoreHealth.class);
    private final Assessor assessor = mock(Assessor.class);

    private List<String> unsound() {
        return new Health(store, assessor)
                .checks().stream().filter(c -> !c.sound()).map(Check::name).toList();
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
}
