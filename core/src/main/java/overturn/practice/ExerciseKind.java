package overturn.practice;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What can be hidden in an exercise. */
public enum ExerciseKind {
    ONE_FAULT,
    TWO_FAULTS,
    NOTHING_WRONG,
    /** One fault that is there in some tests only, and the driver says so. */
    COMES_AND_GOES,
    /** One fault, and a tool that lies until it is set up anew. */
    LYING_RIG,
    /** A fault that no list has: {@link HiddenTruth#IN_NO_LIST}. */
    IN_NO_LIST;

    /** Of ten exercises that take what comes so many are of each kind; chosen. */
    public static final List<ExerciseKind> WHAT_COMES = List.of(
            ONE_FAULT,
            ONE_FAULT,
            ONE_FAULT,
            ONE_FAULT,
            ONE_FAULT,
            TWO_FAULTS,
            NOTHING_WRONG,
            COMES_AND_GOES,
            LYING_RIG,
            IN_NO_LIST);

    /** Stable id, in small letters with hyphens. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<ExerciseKind> find(String id) {
        return Arrays.stream(values()).filter(kind -> kind.id().equals(id)).findFirst();
    }
}
