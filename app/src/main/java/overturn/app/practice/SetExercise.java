package overturn.app.practice;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import overturn.practice.Exercise;

/**
 * An exercise that was set for somebody.
 *
 * @param id also the id of its job, once that is opened
 * @param personId who practises
 * @param setById who set it
 * @param lessonId the lesson of the course that it is
 * @param fromJobId the closed job that it plays again
 */
public record SetExercise(
        UUID id,
        String personId,
        Instant setAt,
        String setById,
        String layoutId,
        Exercise exercise,
        Optional<String> lessonId,
        Optional<UUID> fromJobId) {}
