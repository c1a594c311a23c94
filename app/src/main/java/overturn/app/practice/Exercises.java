package overturn.app.practice;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** Exercises; they are added and never changed. */
public interface Exercises {

    /** Adds one; the same id twice adds once. */
    void add(SetExercise exercise);

    Optional<SetExercise> find(UUID id);

    /** The latest of one person, or of all where none is named, the newest first. */
    List<SetExercise> latest(Optional<String> personId, int most);

    /** What was noted in one, in order. */
    List<NotedEntry> noted(UUID exerciseId);

    /** Place of the last thing that was noted in one; 0 where nothing was. */
    int lastSequence(UUID exerciseId);

    /** How each of these ended, if it did. */
    List<EndedExercise> ended(List<UUID> exerciseIds);

    /** The end of one. */
    record EndedExercise(UUID exerciseId, Noted.Ended end) {}

    /**
     * Notes something.
     *
     * @return false if its id is in use; then nothing is written
     */
    boolean note(UUID exerciseId, NotedEntry entry);
}
