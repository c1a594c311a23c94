package overturn.proving;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Where proving stands: a pure function of what is fitted, of what was ticked and of what was checked.
 *
 * @param gates every gate, the chocks first
 * @param mayBeReleasedConditionally chocks, yard and road are through, nothing is on, off or moved, and nothing was
 *     found the next day that was not gone into
 * @param mayBeReleased the next-day checks are through too
 */
public record Proving(List<Standing> gates, boolean mayBeReleasedConditionally, boolean mayBeReleased) {

    public Proving {
        gates = List.copyOf(gates);
    }

    /** How a gate stands. */
    public enum State {
        /** Something before it is open. */
        SHUT,
        OPEN,
        PASSED,
        FAILED
    }

    /** Outcome of a check. */
    public enum Outcome {
        PASSED,
        FAILED
    }

    /**
     * What keeps the first gate shut: exactly what and where.
     *
     * @param item {@code kind@component}, a step's key, or empty where bleeding is not done
     */
    public record Blocker(Kind kind, String item) {

        /** Why. */
        public enum Kind {
            STEP_OPEN,
            /** Something is on, off or moved. */
            ON_VEHICLE,
            BLEEDING,
            NO_VERDICT
        }
    }

    /** One gate: how it stands, what shuts it, which checks are missing or have failed. */
    public record Standing(Gate gate, State state, List<Blocker> blockers, List<String> missing, List<String> failed) {

        public Standing {
            blockers = List.copyOf(blockers);
            missing = List.copyOf(missing);
            failed = List.copyOf(failed);
        }
    }

    /**
     * Works out every gate.
     *
     * @param checks mandatory ones of the layout
     * @param outcomes the latest of each check since the vehicle was last opened, by its id
     * @param blockers what is not finished or still on, off or moved
     */
    public static Proving of(List<Check> checks, Map<String, Outcome> outcomes, List<Blocker> blockers) {
        List<Standing> gates = new ArrayList<>();
        Map<Gate, State> states = new EnumMap<>(Gate.class);
        for (Gate gate : Gate.values()) {
            List<String> missing = ids(checks, gate, outcomes, Optional.empty());
            List<String> failed = ids(checks, gate, outcomes, Optional.of(Outcome.FAILED));
            boolean before = gate == Gate.CHOCKS
                    ? blockers.isEmpty()
                    : blockers.isEmpty() && states.get(Gate.values()[gate.ordinal() - 1]) == State.PASSED;
            State state = !before
                    ? State.SHUT
                    : !failed.isEmpty() ? State.FAILED : missing.isEmpty() ? State.PASSED : State.OPEN;
            states.put(gate, state);
            gates.add(new Standing(gate, state, gate == Gate.CHOCKS ? blockers : List.of(), missing, failed));
        }
        boolean foundNextDay = !gates.get(Gate.NEXT_DAY.ordinal()).failed().isEmpty();
        return new Proving(
                gates,
                states.get(Gate.ROAD) == State.PASSED && !foundNextDay,
                states.get(Gate.NEXT_DAY) == State.PASSED);
    }

    private static List<String> ids(
            List<Check> checks, Gate gate, Map<String, Outcome> outcomes, Optional<Outcome> outcome) {
        return checks.stream()
                .filter(c -> c.gate() == gate)
                .map(Check::id)
                .filter(id -> Optional.ofNullable(outcomes.get(id)).equals(outcome))
                .toList();
    }

    /** How one gate stands. */
    public Standing at(Gate gate) {
        return gates.get(gate.ordinal());
    }
}
