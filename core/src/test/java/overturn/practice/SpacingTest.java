package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import overturn.practice.Spacing.Attempt;

/** Leitner's boxes, walked through by hand. */
class SpacingTest {

    private static Attempt on(int day, int points) {
        return new Attempt(day, points);
    }

    private static OptionalLong day(int day) {
        return OptionalLong.of(day);
    }

    @Test
    void whatGoesWellComesLaterAndLater() {
        assertEquals(OptionalLong.empty(), Spacing.due(List.of()));
        assertEquals(day(1), Spacing.due(List.of(on(0, 90))));
        assertEquals(day(1 + 3), Spacing.due(List.of(on(0, 90), on(1, 80))));
        assertEquals(day(4 + 7), Spacing.due(List.of(on(0, 90), on(1, 80), on(4, 75))));
        assertEquals(
                day(200 + 60),
                Spacing.due(List.of(on(0, 90), on(1, 90), on(4, 90), on(11, 90), on(32, 90), on(200, 90))));
    }

    @Test
    void whatWasMissedComesTheNextDay() {
        assertEquals(day(1), Spacing.due(List.of(on(0, 20))));
        assertEquals(day(5), Spacing.due(List.of(on(0, 90), on(1, 90), on(4, 69))));
        assertEquals(day(5 + 3), Spacing.due(List.of(on(0, 90), on(1, 90), on(4, 30), on(5, 70))));
    }
}
