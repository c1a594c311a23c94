package overturn.repair;

import static overturn.repair.WorkStep.of;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import overturn.circuit.Component.MasterKind;
import overturn.quantity.Dimension;

/** Master and reservoir. */
final class MasterRecipes {

    /** A bore may differ by as much between two rules of a hand; estimate. */
    private static final double BORE_WITHIN_MM = 0.25;
    /** Two diameters of one sound bore, docs/trade-figures.md; estimate. */
    private static final double OVAL_WITHIN_MM = 0.05;

    /**
     * Pistons of one part lie equally deep within so much; a part that needs another altered is a wrong part; estimate.
     */
    private static final double DEPTH_WITHIN_MM = 0.5;

    private MasterRecipes() {}

    private static OptionalDouble bore(Recipes r) {
        return OptionalDouble.of(r.layout.master().boreMm());
    }

    static void renew(Recipes r, boolean another) {
        String master = r.master();
        r.protect();
        r.add(
                of("compare-bore", Section.COMPARE, Handling.MEASURE, master, 3)
                        .asksOfOld("old-bore", Dimension.LENGTH, bore(r), BORE_WITHIN_MM)
                        .asks("new-bore", Dimension.LENGTH, bore(r), BORE_WITHIN_MM),
                of("compare-ports", Section.COMPARE, Handling.LOOK, master, 2).needs("port-thread"),
                of("compare-depth", Section.COMPARE, Handling.MEASURE, master, 3)
                        .asksOfOld("old-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                        .asks("new-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                        .together("old-depth", "new-depth", -DEPTH_WITHIN_MM, DEPTH_WITHIN_MM),
                of("compare-rest", Section.COMPARE, Handling.LOOK, master, 3));
        out(r);
        r.add(
                of("old-apart", Section.TAKE_OUT, Handling.LOOK, master, 12)
                        .isTest("master-stripped")
                        .whereItApplies(),
                of("move-over-master", Section.MOVE_OVER, Handling.PULL, master, 6),
                of("reservoir-seals", Section.MOVE_OVER, Handling.FIT, r.reservoir(), 4));
        benchBleed(r);
        back(r);
        beyondSeal(r);
        if (another) {
            r.add(of("why-another", Section.BEYOND, Handling.LOOK, master, 3));
        }
        r.fillAndBleed(end -> true);
    }

    /** Taken off: nuts cracked while it is bolted down, pipes capped at once. */
    private static void out(Recipes r) {
        String master = r.master();
        r.add(
                of("draw-off", Section.TAKE_OUT, Handling.PULL, r.reservoir(), 3)
                        .caution("fluid"),
                of("crack-nuts", Section.TAKE_OUT, Handling.CRACK, master, 4)
                        .caution("pressure")
                        .needs("port-spanner"),
                of("turning-nut", Section.TAKE_OUT, Handling.LOOK, master, 2).whereItApplies(),
                of("cap-pipes", Section.TAKE_OUT, Handling.PLUG, master, 2)
                        .caution("open-circuit")
                        .fits("pipe-caps"),
                of("unhook-rod", Section.TAKE_OUT, Handling.PULL, r.input(), 4)
                        .caution("nobody-at-pedal")
                        .moves("rod-clip"),
                of("switch-off", Section.TAKE_OUT, Handling.PULL, r.input(), 1)
                        .moves("lamp-switch-plug")
                        .whereItApplies(),
                of("unbolt-master", Section.TAKE_OUT, Handling.UNSCREW, master, 6)
                        .fits("master-out"));
    }

    private static void benchBleed(Recipes r) {
        String master = r.master();
        boolean bench = r.layout.assist().isPresent() || r.layout.master().tandem();
        r.add(
                of("return-tubes", Section.BENCH_BLEED, Handling.FIT, master, 3).fits("return-tubes"),
                of(bench ? "bench-strokes" : "vehicle-strokes", Section.BENCH_BLEED, Handling.PRESS, master, 10)
                        .caution("face-shield"),
                of("never-stops", Section.BENCH_BLEED, Handling.LOOK, master, 1).whereItApplies(),
                of("tubes-off", Section.BENCH_BLEED, Handling.PULL, master, 2).takesOff("return-tubes"));
    }

    /** The pipes on again, and with them all that a test had in or at the ports. */
    private static WorkStep nutsByHand(Recipes r) {
        List<String> off = new ArrayList<>(List.of("pipe-caps", "pipe-off-master", "master-port-cracked"));
        r.layout.ports().forEach(port -> off.add("plug@" + port.id()));
        return of("nuts-by-hand", Section.FIT, Handling.FIT, r.master(), 4)
                .takesOff(off.toArray(String[]::new))
                .needs("nut-torque");
    }

    private static void back(Recipes r) {
        String master = r.master();
        r.add(
                of("joint-face", Section.CLEAN, Handling.CLEAN, master, 3),
                of("fit-master", Section.FIT, Handling.FIT, master, 6)
                        .takesOff("master-out", "master-loose")
                        .needs("master-torque"),
                of("hook-rod", Section.FIT, Handling.FIT, r.input(), 4)
                        .setsBack("rod-clip", "rod-unhooked", "rod-turned-back"),
                nutsByHand(r),
                of("switch-on", Section.FIT, Handling.FIT, r.input(), 1)
                        .setsBack("lamp-switch-plug")
                        .whereItApplies());
        InputRecipes.settings(r);
        r.add(of("torque-nuts", Section.CLOSE, Handling.TORQUE, master, 3).needs("nut-torque"));
    }

    /** What a weeping rear seal has let into the assist, and whether the slave is as old. */
    private static void beyondSeal(Recipes r) {
        r.layout
                .assist()
                .ifPresent(assist -> r.add(of("assist-inside", Section.BEYOND, Handling.LOOK, assist.id(), 3)));
        if (r.clutch) {
            r.add(of(
                    "slave-of-same-age",
                    Section.BEYOND,
                    Handling.LOOK,
                    r.layout.ends().get(0).id(),
                    2));
        }
    }

    static void clean(Recipes r) {
        String master = r.master();
        r.protect();
        out(r);
        r.add(
                of("apart", Section.TAKE_OUT, Handling.PULL, master, 8)
                        .caution("spring-flies")
                        .isTest("master-stripped"),
                of("bore-measured", Section.RESEAL, Handling.MEASURE, master, 5)
                        .asks("bore-one", Dimension.LENGTH, bore(r), BORE_WITHIN_MM)
                        .asks("bore-across", Dimension.LENGTH, bore(r), BORE_WITHIN_MM + OVAL_WITHIN_MM)
                        .needs("bore-limit"),
                of("lips", Section.RESEAL, Handling.FIT, master, 10),
                of("alcohol", Section.CLEAN, Handling.CLEAN, master, 6));
        if (r.layout.master().kind() == MasterKind.PORT_AND_CUP) {
            r.add(of("hole-cleared", Section.CLEAN, Handling.CLEAN, master, 4).caution("fluid"));
        }
        r.add(of("springs-back", Section.RESEAL, Handling.PRESS, master, 2));
        benchBleed(r);
        back(r);
        beyondSeal(r);
        r.fillAndBleed(end -> true);
    }

    static void residualValve(Recipes r) {
        String master = r.master();
        r.protect();
        r.add(
                of("crack-nuts", Section.TAKE_OUT, Handling.CRACK, master, 4)
                        .caution("pressure")
                        .needs("port-spanner"),
                of("cap-pipes", Section.TAKE_OUT, Handling.PLUG, master, 2)
                        .caution("open-circuit")
                        .fits("pipe-caps"),
                of("valve-in-port", Section.FIT, Handling.FIT, master, 10).needs("residual-pressure"),
                nutsByHand(r),
                of("torque-nuts", Section.CLOSE, Handling.TORQUE, master, 3).needs("nut-torque"));
        r.fillAndBleed(end -> true);
    }

    static void bleed(Recipes r) {
        r.protect();
        if (!r.layout.master().bleedScrew()) {
            r.add(of("master-ports-bled", Section.BLEED, Handling.CRACK, r.master(), 8)
                    .caution("pressure"));
        }
        r.add(of("where-from", Section.BEYOND, Handling.LOOK, r.master(), 3));
        r.fillAndBleed(end -> true);
    }

    static void reroute(Recipes r) {
        String master = r.master();
        r.protect();
        r.add(
                of("mark-pipes", Section.TAKE_OUT, Handling.LOOK, master, 3),
                of("crack-nuts", Section.TAKE_OUT, Handling.CRACK, master, 4)
                        .caution("pressure")
                        .needs("port-spanner"),
                of("cap-pipes", Section.TAKE_OUT, Handling.PLUG, master, 2)
                        .caution("open-circuit")
                        .fits("pipe-caps"),
                of("pipes-as-listed", Section.FIT, Handling.FIT, master, 15).needs("port-order"),
                nutsByHand(r),
                of("torque-nuts", Section.CLOSE, Handling.TORQUE, master, 3).needs("nut-torque"));
        r.fillAndBleed(end -> true);
    }

    static void level(Recipes r) {
        r.add(
                of("lower-level", Section.FILL, Handling.PULL, r.reservoir(), 4)
                        .caution("fluid")
                        .needs("fluid-grade"),
                of("vent-open", Section.CLEAN, Handling.CLEAN, r.reservoir(), 3),
                of("linings-first", Section.BEYOND, Handling.LOOK, r.reservoir(), 3));
    }

    static void reservoir(Recipes r) {
        String reservoir = r.reservoir();
        r.protect();
        r.add(
                of("draw-off", Section.TAKE_OUT, Handling.PULL, reservoir, 3).caution("fluid"),
                of("reservoir-off", Section.TAKE_OUT, Handling.PULL, reservoir, 5)
                        .caution("open-circuit")
                        .fits("reservoir-off"),
                of("seats-clean", Section.CLEAN, Handling.CLEAN, reservoir, 4),
                of("reservoir-on", Section.FIT, Handling.PRESS, reservoir, 5).takesOff("reservoir-off"),
                of("paint-below", Section.BEYOND, Handling.LOOK, reservoir, 2));
        r.fillAndBleed(end -> true);
    }

    static void changeFluid(Recipes r) {
        r.protect();
        r.add(
                of("kind-proven", Section.COMPARE, Handling.LOOK, r.reservoir(), 2)
                        .caution("fluid-kinds")
                        .needs("fluid-grade"),
                of("draw-off", Section.TAKE_OUT, Handling.PULL, r.reservoir(), 3)
                        .caution("fluid"),
                of("seals-sound", Section.BEYOND, Handling.LOOK, r.master(), 3));
        r.fillAndBleed(end -> true);
    }

    static void flush(Recipes r) {
        changeFluid(r);
        out(r);
        r.add(
                of("every-rubber", Section.RESEAL, Handling.FIT, r.master(), 60),
                of("lines-flushed", Section.CLEAN, Handling.CLEAN, r.master(), 30),
                of("lips", Section.RESEAL, Handling.FIT, r.master(), 10));
        r.layout.ends().forEach(end -> {
            r.wheelOff(end.id());
            r.add(of("end-resealed", Section.RESEAL, Handling.FIT, end.id(), 20));
        });
        benchBleed(r);
        back(r);
        r.add(of("hoses-softened", Section.BEYOND, Handling.LOOK, r.master(), 5));
    }
}
