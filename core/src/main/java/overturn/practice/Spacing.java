package overturn.practice;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * When a lesson comes again, by Leitner's boxes: what went well moves one box up and comes later, what was missed goes
 * back to the first.
 */
public final class Spacing {

    /** Points from which a lesson went well; chosen. */
    private static final int WENT_WELL = 70;
    /** Days until a lesson of each box comes again; Leitner's boxes with spans of ours, chosen. */
    private static final int[] DAYS = {1, 3, 7, 21, 60};

    private Spacing() {}

    /** How a lesson went on a day. */
    public record Attempt(LocalDate on, int points) {}

    /** The day from which a lesson is due again; empty where it was never done. */
    public static Optional<LocalDate> due(List<Attempt> inOrder) {
        int box = 0;
        Optional<LocalDate> last = Optional.empty();
        for (Attempt attempt : inOrder) {
            box = attempt.points() >= WENT_WELL ? Math.min(DAYS.length - 1, box + (last.isPresent() ? 1 : 0)) : 0;
            last = Optional.of(attempt.on());
        }
        int days = DAYS[box];
        return last.map(on -> on.plusDays(days));
    }
}
