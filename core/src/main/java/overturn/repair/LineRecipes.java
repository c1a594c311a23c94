package overturn.repair;

import static overturn.repair.WorkStep.of;

/** Pipes, hoses, valves, connectors and the modulator. */
final class LineRecipes {

    private LineRecipes() {}

    /** A joint opened and shut again, its pipe capped meanwhile. */
    private static Recipes opened(Recipes r) {
        return r.protect()
                .add(
                        of("crack-joint", Section.TAKE_OUT, Handling.CRACK, r.place, 3)
                                .caution("pressure")
                                .needs("port-spanner"),
                        of("turning-nut", Section.TAKE_OUT, Handling.LOOK, r.place, 2)
                                .whereItApplies(),
                        of("cap-line", Section.TAKE_OUT, Handling.PLUG, r.place, 1)
                                .caution("open-circuit")
                                .fits("line-cap"));
    }

    private static Recipes shut(Recipes r) {
        return r.add(
                of("joint-by-hand", Section.FIT, Handling.FIT, r.place, 4).takesOff("line-cap"),
                of("torque-joint", Section.CLOSE, Handling.TORQUE, r.place, 2).needs("nut-torque"),
                of("joint-pressed", Section.CLOSE, Handling.LOOK, r.place, 3).caution("pressure"));
    }

    static void joint(Recipes r) {
        opened(r);
        r.add(
                of("flare-looked-at", Section.COMPARE, Handling.LOOK, r.place, 3),
                of("whole-line", Section.FIT, Handling.FIT, r.place, 12).whereItApplies(),
                of("chafed-where", Section.BEYOND, Handling.LOOK, r.place, 2));
        shut(r).fillAndBleed(r.behind(r.place));
    }

    static void hoses(Recipes r) {
        r.raised();
        opened(r);
        r.add(
                of("compare-hose", Section.COMPARE, Handling.LOOK, r.place, 2),
                of("hose-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 5).moves("hose-clip"),
                of("hose-in", Section.FIT, Handling.FIT, r.place, 6)
                        .setsBack("hose-clip")
                        .needs("hose-torque"),
                of("hose-at-lock", Section.CLOSE, Handling.LOOK, r.place, 3),
                of("twin-hose", Section.BEYOND, Handling.LOOK, r.place, 2));
        shut(r).fillAndBleed(r.behind(r.place));
    }

    static void pipe(Recipes r) {
        r.raised();
        opened(r);
        r.add(
                of("compare-pipe", Section.COMPARE, Handling.LOOK, r.place, 2).needs("pipe-size"),
                of("pipe-out", Section.TAKE_OUT, Handling.PULL, r.place, 10).moves("pipe-clips"),
                of("pipe-in", Section.FIT, Handling.FIT, r.place, 20).setsBack("pipe-clips"),
                of("rust-elsewhere", Section.BEYOND, Handling.LOOK, r.place, 4));
        shut(r).fillAndBleed(r.behind(r.place));
    }

    static void valve(Recipes r) {
        r.raised();
        opened(r);
        r.add(
                of("compare-valve", Section.COMPARE, Handling.LOOK, r.place, 2).needs("valve-knee"),
                of("valve-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 6),
                of("valve-in", Section.FIT, Handling.FIT, r.place, 8).needs("nut-torque"),
                of("why-shifted", Section.BEYOND, Handling.LOOK, r.place, 2));
        shut(r).fillAndBleed(r.behind(r.place));
    }

    static void connector(Recipes r) {
        r.raised();
        opened(r);
        r.add(
                of("clip-out", Section.TAKE_OUT, Handling.PULL, r.place, 2).moves("connector-clip"),
                of("connector-in", Section.FIT, Handling.PRESS, r.place, 4),
                of("clip-felt", Section.FIT, Handling.FIT, r.place, 2).setsBack("connector-clip"),
                of("seal-left-inside", Section.BEYOND, Handling.LOOK, r.place, 2));
        shut(r).fillAndBleed(end -> true);
    }

    static void bleedModulator(Recipes r) {
        r.protect();
        routine(r);
        r.add(of("where-from", Section.BEYOND, Handling.LOOK, r.place, 3));
        r.fillAndBleed(end -> true);
    }

    private static void routine(Recipes r) {
        r.add(
                of("routine-stop-known", Section.BLEED, Handling.LOOK, r.place, 2)
                        .caution("routine")
                        .needs("modulator-routine"),
                of("routine-run", Section.BLEED, Handling.BLEED, r.place, 12).caution("routine"));
    }

    static void modulator(Recipes r) {
        opened(r);
        r.add(
                of("compare-modulator", Section.COMPARE, Handling.LOOK, r.place, 3)
                        .needs("modulator-number"),
                of("mark-pipes", Section.TAKE_OUT, Handling.LOOK, r.place, 3),
                of("plug-off", Section.TAKE_OUT, Handling.PULL, r.place, 2)
                        .caution("key-out")
                        .moves("modulator-plug"),
                of("modulator-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 25)
                        .fits("modulator-out"),
                of("modulator-in", Section.FIT, Handling.FIT, r.place, 25)
                        .takesOff("modulator-out")
                        .needs("nut-torque"),
                of("plug-on", Section.FIT, Handling.FIT, r.place, 2).setsBack("modulator-plug"),
                of("dirt-from-where", Section.BEYOND, Handling.LOOK, r.place, 3));
        shut(r);
        routine(r);
        r.fillAndBleed(end -> true);
    }

    static void signal(Recipes r) {
        r.add(
                of("codes-read", Section.COMPARE, Handling.LOOK, r.place, 5),
                of("sensor-gap", Section.COMPARE, Handling.MEASURE, r.place, 8).needs("sensor-gap"),
                of("plug-off", Section.TAKE_OUT, Handling.PULL, r.place, 2)
                        .caution("key-out")
                        .moves("modulator-plug"),
                of("signal-mended", Section.FIT, Handling.FIT, r.place, 20),
                of("plug-on", Section.FIT, Handling.FIT, r.place, 2).setsBack("modulator-plug"),
                of("clear-codes", Section.CLOSE, Handling.LOOK, r.place, 4),
                of("rust-on-ring", Section.BEYOND, Handling.LOOK, r.place, 2));
    }

    static void loop(Recipes r) {
        r.protect();
        r.add(
                of("lift-loop", Section.BLEED, Handling.PULL, r.place, 3),
                of("reverse-flow", Section.BLEED, Handling.BLEED, r.place, 8)
                        .caution("fluid")
                        .whereItApplies(),
                of("where-from", Section.BEYOND, Handling.LOOK, r.place, 3));
        r.fillAndBleed(end -> true);
    }
}
