package overturn.bleeding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import overturn.bleeding.BleedEvent.Bubbles;
import overturn.bleeding.BleedEvent.Colour;
import overturn.bleeding.BleedEvent.Rest;
import overturn.bleeding.BleedEvent.Strokes;
import overturn.circuit.Layout;

/**
 * Where bleeding stands: a pure function of what happened.
 *
 * @param ends in the order in which they are bled
 * @param next the end to bleed now; empty when all are done
 * @param restFirst whether it is left alone for ten minutes before that, so that air which clings comes loose
 * @param reservoir where the level stands and how far it reaches
 * @param leftMl air believed left in all ends, mL
 * @param surelyBelowMl air left in all is below this with 95 %, mL
 * @param allowedMl air that may be left in all, mL: it costs a millimetre of pedal or two of lever tip
 */
public record BleedSheet(
        List<End> ends,
        Optional<String> next,
        boolean restFirst,
        Reservoir reservoir,
        double leftMl,
        double surelyBelowMl,
        double allowedMl) {

    /** Strokes between two looks at the sheet; chosen. */
    private static final int STROKES_A_TURN = 5;
    /** Clear turns by which an end is clear: before any rest, and after each; chosen. */
    private static final int CLEAR_TURNS = 2;

    private static final int CLEAR_TURNS_AFTER_REST = 2;
    /** Where less than this may be left at each end, mL, an end is watched for one more turn after a rest; chosen. */
    private static final double LITTLE_LEFT_ML = 0.022;
    /** Standard deviations to a bound that holds in 95 %, the tail of what is left being long */
    private static final double SURE_SD = 2.2;
    /** Many bubbles after so many strokes are drawn in, not driven out; estimate. */
    private static final int DRAWN_IN_STROKES = 30;

    private static final int DRAWN_IN_TURNS = 3;
    private static final double PEDAL_MM = 1;
    private static final double LEVER_MM = 2;

    public BleedSheet {
        ends = List.copyOf(ends);
    }

    /** How one end stands. */
    public enum State {
        /** Nothing was done at it yet, or nothing since the last rest. */
        WAITING,
        BLEEDING,
        /** Clear now; what clings may come loose with a rest. */
        CLEAR,
        /** Clear, and what may be left in the circuit costs too little to be felt. */
        DONE,
        /** Air comes in at a thread, adapter or cup as fast as it goes out. */
        DRAWING_AIR
    }

    /**
     * One end.
     *
     * @param strokes so far
     * @param takenMl fluid believed taken out
     * @param leftMl air believed left
     * @param strokesNow strokes until the next look; no more than the level allows
     */
    public record End(
            String id,
            State state,
            int strokes,
            double takenMl,
            double leftMl,
            Optional<Bubbles> bubbles,
            Optional<Colour> colour,
            int strokesNow) {}

    /** Where the sheet stands. */
    public static BleedSheet of(Layout layout, List<String> endIds, Schools schools, List<BleedEvent> events) {
        List<String> ordered = BleedOrder.of(layout, endIds, schools);
        double allowed = allowedMl(layout);
        double left = 0;
        double variance = 0;
        List<Double> each = new ArrayList<>();
        for (String id : ordered) {
            AirLeft air = AirLeft.of(id, events, method -> Reservoir.foreseenStrokeMl(layout, id, method));
            each.add(air.meanMl());
            left += air.meanMl();
            variance += air.varianceMl2();
        }
        int afterRest = CLEAR_TURNS_AFTER_REST + (allowed / ordered.size() < LITTLE_LEFT_ML ? 1 : 0);
        double surely = left + SURE_SD * Math.sqrt(variance);
        List<State> states =
                ordered.stream().map(id -> state(id, events, afterRest)).toList();
        boolean done = surely <= allowed && states.stream().allMatch(s -> s == State.CLEAR);
        Optional<String> next = IntStream.range(0, ordered.size())
                .filter(i -> states.get(i) != State.CLEAR)
                .mapToObj(ordered::get)
                .findFirst();
        boolean restFirst = !done && next.isEmpty();
        Reservoir reservoir = Reservoir.of(layout, events, next.orElse(ordered.get(0)), schools.method());
        List<End> ends = new ArrayList<>();
        for (int i = 0; i < ordered.size(); i++) {
            ends.add(end(layout, ordered.get(i), events, done ? State.DONE : states.get(i), each.get(i), reservoir));
        }
        return new BleedSheet(
                ends, restFirst ? Optional.of(ordered.get(0)) : next, restFirst, reservoir, left, surely, allowed);
    }

    /** Whether nothing is left to bleed. */
    public boolean done() {
        return ends.stream().allMatch(e -> e.state() == State.DONE);
    }

    /**
     * Air that costs a millimetre of pedal, or two of lever tip, mL: at a firm press a bubble is all but gone, so it
     * takes its own volume of the master's stroke.
     */
    static double allowedMl(Layout layout) {
        double tipMm = layout.family().lever() ? LEVER_MM : PEDAL_MM;
        return tipMm / layout.input().ratioAtRest() * layout.master().areaMm2() / 1000;
    }

    private static End end(
            Layout layout, String id, List<BleedEvent> events, State state, double leftMl, Reservoir reservoir) {
        List<Strokes> own = own(id, events);
        int strokes = own.stream().mapToInt(Strokes::count).sum();
        Optional<Strokes> last = own.isEmpty() ? Optional.empty() : Optional.of(own.get(own.size() - 1));
        return new End(
                id,
                state,
                strokes,
                own.stream()
                        .mapToDouble(s -> s.count() * Reservoir.foreseenStrokeMl(layout, id, s.method()))
                        .sum(),
                leftMl,
                last.map(Strokes::bubbles),
                last.map(Strokes::colour),
                Math.min(STROKES_A_TURN, Math.max(1, reservoir.safeStrokes())));
    }

    private static List<Strokes> own(String id, List<BleedEvent> events) {
        return events.stream()
                .filter(Strokes.class::isInstance)
                .map(Strokes.class::cast)
                .filter(s -> s.endId().equals(id))
                .toList();
    }

    private static State state(String id, List<BleedEvent> events, int clearTurnsAfterRest) {
        List<Strokes> own = own(id, events);
        int turns = own.size();
        if (own.stream().mapToInt(Strokes::count).sum() >= DRAWN_IN_STROKES
                && own.subList(turns - Math.min(turns, DRAWN_IN_TURNS), turns).stream()
                        .allMatch(s -> s.bubbles() == Bubbles.MANY)) {
            return State.DRAWING_AIR;
        }
        int rest = IntStream.range(0, events.size())
                .filter(i -> events.get(i) instanceof Rest)
                .max()
                .orElse(-1);
        List<Strokes> since = own(id, events.subList(rest + 1, events.size()));
        int asked = rest < 0 ? CLEAR_TURNS : clearTurnsAfterRest;
        if (since.isEmpty()) {
            return State.WAITING;
        }
        return since.size() >= asked
                        && since.subList(since.size() - asked, since.size()).stream()
                                .allMatch(s -> s.bubbles() == Bubbles.NONE)
                ? State.CLEAR
                : State.BLEEDING;
    }
}
