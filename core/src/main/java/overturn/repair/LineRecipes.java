package overturn.repair;

import static overturn.repair.Handling.BLEED;
import static overturn.repair.Handling.CRACK;
import static overturn.repair.Handling.FIT;
import static overturn.repair.Handling.LOOK;
import static overturn.repair.Handling.MEASURE;
import static overturn.repair.Handling.PLUG;
import static overturn.repair.Handling.PRESS;
import static overturn.repair.Handling.PULL;
import static overturn.repair.Handling.TORQUE;
import static overturn.repair.Handling.UNSCREW;

import overturn.procedure.Needed;

/** Pipes, hoses, valves, connectors and the modulator. */
final class LineRecipes {

    private LineRecipes() {}

    /** A joint opened and shut again, its pipe capped meanwhile. */
    private static void opened(Recipes r) {
        r.protect();
        r.takeOut("crack-joint", CRACK, r.place, 3)
                .afterWherePlanned("mark-pipes")
                .within(State.MODULATOR_UNPLUGGED)
                .caution("pressure")
                .with(Needed.FLARE_NUT_SPANNER)
                .maker("port-spanner")
                .makes(State.NUTS_LOOSE);
        r.takeOut("turning-nut", LOOK, r.place, 2)
                .needs(State.NUTS_LOOSE)
                .unless(State.LINE_CAP)
                .caution("no-flame")
                .whereItApplies();
        r.takeOut("cap-line", PLUG, r.place, 1)
                .needs(State.NUTS_LOOSE)
                .caution("open-circuit")
                .with(Needed.LINE_CAPS)
                .makes(State.LINE_CAP);
        r.fit("joint-by-hand", FIT, r.place, 4)
                .needs(State.LINE_CAP)
                .within(State.FITTED)
                .within(Condition.isNot(State.CONNECTOR_CLIP_OUT, r.place))
                .within(Condition.isNot(State.MODULATOR_OUT, r.place))
                .with(Needed.WASHERS)
                .ends(State.LINE_CAP);
        r.fit("torque-joint", TORQUE, r.place, 2)
                .after("joint-by-hand")
                .with(Needed.TORQUE_SPANNER)
                .maker("nut-torque")
                .makes(State.TIGHT);
        jointPressed(r);
    }

    private static void jointPressed(Recipes r) {
        r.close("joint-pressed", LOOK, r.place, 3).closing().pressing().helper().caution("pressure");
    }

    static void joint(Recipes r) {
        opened(r);
        r.compare("flare-looked-at", LOOK, r.place, 3).needs(State.LINE_CAP).with(Needed.LAMP);
        r.fit("whole-line", FIT, r.place, 12).needs(State.LINE_CAP).whereItApplies();
        r.beyond("chafed-where", LOOK, r.place, 2).needs(State.LINE_CAP);
        r.fillAndBleed(r.behind(r.place));
    }

    static void hoses(Recipes r) {
        r.raised();
        opened(r);
        r.takeOut("hose-out", UNSCREW, r.place, 5).needs(State.LINE_CAP).makes(State.HOSE_CLIP_OUT);
        r.compare("compare-hose", LOOK, r.place, 2).needs(State.HOSE_CLIP_OUT).with(Needed.NEW_PART);
        r.fit("hose-in", FIT, r.place, 6)
                .needs(State.HOSE_CLIP_OUT)
                .ends(State.HOSE_CLIP_OUT)
                .maker("hose-torque")
                .makes(State.FITTED);
        r.close("hose-at-lock", LOOK, r.place, 3).after("hose-in");
        r.beyond("twin-hose", LOOK, r.place, 2);
        r.fillAndBleed(r.behind(r.place));
    }

    static void pipe(Recipes r) {
        r.raised();
        opened(r);
        r.takeOut("pipe-out", PULL, r.place, 10).needs(State.LINE_CAP).makes(State.PIPE_CLIPS_OUT);
        r.compare("compare-pipe", LOOK, r.place, 2)
                .needs(State.PIPE_CLIPS_OUT)
                .with(Needed.NEW_PART)
                .maker("pipe-size", "seat-thread");
        r.fit("pipe-in", FIT, r.place, 20)
                .needs(State.PIPE_CLIPS_OUT)
                .ends(State.PIPE_CLIPS_OUT)
                .makes(State.FITTED);
        r.beyond("rust-elsewhere", LOOK, r.place, 4).needs(State.PIPE_CLIPS_OUT);
        r.fillAndBleed(r.behind(r.place));
    }

    static void valve(Recipes r) {
        r.raised();
        opened(r);
        r.takeOut("valve-out", UNSCREW, r.place, 6).needs(State.LINE_CAP).makes(State.END_OFF);
        r.compare("compare-valve", LOOK, r.place, 2)
                .needs(State.END_OFF)
                .with(Needed.NEW_PART)
                .maker("valve-knee");
        r.fit("valve-in", FIT, r.place, 8)
                .needs(State.END_OFF)
                .ends(State.END_OFF)
                .maker("nut-torque")
                .makes(State.FITTED);
        r.beyond("why-shifted", LOOK, r.place, 2);
        r.fillAndBleed(r.behind(r.place));
    }

    /** Has a clip and no nut: pulled apart, capped, pushed together until the clip is felt. */
    static void connector(Recipes r) {
        r.protect();
        r.raised();
        EndRecipes.pedalBlocked(r);
        r.takeOut("clip-out", PULL, r.place, 2)
                .needs(State.PEDAL_BLOCK, r.input())
                .caution("pressure")
                .makes(State.CONNECTOR_CLIP_OUT);
        r.takeOut("cap-line", PLUG, r.place, 1)
                .needs(State.CONNECTOR_CLIP_OUT)
                .caution("open-circuit")
                .with(Needed.LINE_CAPS)
                .makes(State.LINE_CAP);
        r.compare("seal-left-inside", LOOK, r.place, 2)
                .needs(State.CONNECTOR_CLIP_OUT)
                .with(Needed.LAMP);
        r.fit("connector-in", PRESS, r.place, 4)
                .needs(State.LINE_CAP)
                .after("seal-left-inside")
                .with(Needed.NEW_PART)
                .ends(State.LINE_CAP)
                .makes(State.FITTED);
        r.fit("clip-felt", FIT, r.place, 2)
                .needs(State.FITTED, State.CONNECTOR_CLIP_OUT)
                .ends(State.CONNECTOR_CLIP_OUT);
        jointPressed(r);
        r.beyond("made-it-fail", LOOK, r.place, 2);
        r.fillAndBleed(end -> true);
    }

    static void bleedModulator(Recipes r) {
        r.protect();
        airOut(r);
        r.beyond("where-from", LOOK, r.place, 3);
        r.fillAndBleed(end -> true);
    }

    /** By the routine that the maker gives, or at cracked outlets where there is none. */
    private static void airOut(Recipes r) {
        if (r.is(School.MODULATOR_AIR, "outlets")) {
            r.bleed("outlets-cracked", CRACK, r.place, 12)
                    .needs(State.FILLED, r.reservoir())
                    .caution("pressure")
                    .with(Needed.FLARE_NUT_SPANNER)
                    .pressing()
                    .helper();
            return;
        }
        r.bleed("routine-stop-known", LOOK, r.place, 2).caution("routine").maker("modulator-routine");
        r.bleed("routine-run", BLEED, r.place, 12)
                .after("routine-stop-known")
                .needs(State.FILLED, r.reservoir())
                .within(Condition.isNot(State.MODULATOR_UNPLUGGED, r.place))
                .caution("routine")
                .with(Needed.CODE_READER)
                .pressing();
    }

    private static void unplugged(Recipes r) {
        r.takeOut("plug-off", PULL, r.place, 2).caution("key-out").makes(State.MODULATOR_UNPLUGGED);
        r.fit("plug-on", FIT, r.place, 2)
                .needs(State.MODULATOR_UNPLUGGED)
                .afterWherePlanned("modulator-in", "signal-mended")
                .ends(State.MODULATOR_UNPLUGGED);
    }

    static void modulator(Recipes r) {
        unplugged(r);
        opened(r);
        r.takeOut("mark-pipes", LOOK, r.place, 3).unless(State.LINE_CAP);
        r.takeOut("modulator-out", UNSCREW, r.place, 25).needs(State.LINE_CAP).makes(State.MODULATOR_OUT);
        r.compare("compare-modulator", LOOK, r.place, 3)
                .needs(State.MODULATOR_OUT)
                .with(Needed.NEW_PART)
                .maker("modulator-number");
        r.beyond("dirt-from-where", LOOK, r.place, 3).needs(State.MODULATOR_OUT);
        r.fit("modulator-in", FIT, r.place, 25)
                .needs(State.MODULATOR_OUT)
                .ends(State.MODULATOR_OUT)
                .maker("nut-torque")
                .makes(State.FITTED);
        airOut(r);
        r.fillAndBleed(end -> true);
    }

    static void signal(Recipes r) {
        r.held();
        r.compare("codes-read", LOOK, r.place, 5)
                .unless(State.MODULATOR_UNPLUGGED)
                .with(Needed.CODE_READER);
        r.compare("sensor-gap", MEASURE, r.place, 8).after("codes-read").maker("sensor-gap");
        unplugged(r);
        r.fit("signal-mended", FIT, r.place, 20)
                .needs(State.MODULATOR_UNPLUGGED)
                .after("sensor-gap");
        r.close("clear-codes", LOOK, r.place, 4)
                .after("signal-mended")
                .unless(State.MODULATOR_UNPLUGGED)
                .with(Needed.CODE_READER);
        r.beyond("rust-on-ring", LOOK, r.place, 2);
    }

    static void loop(Recipes r) {
        r.protect();
        r.liftLoop(r.place);
        r.bleed("reverse-flow", BLEED, r.place, 8)
                .needs(State.FILLED, r.reservoir())
                .caution("fluid")
                .whereItApplies();
        r.beyond("where-from", LOOK, r.place, 3);
        r.fillAndBleed(end -> true);
    }
}
