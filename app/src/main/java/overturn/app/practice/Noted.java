package overturn.app.practice;

import java.util.List;
import java.util.UUID;
import overturn.practice.RigAct;

/** What an exercise notes beside the log of its job. */
public sealed interface Noted {

    /** Hands did something to the vehicle. */
    record Acted(RigAct act) implements Noted {
        public static final String KIND = "acted";
    }

    /**
     * A test was done as its steps say.
     *
     * @param setUp which set-up of its rig, counted from 0
     * @param shown what it showed, as {@code figure text} joined by spaces, or the option seen
     */
    record Tested(String procedureId, int setUp, String shown) implements Noted {
        public static final String KIND = "tested";
    }

    /** The program was asked what it would do, as the job's log stood. */
    record Helped(int jobSequence) implements Noted {
        public static final String KIND = "helped";
    }

    /**
     * How sure the trainee was of a remedy after a reading, per cent.
     *
     * @param readingId entry of the job's log after which that was
     */
    record Sure(UUID readingId, String remedyId, int percent) implements Noted {
        public static final String KIND = "sure";
    }

    /**
     * The exercise is over and told, and how it was judged then.
     *
     * @param points 0 to 100
     * @param claims how sure somebody was of what, and what was so
     */
    record Ended(int points, boolean right, List<Claim> claims) implements Noted {
        public static final String KIND = "ended";

        public Ended {
            claims = claims == null ? List.of() : List.copyOf(claims);
        }

        /** How sure somebody was, per cent, whether it was so, and how sure the planner then was, 0 to 1. */
        public record Claim(int percent, boolean needed, double planner) {}
    }
}
