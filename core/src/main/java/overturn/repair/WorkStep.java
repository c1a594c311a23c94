package overturn.repair;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.procedure.Needed;

/**
 * One action of a work plan. Its sentence is the word {@code repair.<id>}, in which {@code {place}} stands for the
 * component; where it wants a helper, {@code repair.<id>.alone} says how one person does it.
 *
 * @param id key of its sentence
 * @param place the component that the hands are at
 * @param minutes of a practised hand
 * @param cautionIds cautions shown at this step
 * @param needs what has to be so, or must not be so, when it is begun
 * @param makes what is so, or not so any more, when it is done
 * @param asks figures to be measured
 * @param together figures of {@code asks} that have to go together; others stop the plan
 * @param sheetFigures figures of the maker that it needs, from the vehicle's data sheet
 * @param needed what has to be at hand
 * @param testId the test of the catalogue whose reading this step is; evidence like any other
 * @param optional whether it is done only where it applies
 * @param helper whether it wants a second person
 */
public record WorkStep(
        String id,
        Section section,
        Handling handling,
        String place,
        double minutes,
        List<String> cautionIds,
        List<Condition> needs,
        List<Condition> makes,
        List<Asked> asks,
        List<Together> together,
        List<String> sheetFigures,
        List<Needed> needed,
        Optional<String> testId,
        boolean optional,
        boolean helper) {

    static final String BLEED_END = "bleed-end";

    private static final Set<String> LEFT =
            Stream.of(State.values()).filter(State::canBeLeft).map(State::id).collect(Collectors.toUnmodifiableSet());
    private static final Set<String> PASSING = Stream.of(State.values())
            .filter(state -> !state.canBeLeft())
            .map(State::id)
            .collect(Collectors.toUnmodifiableSet());

    public WorkStep {
        cautionIds = List.copyOf(cautionIds);
        needs = List.copyOf(needs);
        makes = List.copyOf(makes);
        asks = List.copyOf(asks);
        together = List.copyOf(together);
        sheetFigures = List.copyOf(sheetFigures);
        needed = List.copyOf(needed);
    }

    /** Names it in its plan: the same act at the same place is done once. */
    public String key() {
        return id + "@" + place;
    }

    /** What it puts on, takes off or moves, and what has to be set back: {@code kind@component}. */
    public List<String> leaves() {
        return makes.stream()
                .filter(made -> made.so() && LEFT.contains(kind(made)))
                .map(Condition::state)
                .toList();
    }

    /** What it takes off or sets back, also of what a test has fitted: {@code kind@component}. */
    public List<String> setsBack() {
        return makes.stream()
                .filter(made -> !made.so() && !PASSING.contains(kind(made)))
                .map(Condition::state)
                .toList();
    }

    /** An end is done when the bleed sheet says so, whatever was ticked. */
    public boolean bleedsAnEnd() {
        return id.equals(BLEED_END);
    }

    private static String kind(Condition condition) {
        return condition.state().split("@")[0];
    }
}
