package overturn.procedure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * One action of a test. Its sentence is the word {@code test.<test>.step.<id>}.
 *
 * @param id           unique in its test
 * @param timerSeconds how long it takes, where the clock matters
 * @param figures      ids of the figures called and entered here
 * @param cautionId    caution shown at this step
 * @param fits         what is put on the vehicle here
 */
public record Step(String id, OptionalInt timerSeconds, List<String> figures, Optional<String> cautionId, List<String> fits) {

    public Step {
        figures = List.copyOf(figures);
        fits = List.copyOf(fits);
    }

    static Step of(String id) {
        return new Step(id, OptionalInt.empty(), List.of(), Optional.empty(), List.of());
    }

    Step timed(int seconds) {
        return new Step(id, OptionalInt.of(seconds), figures, cautionId, fits);
    }

    Step reads(String... figureIds) {
        return new Step(id, timerSeconds, List.of(figureIds), cautionId, fits);
    }

    Step caution(String caution) {
        return new Step(id, timerSeconds, figures, Optional.of(caution), fits);
    }

    Step fits(String... items) {
        return new Step(id, timerSeconds, figures, cautionId, List.of(items));
    }
}
