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
 * @param help whether it takes a second person
 */
public record Step(
        String id,
        Optional<String> place,
        OptionalInt timerSeconds,
        List<String> figures,
        Optional<String> cautionId,
        List<String> fits,
        Help help) {

    /** Whether a second person is wanted. */
    public enum Help {
        NONE,
        OR_ALONE,
        TAKES_ONE
    }

    public Step {
        figures = List.copyOf(figures);
        fits = List.copyOf(fits);
    }

    /** A step of which nothing is said yet but its id. */
    public static Step of(String id) {
        return new Step(id, Optional.empty(), OptionalInt.empty(), List.of(), Optional.empty(), List.of(), Help.NONE);
    }

    /** Done at this component. */
    public Step at(String componentId) {
        return new Step(id, Optional.of(componentId), timerSeconds, figures, cautionId, fits, help);
    }

    /** With a clock of so many seconds. */
    public Step timed(int seconds) {
        return new Step(id, place, OptionalInt.of(seconds), figures, cautionId, fits, help);
    }

    /** At which these figures are read. */
    public Step reads(String... figureIds) {
        return new Step(id, place, timerSeconds, List.of(figureIds), cautionId, fits, help);
    }

    /** With this caution shown at it. */
    public Step caution(String caution) {
        return new Step(id, place, timerSeconds, figures, Optional.of(caution), fits, help);
    }

    /** Puts these on, off or out of their place, each {@code kind} or {@code kind@component}. */
    public Step fits(String... items) {
        return new Step(id, place, timerSeconds, figures, cautionId, List.of(items), help);
    }

    /** A second person does part of it, and nobody can do both. */
    public Step withHelper() {
        return new Step(id, place, timerSeconds, figures, cautionId, fits, Help.TAKES_ONE);
    }

    /** A second person does part of it; one person does it as the word {@code test.<test>.alone} says. */
    public Step withHelperOrAlone() {
        return new Step(id, place, timerSeconds, figures, cautionId, fits, Help.OR_ALONE);
    }
}
