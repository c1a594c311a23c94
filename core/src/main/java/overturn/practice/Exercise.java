package overturn.practice;

import java.util.List;

/**
 * An exercise on a circuit: what is hidden, how plain, and the seed from which the vehicle and all it does come.
 *
 * @param suspectIds what is wrong, where that is set; empty where chance decides
 */
public record Exercise(ExerciseKind kind, ExerciseLevel level, List<String> suspectIds, long seed) {

    public Exercise {
        suspectIds = List.copyOf(suspectIds);
    }
}
