package overturn.inference;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.suspect.Suspect;
import overturn.suspect.Suspect.Origin;
import overturn.suspect.SuspectCatalogue;

/**
 * What somebody told or saw before any test. Each says how many times likelier it is told of a vehicle with one suspect
 * than of one with a suspect that it does not name; all are estimates, argued in docs/trade-figures.md.
 */
public enum PlainFact {
    // ---- fluid
    FLUID_AT_FRONT_END(
            brakes(false), by(30, "end-seal-weeping").and(6, "hose-weeping").and(4, "weeping-joint")),
    FLUID_AT_REAR_END(
            brakes(true), by(30, "end-seal-weeping").and(5, "hose-weeping").and(4, "weeping-joint")),
    FLUID_AT_SLAVE(clutch(), by(30, "slave-seal-weeping").and(3, "connector-weeping", "weeping-joint")),
    FLUID_AT_MASTER_FACE(
            always(), by(20, "rear-seal-weeping").and(3, "reservoir-weeping").and(2, "weeping-joint")),
    FLUID_UNDER_RESERVOIR(always(), by(25, "reservoir-weeping").and(3, "weeping-joint")),
    FLUID_ON_LINES(always(), by(20, "weeping-joint", "connector-weeping").and(10, "hose-weeping")),
    STEERING_FLUID_SEEN(hydraulic(), by(25, "assist-input-seal-leaking", "assist-line-leaking")),
    LEVEL_STEADY(always(), leaks(0.25).and(0.3, "fluid-low")),
    FLUID_ADDED(always(), leaks(3).and(2, "fluid-wrong").and(0.3, "fluid-low")),
    OTHER_FLUID_FILLED(always(), by(25, "fluid-wrong")),
    LEVEL_LAMP(pedalBrake(), leaks(2.5).and(6, "fluid-low")),
    MODULATOR_LAMP(modulator(), by(5, "modulator-acting").and(2, "release-valve-passing")),
    // ---- how it came
    CAME_SUDDENLY(
            always(),
            by(3, "supply-hose-leaking", "check-valve-stuck-shut")
                    .and(1.5, "primary-piston-cup", "second-piston-rear-cup", "second-piston-front-cup")
                    .and(0.4, "fluid-aged", "excess-shoe-clearance", "swelling-hoses")),
    CAME_SLOWLY(
            always(),
            by(2.5, "excess-shoe-clearance", "fork-worn", "lever-bush-worn")
                    .and(2, "fluid-aged", "swelling-hoses", "clutch-mechanical")
                    .and(0.3, "ports-crossed", "check-valve-stuck-shut")),
    ALWAYS_SO(always(), of(Origin.SETTING, 4).andOf(Origin.WEAR, 0.4)),
    NO_COMPLAINT(always(), by(8, SuspectCatalogue.NOTHING_WRONG)),
    // ---- when
    LACKS_POWER(
            wheels(),
            by(4, "hole-clogged", "rod-too-long", "output-rod-too-long", "reach-screw-preload", "pedal-stop-wrong")
                    .and(4, "master-piston-sticking", "valve-body-sticking", "spool-sticking", "reservoir-shut")
                    .and(4, "hose-flap", "residual-valve-unwanted", "piston-seized", "seal-groove-corroded")
                    .and(4, "slides-seized", "parking-brake-holding", "shoes-too-tight", "fluid-wrong")),
    ONLY_HOT(
            always(),
            by(8, "fluid-aged")
                    .and(4, "reservoir-shut")
                    .and(2.5, "hole-clogged", "rod-too-long", "output-rod-too-long", "reach-screw-preload")
                    .and(2.5, "pedal-stop-wrong")),
    AFTER_STANDING(
            always(),
            by(15, "drain-back").and(2.5, "check-valve-leaking", "assist-leaking-at-rest", "accumulator-lost")),
    AFTER_DRIVING(discs(), by(15, "pad-pushed-back")),
    ONLY_ENGINE_RUNNING(
            assist(),
            by(6, "valve-body-sticking", "spool-sticking")
                    .and(4, "return-restricted")
                    .and(0.2, "fluid-wrong", "hole-clogged", "reservoir-shut", "residual-valve-unwanted")
                    .and(0.2, "hose-flap", "piston-seized", "seal-groove-corroded", "slides-seized")
                    .and(0.2, "parking-brake-holding", "shoes-too-tight")),
    // ---- where it drags
    DRAGS_AT_ONE_WHEEL(
            bothAxles(),
            by(4, "hose-flap", "piston-seized", "seal-groove-corroded", "slides-seized", "shoes-too-tight")
                    .and(2, "hose-restricted", "parking-brake-holding")
                    .and(0.2, HeldIn.BY)),
    DRAGS_AT_ONE_AXLE(
            bothAxles(),
            by(3, "hole-clogged", "parking-brake-holding", "shoes-too-tight", "residual-valve-unwanted")
                    .and(0.5, "piston-seized", "seal-groove-corroded", "slides-seized", "hose-flap")
                    .and(0.5, "rod-too-long", "output-rod-too-long", "pedal-stop-wrong", "valve-body-sticking")
                    .and(0.5, "spool-sticking", "master-piston-sticking", "reservoir-shut")),
    DRAGS_AT_ALL_WHEELS(
            bothAxles(),
            by(3, HeldIn.BY)
                    .and(0.1, "hose-flap", "piston-seized", "seal-groove-corroded", "slides-seized")
                    .and(0.1, "hose-restricted", "parking-brake-holding", "shoes-too-tight")),
    // ---- how it goes
    COMES_UP_WHEN_PUMPED(
            always(),
            by(3, "excess-shoe-clearance", "pad-pushed-back")
                    .and(2, "drain-back")
                    .andOf(Origin.AIR, 1.8)
                    .and(0.4, "swelling-hoses", "bracket-flexing", "wrong-ratio", "bore-too-small")
                    .and(0.3, "clutch-mechanical", "fork-worn")),
    TO_THE_FLOOR(
            always(),
            leaks(2.5)
                    .and(3, "primary-piston-cup", "second-piston-rear-cup", "second-piston-front-cup")
                    .and(2.5, "fluid-low")
                    .and(0.2, "swelling-hoses", "bracket-flexing", "wrong-ratio")
                    .and(0.05, SuspectCatalogue.NOTHING_WRONG)),
    BITES_AT_THE_FLOOR(
            clutch(),
            by(2.5, "air-in-slave", "air-in-high-loop", "air-in-master", "rod-gap-too-large")
                    .and(2, "primary-piston-cup", "fork-worn", "clutch-mechanical")
                    .and(0.2, "hole-clogged", "rod-too-long", "pedal-stop-wrong")
                    .and(0.2, SuspectCatalogue.NOTHING_WRONG)),
    ONE_AXLE_IDLE(
            bothAxles(),
            by(6, "valve-shifted")
                    .and(3, "second-piston-front-cup", "pipe-kinked", "axle-wrong-size")
                    .and(2, "second-piston-rear-cup", "primary-piston-cup", "hose-restricted", "excess-shoe-clearance")
                    .and(1.5, "air-in-front-end", "air-in-rear-end")
                    .and(0.1, SuspectCatalogue.NOTHING_WRONG)),
    BARELY_STOPS(wheels(), leaks(1.5).and(0.1, SuspectCatalogue.NOTHING_WRONG)),
    DROPS_IN_STEPS(
            always(),
            by(2.5, "release-valve-passing")
                    .and(2, "primary-piston-cup", "second-piston-rear-cup", "second-piston-front-cup")
                    .andOf(Origin.AIR, 0.5));

    private final Predicate<Layout> toldOf;
    private final Factors factors;

    PlainFact(Predicate<Layout> toldOf, Factors factors) {
        this.toldOf = toldOf;
        this.factors = factors;
    }

    /** Stable id, key of its words. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether it can be told of such a layout at all. */
    public boolean in(Layout layout) {
        return toldOf.test(layout);
    }

    /** The fact of a stable id; empty where this version does not know it. */
    public static Optional<PlainFact> find(String id) {
        return Arrays.stream(values()).filter(fact -> fact.id().equals(id)).findFirst();
    }

    /** How many times likelier it is told where this suspect is at fault. */
    double factor(Suspect suspect) {
        return factors.of(suspect);
    }

    /** Ids of the suspects that it names. */
    Set<String> named() {
        return factors.bySuspect.keySet();
    }

    /** What holds fluid in from the master on, so that every wheel that it feeds drags. */
    private static final class HeldIn {
        private static final String[] BY = {
            "hole-clogged",
            "rod-too-long",
            "output-rod-too-long",
            "reach-screw-preload",
            "pedal-stop-wrong",
            "master-piston-sticking",
            "valve-body-sticking",
            "spool-sticking",
            "return-restricted",
            "reservoir-shut",
            "fluid-wrong"
        };
    }

    private record Factors(Map<String, Double> bySuspect, Map<Origin, Double> byOrigin) {

        Factors and(double factor, String... suspects) {
            Map<String, Double> all = new HashMap<>(bySuspect);
            for (String suspect : suspects) {
                all.put(suspect, factor);
            }
            return new Factors(all, byOrigin);
        }

        Factors andOf(Origin origin, double factor) {
            Map<Origin, Double> all = new HashMap<>(byOrigin);
            all.put(origin, factor);
            return new Factors(bySuspect, all);
        }

        double of(Suspect suspect) {
            return bySuspect.getOrDefault(suspect.id(), byOrigin.getOrDefault(suspect.origin(), 1.0));
        }
    }

    private static Factors by(double factor, String... suspects) {
        return new Factors(Map.of(), Map.of()).and(factor, suspects);
    }

    private static Factors of(Origin origin, double factor) {
        return new Factors(Map.of(), Map.of()).andOf(origin, factor);
    }

    private static Factors leaks(double factor) {
        return by(factor, "end-seal-weeping", "slave-seal-weeping", "hose-weeping", "weeping-joint")
                .and(factor, "connector-weeping", "reservoir-weeping", "rear-seal-weeping");
    }

    private static Predicate<Layout> always() {
        return layout -> true;
    }

    private static Predicate<Layout> brakes(boolean rear) {
        return layout -> layout.ends().stream().anyMatch(end -> !(end instanceof Slave) && end.rear() == rear);
    }

    private static Predicate<Layout> clutch() {
        return layout -> layout.family().clutch();
    }

    private static Predicate<Layout> wheels() {
        return layout -> !layout.family().clutch();
    }

    private static Predicate<Layout> bothAxles() {
        return layout -> !layout.family().clutch()
                && layout.ends().stream().map(End::rear).distinct().count() > 1;
    }

    private static Predicate<Layout> pedalBrake() {
        return layout -> !layout.family().clutch() && !layout.family().lever();
    }

    private static Predicate<Layout> discs() {
        return layout -> layout.ends().stream().anyMatch(DiscEnd.class::isInstance);
    }

    private static Predicate<Layout> modulator() {
        return layout -> layout.modulator().isPresent();
    }

    private static Predicate<Layout> assist() {
        return layout -> layout.assist().isPresent();
    }

    private static Predicate<Layout> hydraulic() {
        return layout ->
                layout.assist().filter(HydraulicAssist.class::isInstance).isPresent();
    }
}
