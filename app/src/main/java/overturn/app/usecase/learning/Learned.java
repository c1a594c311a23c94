package overturn.app.usecase.learning;

import overturn.learning.LearnedCounts;

/**
 * What a job was told of how frequent faults are, beside what ships.
 *
 * @param on whether closed jobs move the frequencies at all
 * @param own jobs of this workshop
 * @param elsewhere jobs of others
 * @param counts both, weighed
 */
public record Learned(boolean on, int own, int elsewhere, LearnedCounts counts) {

    public static final Learned NOTHING = new Learned(false, 0, 0, LearnedCounts.NONE);
}
