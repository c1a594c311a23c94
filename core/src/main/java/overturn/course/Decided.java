package overturn.course;

import java.util.List;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;

/**
 * What was decided, and whether that was ever proven.
 *
 * @param grade as it was when it was accepted
 * @param turnedOut what became of it
 */
public record Decided(List<Remedy> remedies, Grade grade, TurnedOut turnedOut) {

    public Decided {
        remedies = List.copyOf(remedies);
    }

    /** Whether what was decided was proven. */
    public enum TurnedOut {
        PROVEN,
        /** Acted on below a proof; what was read before the repair may still prove it. */
        ASSUMED,
        ASSUMED_THEN_PROVEN,
        /** Acted on and repaired, and no reading ever proved it. */
        ASSUMED_NEVER_PROVEN;

        /**
         * @param accepted grade when it was accepted
         * @param last grade of the same remedies on all that was read before the repair
         * @param over whether no more such reading can come
         */
        public static TurnedOut of(Grade accepted, Grade last, boolean over) {
            if (accepted == Grade.PROVEN) {
                return PROVEN;
            }
            if (last == Grade.PROVEN) {
                return ASSUMED_THEN_PROVEN;
            }
            return over ? ASSUMED_NEVER_PROVEN : ASSUMED;
        }
    }
}
