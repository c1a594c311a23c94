package overturn.repair;

import static overturn.repair.WorkStep.of;

import java.util.List;
import java.util.OptionalDouble;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.quantity.Dimension;

/** Calipers, drums, slaves and the clutch behind them. */
final class EndRecipes {

    private static final double PISTON_WITHIN_MM = 0.3;

    private EndRecipes() {}

    private static End end(Recipes r) {
        return (End) r.layout.component(r.place);
    }

    private static boolean drum(Recipes r) {
        return end(r) instanceof DrumEnd;
    }

    private static OptionalDouble piston(Recipes r) {
        return end(r) instanceof DiscEnd disc
                ? OptionalDouble.of(disc.pistonMm())
                : end(r) instanceof DrumEnd drum ? OptionalDouble.of(drum.cylinderMm()) : OptionalDouble.empty();
    }

    /** The end laid open: wheel off, drum off or caliper swung. */
    private static Recipes open(Recipes r) {
        r.protect().wheelOff(r.place);
        if (drum(r)) {
            r.add(
                    of("shoes-backed", Section.TAKE_OUT, Handling.SET, r.place, 3)
                            .moves("adjuster"),
                    of("drum-off", Section.TAKE_OUT, Handling.PULL, r.place, 4)
                            .caution("lining-dust")
                            .moves("drum"),
                    of("drum-on", Section.CLOSE, Handling.FIT, r.place, 3)
                            .caution("drum-first")
                            .setsBack("drum"),
                    of("shoes-set", Section.CLOSE, Handling.SET, r.place, 5)
                            .setsBack("adjuster")
                            .needs("shoe-clearance"));
        }
        return r;
    }

    /** The line cracked and capped at this end, and joined again. */
    private static Recipes lineOff(Recipes r) {
        return r.add(
                of("block-pedal", Section.TAKE_OUT, Handling.PLUG, r.input(), 1)
                        .caution("old-cup")
                        .fits("pedal-block"),
                of("crack-line", Section.TAKE_OUT, Handling.CRACK, r.place, 2)
                        .caution("pressure")
                        .needs("port-spanner"),
                of("cap-line", Section.TAKE_OUT, Handling.PLUG, r.place, 1)
                        .caution("open-circuit")
                        .fits("line-cap"),
                of("line-by-hand", Section.FIT, Handling.FIT, r.place, 3)
                        .takesOff("line-cap")
                        .needs("nut-torque"),
                of("block-off", Section.BLEED, Handling.PULL, r.input(), 1).takesOff("pedal-block"));
    }

    static void renew(Recipes r) {
        open(r);
        lineOff(r);
        r.add(
                of("compare-end", Section.COMPARE, Handling.MEASURE, r.place, 3)
                        .asksOfOld("old-piston", Dimension.LENGTH, piston(r), PISTON_WITHIN_MM)
                        .asks("new-piston", Dimension.LENGTH, piston(r), PISTON_WITHIN_MM),
                of("compare-side", Section.COMPARE, Handling.LOOK, r.place, 1),
                of("end-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 8)
                        .caution("end-hangs")
                        .fits("end-off"),
                of("end-on", Section.FIT, Handling.TORQUE, r.place, 8)
                        .takesOff("end-off")
                        .needs("end-torque"),
                of("twin-end", Section.BEYOND, Handling.LOOK, r.place, 3),
                of("disc-after-drag", Section.BEYOND, Handling.LOOK, r.place, 3).needs("disc-limit"));
        r.fillAndBleed(e -> e.id().equals(r.place));
    }

    static void reseal(Recipes r) {
        open(r);
        lineOff(r);
        r.add(
                of("end-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 8)
                        .caution("end-hangs")
                        .fits("end-off"),
                of("piston-out", Section.TAKE_OUT, Handling.PRESS, r.place, 4).caution("piston-flies"),
                of("piston-measured", Section.RESEAL, Handling.MEASURE, r.place, 4)
                        .asks("piston", Dimension.LENGTH, piston(r), PISTON_WITHIN_MM)
                        .needs("bore-limit"),
                of("groove-clean", Section.CLEAN, Handling.CLEAN, r.place, 6),
                of("seals-in", Section.RESEAL, Handling.FIT, r.place, 8),
                of("end-on", Section.FIT, Handling.TORQUE, r.place, 8)
                        .takesOff("end-off")
                        .needs("end-torque"),
                of("linings-soaked", Section.BEYOND, Handling.LOOK, r.place, 3).caution("lining-dust"),
                of("twin-end", Section.BEYOND, Handling.LOOK, r.place, 3));
        r.fillAndBleed(e -> e.id().equals(r.place));
    }

    static void slides(Recipes r) {
        open(r);
        r.add(
                of("end-swung", Section.TAKE_OUT, Handling.UNSCREW, r.place, 4)
                        .caution("end-hangs")
                        .moves("slide-bolts"),
                of("pins-out", Section.CLEAN, Handling.CLEAN, r.place, 8),
                of("pins-in", Section.FIT, Handling.FIT, r.place, 4).needs("slide-grease"),
                of("end-back", Section.FIT, Handling.TORQUE, r.place, 4)
                        .setsBack("slide-bolts")
                        .needs("slide-torque"),
                of("slides-again", Section.CLOSE, Handling.PULL, r.place, 1).isTest("slides-moved"),
                of("disc-after-drag", Section.BEYOND, Handling.LOOK, r.place, 3).needs("disc-limit"));
    }

    static void runout(Recipes r) {
        open(r);
        r.add(
                of("runout-again", Section.COMPARE, Handling.MEASURE, r.place, 6)
                        .isTest("runout-dialled")
                        .needs("runout-limit"),
                of("end-swung", Section.TAKE_OUT, Handling.UNSCREW, r.place, 4)
                        .caution("end-hangs")
                        .moves("slide-bolts"),
                of("hub-face", Section.CLEAN, Handling.CLEAN, r.place, 6),
                of("disc-or-bearing", Section.FIT, Handling.FIT, r.place, 25).needs("bearing-torque"),
                of("end-back", Section.FIT, Handling.TORQUE, r.place, 4)
                        .setsBack("slide-bolts")
                        .needs("slide-torque"),
                of("twin-disc", Section.BEYOND, Handling.LOOK, r.place, 2));
    }

    static void shoes(Recipes r) {
        r.raised();
        r.add(
                of("hold", Section.PROTECT, Handling.LOOK, r.input(), 2)
                        .caution("chocks")
                        .fits("do-not-drive-tag"),
                of("cable-slack", Section.TAKE_OUT, Handling.SET, r.place, 3).moves("parking-cable"));
        for (End end : r.layout.all(DrumEnd.class)) {
            r.add(
                    of("shoes-in-turn", Section.SET, Handling.SET, end.id(), 6).needs("shoe-clearance"),
                    of("turns-free", Section.CLOSE, Handling.PULL, end.id(), 1));
        }
        r.add(
                of("cable-set", Section.SET, Handling.SET, r.place, 4)
                        .setsBack("parking-cable")
                        .needs("parking-clicks"),
                of("adjuster-works", Section.BEYOND, Handling.LOOK, r.place, 2));
    }

    static void parkingBrake(Recipes r) {
        r.raised();
        r.add(
                of("hold", Section.PROTECT, Handling.LOOK, r.input(), 2)
                        .caution("chocks")
                        .fits("do-not-drive-tag"),
                of("cable-slack", Section.TAKE_OUT, Handling.SET, r.place, 3).moves("parking-cable"),
                of("cable-freed", Section.CLEAN, Handling.CLEAN, r.place, 15),
                of("cable-set", Section.SET, Handling.SET, r.place, 4)
                        .setsBack("parking-cable")
                        .needs("parking-clicks"),
                of("turns-free", Section.CLOSE, Handling.PULL, r.place, 1),
                of("holds-on-slope", Section.CLOSE, Handling.PULL, r.place, 2),
                of("drum-after-drag", Section.BEYOND, Handling.LOOK, r.place, 3));
    }

    static void linings(Recipes r) {
        List<String> axle = r.layout.ends().stream()
                .filter(e -> e.rear() == end(r).rear())
                .map(End::id)
                .toList();
        r.protect();
        for (String end : axle) {
            r.wheelOff(end);
            r.add(
                    of("linings-out", Section.TAKE_OUT, Handling.PULL, end, 8)
                            .caution("lining-dust")
                            .moves("linings"),
                    of("pistons-back", Section.SET, Handling.PRESS, end, 3).caution("brim"),
                    of("linings-in", Section.FIT, Handling.FIT, end, 8)
                            .setsBack("linings")
                            .needs("lining-grade"));
        }
        r.add(
                of("oil-from-where", Section.BEYOND, Handling.LOOK, r.place, 3),
                of("pumped-firm", Section.CLOSE, Handling.PRESS, r.input(), 1));
    }

    static void swap(Recipes r) {
        List<String> axle = r.layout.all(DiscEnd.class).stream()
                .filter(e -> e.rear() == end(r).rear())
                .map(End::id)
                .toList();
        r.protect();
        r.add(of("block-pedal", Section.TAKE_OUT, Handling.PLUG, r.input(), 1)
                .caution("old-cup")
                .fits("pedal-block"));
        for (String end : axle) {
            r.wheelOff(end);
            r.add(
                    of("crack-line", Section.TAKE_OUT, Handling.CRACK, end, 2)
                            .caution("pressure")
                            .needs("port-spanner"),
                    of("cap-line", Section.TAKE_OUT, Handling.PLUG, end, 1)
                            .caution("open-circuit")
                            .fits("line-cap"),
                    of("end-off", Section.TAKE_OUT, Handling.UNSCREW, end, 8)
                            .caution("end-hangs")
                            .fits("end-off"),
                    of("other-side", Section.FIT, Handling.TORQUE, end, 8)
                            .takesOff("end-off")
                            .needs("end-torque"),
                    of("line-by-hand", Section.FIT, Handling.FIT, end, 3)
                            .takesOff("line-cap")
                            .needs("nut-torque"));
        }
        r.add(
                of("block-off", Section.BLEED, Handling.PULL, r.input(), 1).takesOff("pedal-block"),
                of("who-fitted-it", Section.BEYOND, Handling.LOOK, r.place, 1));
        r.fillAndBleed(e -> axle.contains(e.id()));
    }

    static void slave(Recipes r) {
        boolean inside = end(r) instanceof Slave slave && slave.concentric();
        r.protect().raised();
        lineOff(r);
        r.add(of("compare-slave", Section.COMPARE, Handling.LOOK, r.place, 3));
        if (inside) {
            r.add(
                    of("gearbox-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 120)
                            .caution("gearbox-falls")
                            .moves("gearbox"),
                    of("no-pressing", Section.FIT, Handling.LOOK, r.place, 1).caution("slave-unborne"),
                    of("slave-on", Section.FIT, Handling.TORQUE, r.place, 6).needs("slave-torque"),
                    of("gearbox-in", Section.FIT, Handling.TORQUE, r.place, 120)
                            .caution("gearbox-falls")
                            .setsBack("gearbox"),
                    of("clutch-while-open", Section.BEYOND, Handling.LOOK, r.place, 5));
        } else {
            r.add(
                    of("slave-off", Section.TAKE_OUT, Handling.UNSCREW, r.place, 5)
                            .caution("slave-unborne")
                            .fits("end-off"),
                    of("slave-on", Section.FIT, Handling.TORQUE, r.place, 6)
                            .takesOff("end-off")
                            .needs("slave-torque"),
                    of("rod-in-fork", Section.FIT, Handling.LOOK, r.place, 1));
        }
        r.add(of("master-of-same-age", Section.BEYOND, Handling.LOOK, r.master(), 2));
        r.fillAndBleed(e -> true);
    }

    static void fork(Recipes r) {
        r.protect().raised();
        r.add(
                of("gearbox-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 120)
                        .caution("gearbox-falls")
                        .moves("gearbox"),
                of("pivot-compared", Section.COMPARE, Handling.MEASURE, r.place, 3),
                of("fork-in", Section.FIT, Handling.FIT, r.place, 10).needs("pivot-grease"),
                of("gearbox-in", Section.FIT, Handling.TORQUE, r.place, 120)
                        .caution("gearbox-falls")
                        .setsBack("gearbox"),
                of("clutch-while-open", Section.BEYOND, Handling.LOOK, r.place, 5));
        InputRecipes.settings(r);
    }

    static void clutchParts(Recipes r) {
        r.protect().raised();
        r.add(
                of("gearbox-out", Section.TAKE_OUT, Handling.UNSCREW, r.place, 120)
                        .caution("gearbox-falls")
                        .moves("gearbox"),
                of("plate-compared", Section.COMPARE, Handling.MEASURE, r.place, 5)
                        .needs("plate-size"),
                of("cover-in-turn", Section.FIT, Handling.TORQUE, r.place, 20)
                        .caution("lining-dust")
                        .needs("cover-torque"),
                of("gearbox-in", Section.FIT, Handling.TORQUE, r.place, 120)
                        .caution("gearbox-falls")
                        .setsBack("gearbox"),
                of("spigot-and-seal", Section.BEYOND, Handling.LOOK, r.place, 4),
                of("slave-of-same-age", Section.BEYOND, Handling.LOOK, r.place, 2));
        InputRecipes.settings(r);
    }
}
