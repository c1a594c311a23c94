package overturn.proving;

import java.util.Optional;

/**
 * One check of a gate. Its sentence is the word {@code check.<id>}.
 *
 * @param cautionId caution shown at it
 * @param testId the test of the catalogue whose reading stands before and after on one ruler; evidence like any other
 */
public record Check(String id, Gate gate, Optional<String> cautionId, Optional<String> testId) {

    static Check of(String id, Gate gate) {
        return new Check(id, gate, Optional.empty(), Optional.empty());
    }

    Check caution(String caution) {
        return new Check(id, gate, Optional.of(caution), testId);
    }

    Check test(String test) {
        return new Check(id, gate, cautionId, Optional.of(test));
    }
}
