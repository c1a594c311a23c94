package overturn.repair;

/**
 * One state that has to be so, or must not be so.
 *
 * @param state a {@link State} at its part, or an item that a test has put on, {@code kind@component}
 */
public record Condition(String state, boolean so) {

    static Condition is(State state, String place) {
        return new Condition(state.at(place), true);
    }

    static Condition isNot(State state, String place) {
        return new Condition(state.at(place), false);
    }

    Condition opposite() {
        return new Condition(state, !so);
    }
}
