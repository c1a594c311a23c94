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
 * Where bleeding stands: a pure function of what happened. Every end is bled until it runs clear; then the circuit is
 * left alone once, so that air which clings comes loose, and every end is watched again. It is done when no bubble came
 * at any end after the rest, and of a flush when what comes out is clear; only bubbles after the rest ask for another.
 *
 * @param ends in the order in which they are bled
 * @param next the end to bleed now; empty when all are done
 * @param restFirst whether it is left alone for ten minutes before that
 * @param bubblesAfterRest whether bubbles came after the last rest, so that another round is worth its price
 * @param rounds rounds after a rest so far, the one under way among them
 * @param roundMinutes what a rest and the round after it take at most, minutes
 * @param reservoir where the level stands and how far it reaches
 * @param leftMl air believed left in all ends, mL
 */
public record BleedSheet(
        List<End> ends,
        Optional<String> next,
        boolean restFirst,
        boolean bubblesAfterRest,
        int rounds,
        double roundMinutes,
        Reservoir reservoir,
        double leftMl) {

    /** How long a circuit is left alone before another round, minutes; docs/trade-figures.md. */
    public static final double REST_MINUTES = 10;

    /** Strokes between two looks at the sheet; chosen (docs/experiments.md). */
    private static final int STROKES_A_TURN = 4;
    /** Strokes without a bubble by which an end is watched after a rest; chosen (docs/experiments.md). */
    private static final int STROKES_WATCHED = 16;
    /** What a stroke takes with pressing, opening, closing and coming back, minutes; estimate. */
    private static final double STROKE_MINUTES = 0.1;
    /** Many bubbles after so many strokes are drawn in, not driven out; estimate. */
    private static final int DRAWN_IN_STROKES = 30;

    /**
     * Bubbles so many rounds of strokes running, though hardly any air can be left, are drawn in at the thread;
     * estimate.
     */
    private static final int DRAWN_IN_TURNS = 3;

    public BleedSheet {
        ends = List.copyOf(ends);
    }

    /** How one end stands. */
    public enum State {
        /** Nothing was done at it yet, or nothing since the last rest. */
        WAITING,
        BLEEDING,
        /** Runs clear now; what clings may come loose with a rest. */
        CLEAR,
        /** No bubble came after the rest. */
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

    /**
     * Where the sheet stands.
     *
     * @param flush whether the fluid is changed, so that an end is not done while what comes out is dark
     */
    public static BleedSheet of(
            Layout layout, List<String> endIds, Schools schools, boolean flush, List<BleedEvent> events) {
        List<String> ordered = BleedOrder.of(layout, endIds, schools);
        Round round = Round.of(events, flush);
        List<State> states = ordered.stream().map(round::state).toList();
        Optional<String> next = IntStream.range(0, ordered.size())
                .filter(i -> states.get(i) != State.CLEAR)
                .mapToObj(ordered::get)
                .findFirst();
        boolean restFirst = next.isEmpty() && (round.rests == 0 || round.bubbles);
        boolean done = next.isEmpty() && !restFirst;
        Reservoir reservoir = Reservoir.of(layout, events, next.orElse(ordered.get(0)), schools.method());
        List<End> ends = new ArrayList<>();
        double left = 0;
        for (int i = 0; i < ordered.size(); i++) {
            String id = ordered.get(i);
            double own = AirLeft.of(id, events, method -> Reservoir.foreseenStrokeMl(layout, id, method))
                    .meanMl();
            left += own;
            int asked = round.strokesAsked(id);
            ends.add(end(layout, id, events, done ? State.DONE : states.get(i), own, asked, reservoir));
        }
        return new BleedSheet(
                ends,
                restFirst ? Optional.of(ordered.get(0)) : next,
                restFirst,
                round.rests > 0 && round.bubbles,
                round.rests,
                REST_MINUTES + STROKE_MINUTES * STROKES_WATCHED * ordered.size(),
                reservoir,
                left);
    }

    /** Whether nothing is left to bleed. */
    public boolean done() {
        return ends.stream().allMatch(e -> e.state() == State.DONE);
    }

    private static End end(
            Layout layout,
            String id,
            List<BleedEvent> events,
            State state,
            double leftMl,
            int asked,
            Reservoir reservoir) {
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
                Math.min(asked, Math.max(1, reservoir.safeStrokes())));
    }

    private static List<Strokes> own(String id, List<BleedEvent> events) {
        return events.stream()
                .filter(Strokes.class::isInstance)
                .map(Strokes.class::cast)
                .filter(s -> s.endId().equals(id))
                .toList();
    }

    /**
     * What happened since the last rest.
     *
     * @param rests how many there were
     * @param since what came after the last
     * @param bubbles whether any came since
     */
    private record Round(List<BleedEvent> all, List<BleedEvent> since, int rests, boolean bubbles, boolean flush) {

        static Round of(List<BleedEvent> events, boolean flush) {
            int last = IntStream.range(0, events.size())
                    .filter(i -> events.get(i) instanceof Rest)
                    .max()
                    .orElse(-1);
            List<BleedEvent> since = events.subList(last + 1, events.size());
            boolean bubbles = since.stream()
                    .anyMatch(event -> event instanceof Strokes strokes && strokes.bubbles() != Bubbles.NONE);
            int rests = (int) events.stream().filter(Rest.class::isInstance).count();
            return new Round(events, since, rests, bubbles, flush);
        }

        /**
         * Whether an end has to be watched for long: nothing has come since the rest, so that this round may be the
         * last.
         */
        private boolean watching() {
            return rests > 0 && !bubbles;
        }

        State state(String id) {
            List<Strokes> own = own(id, all);
            if (drawsAir(own)) {
                return State.DRAWING_AIR;
            }
            List<Strokes> now = own(id, since);
            if (now.isEmpty()) {
                return State.WAITING;
            }
            Strokes last = now.get(now.size() - 1);
            boolean dark = flush && last.colour() == Colour.DARK;
            boolean clear = watching()
                    ? quiet(now) >= STROKES_WATCHED
                    : rests > 0 || last.bubbles() == Bubbles.NONE && quiet(now) >= STROKES_A_TURN;
            return clear && !dark ? State.CLEAR : State.BLEEDING;
        }

        int strokesAsked(String id) {
            return watching() ? Math.max(1, STROKES_WATCHED - quiet(own(id, since))) : STROKES_A_TURN;
        }

        /** Strokes since the last bubble. */
        private static int quiet(List<Strokes> own) {
            int quiet = 0;
            for (Strokes strokes : own) {
                quiet = strokes.bubbles() == Bubbles.NONE ? quiet + strokes.count() : 0;
            }
            return quiet;
        }

        private static boolean drawsAir(List<Strokes> own) {
            int turns = own.size();
            return own.stream().mapToInt(Strokes::count).sum() >= DRAWN_IN_STROKES
                    && own.subList(turns - Math.min(turns, DRAWN_IN_TURNS), turns).stream()
                            .allMatch(s -> s.bubbles() == Bubbles.MANY);
        }
    }
}
