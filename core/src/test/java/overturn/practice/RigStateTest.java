package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.bleeding.BleedEvent.Bubbles;
import overturn.bleeding.BleedEvent.Colour;
import overturn.circuit.Chamber;
import overturn.circuit.End;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.practice.RigAct.Bleed;
import overturn.practice.RigAct.Cap;
import overturn.practice.RigAct.Crack;
import overturn.practice.RigAct.Drive;
import overturn.practice.RigAct.FitPart;
import overturn.practice.RigAct.Foot;
import overturn.practice.RigAct.Isolate;
import overturn.practice.RigAct.Opened;
import overturn.practice.RigAct.Plug;
import overturn.practice.RigAct.SetRod;
import overturn.practice.RigAct.Stand;
import overturn.practice.RigAct.TopUp;
import overturn.practice.RigState.Hazard;
import overturn.practice.RigState.Mishap;
import overturn.suspect.Fault;

/** What hands do to the vehicle of an exercise, and what goes wrong when they do it in the wrong order. */
class RigStateTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final String SCREW = TARN.joints().stream()
            .filter(j -> j.to().equals("front-left"))
            .findFirst()
            .orElseThrow()
            .id();
    private static final Joint PORT = TARN.ports().get(0);

    private static RigState does(RigState from, RigAct... acts) {
        RigState now = from;
        for (RigAct act : acts) {
            now = now.after(act, TARN);
        }
        return now;
    }

    private static RigState untouched() {
        return RigState.untouched(TARN);
    }

    private static final RigAct[] GOOD_STROKE = {
        new Foot(200), new Crack(SCREW, true), new Crack(SCREW, false), new Foot(0)
    };

    @Test
    void aStrokeBledInOrderTakesFluidAndNoAir() {
        RigState bled = does(untouched(), GOOD_STROKE);
        assertEquals(List.of(), bled.mishaps());
        assertEquals(List.of(), bled.own(TARN));
        double took = untouched().reservoirMl() - bled.reservoirMl();
        assertTrue(took > 3 && took < 9, "one stroke of a van takes 4 to 7 mL, took " + took);
    }

    private static double airMl(RigState state) {
        return state.own(TARN).stream()
                .map(Fault.TrappedAir.class::cast)
                .mapToDouble(Fault.TrappedAir::ml)
                .sum();
    }

    private static RigState filled(RigState state) {
        return does(state, new TopUp(TARN.reservoir().fluid().id()));
    }

    @Test
    void lettingGoBeforeTheScrewIsShutDrawsAirWhichStrokesCarryOutButForWhatClings() {
        RigState spoilt =
                does(untouched(), new Foot(200), new Crack(SCREW, true), new Foot(0), new Crack(SCREW, false));
        assertEquals(List.of(Mishap.EARLY_RELEASE), spoilt.mishaps());
        assertTrue(spoilt.own(TARN).get(0) instanceof Fault.TrappedAir air
                && air.componentId().equals("front-left"));
        assertEquals(0.8, airMl(spoilt), 1e-9);
        RigState bled = spoilt;
        for (int stroke = 0; stroke < 8; stroke++) {
            bled = filled(does(bled, GOOD_STROKE));
        }
        assertTrue(airMl(bled) < 0.25, airMl(bled) + " mL");
        RigState elsewhere = does(spoilt, new Bleed("front-right", 8));
        assertEquals(0.8, airMl(elsewhere), 1e-9, "strokes at another end carry nothing out of this one");
    }

    @Test
    void strokesByTheSheetShowBubblesUntilTheAirIsOutAndThenNone() {
        RigState state = does(untouched(), new Opened("front-left"));
        double before = airMl(state);
        state = does(state, new Bleed("front-left", 4));
        assertTrue(airMl(state) < before);
        assertTrue(state.hose().orElseThrow().bubbles() != Bubbles.NONE, "it runs with bubbles");
        assertEquals(Colour.DARK, state.hose().orElseThrow().colour(), "old fluid first");
        for (int turn = 0; turn < 6; turn++) {
            state = does(filled(state), new Bleed("front-left", 4), new Stand(10));
        }
        state = does(filled(state), new Bleed("front-left", 6));
        assertEquals(
                new Hose("front-left", 6, Bubbles.NONE, Colour.CLEAR),
                state.hose().orElseThrow());
        assertEquals(0, airMl(state), 0.05);
        assertEquals(List.of(), state.mishaps());
    }

    @Test
    void whatIsFittedFromTheShelfIsBledWithIt() {
        RigState found = RigState.untouched(
                TARN, List.of(new Fault.TrappedAir("front-left", TARN.chamberOf("front-left"), 1.5)));
        assertEquals(1.5, found.found().ml(), 1e-9);
        assertEquals(
                1.5,
                does(found, new RigAct.Replace("bleed-rear")).found().ml(),
                1e-9,
                "the other axle's bleeding leaves it");
        assertEquals(0, does(found, new RigAct.Replace("bleed-front")).found().ml());
        assertEquals(
                0,
                does(found, new RigAct.Replace("renew-master")).found().ml(),
                "a master that was off is bled with its ends");
    }

    /** What comes out of the hose and what stays is what was there. */
    @Test
    void noAirIsLostOrMadeWhileItIsBled() {
        SplittableRandom random = new SplittableRandom(11);
        for (Layout layout : Presets.all()) {
            LineAir air = LineAir.NONE;
            for (End end : layout.ends()) {
                air = air.with(end.id(), layout.chamberOf(end.id()), 0.4, random);
            }
            air = air.with(layout.master().id(), Chamber.PRIMARY, 1, random);
            double all = air.ml();
            double out = 0;
            for (int stroke = 0; stroke < 60; stroke++) {
                String end = layout.ends().get(stroke % layout.ends().size()).id();
                LineAir.Moved moved = air.moved(end, 5, layout, random);
                out += moved.outMl();
                air = moved.left().rested(random);
            }
            assertEquals(all, out + air.ml(), 1e-9, layout.id());
            assertTrue(out > 0.7 * all, layout.id() + ": the air of the master comes out at its ends too");
        }
    }

    @Test
    void aReservoirThatNobodyFillsRunsDry() {
        RigState state = untouched();
        for (int stroke = 0; stroke < 40; stroke++) {
            state = does(state, GOOD_STROKE);
        }
        assertTrue(state.mishaps().contains(Mishap.RAN_DRY));
        assertTrue(state.own(TARN).stream()
                .anyMatch(f -> f instanceof Fault.TrappedAir air
                        && air.componentId().equals(TARN.master().id())));
        RigState filled = untouched();
        for (int stroke = 0; stroke < 40; stroke++) {
            filled = does(filled, GOOD_STROKE);
            filled = does(filled, new TopUp(TARN.reservoir().fluid().id()));
        }
        assertEquals(List.of(), filled.mishaps());
    }

    @Test
    void theOtherMistakesCostWhatTheyCost() {
        assertEquals(
                List.of(Mishap.CAP_OFF),
                does(untouched(), new Cap(false), new Foot(100), new Foot(0)).mishaps());
        RigState rubbing = does(untouched(), new Isolate(Isolation.SHOES_SET, true), new Drive(10));
        assertEquals(List.of(Mishap.SHOES_NOT_SET_BACK), rubbing.mishaps());
        assertTrue(rubbing.own(TARN).stream().allMatch(Fault.MechanicalDrag.class::isInstance));
        assertEquals(
                List.of(),
                does(rubbing, new Isolate(Isolation.SHOES_SET, false)).own(TARN),
                "set back they run free");
        RigState small = does(untouched(), new FitPart("front-left", 0.9));
        assertEquals(List.of(Mishap.WRONG_SIZE_FITTED), small.mishaps());
        assertTrue(small.own(TARN).contains(new Fault.WrongPiston("front-left", 0.9 * 0.9)));
        RigState rod = does(untouched(), new SetRod(1.5), new Drive(10));
        assertEquals(List.of(Mishap.ROD_TOO_LONG), rod.mishaps());
        assertTrue(rod.own(TARN).contains(new Fault.PreLoad(Fault.Rod.PEDAL_ROD, 1.5)));
        assertEquals(List.of(), does(rod, new SetRod(0)).own(TARN));
    }

    @Test
    void anUnsafeActStopsTheExerciseForGood() {
        assertEquals(
                Hazard.OPENED_UNDER_PRESSURE,
                does(untouched(), new Foot(300), new Crack(PORT.id(), true))
                        .stopped()
                        .orElseThrow());
        RigState driven = does(untouched(), new Plug(PORT.id(), true), new Drive(5));
        assertEquals(Hazard.DRIVEN_WITH_A_PLUG, driven.stopped().orElseThrow());
        assertEquals(driven, does(driven, new Plug(PORT.id(), false)), "nothing is done to it any more");
        assertEquals(
                Hazard.DRIVEN_OPEN,
                does(untouched(), new Crack(SCREW, true), new Drive(5))
                        .stopped()
                        .orElseThrow());
        assertEquals(
                Hazard.FLUIDS_MIXED,
                does(untouched(), new TopUp("mineral")).stopped().orElseThrow());
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new Foot(5_000)));
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new Foot(Double.NaN)));
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new Crack("nowhere", true)));
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new FitPart("reservoir", 1)));
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new Drive(0)));
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new Bleed("front-left", 0)));
        assertThrows(IllegalArgumentException.class, () -> does(untouched(), new Bleed("master", 4)));
        RigState plugged = does(untouched(), new Plug(PORT.id(), true));
        String behind = TARN.beyond(PORT.id()).stream()
                .filter(id -> TARN.component(id) instanceof End)
                .findFirst()
                .orElseThrow();
        assertThrows(IllegalArgumentException.class, () -> does(plugged, new Bleed(behind, 4)));
    }
}
