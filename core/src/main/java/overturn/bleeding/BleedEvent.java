package overturn.bleeding;

/** What happened at the bleed sheet, in the order of the log. */
public sealed interface BleedEvent {

    /** What was seen in the hose: none where not one came in all of these strokes, otherwise how it ran at the end. */
    enum Bubbles {
        MANY,
        FEW,
        NONE
    }

    /** Colour of what came out. */
    enum Colour {
        DARK,
        CLEAR
    }

    /** Strokes or portions at one end by one method, and what they showed. */
    record Strokes(String endId, int count, Bubbles bubbles, Colour colour, Schools.Method method)
            implements BleedEvent {
        public Strokes {
            if (count < 1) {
                throw new IllegalArgumentException("Strokes at " + endId + ": " + count + " must be 1 or more");
            }
        }
    }

    /** The level as it was read or filled to, mL above the minimum mark; negative below it. */
    record Level(double aboveMinimumMl) implements BleedEvent {}

    /** Left alone for ten minutes or more: air that clung comes together and rises. */
    record Rest() implements BleedEvent {}
}
