package overturn.repair;

import static overturn.repair.Handling.CLEAN;
import static overturn.repair.Handling.FIT;
import static overturn.repair.Handling.LOOK;
import static overturn.repair.Handling.MEASURE;
import static overturn.repair.Handling.PRESS;
import static overturn.repair.Handling.PULL;
import static overturn.repair.Handling.SET;
import static overturn.repair.Handling.TORQUE;
import static overturn.repair.Handling.UNSCREW;

import java.util.OptionalDouble;
import overturn.procedure.Needed;
import overturn.quantity.Dimension;

/** Pedal, lever, rods and the switch. */
final class InputRecipes {

    /** A measured clearance may differ from the layout's by so much, mm at the pedal or lever; estimate. */
    private static final double PLAY_WITHIN_MM = 4;

    /** How near the play of a lever has to be to its figure, mm; estimate. */
    private static final double LEVER_PLAY_WITHIN_MM = 1.5;
    /**
     * A rod that stands prouder than the piston lies deep holds the port shut; a gap above this is lost pedal;
     * estimate.
     */
    private static final double MOST_ROD_GAP_MM = 3;

    private InputRecipes() {}

    static void unhookRod(Recipes r) {
        r.takeOut("unhook-rod", PULL, r.input(), 4).caution("nobody-at-pedal").makes(State.ROD_OFF);
        neighbourCable(r);
    }

    /** The cable of a neighbouring pedal that comes off its stop when this pedal drops. */
    private static void neighbourCable(Recipes r) {
        if (!r.lever && !r.clutch) {
            r.protect("neighbour-cable-off", PULL, r.input(), 2)
                    .caution("neighbour-cable")
                    .makes(State.NEIGHBOUR_CABLE_OFF)
                    .whereItApplies();
            r.close("neighbour-cable-on", FIT, r.input(), 2)
                    .within(Condition.isNot(State.ROD_OFF, r.input()))
                    .within(Condition.isNot(State.STOP_LOOSE, r.input()))
                    .ends(State.NEIGHBOUR_CABLE_OFF)
                    .whereItApplies();
        }
    }

    static StepDraft hookRod(Recipes r) {
        return r.fit("hook-rod", FIT, r.input(), 4)
                .needs(State.ROD_OFF)
                .within(Condition.isNot(State.MASTER_OUT, r.master()))
                .within(Condition.isNot(State.BRACKET_OUT, r.input()))
                .within(Condition.isNot(State.RETURN_SPRING_OFF, r.input()))
                .afterWherePlanned("right-hole", "falls-back")
                .ends(State.ROD_OFF)
                .endsFitting("rod-unhooked", "rod-turned-back");
    }

    /** The pedal rod set and locked, the switch last; the stop sets the height, never the rod. */
    static void settings(Recipes r) {
        if (r.is(School.ROD_WHEN, "before-and-after")) {
            rodSet(r, r.set(r.lever ? "reach-set" : "rod-set", SET, r.input(), 6));
        }
        locked(r);
    }

    private static void locked(Recipes r) {
        r.set("locknut", TORQUE, r.input(), 2)
                .within(State.ROD_SET)
                .caution("locknut-missing")
                .ends(State.LOCKNUT_LOOSE);
        switchSet(r);
    }

    private static void rodSet(Recipes r, StepDraft step) {
        inPlace(r, step)
                .within(State.LOCKNUT_LOOSE)
                .with(Needed.RULE)
                .asks(
                        "free-play",
                        Dimension.LENGTH,
                        OptionalDouble.of(r.layout.input().freePlayMm()),
                        r.lever ? LEVER_PLAY_WITHIN_MM : PLAY_WITHIN_MM)
                .maker("pedal-height")
                .endsFitting("rod-turned-back")
                .makes(State.ROD_SET);
    }

    /** Pedal, rod and master are where they belong. */
    private static StepDraft inPlace(Recipes r, StepDraft step) {
        return step.within(State.BOLTED, r.master())
                .within(Condition.isNot(State.MASTER_LOOSE, r.master()))
                .within(Condition.isNot(State.ROD_OFF, r.input()))
                .within(Condition.isNot(State.BRACKET_OUT, r.input()))
                .within(Condition.isNot(State.RETURN_SPRING_OFF, r.input()))
                .within(Condition.isNot(State.LEVER_OFF, r.input()))
                .within(Condition.isNot(State.STOP_LOOSE, r.input()))
                .within(Condition.isNot(State.GEARBOX_OUT, r.place));
    }

    private static void switchSet(Recipes r) {
        if (!r.clutch) {
            inPlace(r, r.set("switch-set", SET, r.input(), 3))
                    .within(State.ROD_SET)
                    .endsFitting("rod-unhooked");
        }
    }

    /** Rod and stop once more with the pedal firm: what air had hidden shows only now. */
    static void settledAgain(Recipes r) {
        StepDraft again = r.close("rod-again", SET, r.input(), 3).closing().pressing();
        if (!r.is(School.ROD_WHEN, "before-and-after")) {
            rodSet(r, again);
        }
    }

    /** How far the output rod stands out and how deep the piston lies: only with the master off. */
    static void outputRodMeasured(Recipes r) {
        String assist = r.layout.assist().orElseThrow().id();
        r.set("output-rod-set", MEASURE, assist, 10)
                .needs(State.MASTER_OFF, r.master())
                .within(Condition.isNot(State.APART, r.master()))
                .within(Condition.isNot(State.ASSIST_OUT, assist))
                .caution("rod-drops")
                .with(Needed.DEPTH_GAUGE)
                .asks("rod-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .asks("master-depth", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .together("rod-depth", "master-depth", 0, MOST_ROD_GAP_MM)
                .maker("output-rod-gap")
                .isTest("output-rod-measured")
                .makes(State.OUTPUT_ROD_SET);
    }

    /** After a lever's master: the switch works and the reach screw leaves the piston alone. */
    static void leverFree(Recipes r) {
        inPlace(r, r.set("switch-engages", PRESS, r.input(), 2));
        inPlace(r, r.set("reach-free", LOOK, r.input(), 1)).caution("preload");
    }

    private static void wheelsAndPort(Recipes r) {
        inPlace(r, r.close("port-open-again", PRESS, r.master(), 3))
                .caution("face-shield", "cap-loose")
                .with(Needed.FACE_SHIELD)
                .within(State.ROD_SET, r.input())
                .within(State.RAISED, r.input())
                .pressing();
    }

    /** What a drag has ruined. */
    private static void afterDrag(Recipes r) {
        if (!r.clutch) {
            r.beyond("ends-after-drag", LOOK, r.layout.ends().get(0).id(), 4).maker("disc-limit");
        }
        r.beyond("who-set-it", LOOK, r.input(), 1);
    }

    /** The plan of earlier logs, which did not say which of rod and stop was wrong. */
    static void rod(Recipes r) {
        heldForSetting(r);
        settings(r);
        wheelsAndPort(r);
        r.beyond("who-set-it", LOOK, r.input(), 1);
    }

    private static void heldForSetting(Recipes r) {
        r.held();
        if (!r.clutch) {
            r.raised();
        }
        neighbourCable(r);
        r.takeOut("switch-free", PULL, r.input(), 2)
                .caution("switch-sealant")
                .makes(State.SWITCH_UNPLUGGED)
                .whereItApplies();
        r.fit("switch-on", FIT, r.input(), 1)
                .within(State.ROD_SET)
                .ends(State.SWITCH_UNPLUGGED)
                .whereItApplies();
    }

    private static void locknutLoose(Recipes r) {
        r.takeOut("locknut-loose", UNSCREW, r.input(), 1).makes(State.LOCKNUT_LOOSE);
    }

    private static StepDraft wheelsTurned(Recipes r) {
        return r.close("wheels-turned", PULL, r.input(), 2)
                .within(State.RAISED)
                .pressing()
                .helper();
    }

    /** On the stands: every wheel turns after a press, the port is open, and both again once it is warm. */
    private static void provenOnStands(Recipes r) {
        if (!r.clutch) {
            wheelsTurned(r).needs(State.ROD_SET);
        }
        wheelsAndPort(r);
        r.close("warm-again", PRESS, r.input(), 10)
                .needs(State.ROD_SET)
                .within(State.RAISED)
                .caution("preload")
                .pressing();
    }

    /** Shorter until the piston comes home: in only, or both ways to the play that is felt. */
    static void shorterRod(Recipes r) {
        heldForSetting(r);
        boolean inOnly = r.is(School.ROD_WAY, "in-only");
        locknutLoose(r);
        rodSet(r, r.set(inOnly ? "rod-shorter" : "rod-shorter-both-ways", SET, r.input(), 10));
        locked(r);
        provenOnStands(r);
        afterDrag(r);
    }

    /** Longer until the play is what is listed, the port still open. */
    static void longerRod(Recipes r) {
        heldForSetting(r);
        boolean inOnly = r.is(School.ROD_WAY, "in-only");
        locknutLoose(r);
        rodSet(
                r,
                r.set(inOnly ? "rod-longer" : "rod-longer-both-ways", SET, r.input(), 10)
                        .caution("preload"));
        locked(r);
        provenOnStands(r);
        r.beyond("who-set-it", LOOK, r.input(), 1);
    }

    /** The stop lets the pedal come home; what sits on it is loosened first and set again after it. */
    static void stop(Recipes r) {
        heldForSetting(r);
        r.takeOut("stop-loosened", UNSCREW, r.input(), 2)
                .makes(State.STOP_LOOSE)
                .endsFitting("stop-backed-off");
        r.set("stop-set", SET, r.input(), 4)
                .needs(State.STOP_LOOSE)
                .maker("pedal-height")
                .ends(State.STOP_LOOSE);
        rodSet(r, r.set("rod-set", SET, r.input(), 6));
        locked(r);
        provenOnStands(r);
        afterDrag(r);
    }

    static void outputRod(Recipes r) {
        r.protect();
        r.raised();
        AssistRecipes.masterDrawnForward(r);
        outputRodMeasured(r);
        MasterRecipes.fitMaster(r);
        wheelsTurned(r).within(State.BOLTED, r.master());
        wheelsAndPort(r);
        r.close("rod-trial-turns", SET, r.layout.assist().orElseThrow().id(), 30)
                .caution("preload")
                .needs(State.OUTPUT_ROD_SET)
                .within(State.RAISED, r.input())
                .within(State.BOLTED, r.master())
                .whereItApplies();
        AssistRecipes.jointTight(r);
        settings(r);
        afterDrag(r);
    }

    static void free(Recipes r) {
        r.held();
        r.spent();
        unhookRod(r);
        r.takeOut("pivot-out", PULL, r.input(), 8)
                .needs(State.ROD_OFF)
                .caution("spring-flies")
                .with(Needed.RING_PLIERS)
                .makes(State.RETURN_SPRING_OFF);
        r.clean("pivot-clean", CLEAN, r.input(), 6)
                .needs(State.RETURN_SPRING_OFF)
                .with(Needed.GREASE);
        r.fit("pivot-in", FIT, r.input(), 6)
                .needs(State.RETURN_SPRING_OFF)
                .after("pivot-clean")
                .ends(State.RETURN_SPRING_OFF);
        r.fit("falls-back", PRESS, r.input(), 1)
                .needs(State.ROD_OFF)
                .after("pivot-in")
                .unless(State.RETURN_SPRING_OFF);
        hookRod(r).after("falls-back");
        r.beyond("salt-or-bent", LOOK, r.input(), 2).needs(State.RETURN_SPRING_OFF);
        settings(r);
    }

    static void bracket(Recipes r) {
        r.held();
        r.spent();
        r.protect("cracks-looked-for", LOOK, r.input(), 8)
                .unless(State.BRACKET_OUT)
                .pressing()
                .helper()
                .with(Needed.LAMP);
        unhookRod(r);
        r.takeOut("bracket-out", UNSCREW, r.input(), 20)
                .needs(State.ROD_OFF)
                .after("cracks-looked-for")
                .caution("nobody-at-pedal")
                .makes(State.BRACKET_OUT);
        r.fit("bracket-in", TORQUE, r.input(), 25)
                .needs(State.BRACKET_OUT)
                .with(Needed.NEW_PART, Needed.TORQUE_SPANNER)
                .ends(State.BRACKET_OUT)
                .maker("bracket-torque");
        hookRod(r).after("bracket-in");
        r.close("moves-again", PRESS, r.input(), 3)
                .after("bracket-in")
                .pressing()
                .helper()
                .isTest("bracket-watched");
        r.beyond("why-it-cracked", LOOK, r.input(), 3).needs(State.BRACKET_OUT);
        settings(r);
    }

    static void ratio(Recipes r) {
        r.held();
        r.spent();
        r.compare("arms-measured", MEASURE, r.input(), 4)
                .with(Needed.RULE)
                .asks("long-arm", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .asks("short-arm", Dimension.LENGTH, OptionalDouble.empty(), 0)
                .maker("pedal-ratio");
        unhookRod(r);
        r.fit("right-hole", FIT, r.input(), 8).needs(State.ROD_OFF).after("arms-measured");
        hookRod(r).after("right-hole");
        r.beyond("what-else-forced", LOOK, r.input(), 2);
        settings(r);
    }

    static void lever(Recipes r) {
        r.held();
        r.takeOut("lever-off", UNSCREW, r.input(), 5).makes(State.LEVER_OFF);
        r.compare("compare-lever", LOOK, r.input(), 3).needs(State.LEVER_OFF).with(Needed.NEW_PART);
        r.set("pushed-by-hand", PRESS, r.master(), 2)
                .needs(State.LEVER_OFF, r.input())
                .caution("preload");
        r.fit("lever-on", FIT, r.input(), 8)
                .needs(State.LEVER_OFF)
                .with(Needed.GREASE)
                .ends(State.LEVER_OFF)
                .maker("lever-torque");
        leverFree(r);
        r.beyond("fall-marks", LOOK, r.input(), 2);
        settings(r);
    }

    static void reach(Recipes r) {
        r.held();
        r.set("reach-back", SET, r.input(), 3).caution("preload");
        r.close("snaps-home", PRESS, r.master(), 2)
                .after("reach-back", r.input())
                .caution("preload")
                .pressing();
        r.beyond("who-set-it", LOOK, r.input(), 1);
        settings(r);
        leverFree(r);
    }

    static void lampSwitch(Recipes r) {
        r.held();
        r.takeOut("switch-free", PULL, r.input(), 2).caution("switch-sealant").makes(State.SWITCH_UNPLUGGED);
        r.set("switch-set", SET, r.input(), 3).needs(State.SWITCH_UNPLUGGED);
        r.set("switch-on", FIT, r.input(), 1)
                .after("switch-set")
                .with(Needed.WASHERS)
                .ends(State.SWITCH_UNPLUGGED);
        r.close("lamp-seen", LOOK, r.input(), 1)
                .unless(State.SWITCH_UNPLUGGED)
                .after("switch-set")
                .pressing()
                .helper();
        r.beyond("same-switch-again", LOOK, r.input(), 1).caution("switch-sealant");
    }
}
