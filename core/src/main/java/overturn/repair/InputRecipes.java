package overturn.repair;

import static overturn.repair.WorkStep.of;

import java.util.OptionalDouble;
import overturn.quantity.Dimension;

/** Pedal, lever, rods and the switch. */
final class InputRecipes {

    /** A measured clearance may differ from the layout's by so much, mm at the pedal or lever; estimate. */
    private static final double PLAY_WITHIN_MM = 4;

    private static final double LEVER_PLAY_WITHIN_MM = 1.5;
    /**
     * A rod that stands prouder than the piston lies deep holds the port shut; a gap above this is lost pedal;
     * estimate.
     */
    private static final double MOST_ROD_GAP_MM = 3;

    private InputRecipes() {}

    /** The rods set and locked, the switch last; the stop sets the height, never the rod. */
    static void settings(Recipes r) {
        r.layout.assist().ifPresent(assist -> outputRodSet(r));
        r.add(
                of(r.lever ? "reach-set" : "rod-set", Section.SET, Handling.SET, r.input(), 6)
                        .asks(
                                "free-play",
                                Dimension.LENGTH,
                                OptionalDouble.of(r.layout.input().freePlayMm()),
                                r.lever ? LEVER_PLAY_WITHIN_MM : PLAY_WITHIN_MM)
                        .needs("pedal-height"),
                of("locknut", Section.SET, Handling.TORQUE, r.input(), 2));
        if (!r.clutch) {
            r.add(of("switch-set", Section.SET, Handling.SET, r.input(), 3));
        }
    }

    private static void outputRodSet(Recipes r) {
        r.add(of(
                        "output-rod-set",
                        Section.SET,
                        Handling.MEASURE,
                        r.layout.assist().orElseThrow().id(),
                        10)
                .caution("rod-drops")
                .asks("rod-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .asks("master-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .together("rod-depth", "master-depth", 0, MOST_ROD_GAP_MM)
                .needs("output-rod-gap")
                .isTest("output-rod-measured"));
    }

    static void rod(Recipes r) {
        settings(r);
        r.add(
                of("half-turns", Section.SET, Handling.SET, r.input(), 10).caution("preload"),
                of("port-open-again", Section.CLOSE, Handling.PRESS, r.master(), 3)
                        .caution("face-shield"),
                of("who-set-it", Section.BEYOND, Handling.LOOK, r.input(), 1));
    }

    static void outputRod(Recipes r) {
        String master = r.master();
        r.add(
                of("hold", Section.PROTECT, Handling.LOOK, r.input(), 2)
                        .caution("chocks")
                        .fits("do-not-drive-tag"),
                of("pipes-stay", Section.TAKE_OUT, Handling.UNSCREW, master, 8)
                        .caution("nobody-at-pedal")
                        .fits("master-loose"),
                of("joint-face", Section.CLEAN, Handling.CLEAN, master, 3),
                of("fit-master", Section.FIT, Handling.FIT, master, 6)
                        .takesOff("master-loose")
                        .needs("master-torque"),
                of("port-open-again", Section.CLOSE, Handling.PRESS, master, 3).caution("face-shield"),
                of("who-set-it", Section.BEYOND, Handling.LOOK, r.input(), 1));
        settings(r);
    }

    static void free(Recipes r) {
        r.add(
                of("unhook-rod", Section.TAKE_OUT, Handling.PULL, r.input(), 4)
                        .caution("nobody-at-pedal")
                        .moves("rod-clip"),
                of("pivot-out", Section.TAKE_OUT, Handling.PULL, r.input(), 8)
                        .caution("spring-flies")
                        .moves("return-spring"),
                of("pivot-clean", Section.CLEAN, Handling.CLEAN, r.input(), 6),
                of("pivot-in", Section.FIT, Handling.FIT, r.input(), 6).setsBack("return-spring"),
                of("hook-rod", Section.FIT, Handling.FIT, r.input(), 4).setsBack("rod-clip"),
                of("falls-back", Section.CLOSE, Handling.PRESS, r.input(), 1),
                of("salt-or-bent", Section.BEYOND, Handling.LOOK, r.input(), 2));
        settings(r);
    }

    static void bracket(Recipes r) {
        r.add(
                of("cracks-looked-for", Section.COMPARE, Handling.LOOK, r.input(), 8),
                of("bracket-out", Section.TAKE_OUT, Handling.UNSCREW, r.input(), 20)
                        .caution("nobody-at-pedal")
                        .moves("bracket"),
                of("bracket-in", Section.FIT, Handling.TORQUE, r.input(), 25)
                        .setsBack("bracket")
                        .needs("bracket-torque"),
                of("moves-again", Section.CLOSE, Handling.PRESS, r.input(), 3).isTest("bracket-watched"),
                of("why-it-cracked", Section.BEYOND, Handling.LOOK, r.input(), 3));
        settings(r);
    }

    static void ratio(Recipes r) {
        r.add(
                of("arms-measured", Section.COMPARE, Handling.MEASURE, r.input(), 4)
                        .asks("long-arm", Dimension.LENGTH, OptionalDouble.empty(), 0)
                        .asks("short-arm", Dimension.LENGTH, OptionalDouble.empty(), 0)
                        .needs("pedal-ratio"),
                of("unhook-rod", Section.TAKE_OUT, Handling.PULL, r.input(), 4)
                        .caution("nobody-at-pedal")
                        .moves("rod-clip"),
                of("right-hole", Section.FIT, Handling.FIT, r.input(), 8),
                of("hook-rod", Section.FIT, Handling.FIT, r.input(), 4).setsBack("rod-clip"),
                of("what-else-forced", Section.BEYOND, Handling.LOOK, r.input(), 2));
        settings(r);
    }

    static void lever(Recipes r) {
        r.add(
                of("compare-lever", Section.COMPARE, Handling.LOOK, r.input(), 3),
                of("lever-off", Section.TAKE_OUT, Handling.UNSCREW, r.input(), 5)
                        .moves("lever-bolt"),
                of("lever-on", Section.FIT, Handling.FIT, r.input(), 8)
                        .setsBack("lever-bolt")
                        .needs("lever-torque"),
                of("switch-engages", Section.SET, Handling.PRESS, r.input(), 2),
                of("pushed-by-hand", Section.CLOSE, Handling.PRESS, r.master(), 2)
                        .caution("preload"),
                of("fall-marks", Section.BEYOND, Handling.LOOK, r.input(), 2));
        settings(r);
    }

    static void reach(Recipes r) {
        r.add(
                of("reach-back", Section.SET, Handling.SET, r.input(), 3).caution("preload"),
                of("pushed-by-hand", Section.CLOSE, Handling.PRESS, r.master(), 2)
                        .caution("preload"),
                of("who-set-it", Section.BEYOND, Handling.LOOK, r.input(), 1));
        settings(r);
    }

    static void lampSwitch(Recipes r) {
        r.add(
                of("switch-free", Section.TAKE_OUT, Handling.PULL, r.input(), 2).moves("lamp-switch-plug"),
                of("switch-set", Section.SET, Handling.SET, r.input(), 3),
                of("switch-on", Section.FIT, Handling.FIT, r.input(), 1).setsBack("lamp-switch-plug"),
                of("lamp-seen", Section.CLOSE, Handling.LOOK, r.input(), 1),
                of("same-switch-again", Section.BEYOND, Handling.LOOK, r.input(), 1)
                        .caution("switch-sealant"));
    }
}
