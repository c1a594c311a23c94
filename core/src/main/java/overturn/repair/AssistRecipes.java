package overturn.repair;

import static overturn.repair.WorkStep.of;

import overturn.circuit.Assist.HydraulicAssist;

/** Assist, its supply and its lines. */
final class AssistRecipes {

    private AssistRecipes() {}

    private static boolean hydraulic(Recipes r) {
        return r.layout.assist().filter(HydraulicAssist.class::isInstance).isPresent();
    }

    private static Recipes spent(Recipes r) {
        return r.add(
                of("hold", Section.PROTECT, Handling.LOOK, r.input(), 2)
                        .caution("chocks")
                        .fits("do-not-drive-tag"),
                of("spend-reserve", Section.PROTECT, Handling.PRESS, r.place, 1).caution("open-circuit"));
    }

    static void supply(Recipes r) {
        spent(r);
        r.add(
                of("source-gauged", Section.COMPARE, Handling.MEASURE, r.place, 5)
                        .isTest("vacuum-tee"),
                of("source-mended", Section.FIT, Handling.FIT, r.place, 25)
                        .caution("running-engine")
                        .needs("supply-least"),
                of("holds-vacuum", Section.CLOSE, Handling.LOOK, r.place, 3),
                of("oil-in-hose", Section.BEYOND, Handling.LOOK, r.place, 2));
    }

    static void supplyHose(Recipes r) {
        spent(r);
        r.add(
                of("hose-off", Section.TAKE_OUT, Handling.PULL, r.place, 3).moves("supply-hose"),
                of("compare-hose", Section.COMPARE, Handling.LOOK, r.place, 2),
                of("hose-on", Section.FIT, Handling.FIT, r.place, 5).setsBack("supply-hose"),
                of("holds-vacuum", Section.CLOSE, Handling.LOOK, r.place, 3),
                of("oil-in-hose", Section.BEYOND, Handling.LOOK, r.place, 2));
    }

    static void checkValve(Recipes r) {
        spent(r);
        r.add(
                of("valve-off", Section.TAKE_OUT, Handling.PULL, r.place, 2).moves("supply-hose"),
                of("way-round", Section.COMPARE, Handling.LOOK, r.place, 1),
                of("valve-on", Section.FIT, Handling.FIT, r.place, 3).setsBack("supply-hose"),
                of("holds-vacuum", Section.CLOSE, Handling.LOOK, r.place, 3),
                of("oil-in-hose", Section.BEYOND, Handling.LOOK, r.place, 2));
    }

    static void joint(Recipes r) {
        spent(r);
        r.add(
                of("pipes-stay", Section.TAKE_OUT, Handling.UNSCREW, r.master(), 8)
                        .caution("nobody-at-pedal")
                        .fits("master-loose"),
                of("rod-stays", Section.TAKE_OUT, Handling.LOOK, r.place, 1).caution("rod-drops"),
                of("joint-face", Section.CLEAN, Handling.CLEAN, r.master(), 3),
                of("joint-seal", Section.FIT, Handling.FIT, r.place, 4),
                of("fit-master", Section.FIT, Handling.FIT, r.master(), 6)
                        .takesOff("master-loose")
                        .needs("master-torque"),
                of("holds-vacuum", Section.CLOSE, Handling.LOOK, r.place, 3),
                of("assist-inside", Section.BEYOND, Handling.LOOK, r.place, 3));
        InputRecipes.settings(r);
    }

    static void renew(Recipes r) {
        boolean hydraulic = hydraulic(r);
        spent(r);
        r.add(
                of("compare-assist", Section.COMPARE, Handling.MEASURE, r.place, 5)
                        .needs("assist-size"),
                of("pipes-stay", Section.TAKE_OUT, Handling.UNSCREW, r.master(), 8)
                        .caution("nobody-at-pedal")
                        .fits("master-loose"),
                of("unhook-rod", Section.TAKE_OUT, Handling.PULL, r.input(), 4)
                        .caution("nobody-at-pedal")
                        .moves("rod-clip"));
        if (hydraulic) {
            r.add(of("lines-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 10)
                    .caution("steering-too")
                    .moves("assist-lines"));
        } else {
            r.add(of("hose-off", Section.TAKE_OUT, Handling.PULL, r.place, 3).moves("supply-hose"));
        }
        r.add(
                of("assist-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 20)
                        .fits("assist-out"),
                of("move-over-assist", Section.MOVE_OVER, Handling.PULL, r.place, 6)
                        .caution("rod-drops"),
                of("assist-in", Section.FIT, Handling.FIT, r.place, 20)
                        .takesOff("assist-out")
                        .needs("assist-torque"),
                of("joint-seal", Section.FIT, Handling.FIT, r.place, 4),
                of("fit-master", Section.FIT, Handling.FIT, r.master(), 6)
                        .takesOff("master-loose")
                        .needs("master-torque"),
                of("hook-rod", Section.FIT, Handling.FIT, r.input(), 4).setsBack("rod-clip"));
        if (hydraulic) {
            r.add(of("lines-on", Section.FIT, Handling.TORQUE, r.place, 8)
                    .setsBack("assist-lines")
                    .needs("assist-line-torque"));
            lockToLock(r);
        } else {
            r.add(
                    of("hose-on", Section.FIT, Handling.FIT, r.place, 5).setsBack("supply-hose"),
                    of("holds-vacuum", Section.CLOSE, Handling.LOOK, r.place, 3));
        }
        r.add(of("died-young", Section.BEYOND, Handling.LOOK, r.place, 2));
        InputRecipes.settings(r);
    }

    static void reseal(Recipes r) {
        spent(r);
        r.add(
                of("lines-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 10)
                        .caution("steering-too")
                        .moves("assist-lines"),
                of("unhook-rod", Section.TAKE_OUT, Handling.PULL, r.input(), 4)
                        .caution("nobody-at-pedal")
                        .moves("rod-clip"),
                of("pipes-stay", Section.TAKE_OUT, Handling.UNSCREW, r.master(), 8)
                        .caution("nobody-at-pedal")
                        .fits("master-loose"),
                of("assist-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 20)
                        .fits("assist-out"),
                of("plunger-looked-at", Section.RESEAL, Handling.LOOK, r.place, 5),
                of("input-seal", Section.RESEAL, Handling.FIT, r.place, 15).caution("spring-flies"),
                of("assist-in", Section.FIT, Handling.FIT, r.place, 20)
                        .takesOff("assist-out")
                        .needs("assist-torque"),
                of("fit-master", Section.FIT, Handling.FIT, r.master(), 6)
                        .takesOff("master-loose")
                        .needs("master-torque"),
                of("hook-rod", Section.FIT, Handling.FIT, r.input(), 4).setsBack("rod-clip"),
                of("lines-on", Section.FIT, Handling.TORQUE, r.place, 8)
                        .setsBack("assist-lines")
                        .needs("assist-line-torque"),
                of("footwell-dried", Section.BEYOND, Handling.CLEAN, r.input(), 4));
        lockToLock(r);
        InputRecipes.settings(r);
    }

    private static void lockToLock(Recipes r) {
        r.add(
                of("steering-fluid", Section.FILL, Handling.FILL, r.place, 3)
                        .caution("fluid-kinds")
                        .needs("steering-fluid"),
                of("lock-to-lock", Section.BLEED, Handling.PRESS, r.place, 8).caution("running-engine"));
    }

    static void line(Recipes r) {
        spent(r);
        r.add(
                of("leak-found", Section.COMPARE, Handling.LOOK, r.place, 3),
                of("lines-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 10)
                        .caution("steering-too")
                        .moves("assist-lines"),
                of("whole-line", Section.FIT, Handling.FIT, r.place, 15),
                of("lines-on", Section.FIT, Handling.TORQUE, r.place, 8)
                        .setsBack("assist-lines")
                        .needs("assist-line-torque"),
                of("chafed-where", Section.BEYOND, Handling.LOOK, r.place, 2));
        lockToLock(r);
    }

    static void pump(Recipes r) {
        spent(r);
        r.add(
                of("belt-and-level", Section.COMPARE, Handling.LOOK, r.place, 3),
                of("pump-mended", Section.FIT, Handling.FIT, r.place, 40)
                        .caution("steering-too")
                        .needs("pump-pressure"),
                of("pump-again", Section.CLOSE, Handling.MEASURE, r.place, 5).isTest("pump-gauge"),
                of("metal-in-fluid", Section.BEYOND, Handling.LOOK, r.place, 2));
        lockToLock(r);
    }

    static void accumulator(Recipes r) {
        spent(r);
        r.add(
                of("accumulator-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 8)
                        .caution("accumulator")
                        .moves("accumulator"),
                of("accumulator-on", Section.FIT, Handling.TORQUE, r.place, 8)
                        .setsBack("accumulator")
                        .needs("accumulator-torque"),
                of("old-made-safe", Section.BEYOND, Handling.LOOK, r.place, 2).caution("accumulator"));
        lockToLock(r);
    }

    static void returnLine(Recipes r) {
        spent(r);
        r.add(
                of("lines-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 10)
                        .caution("steering-too")
                        .moves("assist-lines"),
                of("return-cleared", Section.CLEAN, Handling.CLEAN, r.place, 12),
                of("lines-on", Section.FIT, Handling.TORQUE, r.place, 8)
                        .setsBack("assist-lines")
                        .needs("assist-line-torque"),
                of("kinked-where", Section.BEYOND, Handling.LOOK, r.place, 2));
        lockToLock(r);
    }

    static void bleed(Recipes r) {
        spent(r);
        lockToLock(r);
        r.add(of("air-from-where", Section.BEYOND, Handling.LOOK, r.place, 3));
    }
}
