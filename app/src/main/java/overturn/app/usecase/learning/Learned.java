package overturn.app.usecase.learning;

import overturn.learning.LearnedCounts;
import overturn.learning.LearnedMinutes;

/**
 * What a job was told of how frequent faults are and how long tests take, beside what ships.
 *
 * @param on whether closed jobs move frequencies and minutes at all
 * @param own jobs of this workshop
 * @param elsewhere jobs of others
 * @param counts both, weighed
 * @param minutes how long tests took here
 */
public record Learned(boolean on, int own, int elsewhere, LearnedCounts counts, LearnedMinutes minutes) {

    public static final Learned NOTHING = new Learned(false, 0, 0, LearnedCounts.NONE, LearnedMinutes.NONE);
}
