package overturn.procedure;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * One action of a test. Its sentence is the word {@code test.<test>.step.<id>}; a step repeated for several components
 * shares one sentence, in which {@code {place}} stands for the component.
 *
 * @param id key of its sentence
 * @param place the component at which it is done, where a test repeats it
 * @param timerSeconds how long it takes, where the clock matters
 * @param figures ids of the figures called and entered here
 * @param cautionId caution shown at this step
 * @param fits what is put on the vehicle here; {@code kind} or {@code kind@component}
 * @param helper whether it takes a second person
 */
public record Step(
        String id,
        Optional<String> place,
        OptionalInt timerSeconds,
        List<String> figures,
        Optional<String> cautionId,
        List<String> fits,
        boolean helper) {

    public Step {
        figures = List.copyOf(figures);
        fits = List.copyOf(fits);
    }

    static Step of(String id) {
        return new Step(id, Optional.empty(), OptionalInt.empty(), List.of(), Optional.empty(), List.of(), false);
    }

    Step at(String componentId) {
        return new Step(id, Optional.of(componentId), timerSeconds, figures, cautionId, fits, helper);
    }

    Step timed(int seconds) {
        return new Step(id, place, OptionalInt.of(seconds), figures, cautionId, fits, helper);
    }

    Step reads(String... figureIds) {
        return new Step(id, place, timerSeconds, List.of(figureIds), cautionId, fits, helper);
    }

    Step caution(String caution) {
        return new Step(id, place, timerSeconds, figures, Optional.of(caution), fits, helper);
    }

    Step fits(String... items) {
        return new Step(id, place, timerSeconds, figures, cautionId, List.of(items), helper);
    }

    Step withHelper() {
        return new Step(id, place, timerSeconds, figures, cautionId, fits, true);
    }
}
