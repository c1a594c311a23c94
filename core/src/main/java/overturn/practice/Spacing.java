package overturn.practice;

import java.util.List;
import java.util.OptionalLong;

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

    /** How a lesson went on a day; days are counted from any one. */
    public record Attempt(long day, int points) {}

    /** The day from which a lesson is due again; empty where it was never done. */
    public static OptionalLong due(List<Attempt> inOrder) {
        int box = 0;
        OptionalLong last = OptionalLong.empty();
        for (Attempt attempt : inOrder) {
            box = attempt.points() >= WENT_WELL ? Math.min(DAYS.length - 1, box + (last.isPresent() ? 1 : 0)) : 0;
            last = OptionalLong.of(attempt.day());
        }
        return last.isPresent() ? OptionalLong.of(last.getAsLong() + DAYS[box]) : last;
    }
}
