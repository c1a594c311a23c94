package overturn.repair;

import static overturn.repair.Handling.CLEAN;
import static overturn.repair.Handling.FILL;
import static overturn.repair.Handling.FIT;
import static overturn.repair.Handling.LOOK;
import static overturn.repair.Handling.MEASURE;
import static overturn.repair.Handling.PRESS;
import static overturn.repair.Handling.PULL;
import static overturn.repair.Handling.TORQUE;
import static overturn.repair.Handling.UNSCREW;

import java.util.OptionalDouble;
import overturn.procedure.Needed;
import overturn.quantity.Dimension;

/** Assist, its supply and its lines. */
final class AssistRecipes {

    /** Diameters of two equal assists by a rule; estimate. */
    private static final double SIZE_WITHIN_MM = 3;

    private AssistRecipes() {}

    private static void opened(Recipes r) {
        r.held();
        r.spent();
    }

    /** The master drawn forward with its pipes on, carried. */
    static void masterDrawnForward(Recipes r) {
        r.takeOut("pipes-stay", UNSCREW, r.master(), 8)
                .caution("nobody-at-pedal")
                .makes(State.MASTER_LOOSE, State.MASTER_OFF);
        r.takeOut("rod-stays", LOOK, r.layout.assist().orElseThrow().id(), 1)
                .needs(State.MASTER_OFF, r.master())
                .caution("rod-drops");
    }

    /** Off with its pipes bent aside, or taken off altogether, and then bled. */
    private static boolean masterAside(Recipes r) {
        if (r.is(School.ASSIST_PIPES, "bent-aside")) {
            masterDrawnForward(r);
            MasterRecipes.fitMaster(r);
            return false;
        }
        MasterRecipes.offForTheAssist(r);
        return true;
    }

    /** After a master was off: the joint to a vacuum assist is tight. */
    static void jointTight(Recipes r) {
        if (r.vacuum()) {
            holdsVacuum(r, r.layout.assist().orElseThrow().id()).needs(State.FITTED, r.master());
        }
    }

    private static StepDraft holdsVacuum(Recipes r, String assist) {
        return r.close("holds-vacuum", LOOK, assist, 3)
                .within(State.BOLTED, r.master())
                .within(Condition.isNot(State.SUPPLY_OFF, assist))
                .caution("running-engine")
                .pressing()
                .closing();
    }

    static void supply(Recipes r) {
        opened(r);
        r.compare("source-gauged", MEASURE, r.place, 5)
                .with(Needed.VACUUM_GAUGE)
                .isTest("vacuum-tee");
        r.fit("source-mended", FIT, r.place, 25)
                .after("source-gauged")
                .caution("running-engine")
                .maker("supply-least");
        holdsVacuum(r, r.place).after("source-mended");
        r.beyond("oil-in-hose", LOOK, r.place, 2);
    }

    private static void hoseOff(Recipes r) {
        r.takeOut("hose-off", PULL, r.place, 3).makes(State.SUPPLY_OFF);
    }

    private static void hoseOn(Recipes r) {
        r.fit("hose-on", FIT, r.place, 5)
                .needs(State.SUPPLY_OFF)
                .within(Condition.isNot(State.ASSIST_OUT, r.place))
                .ends(State.SUPPLY_OFF);
        holdsVacuum(r, r.place);
    }

    static void supplyHose(Recipes r) {
        opened(r);
        hoseOff(r);
        r.compare("compare-hose", LOOK, r.place, 2).needs(State.SUPPLY_OFF).with(Needed.NEW_PART);
        hoseOn(r);
        r.beyond("oil-in-hose", LOOK, r.place, 2).needs(State.SUPPLY_OFF);
    }

    static void checkValve(Recipes r) {
        opened(r);
        r.compare("way-round", LOOK, r.place, 1).unless(State.SUPPLY_OFF);
        r.takeOut("valve-off", PULL, r.place, 2).after("way-round").makes(State.SUPPLY_OFF);
        r.fit("valve-on", FIT, r.place, 3)
                .needs(State.SUPPLY_OFF)
                .with(Needed.NEW_PART)
                .ends(State.SUPPLY_OFF);
        holdsVacuum(r, r.place);
        r.beyond("oil-in-hose", LOOK, r.place, 2).needs(State.SUPPLY_OFF);
    }

    static void joint(Recipes r) {
        opened(r);
        masterDrawnForward(r);
        r.fit("joint-seal", FIT, r.place, 4)
                .needs(State.MASTER_OFF, r.master())
                .needs(State.JOINT_CLEAN, r.master())
                .with(Needed.JOINT_RING)
                .makes(State.RESEALED);
        insideLookedAt(r);
        InputRecipes.outputRodMeasured(r);
        MasterRecipes.fitMaster(r);
        jointTight(r);
        InputRecipes.settings(r);
    }

    private static void insideLookedAt(Recipes r) {
        r.compare("assist-inside", LOOK, r.place, 3)
                .needs(State.MASTER_OFF, r.master())
                .with(Needed.LAMP);
    }

    static void renew(Recipes r) {
        r.protect();
        boolean pipesOff = masterAside(r);
        assistOut(r);
        r.compare("compare-assist", MEASURE, r.place, 5)
                .needs(State.ASSIST_OUT)
                .with(Needed.RULE, Needed.NEW_PART)
                .asksOfOld("old-diameter", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .asks("new-diameter", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .together("old-diameter", "new-diameter", -SIZE_WITHIN_MM, SIZE_WITHIN_MM)
                .maker("assist-size");
        r.decide(r.hydraulic() ? "decide-assist" : "why-renewed", LOOK, r.place, 1)
                .needs(State.ASSIST_OUT);
        r.moveOver("move-over-assist", PULL, r.place, 6)
                .needs(State.ASSIST_OUT)
                .caution("rod-drops", "locknut-missing");
        assistIn(r);
        r.beyond("died-young", LOOK, r.place, 2).needs(State.ASSIST_OUT);
        settled(r, pipesOff);
    }

    static void reseal(Recipes r) {
        r.protect();
        boolean pipesOff = masterAside(r);
        assistOut(r);
        r.takeOut("assist-apart", PULL, r.place, 10)
                .needs(State.ASSIST_OUT)
                .caution("spring-flies")
                .with(Needed.RING_PLIERS)
                .makes(State.APART);
        MasterRecipes.cleaned(r, r.place).needs(State.APART);
        r.compare("plunger-looked-at", LOOK, r.place, 5).needs(State.APART, State.WASHED);
        r.decide("decide-assist", LOOK, r.place, 1).after("plunger-looked-at");
        r.reseal("input-seal", FIT, r.place, 15)
                .needs(State.WASHED)
                .after("decide-assist")
                .caution("spring-flies")
                .with(Needed.SEAL_KIT)
                .ends(State.APART)
                .makes(State.RESEALED);
        assistIn(r);
        r.beyond("footwell-dried", CLEAN, r.input(), 4);
        settled(r, pipesOff);
    }

    private static void assistOut(Recipes r) {
        InputRecipes.unhookRod(r);
        if (r.hydraulic()) {
            linesOff(r);
        } else {
            hoseOff(r);
        }
        r.takeOut("assist-out", UNSCREW, r.place, 20)
                .needs(State.MASTER_OFF, r.master())
                .needs(State.ROD_OFF, r.input())
                .within(State.SUPPLY_OFF)
                .within(State.ASSIST_LINES_OFF)
                .makes(State.ASSIST_OUT);
    }

    private static void assistIn(Recipes r) {
        r.fit("assist-in", FIT, r.place, 20)
                .needs(State.ASSIST_OUT)
                .unless(State.APART)
                .within(State.RESEALED)
                .with(Needed.JOINT_RING, Needed.TORQUE_SPANNER)
                .ends(State.ASSIST_OUT)
                .maker("assist-torque");
        r.fit("joint-seal", FIT, r.place, 4)
                .needs(State.MASTER_OFF, r.master())
                .unless(State.ASSIST_OUT)
                .with(Needed.JOINT_RING);
        InputRecipes.hookRod(r).within(Condition.isNot(State.ASSIST_OUT, r.place));
        InputRecipes.outputRodMeasured(r);
        if (r.hydraulic()) {
            linesOn(r);
            lockToLock(r);
        } else {
            hoseOn(r);
        }
    }

    private static void settled(Recipes r, boolean pipesOff) {
        jointTight(r);
        InputRecipes.settings(r);
        if (pipesOff) {
            r.fillAndBleed(end -> true);
            InputRecipes.settledAgain(r);
        }
    }

    private static void linesOff(Recipes r) {
        r.takeOut("lines-off", UNSCREW, r.place, 10)
                .afterWherePlanned("leak-found")
                .caution("steering-too")
                .with(Needed.COVERS, Needed.LINE_CAPS)
                .makes(State.ASSIST_LINES_OFF);
    }

    private static void linesOn(Recipes r) {
        r.fit("lines-on", TORQUE, r.place, 8)
                .needs(State.ASSIST_LINES_OFF)
                .within(Condition.isNot(State.ASSIST_OUT, r.place))
                .afterWherePlanned("whole-line", "return-cleared")
                .with(Needed.WASHERS, Needed.TORQUE_SPANNER)
                .ends(State.ASSIST_LINES_OFF)
                .maker("assist-line-torque");
    }

    private static void lockToLock(Recipes r) {
        r.fill("steering-fluid", FILL, r.place, 3)
                .within(Condition.isNot(State.ASSIST_LINES_OFF, r.place))
                .within(Condition.isNot(State.ACCUMULATOR_OFF, r.place))
                .within(Condition.isNot(State.ASSIST_OUT, r.place))
                .afterWherePlanned("whole-line", "pump-mended")
                .caution("fluid-kinds")
                .maker("steering-fluid")
                .makes(State.FILLED);
        r.bleed("lock-to-lock", PRESS, r.place, 8)
                .needs(State.FILLED)
                .caution("running-engine")
                .pressing()
                .makes(State.PRIMED);
    }

    static void line(Recipes r) {
        opened(r);
        r.compare("leak-found", LOOK, r.place, 3).unless(State.ASSIST_LINES_OFF);
        linesOff(r);
        r.fit("whole-line", FIT, r.place, 15).needs(State.ASSIST_LINES_OFF).with(Needed.NEW_PART);
        linesOn(r);
        r.beyond("chafed-where", LOOK, r.place, 2).needs(State.ASSIST_LINES_OFF);
        lockToLock(r);
    }

    static void pump(Recipes r) {
        opened(r);
        r.compare("belt-and-level", LOOK, r.place, 3);
        r.fit("pump-mended", FIT, r.place, 40)
                .after("belt-and-level")
                .caution("steering-too")
                .maker("pump-pressure");
        r.close("pump-again", MEASURE, r.place, 5)
                .needs(State.PRIMED)
                .with(Needed.PRESSURE_GAUGE)
                .isTest("pump-gauge");
        r.beyond("metal-in-fluid", LOOK, r.place, 2);
        lockToLock(r);
    }

    static void accumulator(Recipes r) {
        opened(r);
        r.takeOut("accumulator-off", UNSCREW, r.place, 8).caution("accumulator").makes(State.ACCUMULATOR_OFF);
        r.fit("accumulator-on", TORQUE, r.place, 8)
                .needs(State.ACCUMULATOR_OFF)
                .with(Needed.NEW_PART, Needed.WASHERS, Needed.TORQUE_SPANNER)
                .ends(State.ACCUMULATOR_OFF)
                .maker("accumulator-torque");
        r.beyond("old-made-safe", LOOK, r.place, 2).caution("accumulator");
        lockToLock(r);
    }

    static void returnLine(Recipes r) {
        opened(r);
        linesOff(r);
        r.clean("return-cleared", CLEAN, r.place, 12).needs(State.ASSIST_LINES_OFF);
        linesOn(r);
        r.beyond("kinked-where", LOOK, r.place, 2).needs(State.ASSIST_LINES_OFF);
        lockToLock(r);
    }

    static void bleed(Recipes r) {
        opened(r);
        lockToLock(r);
        r.beyond("air-from-where", LOOK, r.place, 3);
    }
}
