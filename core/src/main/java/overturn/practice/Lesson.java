package overturn.practice;

import java.util.List;
import java.util.Optional;

/**
 * A lesson of the course: an exercise that is always the same vehicle. Its words are {@code lesson.<id>}, with what to
 * notice {@code .before} and {@code .after}.
 */
public record Lesson(String id, String layoutId, Exercise exercise) {

    private static final List<Lesson> ALL = List.of(
            of("hold-off-and-on", "tarn-box-van", ExerciseKind.ONE_FAULT, 11, "primary-piston-cup"),
            of("by-pass-or-release-valve", "tarn-box-van", ExerciseKind.ONE_FAULT, 12, "release-valve-passing"),
            of("air-or-clearance", "tarn-box-van", ExerciseKind.ONE_FAULT, 13, "excess-shoe-clearance"),
            of("where-it-is-trapped", "pellow-saloon", ExerciseKind.ONE_FAULT, 14, "output-rod-too-long"),
            of("the-lying-plug", "tarn-box-van", ExerciseKind.LYING_RIG, 15, "primary-piston-cup"),
            of(
                    "the-second-fault",
                    "old-bess-tender",
                    ExerciseKind.TWO_FAULTS,
                    16,
                    "excess-shoe-clearance",
                    "air-in-front-end"),
            of("nothing-wrong", "pellow-saloon", ExerciseKind.NOTHING_WRONG, 17),
            of("clutch-stroke", "brack-tug-clutch", ExerciseKind.ONE_FAULT, 18, "air-in-slave"),
            of("lever-preload", "wisp-courier-brake", ExerciseKind.ONE_FAULT, 19, "reach-screw-preload"),
            of("hydraulic-assist", "corvane-flatbed", ExerciseKind.ONE_FAULT, 20, "accumulator-lost"));

    private static Lesson of(String id, String layoutId, ExerciseKind kind, long seed, String... suspectIds) {
        return new Lesson(id, layoutId, new Exercise(kind, ExerciseLevel.FIRST_STEPS, List.of(suspectIds), seed));
    }

    /** The course, in order. */
    public static List<Lesson> all() {
        return ALL;
    }

    public static Optional<Lesson> find(String id) {
        return ALL.stream().filter(lesson -> lesson.id().equals(id)).findFirst();
    }
}
