package overturn.repair;

import static overturn.repair.Handling.CLEAN;
import static overturn.repair.Handling.CRACK;
import static overturn.repair.Handling.FIT;
import static overturn.repair.Handling.LOOK;
import static overturn.repair.Handling.MEASURE;
import static overturn.repair.Handling.PLUG;
import static overturn.repair.Handling.PRESS;
import static overturn.repair.Handling.PULL;
import static overturn.repair.Handling.SET;
import static overturn.repair.Handling.TORQUE;
import static overturn.repair.Handling.UNSCREW;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.procedure.Needed;
import overturn.quantity.Dimension;

/** Calipers, drums, slaves and the clutch behind them. */
final class EndRecipes {

    /** How near a piston has to be to its size, mm; estimate, the maker goes before. */
    private static final double PISTON_WITHIN_MM = 0.3;

    private EndRecipes() {}

    private static End end(Recipes r) {
        return (End) r.layout.component(r.place);
    }

    private static boolean inTheBellHousing(Recipes r) {
        return end(r) instanceof Slave slave && slave.concentric();
    }

    private static OptionalDouble piston(Recipes r) {
        return end(r) instanceof DiscEnd disc
                ? OptionalDouble.of(disc.pistonMm())
                : end(r) instanceof DrumEnd drum ? OptionalDouble.of(drum.cylinderMm()) : OptionalDouble.empty();
    }

    /** The end laid open: wheel off, drum off or caliper swung. */
    private static void open(Recipes r) {
        r.protect();
        laidOpen(r, r.place);
    }

    private static void laidOpen(Recipes r, String end) {
        r.wheelOff(end);
        if (r.layout.component(end) instanceof DrumEnd) {
            r.takeOut("shoes-backed", SET, end, 3).makes(State.SHOES_BACKED);
            r.takeOut("drum-off", PULL, end, 4)
                    .needs(State.SHOES_BACKED)
                    .caution("lining-dust")
                    .makes(State.DRUM_OFF);
            r.fit("drum-on", FIT, end, 3)
                    .needs(State.DRUM_OFF)
                    .within(Condition.isNot(State.END_OFF, end))
                    .within(Condition.isNot(State.LININGS_OUT, end))
                    .caution("drum-first")
                    .ends(State.DRUM_OFF);
            r.set("shoes-set", SET, end, 5)
                    .needs(State.SHOES_BACKED)
                    .unless(State.DRUM_OFF)
                    .ends(State.SHOES_BACKED)
                    .maker("shoe-clearance");
        }
    }

    static void pedalBlocked(Recipes r) {
        r.takeOut("block-pedal", PLUG, r.input(), 1)
                .caution("old-cup")
                .with(Needed.BLOCK)
                .makes(State.PEDAL_BLOCK);
        r.fit("block-off", PULL, r.input(), 1).needs(State.PEDAL_BLOCK).ends(State.PEDAL_BLOCK);
    }

    /**
     * The line cracked and capped at this end while the pedal cannot be pressed, and joined again to what is in place.
     */
    private static void lineOff(Recipes r, String end) {
        r.takeOut("crack-line", CRACK, end, 2)
                .unless(State.END_OFF)
                .needs(State.PEDAL_BLOCK, r.input())
                .caution("pressure")
                .with(Needed.FLARE_NUT_SPANNER)
                .maker("port-spanner")
                .makes(State.NUTS_LOOSE);
        r.takeOut("cap-line", PLUG, end, 1)
                .needs(State.NUTS_LOOSE)
                .needs(State.PEDAL_BLOCK, r.input())
                .caution("open-circuit")
                .with(Needed.LINE_CAPS)
                .makes(State.LINE_CAP);
        r.fit("line-by-hand", FIT, end, 3)
                .needs(State.LINE_CAP)
                .needs(State.PEDAL_BLOCK, r.input())
                .unless(State.END_OFF)
                .within(Condition.isNot(State.GEARBOX_OUT, end))
                .with(Needed.WASHERS)
                .ends(State.LINE_CAP);
        r.fit("line-tight", TORQUE, end, 1)
                .after("line-by-hand")
                .needs(State.PEDAL_BLOCK, r.input())
                .with(Needed.TORQUE_SPANNER)
                .maker("nut-torque")
                .makes(State.TIGHT);
    }

    private static StepDraft endOff(Recipes r, String end) {
        return r.takeOut("end-off", UNSCREW, end, 8)
                .needs(State.LINE_CAP)
                .within(State.DRUM_OFF)
                .caution("end-hangs")
                .makes(State.END_OFF);
    }

    private static void endOn(Recipes r, String end) {
        r.fit("end-on", TORQUE, end, 8)
                .needs(State.END_OFF)
                .unless(State.APART)
                .within(State.RESEALED)
                .with(Needed.TORQUE_SPANNER)
                .ends(State.END_OFF)
                .maker("end-torque");
    }

    static void renew(Recipes r) {
        open(r);
        pedalBlocked(r);
        lineOff(r, r.place);
        endOff(r, r.place);
        r.compare("compare-end", MEASURE, r.place, 3)
                .needs(State.END_OFF)
                .with(Needed.RULE, Needed.NEW_PART)
                .asksOfOld("old-piston", Dimension.LENGTH, piston(r), PISTON_WITHIN_MM)
                .asks("new-piston", Dimension.LENGTH, piston(r), PISTON_WITHIN_MM);
        r.compare("compare-side", LOOK, r.place, 1).needs(State.END_OFF);
        r.decide("decide-end", LOOK, r.place, 1).needs(State.END_OFF);
        endOn(r, r.place);
        r.beyond("twin-end", LOOK, r.place, 3);
        r.beyond("disc-after-drag", LOOK, r.place, 3).maker("disc-limit");
        r.fillAndBleed(e -> e.id().equals(r.place));
    }

    static void reseal(Recipes r) {
        open(r);
        pedalBlocked(r);
        lineOff(r, r.place);
        endOff(r, r.place);
        r.takeOut("piston-out", PRESS, r.place, 4)
                .needs(State.END_OFF)
                .caution("piston-flies")
                .makes(State.APART);
        MasterRecipes.cleaned(r, r.place).needs(State.APART);
        r.clean("groove-clean", CLEAN, r.place, 6).needs(State.APART);
        r.compare("piston-measured", MEASURE, r.place, 4)
                .needs(State.WASHED, State.APART)
                .after("groove-clean")
                .with(Needed.RULE)
                .asks("piston", Dimension.LENGTH, piston(r), PISTON_WITHIN_MM)
                .maker("bore-limit");
        r.decide("decide-end", LOOK, r.place, 1).after("piston-measured");
        r.reseal(MasterRecipes.wetted(r, "seals-in"), FIT, r.place, 8)
                .needs(State.WASHED)
                .after("groove-clean")
                .after("decide-end")
                .with(Needed.SEAL_KIT)
                .ends(State.APART)
                .makes(State.RESEALED);
        endOn(r, r.place);
        r.beyond("linings-soaked", LOOK, r.place, 3).needs(State.END_OFF).caution("lining-dust");
        r.beyond("twin-end", LOOK, r.place, 3);
        r.fillAndBleed(e -> e.id().equals(r.place));
    }

    private static void swung(Recipes r) {
        r.takeOut("end-swung", UNSCREW, r.place, 4)
                .afterWherePlanned("runout-again")
                .caution("end-hangs")
                .makes(State.CALIPER_SWUNG);
        r.fit("end-back", TORQUE, r.place, 4)
                .needs(State.CALIPER_SWUNG)
                .with(Needed.TORQUE_SPANNER)
                .ends(State.CALIPER_SWUNG)
                .maker("slide-torque");
        r.close("pumped-firm", PRESS, r.input(), 1).pressing();
    }

    static void slides(Recipes r) {
        open(r);
        swung(r);
        r.clean("pins-out", CLEAN, r.place, 8).needs(State.CALIPER_SWUNG);
        r.fit("pins-in", FIT, r.place, 4)
                .needs(State.CALIPER_SWUNG)
                .after("pins-out")
                .with(Needed.GREASE)
                .maker("slide-grease");
        r.close("slides-again", PULL, r.place, 1)
                .after("pins-in")
                .unless(State.CALIPER_SWUNG)
                .isTest("slides-moved");
        r.beyond("disc-after-drag", LOOK, r.place, 3).needs(State.CALIPER_SWUNG).maker("disc-limit");
    }

    static void runout(Recipes r) {
        open(r);
        r.compare("runout-again", MEASURE, r.place, 6)
                .unless(State.CALIPER_SWUNG)
                .with(Needed.DIAL_GAUGE)
                .isTest("runout-dialled")
                .maker("runout-limit");
        swung(r);
        r.clean("hub-face", CLEAN, r.place, 6).needs(State.CALIPER_SWUNG);
        r.fit("disc-or-bearing", FIT, r.place, 25)
                .needs(State.CALIPER_SWUNG)
                .after("hub-face")
                .with(Needed.NEW_PART)
                .maker("bearing-torque");
        r.beyond("twin-disc", LOOK, r.place, 2);
    }

    private static void cableSlack(Recipes r, String at) {
        r.takeOut("cable-slack", SET, at, 3).makes(State.PARKING_CABLE_SLACK);
        r.set("cable-set", SET, at, 4)
                .needs(State.PARKING_CABLE_SLACK)
                .within(Condition.isNot(State.DRUM_OFF, at))
                .within(Condition.isNot(State.SHOES_BACKED, at))
                .afterWherePlanned("cable-freed")
                .ends(State.PARKING_CABLE_SLACK)
                .maker("parking-clicks");
    }

    /** The cable is slackened where there is one: not every drum holds a parking brake. */
    static void shoes(Recipes r) {
        r.held();
        r.raised();
        Optional<String> cable = r.layout.all(DrumEnd.class).stream()
                .filter(DrumEnd::parkingBrake)
                .map(End::id)
                .min(Comparator.comparing(id -> !id.equals(r.place)));
        cable.ifPresent(at -> cableSlack(r, at));
        for (End end : r.layout.all(DrumEnd.class)) {
            StepDraft shoes = r.set("shoes-in-turn", SET, end.id(), 6).maker("shoe-clearance");
            StepDraft turns = r.close("turns-free", PULL, end.id(), 1).after("shoes-in-turn");
            cable.ifPresent(at -> {
                shoes.needs(State.PARKING_CABLE_SLACK, at);
                turns.within(Condition.isNot(State.PARKING_CABLE_SLACK, at));
            });
        }
        r.beyond("adjuster-works", LOOK, r.place, 2);
    }

    static void parkingBrake(Recipes r) {
        r.held();
        laidOpen(r, r.place);
        cableSlack(r, r.place);
        r.clean("cable-freed", CLEAN, r.place, 15)
                .needs(State.PARKING_CABLE_SLACK)
                .with(Needed.GREASE);
        r.close("turns-free", PULL, r.place, 1)
                .after("cable-freed")
                .unless(State.PARKING_CABLE_SLACK)
                .within(Condition.isNot(State.DRUM_OFF, r.place))
                .within(Condition.isNot(State.SHOES_BACKED, r.place));
        r.close("holds-on-slope", PULL, r.place, 2)
                .unless(State.PARKING_CABLE_SLACK)
                .caution("slope")
                .onWheels();
        r.beyond("drum-after-drag", LOOK, r.place, 3).within(State.DRUM_OFF);
    }

    static void linings(Recipes r) {
        List<String> axle = r.layout.ends().stream()
                .filter(e -> e.rear() == end(r).rear())
                .map(End::id)
                .toList();
        r.protect();
        r.takeOut("level-down", PULL, r.reservoir(), 2)
                .caution("brim")
                .with(Needed.SYRINGE)
                .makes(State.DRAINED);
        for (String end : axle) {
            laidOpen(r, end);
            r.takeOut("linings-out", PULL, end, 8)
                    .needs(State.DRAINED, r.reservoir())
                    .within(State.DRUM_OFF)
                    .caution("lining-dust")
                    .makes(State.LININGS_OUT);
            r.set("pistons-back", PRESS, end, 3)
                    .needs(State.LININGS_OUT)
                    .needs(State.DRAINED, r.reservoir())
                    .caution("brim");
            r.fit("linings-in", FIT, end, 8)
                    .needs(State.LININGS_OUT)
                    .with(Needed.NEW_PART)
                    .ends(State.LININGS_OUT)
                    .maker("lining-grade");
        }
        r.compare("oil-from-where", LOOK, r.place, 3).needs(State.LININGS_OUT);
        r.close("pumped-firm", PRESS, r.input(), 1).pressing();
        r.close("set-level", SET, r.reservoir(), 2)
                .after("pumped-firm", r.input())
                .caution("fluid")
                .with(Needed.FLUID)
                .ends(State.DRAINED)
                .makes(State.LEVEL_SET);
        r.beyond("made-it-fail", LOOK, r.place, 2);
    }

    static void swap(Recipes r) {
        List<String> axle = r.layout.ends().stream()
                .filter(e -> e.getClass() == end(r).getClass() && e.rear() == end(r).rear())
                .map(End::id)
                .toList();
        r.protect();
        pedalBlocked(r);
        for (String end : axle) {
            laidOpen(r, end);
            lineOff(r, end);
            endOff(r, end);
            endOn(r, end);
            StepDraft other = r.moveOver("other-side", LOOK, end, 2).needs(State.END_OFF);
            axle.stream()
                    .filter(twin -> !twin.equals(end))
                    .forEach(twin -> r.compare("side-marked", LOOK, twin, 1).needs(State.END_OFF));
            axle.forEach(twin -> other.afterWherePlannedAt(twin, "side-marked"));
        }
        r.beyond("who-fitted-it", LOOK, r.place, 1);
        r.fillAndBleed(e -> axle.contains(e.id()));
    }

    static void slave(Recipes r) {
        boolean inside = inTheBellHousing(r);
        boolean reseal = !inside && r.is(School.REWORK, "reseal");
        r.protect();
        r.raised();
        pedalBlocked(r);
        lineOff(r, r.place);
        r.takeOut("slave-off", UNSCREW, r.place, 5)
                .needs(State.LINE_CAP)
                .within(State.GEARBOX_OUT)
                .caution("slave-unborne")
                .makes(State.END_OFF);
        if (reseal) {
            slaveResealed(r);
        } else {
            r.compare("compare-slave", LOOK, r.place, 3).needs(State.END_OFF).with(Needed.NEW_PART);
        }
        r.decide(inside ? "why-renewed-slave" : "decide-slave", LOOK, r.place, 1)
                .needs(State.END_OFF)
                .afterWherePlanned("slave-bore-looked-at");
        r.fit("slave-on", TORQUE, r.place, 6)
                .needs(State.END_OFF)
                .unless(State.APART)
                .within(State.RESEALED)
                .with(Needed.TORQUE_SPANNER)
                .ends(State.END_OFF)
                .maker("slave-torque")
                .makes(State.FITTED);
        if (inside) {
            gearbox(r);
            whileOpen(r);
            r.fit("no-pressing", LOOK, r.place, 1)
                    .needs(State.GEARBOX_OUT)
                    .unless(State.END_OFF)
                    .caution("slave-unborne");
        } else {
            r.fit("rod-in-fork", LOOK, r.place, 1).needs(State.FITTED);
        }
        r.beyond("master-of-same-age", LOOK, r.master(), 2);
        r.fillAndBleed(e -> true);
    }

    private static void slaveResealed(Recipes r) {
        r.takeOut("piston-out", PRESS, r.place, 4)
                .needs(State.END_OFF)
                .caution("piston-flies")
                .with(Needed.RING_PLIERS)
                .makes(State.APART);
        MasterRecipes.cleaned(r, r.place).needs(State.APART);
        r.compare("slave-bore-looked-at", LOOK, r.place, 3).needs(State.WASHED, State.APART);
        r.reseal(MasterRecipes.wetted(r, "seals-in"), FIT, r.place, 8)
                .needs(State.WASHED)
                .after("decide-slave")
                .with(Needed.SEAL_KIT)
                .ends(State.APART)
                .makes(State.RESEALED);
    }

    /** The gearbox out and in; the slave or its line is parted before, whatever it hangs on. */
    private static void gearbox(Recipes r) {
        r.takeOut("gearbox-out", UNSCREW, r.place, 120)
                .within(State.LINE_CAP)
                .within(State.SLAVE_ASIDE)
                .caution("gearbox-falls")
                .with(Needed.GEARBOX_JACK)
                .makes(State.GEARBOX_OUT);
        r.fit("gearbox-in", TORQUE, r.place, 120)
                .needs(State.GEARBOX_OUT)
                .within(Condition.isNot(State.END_OFF, r.place))
                .caution("gearbox-falls")
                .ends(State.GEARBOX_OUT)
                .makes(State.BOLTED);
    }

    private static void whileOpen(Recipes r) {
        r.compare("clutch-while-open", LOOK, r.place, 5)
                .needs(State.GEARBOX_OUT)
                .with(Needed.LAMP);
    }

    /** Before the gearbox comes out its slave is hung aside shut, or, where it sits inside, its line is parted. */
    private static void slaveParted(Recipes r) {
        if (inTheBellHousing(r)) {
            pedalBlocked(r);
            lineOff(r, r.place);
            r.fillAndBleed(e -> true);
        } else {
            r.takeOut("slave-aside", UNSCREW, r.place, 4)
                    .caution("slave-unborne")
                    .makes(State.SLAVE_ASIDE);
            r.fit("slave-back", TORQUE, r.place, 5)
                    .needs(State.SLAVE_ASIDE, State.BOLTED)
                    .with(Needed.TORQUE_SPANNER)
                    .ends(State.SLAVE_ASIDE)
                    .maker("slave-torque")
                    .makes(State.FITTED);
            r.fit("rod-in-fork", LOOK, r.place, 1).needs(State.FITTED);
        }
    }

    static void fork(Recipes r) {
        r.protect();
        r.raised();
        slaveParted(r);
        gearbox(r);
        whileOpen(r);
        r.compare("pivot-compared", MEASURE, r.place, 3)
                .needs(State.GEARBOX_OUT)
                .with(Needed.NEW_PART);
        r.fit("fork-in", FIT, r.place, 10)
                .needs(State.GEARBOX_OUT)
                .with(Needed.GREASE)
                .maker("pivot-grease");
        InputRecipes.settings(r);
    }

    static void clutchParts(Recipes r) {
        r.protect();
        r.raised();
        slaveParted(r);
        gearbox(r);
        r.compare("plate-compared", MEASURE, r.place, 5)
                .needs(State.GEARBOX_OUT)
                .with(Needed.NEW_PART)
                .maker("plate-size");
        r.compare("spigot-and-seal", LOOK, r.place, 4).needs(State.GEARBOX_OUT).with(Needed.LAMP);
        r.fit("cover-in-turn", TORQUE, r.place, 20)
                .needs(State.GEARBOX_OUT)
                .caution("lining-dust")
                .with(Needed.TORQUE_SPANNER)
                .maker("cover-torque");
        r.beyond("slave-of-same-age", LOOK, r.place, 2);
        InputRecipes.settings(r);
    }
}
