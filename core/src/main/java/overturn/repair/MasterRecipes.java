package overturn.repair;

import static overturn.repair.Handling.CLEAN;
import static overturn.repair.Handling.CRACK;
import static overturn.repair.Handling.FILL;
import static overturn.repair.Handling.FIT;
import static overturn.repair.Handling.LOOK;
import static overturn.repair.Handling.MEASURE;
import static overturn.repair.Handling.PLUG;
import static overturn.repair.Handling.PRESS;
import static overturn.repair.Handling.PULL;
import static overturn.repair.Handling.TORQUE;
import static overturn.repair.Handling.UNSCREW;

import java.util.OptionalDouble;
import overturn.circuit.Component.MasterKind;
import overturn.procedure.Needed;
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
        r.protect();
        out(r);
        r.takeOut("old-apart", LOOK, r.master(), 12)
                .needs(State.MASTER_OUT)
                .isTest("master-stripped")
                .whereItApplies();
        compare(r);
        r.decide("decide-master", LOOK, r.master(), 2).needs(State.MASTER_OUT);
        r.moveOver("move-over-master", PULL, r.master(), 6).needs(State.MASTER_OUT);
        benchBleed(r);
        back(r);
        if (another) {
            r.beyond("why-another", LOOK, r.master(), 3);
        }
        bleedAndSettle(r);
    }

    /** Old and new side by side, once the old one is out and before the new one is in. */
    private static void compare(Recipes r) {
        String master = r.master();
        r.compare("compare-bore", MEASURE, master, 3)
                .needs(State.MASTER_OUT)
                .with(Needed.BORE_GAUGE, Needed.NEW_PART)
                .asksOfOld("old-bore", Dimension.LENGTH, bore(r), BORE_WITHIN_MM)
                .asks("new-bore", Dimension.LENGTH, bore(r), BORE_WITHIN_MM);
        r.compare("compare-ports", LOOK, master, 2)
                .needs(State.MASTER_OUT)
                .caution("look-alike")
                .maker("port-thread", "seat-thread");
        r.compare("compare-depth", MEASURE, master, 3)
                .needs(State.MASTER_OUT)
                .with(Needed.DEPTH_GAUGE)
                .asksOfOld("old-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .asks("new-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .together("old-depth", "new-depth", -DEPTH_WITHIN_MM, DEPTH_WITHIN_MM);
        r.compare("compare-rest", LOOK, master, 3).needs(State.MASTER_OUT).caution("locknut-missing");
    }

    private static StepDraft drawOff(Recipes r) {
        return r.takeOut("draw-off", PULL, r.reservoir(), 3)
                .caution("fluid")
                .with(Needed.SYRINGE)
                .afterWherePlanned("kind-proven")
                .afterWherePlannedAt(r.master(), "seals-sound")
                .afterWherePlannedAt(r.master(), "seals-sound-stripped")
                .makes(State.DRAINED);
    }

    /** Cracked while the master is bolted down: always with a flare-nut spanner, or only where a nut is stuck. */
    static void crackNuts(Recipes r) {
        boolean always = r.is(School.NUT_SPANNER, "always-flare");
        r.takeOut(always ? "crack-nuts" : "crack-nuts-open-spanner", CRACK, r.master(), 4)
                .unless(State.MASTER_OFF)
                .afterWherePlanned("mark-pipes")
                .caution("pressure")
                .with(Needed.FLARE_NUT_SPANNER)
                .maker("port-spanner", "adapter")
                .makes(State.NUTS_LOOSE);
        r.takeOut("turning-nut", LOOK, r.master(), 2)
                .needs(State.NUTS_LOOSE)
                .unless(State.MASTER_OFF)
                .caution("no-flame")
                .whereItApplies();
    }

    static void capPipes(Recipes r) {
        r.takeOut("cap-pipes", PLUG, r.master(), 2)
                .needs(State.NUTS_LOOSE)
                .within(State.DRAINED, r.reservoir())
                .caution("open-circuit")
                .with(Needed.LINE_CAPS)
                .makes(State.CAPS);
    }

    /** Taken off: nuts cracked while it is bolted down, pipes capped at once. */
    static void out(Recipes r) {
        String master = r.master();
        drawOff(r);
        crackNuts(r);
        r.takeOut("adapters-cracked", CRACK, master, 2).unless(State.MASTER_OFF).whereItApplies();
        r.takeOut("sensors-off", PULL, master, 1)
                .unless(State.MASTER_OFF)
                .makes(State.SENSORS_UNPLUGGED)
                .whereItApplies();
        capPipes(r);
        StepDraft unbolted = r.takeOut("unbolt-master", UNSCREW, master, 6)
                .needs(State.CAPS)
                .makes(State.MASTER_OUT, State.MASTER_OFF);
        if (r.layout.assist().isEmpty()) {
            InputRecipes.unhookRod(r);
            unbolted.needs(State.ROD_OFF, r.input());
        }
        r.beyond("made-it-fail", LOOK, master, 2).needs(State.MASTER_OUT);
    }

    /** Off with its pipes, for an assist that comes out; it goes back as it was. */
    static void offForTheAssist(Recipes r) {
        drawOff(r);
        crackNuts(r);
        capPipes(r);
        r.takeOut("unbolt-master", UNSCREW, r.master(), 6).needs(State.CAPS).makes(State.MASTER_OUT, State.MASTER_OFF);
        fitMaster(r);
        nutsByHand(r);
        torqueNuts(r);
    }

    private static boolean onTheBench(Recipes r) {
        String way = r.way(School.PRIMING);
        return way.equals("by-build")
                ? r.layout.assist().isPresent() || r.layout.master().tandem()
                : way.equals("bench");
    }

    /** In soft jaws with an assist or two chambers, in place where it stands level and is pressed directly. */
    private static void benchBleed(Recipes r) {
        String master = r.master();
        boolean bench = onTheBench(r);
        boolean sight = r.is(School.SEALS, "by-sight");
        r.moveOver(sight ? "reservoir-seals-by-sight" : "reservoir-seals", FIT, master, 4)
                .needs(State.MASTER_OUT)
                .unless(State.APART)
                .with(Needed.RESERVOIR_SEALS)
                .makes(State.RESERVOIR_ON);
        r.moveOver("transport-plugs", PULL, master, 1).needs(State.MASTER_OUT).whereItApplies();
        r.moveOver("adapters-over", FIT, master, 2)
                .needs(State.MASTER_OUT)
                .with(Needed.WASHERS)
                .whereItApplies();
        StepDraft tubes = r.benchBleed("return-tubes", FIT, master, 3)
                .with(Needed.TUBES)
                .needs(State.RESERVOIR_ON)
                .unless(State.APART)
                .makes(State.RETURN_TUBES);
        StepDraft strokes = r.benchBleed(bench ? "bench-strokes" : "vehicle-strokes", PRESS, master, 10)
                .needs(State.RETURN_TUBES)
                .caution("face-shield", "cap-loose")
                .with(Needed.FLUID, Needed.FACE_SHIELD)
                .makes(State.PRIMED);
        if (bench) {
            tubes.needs(State.MASTER_OUT);
            strokes.with(Needed.SOFT_JAWS);
        } else {
            tubes.needs(State.BOLTED).within(Condition.isNot(State.ROD_OFF, r.input()));
        }
        r.benchBleed("never-stops", LOOK, master, 1).needs(State.RETURN_TUBES).whereItApplies();
        r.benchBleed("tubes-off", PULL, master, 2)
                .needs(State.PRIMED)
                .with(Needed.LINE_CAPS)
                .ends(State.RETURN_TUBES);
    }

    /** The pipes on again, and with them all that a test had in or at the ports. */
    private static void nutsByHand(Recipes r) {
        StepDraft step = r.fit("nuts-by-hand", FIT, r.master(), 4)
                .needs(State.CAPS)
                .unless(State.MASTER_OFF)
                .within(Condition.isNot(State.RETURN_TUBES, r.master()))
                .within(State.PRIMED)
                .with(Needed.WASHERS)
                .ends(State.CAPS)
                .endsFitting("pipe-off-master", "master-port-cracked");
        r.layout.ports().forEach(port -> step.endsFitting("plug@" + port.id()));
    }

    private static void torqueNuts(Recipes r) {
        r.fit("torque-nuts", TORQUE, r.master(), 3)
                .after("nuts-by-hand")
                .within(State.BOLTED)
                .with(Needed.TORQUE_SPANNER)
                .maker("nut-torque")
                .makes(State.TIGHT);
    }

    /** The master on its studs again, its joint clean and new. */
    static void fitMaster(Recipes r) {
        String master = r.master();
        r.clean("joint-face", CLEAN, master, 3).needs(State.MASTER_OFF).makes(State.JOINT_CLEAN);
        r.fit("fit-master", FIT, master, 6)
                .needs(State.MASTER_OFF, State.JOINT_CLEAN)
                .unless(State.APART)
                .within(State.RESEALED)
                .within(State.RESERVOIR_ON)
                .caution("locknut-missing")
                .with(Needed.JOINT_RING, Needed.LOCKNUTS)
                .ends(State.MASTER_OFF, State.MASTER_OUT, State.MASTER_LOOSE)
                .makes(State.FITTED);
        StepDraft torqued = r.fit("torque-master", TORQUE, master, 3)
                .needs(State.FITTED)
                .unless(State.MASTER_OFF)
                .with(Needed.TORQUE_SPANNER)
                .maker("master-torque")
                .makes(State.BOLTED);
        if (onTheBench(r)) {
            torqued.afterWherePlanned("nuts-by-hand");
        }
    }

    private static void back(Recipes r) {
        fitMaster(r);
        if (r.layout.assist().isEmpty()) {
            InputRecipes.hookRod(r).needs(State.FITTED, r.master());
        }
        nutsByHand(r);
        torqueNuts(r);
        r.fit("sensors-on", FIT, r.master(), 1)
                .needs(State.FITTED)
                .ends(State.SENSORS_UNPLUGGED)
                .whereItApplies();
        insideTheAssist(r);
        r.layout.assist().ifPresent(assist -> InputRecipes.outputRodMeasured(r));
        InputRecipes.settings(r);
        if (r.lever) {
            InputRecipes.leverFree(r);
        }
        AssistRecipes.jointTight(r);
    }

    /** What a weeping rear seal has let into the assist, and whether the slave is as old. */
    private static void insideTheAssist(Recipes r) {
        r.layout
                .assist()
                .ifPresent(assist -> r.compare("assist-inside", LOOK, assist.id(), 3)
                        .needs(State.MASTER_OFF, r.master())
                        .with(Needed.LAMP));
        if (r.clutch) {
            r.beyond("slave-of-same-age", LOOK, r.layout.ends().get(0).id(), 2);
        }
    }

    private static void bleedAndSettle(Recipes r) {
        r.fillAndBleed(end -> true);
        InputRecipes.settledAgain(r);
    }

    /** Stripped, washed, measured and looked at, decided, and new rubber in. */
    private static void rebuilt(Recipes r) {
        String master = r.master();
        r.takeOut("apart", PULL, master, 8)
                .needs(State.MASTER_OUT)
                .caution("spring-flies")
                .with(Needed.RING_PLIERS)
                .isTest("master-stripped")
                .makes(State.APART);
        cleaned(r, master).needs(State.APART);
        if (r.layout.master().kind() == MasterKind.PORT_AND_CUP) {
            r.clean("hole-cleared", CLEAN, master, 4).needs(State.APART).caution("fluid");
        }
        r.compare("bore-measured", MEASURE, master, 5)
                .needs(State.WASHED, State.APART)
                .with(Needed.BORE_GAUGE)
                .asks("bore-one", Dimension.LENGTH, bore(r), BORE_WITHIN_MM)
                .asks("bore-across", Dimension.LENGTH, bore(r), BORE_WITHIN_MM + OVAL_WITHIN_MM)
                .maker("bore-limit");
        r.decide("decide-master", LOOK, master, 2).after("bore-measured");
        r.reseal(wetted(r, "lips"), FIT, master, 10)
                .needs(State.WASHED)
                .after("decide-master")
                .within(State.FLUSHED)
                .with(Needed.SEAL_KIT)
                .makes(State.RESEALED);
        r.reseal("springs-back", PRESS, master, 2)
                .needs(State.RESEALED, State.MASTER_OUT)
                .ends(State.APART);
    }

    /** The step in the way in which the workshop wets rubber. */
    static String wetted(Recipes r, String step) {
        return r.is(School.SEAL_WETTING, "fluid") ? step : step + "-in-paste";
    }

    /** Washed in the way in which the workshop washes what rubber will touch. */
    static StepDraft cleaned(Recipes r, String place) {
        return r.clean(r.is(School.CLEANER, "alcohol") ? "alcohol" : "cleaner-spray", CLEAN, place, 6)
                .with(Needed.CLEANER)
                .makes(State.WASHED);
    }

    static void clean(Recipes r) {
        r.protect();
        out(r);
        rebuilt(r);
        benchBleed(r);
        back(r);
        bleedAndSettle(r);
    }

    static void residualValve(Recipes r) {
        r.protect();
        crackNuts(r);
        capPipes(r);
        r.fit("valve-in-port", FIT, r.master(), 10)
                .needs(State.CAPS)
                .with(Needed.NEW_PART)
                .maker("residual-pressure");
        nutsByHand(r);
        torqueNuts(r);
        r.fillAndBleed(end -> true);
    }

    static void bleed(Recipes r) {
        r.protect();
        if (!r.layout.master().bleedScrew()) {
            r.bleed("master-ports-bled", CRACK, r.master(), 8)
                    .caution("pressure")
                    .with(Needed.FLARE_NUT_SPANNER)
                    .pressing()
                    .helper()
                    .needs(State.FILLED, r.reservoir())
                    .makes(State.BLED);
        }
        r.beyond("where-from", LOOK, r.master(), 3);
        r.fillAndBleed(end -> true);
    }

    static void reroute(Recipes r) {
        r.protect();
        r.takeOut("mark-pipes", LOOK, r.master(), 3);
        crackNuts(r);
        capPipes(r);
        r.fit("pipes-as-listed", FIT, r.master(), 15).needs(State.CAPS).maker("port-order");
        nutsByHand(r);
        torqueNuts(r);
        r.fillAndBleed(end -> true);
    }

    static void level(Recipes r) {
        r.compare("linings-first", LOOK, r.reservoir(), 3);
        r.clean("vent-open", CLEAN, r.reservoir(), 3).after("linings-first");
        r.fill("lower-level", FILL, r.reservoir(), 4)
                .caution("fluid")
                .after("linings-first")
                .with(Needed.SYRINGE, Needed.FLUID)
                .maker("fluid-grade");
    }

    static void reservoir(Recipes r) {
        String reservoir = r.reservoir();
        r.protect();
        drawOff(r);
        r.takeOut("reservoir-off", PULL, reservoir, 5)
                .needs(State.DRAINED)
                .caution("open-circuit")
                .makes(State.RESERVOIR_OFF);
        r.clean("seats-clean", CLEAN, reservoir, 4).needs(State.RESERVOIR_OFF);
        r.fit("reservoir-on", PRESS, reservoir, 5)
                .needs(State.RESERVOIR_OFF)
                .after("seats-clean")
                .with(Needed.RESERVOIR_SEALS)
                .ends(State.RESERVOIR_OFF);
        r.beyond("paint-below", LOOK, reservoir, 2);
        r.fillAndBleed(end -> true);
    }

    static void changeFluid(Recipes r) {
        r.protect();
        kindProven(r);
        boolean plugs = r.is(School.SEALS_SHOWN, "plugs");
        r.compare(plugs ? "seals-sound" : "seals-sound-stripped", LOOK, r.master(), 3)
                .caution("pressure");
        drawOff(r);
        r.close("fluid-dated", LOOK, r.reservoir(), 0.5)
                .maker("fluid-changed-on")
                .needs(State.LEVEL_SET);
        r.fillAndBleed(end -> true);
    }

    private static void kindProven(Recipes r) {
        r.compare("kind-proven", LOOK, r.reservoir(), 2).caution("fluid-kinds").maker("fluid-grade");
    }

    /**
     * The wrong fluid is in: nothing is pressed with it; everything is washed, and new rubber meets only the right
     * fluid.
     */
    static void flush(Recipes r) {
        r.protect();
        kindProven(r);
        out(r);
        rebuilt(r);
        r.clean("lines-flushed", CLEAN, r.master(), 30)
                .needs(State.CAPS, State.MASTER_OUT)
                .with(Needed.FLUID)
                .makes(State.FLUSHED);
        r.reseal("every-rubber", FIT, r.master(), 60)
                .needs(State.FLUSHED, State.MASTER_OUT)
                .with(Needed.SEAL_KIT);
        r.layout.ends().forEach(end -> {
            r.wheelOff(end.id());
            r.reseal("end-resealed", FIT, end.id(), 20)
                    .needs(State.FLUSHED, r.master())
                    .needs(State.MASTER_OUT, r.master())
                    .with(Needed.SEAL_KIT);
        });
        r.beyond("hoses-softened", LOOK, r.master(), 5).needs(State.MASTER_OUT);
        benchBleed(r);
        back(r);
        bleedAndSettle(r);
    }
}
