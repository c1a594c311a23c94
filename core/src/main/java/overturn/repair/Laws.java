package overturn.repair;

import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Junction;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.End;
import overturn.circuit.Layout;

/** What holds of every plan, whatever its remedies: said once here and of no step by itself. */
final class Laws {

    /** With one of these nothing is filled: it would run out. */
    private static final Set<State> OPEN = EnumSet.of(
            State.CAPS,
            State.LINE_CAP,
            State.MASTER_OUT,
            State.END_OFF,
            State.RESERVOIR_OFF,
            State.RETURN_TUBES,
            State.MODULATOR_OUT,
            State.CONNECTOR_CLIP_OUT);

    /** With one of these nobody presses: a piston comes out, or what is pressed has nothing to bear on. */
    private static final Set<State> UNBORNE = EnumSet.of(
            State.CAPS,
            State.LINE_CAP,
            State.MASTER_OUT,
            State.MASTER_LOOSE,
            State.PEDAL_BLOCK,
            State.END_OFF,
            State.SLAVE_ASIDE,
            State.DRUM_OFF,
            State.LININGS_OUT,
            State.CALIPER_SWUNG,
            State.GEARBOX_OUT,
            State.CONNECTOR_CLIP_OUT,
            State.MODULATOR_OUT,
            State.BRACKET_OUT,
            State.LEVER_OFF,
            State.ASSIST_OUT,
            State.RESERVOIR_CAP_OFF,
            State.ROD_OFF);

    private static final Set<State> SHUT_BEFORE_THE_WHEEL = EnumSet.of(
            State.DRUM_OFF, State.CALIPER_SWUNG, State.LININGS_OUT, State.END_OFF, State.LINE_CAP, State.SHOES_BACKED);

    private final Layout layout;
    private final String vehicle;
    /** Whatever steps of the plan make so, wherever. */
    private final List<Condition> made;

    private final List<Condition> open;
    private final List<Condition> unborne;

    private Laws(Layout layout, Collection<StepDraft> steps) {
        this.layout = layout;
        this.vehicle = layout.input().id();
        this.made = steps.stream()
                .flatMap(step -> step.makes().stream())
                .filter(Condition::so)
                .distinct()
                .toList();
        this.open = made(OPEN);
        this.unborne = made(UNBORNE);
    }

    /** Adds to each step what it needs by law. */
    static void applyTo(Layout layout, Collection<StepDraft> steps) {
        Laws laws = new Laws(layout, steps);
        steps.forEach(laws::apply);
    }

    private void apply(StepDraft step) {
        heldFirst(step);
        if (step.section != Section.PROTECT) {
            reached(step);
        }
        if (step.fills()) {
            open.forEach(state -> step.within(state.opposite()));
            made(EnumSet.of(State.TIGHT)).forEach(step::within);
        }
        if (step.presses()) {
            unborne.stream()
                    .filter(state -> !step.makes(state.opposite()))
                    .forEach(state -> step.within(state.opposite()));
        }
        if (step.closes()) {
            made(EnumSet.of(State.BLED)).forEach(step::within);
        }
    }

    /** The vehicle is held before anything else, covered and without reserve before anything is opened. */
    private void heldFirst(StepDraft step) {
        String reservoir = layout.reservoir().id();
        if (!step.makes(Condition.is(State.HELD, vehicle))) {
            step.within(State.HELD, vehicle);
        }
        if (step.section == Section.TAKE_OUT) {
            step.within(State.COVERED, reservoir);
            layout.assist().ifPresent(assist -> step.within(State.RESERVE_SPENT, assist.id()));
        }
    }

    /**
     * On stands and with the wheel off where the plan raises it and takes the wheel off, until the end is shut and
     * bled.
     */
    private void reached(StepDraft step) {
        boolean lowers = step.makes(Condition.isNot(State.RAISED, vehicle));
        boolean wheelOn = step.makes(Condition.isNot(State.WHEEL_OFF, step.place));
        if (lowers) {
            made(EnumSet.of(State.WHEEL_OFF)).forEach(state -> step.within(state.opposite()));
        } else if (step.isOnWheels()) {
            step.within(Condition.isNot(State.RAISED, vehicle));
        } else if (isBelow(step.place)) {
            step.within(State.RAISED, vehicle).within(State.WHEEL_OFF);
        }
        if (wheelOn) {
            step.within(State.BLED, State.SCREW_CAPPED);
            SHUT_BEFORE_THE_WHEEL.forEach(state -> step.within(Condition.isNot(state, step.place)));
        }
    }

    private List<Condition> made(Set<State> states) {
        Set<String> ids = states.stream().map(State::id).collect(Collectors.toSet());
        return made.stream()
                .filter(one -> ids.contains(one.state().split("@")[0]))
                .toList();
    }

    private boolean isBelow(String place) {
        return Stream.of(End.class, Hose.class, Pipe.class, Junction.class, QuickConnector.class)
                .anyMatch(kind -> kind.isInstance(layout.component(place)));
    }
}
