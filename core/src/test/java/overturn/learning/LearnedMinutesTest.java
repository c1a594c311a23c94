package overturn.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import overturn.learning.LearnedMinutes.Timed;

/** How a workshop's own times move the estimate of a test. */
class LearnedMinutesTest {

    private static double factor(Timed timed) {
        return LearnedMinutes.of(List.of(timed)).factors().get("hold-medium");
    }

    /** Done five times at twice its estimate it is taken for the square root of two times as long. */
    @Test
    void theEstimateCountsAsFiveTimes() {
        double twice = Math.log(2);
        assertEquals(Math.sqrt(2), factor(new Timed("hold-medium", 5, 5, twice)), 1e-12);
        assertEquals(1, factor(new Timed("hold-medium", 0, 0, twice)), 1e-12);
        double often = factor(new Timed("hold-medium", 200, 200, twice));
        assertTrue(often > 1.95 && often < 2, "after many times it is nearly what it takes: " + often);
    }

    @Test
    void whatWasNeverTimedIsNotNamed() {
        assertEquals(
                List.of(), List.copyOf(LearnedMinutes.of(List.of()).factors().keySet()));
    }
}
