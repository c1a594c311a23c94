package overturn.repair;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import overturn.procedure.Needed;
import overturn.quantity.Dimension;

/** A step while its plan is put together. What is said of a state without a place is about the place of the step. */
final class StepDraft {

    final String id;
    final Section section;
    final Handling handling;
    final String place;
    private final double minutes;
    private final Set<String> cautions = new LinkedHashSet<>();
    private final Set<Needed> needed = EnumSet.noneOf(Needed.class);
    private final Set<Condition> needs = new LinkedHashSet<>();
    private final Set<Condition> within = new LinkedHashSet<>();
    private final Set<Condition> makes = new LinkedHashSet<>();
    private final Set<Asked> asks = new LinkedHashSet<>();
    private final Set<Together> together = new LinkedHashSet<>();
    private final Set<String> makers = new LinkedHashSet<>();
    private String test = "";
    private boolean optional;
    private boolean presses;
    private boolean helper;
    private boolean fills;
    private boolean closes;
    private boolean onWheels;

    StepDraft(String id, Section section, Handling handling, String place, double minutes) {
        this.id = id;
        this.section = section;
        this.handling = handling;
        this.place = place;
        this.minutes = minutes;
        makes.add(done(id, place));
    }

    private static Condition done(String id, String place) {
        return new Condition("done-" + id + "@" + place, true);
    }

    String key() {
        return id + "@" + place;
    }

    Set<Condition> makes() {
        return makes;
    }

    boolean makes(Condition condition) {
        return makes.contains(condition);
    }

    boolean presses() {
        return presses;
    }

    boolean fills() {
        return fills;
    }

    boolean closes() {
        return closes;
    }

    boolean isOnWheels() {
        return onWheels;
    }

    StepDraft caution(String... ids) {
        cautions.addAll(List.of(ids));
        return this;
    }

    /** What has to be at hand for it. */
    StepDraft with(Needed... more) {
        needed.addAll(List.of(more));
        return this;
    }

    StepDraft needs(State... states) {
        for (State state : states) {
            needs(state, place);
        }
        return this;
    }

    StepDraft needs(State state, String at) {
        needs.add(Condition.is(state, at));
        return this;
    }

    StepDraft unless(State... states) {
        for (State state : states) {
            unless(state, place);
        }
        return this;
    }

    StepDraft unless(State state, String at) {
        needs.add(Condition.isNot(state, at));
        return this;
    }

    /** Needs it where some step of the plan makes it. */
    StepDraft within(State... states) {
        for (State state : states) {
            within(state, place);
        }
        return this;
    }

    StepDraft within(State state, String at) {
        return within(Condition.is(state, at));
    }

    StepDraft within(Condition condition) {
        within.add(condition);
        return this;
    }

    /** After another step at the same place. */
    StepDraft after(String id) {
        return after(id, place);
    }

    StepDraft after(String id, String at) {
        needs.add(done(id, at));
        return this;
    }

    /** After other steps at the same place, those of them that the plan has. */
    StepDraft afterWherePlanned(String... ids) {
        for (String one : ids) {
            within(done(one, place));
        }
        return this;
    }

    StepDraft afterWherePlannedAt(String at, String id) {
        return within(done(id, at));
    }

    StepDraft makes(State... states) {
        for (State state : states) {
            makes(state, place);
        }
        return this;
    }

    StepDraft makes(State state, String at) {
        makes.add(Condition.is(state, at));
        return this;
    }

    StepDraft ends(State... states) {
        for (State state : states) {
            ends(state, place);
        }
        return this;
    }

    StepDraft ends(State state, String at) {
        makes.add(Condition.isNot(state, at));
        return this;
    }

    /** Takes off, here or where it says, what a test may have put on. */
    StepDraft endsFitting(String... kinds) {
        for (String kind : kinds) {
            makes.add(new Condition(kind.contains("@") ? kind : kind + "@" + place, false));
        }
        return this;
    }

    /** Asks for a figure; listed where the layout knows it, and then one that differs stops the plan. */
    StepDraft asks(String figure, Dimension dimension, OptionalDouble listed, double tolerance) {
        asks.add(new Asked(figure, dimension, listed, tolerance, true));
        return this;
    }

    /** Asks for a figure of the old part: it may be what was wrong, so it stops nothing. */
    StepDraft asksOfOld(String figure, Dimension dimension, OptionalDouble listed, double tolerance) {
        asks.add(new Asked(figure, dimension, listed, tolerance, false));
        return this;
    }

    /** Asks that the second figure less the first lies between two limits. */
    StepDraft together(String first, String second, double least, double most) {
        together.add(new Together(first, second, least, most));
        return this;
    }

    /** Needs a figure of the maker. */
    StepDraft maker(String... figures) {
        makers.addAll(List.of(figures));
        return this;
    }

    StepDraft isTest(String id) {
        test = id;
        return this;
    }

    StepDraft whereItApplies() {
        optional = true;
        return this;
    }

    /** Pedal or lever is pressed in it. */
    StepDraft pressing() {
        presses = true;
        return this;
    }

    /** Fluid goes into the whole circuit in it. */
    StepDraft filling() {
        fills = true;
        return this;
    }

    /** Done once everything is bled that the plan bleeds. */
    StepDraft closing() {
        closes = true;
        return this;
    }

    /** Done with the vehicle on its wheels. */
    StepDraft onWheels() {
        onWheels = true;
        return this;
    }

    /** Wants a second person; its words say how one person does it. */
    StepDraft helper() {
        helper = true;
        return this;
    }

    /** The same act at the same place, asked for by another remedy: what either says counts. */
    void add(StepDraft other) {
        cautions.addAll(other.cautions);
        needed.addAll(other.needed);
        needs.addAll(other.needs);
        within.addAll(other.within);
        makes.addAll(other.makes);
        asks.addAll(other.asks);
        together.addAll(other.together);
        makers.addAll(other.makers);
        test = test.isEmpty() ? other.test : test;
        optional &= other.optional;
        presses |= other.presses;
        helper |= other.helper;
        fills |= other.fills;
        closes |= other.closes;
        onWheels |= other.onWheels;
    }

    /** @param made everything that some step of the plan makes so */
    WorkStep step(Set<Condition> made) {
        List<Condition> all = new ArrayList<>(needs);
        within.stream().filter(condition -> holdsOnlyIf(condition, made)).forEach(all::add);
        return new WorkStep(
                id,
                section,
                handling,
                place,
                minutes,
                List.copyOf(cautions),
                all,
                List.copyOf(makes),
                List.copyOf(asks),
                List.copyOf(together),
                List.copyOf(makers),
                List.copyOf(needed),
                test.isEmpty() ? Optional.empty() : Optional.of(test),
                optional,
                helper);
    }

    /**
     * A state that the plan never brings about is not asked for, and one that it never brings about need not be over.
     */
    private static boolean holdsOnlyIf(Condition condition, Set<Condition> made) {
        return made.contains(condition.so() ? condition : condition.opposite());
    }
}
