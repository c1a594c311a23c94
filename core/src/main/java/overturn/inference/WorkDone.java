package overturn.inference;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import overturn.circuit.Assist;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.End;
import overturn.circuit.End.Slave;
import overturn.circuit.Input;
import overturn.circuit.Layout;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.suspect.Suspect.Origin;

/**
 * One piece of work done on the system before the complaint, and what it makes of each suspect (docs/trade-figures.md).
 * Air and wrong settings sit where hands were; what is new there is worn less, but may itself be wrong.
 *
 * @param area where hands were
 * @param kind what they did
 * @param bled whether it was bled afterwards, as far as is known
 */
public record WorkDone(Area area, Kind kind, Bled bled) {

    /** By how much likelier a joint leaks that was opened; estimate. */
    private static final double JOINT_OPENED = 4;
    /** An old bore is pumped through its whole length by bleeding: the cups run over rust; estimate. */
    private static final double CUPS_AFTER_BLEEDING = 1.6;

    /** By how much likelier wrong fluid is after filling; estimate. */
    private static final double WRONG_FLUID_FILLED = 5;
    /** What is left of aged fluid after a change; estimate. */
    private static final double AGED_AFTER_CHANGE = 0.1;

    /** Wrong by what was fitted, which setting does not change. */
    private static final Set<String> SIZES = Set.of(
            "wrong-assist",
            "wrong-piston",
            "axle-wrong-size",
            "wrong-ratio",
            "bore-too-large",
            "bore-too-small",
            "residual-valve-unwanted",
            "residual-valve-missing",
            "ports-crossed");

    private static final List<String> CUPS =
            List.of("primary-piston-cup", "second-piston-rear-cup", "second-piston-front-cup");

    /** A rod is between two parts: whoever works on either sets it, or should have. */
    private static final Set<Remedy> RODS = EnumSet.of(
            Remedy.SET_ROD,
            Remedy.SHORTEN_ROD,
            Remedy.LENGTHEN_ROD,
            Remedy.SET_STOP,
            Remedy.SET_OUTPUT_ROD,
            Remedy.SET_REACH);

    private static final Set<Area> SET_WITH_RODS = EnumSet.of(Area.INPUT, Area.ASSIST, Area.MASTER);

    /** A part of the system as whoever did the work would name it. */
    public enum Area {
        INPUT((part, layout) -> part instanceof Input),
        ASSIST((part, layout) -> part instanceof Assist),
        MASTER((part, layout) -> part instanceof Component.Master || part instanceof Component.Reservoir),
        MODULATOR((part, layout) -> part instanceof Component.Modulator),
        PIPES((part, layout) -> part instanceof Component.Pipe
                || part instanceof Component.ProportioningValve
                || part instanceof Component.MeteringValve
                || part instanceof Component.QuickConnector),
        FRONT_HOSES((part, layout) -> part instanceof Hose && leadsTo(part, layout, Area::isFront)),
        REAR_HOSES((part, layout) -> part instanceof Hose && leadsTo(part, layout, Area::isRear)),
        CLUTCH_HOSE((part, layout) -> part instanceof Hose && leadsTo(part, layout, Slave.class::isInstance)),
        FRONT_ENDS((part, layout) -> part instanceof End end && isFront(end)),
        REAR_ENDS((part, layout) -> part instanceof End end && isRear(end)),
        SLAVE((part, layout) -> part instanceof Slave),
        FLUID((part, layout) -> part instanceof Component.Reservoir);

        private final BiPredicate<Component, Layout> holds;

        Area(BiPredicate<Component, Layout> holds) {
            this.holds = holds;
        }

        /** Whether a layout has anything there. */
        public boolean in(Layout layout) {
            return layout.components().stream().anyMatch(part -> holds.test(part, layout));
        }

        boolean holds(Suspect suspect, Layout layout) {
            return RODS.contains(suspect.remedy()) && SET_WITH_RODS.contains(this)
                    || suspect.places().stream().anyMatch(place -> holds.test(layout.component(place), layout));
        }

        /** Whether air that came in there stays at the suspect's place: that of a hose rises to the end behind it. */
        boolean letsAirTo(Suspect suspect, Layout layout) {
            return holds(suspect, layout)
                    || suspect.places().stream()
                            .filter(place -> layout.component(place) instanceof End)
                            .flatMap(place -> layout.upstream(place).stream())
                            .map(layout::component)
                            .anyMatch(part -> part instanceof Hose && holds.test(part, layout));
        }

        /** Stable id, key of its words. */
        public String id() {
            return WorkDone.id(this);
        }

        private static boolean isFront(End end) {
            return !(end instanceof Slave) && !end.rear();
        }

        private static boolean isRear(End end) {
            return !(end instanceof Slave) && end.rear();
        }

        private static boolean leadsTo(Component part, Layout layout, Predicate<End> wanted) {
            return layout.ends().stream()
                    .filter(wanted)
                    .anyMatch(end -> layout.upstream(end.id()).contains(part.id()));
        }
    }

    /** What was done there, and what it makes of wear and of wrong settings there; estimates. */
    public enum Kind {
        RENEWED(0.35, 5),
        OPENED(0.8, 4),
        SET(0.9, 8);

        private final double wear;
        private final double setting;

        Kind(double wear, double setting) {
            this.wear = wear;
            this.setting = setting;
        }

        /** Stable id, key of its words. */
        public String id() {
            return WorkDone.id(this);
        }
    }

    /** What is known of the bleeding after it, and what it makes of air there and elsewhere; estimates. */
    public enum Bled {
        YES(4, 1.5),
        NO(15, 3),
        UNKNOWN(8, 2);

        private final double airHere;
        private final double airElsewhere;

        Bled(double airHere, double airElsewhere) {
            this.airHere = airHere;
            this.airElsewhere = airElsewhere;
        }

        /** Stable id, key of its words. */
        public String id() {
            return WorkDone.id(this);
        }
    }

    private static String id(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The value of a stable id; empty where this version does not know it. */
    public static <T extends Enum<T>> Optional<T> find(Class<T> kind, String id) {
        return Arrays.stream(kind.getEnumConstants())
                .filter(value -> id(value).equals(id))
                .findFirst();
    }

    /** What a remedy at a place was, told later as work done before; whatever opened the circuit was bled. */
    public static Optional<WorkDone> of(Remedy remedy, String placeId, Layout layout) {
        Kind kind = remedy.name().startsWith("RENEW") || remedy.name().startsWith("FIT")
                ? Kind.RENEWED
                : remedy.opensCircuit() ? Kind.OPENED : Kind.SET;
        Component part = layout.component(placeId);
        boolean fluid = remedy == Remedy.CHANGE_FLUID || remedy == Remedy.FLUSH_AND_RESEAL;
        return Arrays.stream(Area.values())
                .filter(area -> fluid ? area == Area.FLUID : area.holds.test(part, layout))
                .findFirst()
                .map(area -> new WorkDone(area, kind, remedy.opensCircuit() ? Bled.YES : Bled.UNKNOWN));
    }

    /** Factor on the frequency of a suspect. */
    double factor(Suspect suspect, Layout layout) {
        boolean here = area.holds(suspect, layout);
        boolean opened = kind != Kind.SET;
        boolean fluid = area == Area.FLUID;
        if (suspect.id().equals("fluid-wrong")) {
            return fluid ? WRONG_FLUID_FILLED : 1;
        }
        if (suspect.id().equals("fluid-aged")) {
            return fluid ? AGED_AFTER_CHANGE : 1;
        }
        if (suspect.id().equals("weeping-joint")) {
            return opened && !fluid ? JOINT_OPENED : 1;
        }
        if (CUPS.contains(suspect.id()) && !here) {
            return opened && bled != Bled.NO ? CUPS_AFTER_BLEEDING : 1;
        }
        return switch (suspect.origin()) {
            case AIR -> opened ? area.letsAirTo(suspect, layout) || fluid ? bled.airHere : bled.airElsewhere : 1;
            case SETTING -> here && !fluid && (opened || !SIZES.contains(suspect.id())) ? kind.setting : 1;
            case WEAR -> here && !fluid ? kind.wear : 0.9;
            case NEITHER -> 1;
        };
    }

    /** Whether a suspect is what was just renewed: compared before it is bought again. */
    public boolean justRenewed(Suspect suspect, Layout layout) {
        return kind == Kind.RENEWED && suspect.origin() == Origin.WEAR && area.holds(suspect, layout);
    }
}
