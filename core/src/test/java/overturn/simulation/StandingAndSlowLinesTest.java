package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Observation;
import overturn.procedure.Procedure;
import overturn.protocol.Act;
import overturn.protocol.Act.Sample;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;

/**
 * What a vehicle does while it stands or drives, and what a narrow line, a shut vent and a low screw leave as it is.
 */
class StandingAndSlowLinesTest {

    private static final Layout HATCHBACK = Presets.layout("pellow-hatchback");
    private static final Layout TENDER = Presets.layout("old-bess-tender");
    private static final Fault PUSHED_BACK = new Fault.PadPushedBack(Set.of("front-left"), 1.5);

    private static double[] run(Layout layout, Protocol protocol, Fault... faults) {
        return Simulator.of(layout).run(protocol, VehicleUnknowns.NOMINAL, List.of(faults));
    }

    private static double[] test(Layout layout, String test, Fault... faults) {
        return run(
                layout, ProcedureCatalogue.of(layout).find(test).orElseThrow().protocol(), faults);
    }

    private static Protocol pressedAfter(Act... between) {
        return Protocol.whole()
                .then(new Act.Press(300), new Act.Hold(1), new Act.Release(30))
                .then(between)
                .then(new Act.Press(300), new Act.Hold(1), new Sample(Sensed.TRAVEL_MM))
                .done();
    }

    /** Runout pushes a pad back while its disc turns; a vehicle that only stands for a moment keeps it where it is. */
    @Test
    void padsGoBackOnTheRoadAndOverNightAndNotInAMoment() {
        double sound = run(HATCHBACK, pressedAfter())[0];
        double moment = run(HATCHBACK, pressedAfter(new Act.Stand(60)), PUSHED_BACK)[0];
        double road = run(HATCHBACK, pressedAfter(new Act.Drive(60)), PUSHED_BACK)[0];
        double night = run(HATCHBACK, pressedAfter(new Act.Stand(30_000)), PUSHED_BACK)[0];
        assertEquals(sound, moment, 1e-6);
        assertTrue(road > sound + 10, road + " mm after a drive, " + sound + " mm sound");
        assertEquals(road, night, 1e-6);
    }

    /** The end behind a narrow hose comes late both ways; the pedal is let go by its master, not by that end. */
    @Test
    void aNarrowHoseHoldsItsEndAndNotThePedal() {
        Fault narrow = new Fault.Restriction("rear-left-hose", 6, 0);
        Fault followed = new Fault.Restriction("rear-left-hose", 6, 2);
        double sound = test(TENDER, "return-time")[0];
        assertEquals(sound, test(TENDER, "return-time", narrow)[0], 1e-9);
        assertEquals(sound + 2, test(TENDER, "return-time", followed)[0], 1e-9);
        double allFour = sum(test(TENDER, "bleed-flow"));
        double behind = allFour - sum(test(TENDER, "bleed-flow", narrow));
        assertTrue(behind > 0.5 * allFour / 4, "less than half comes at the one screw: " + behind + " mL are missing");
    }

    /** What a clutch's slave moves is the fluid that got through; a pedal on its stop cannot make more of it. */
    @Test
    void behindANarrowHoseASlaveMovesLessAtFirstAndAsFarInTheEnd() {
        Layout tug = Presets.layout("brack-tug-clutch");
        String hose = tug.all(Component.Hose.class).get(0).id();
        Fault narrow = new Fault.Restriction(hose, 4, 0);
        double atOnce = run(tug, strokeAfter(1), narrow)[0];
        double later = run(tug, strokeAfter(60), narrow)[0];
        assertTrue(atOnce < 0.8 * run(tug, strokeAfter(1))[0], atOnce + " mm");
        assertEquals(run(tug, strokeAfter(60))[0], later, 0.1);
    }

    private static Protocol strokeAfter(int seconds) {
        return Protocol.whole()
                .then(new Act.PressToStop(), new Act.Hold(seconds), new Sample(Sensed.SLAVE_STROKE_MM))
                .done();
    }

    /**
     * What is still behind a narrow hose holds its wheel for some seconds and is gone when somebody has walked there.
     */
    @Test
    void aNarrowHoseLetsItsWheelGoWithinSeconds() {
        Fault narrow = new Fault.Restriction("rear-left-hose", 3, 0);
        assertTrue(rearAfter(1, narrow) > 2, rearAfter(1, narrow) + " bar after a second");
        assertTrue(rearAfter(20, narrow) < rearAfter(20) + 0.1, rearAfter(20, narrow) + " bar after twenty");
        assertTrue(rearAfter(5, narrow) < 0.2 * rearAfter(1, narrow) + rearAfter(5));
    }

    private static double rearAfter(int seconds, Fault... faults) {
        return run(
                TENDER,
                Protocol.whole()
                        .then(new Act.Press(300), new Act.Hold(5), new Act.Release(seconds))
                        .then(Sample.at(Sensed.RESIDUAL_BAR, "rear-left"))
                        .done(),
                faults)[0];
    }

    /** A vent that is shut does not show in the level; a brim does. Both press once it is warm. */
    @Test
    void aShutVentIsNotSeenInTheLevel() {
        Fault vent = new Fault.ReservoirShut(2, false);
        Fault brim = new Fault.ReservoirShut(2, true);
        Protocol level =
                Protocol.whole().then(new Sample(Sensed.LEVEL_SHORT_ML)).done();
        assertEquals(run(TENDER, level)[0], run(TENDER, level, vent)[0], 1e-9);
        assertTrue(run(TENDER, level, brim)[0] < run(TENDER, level)[0] - 10);
        assertTrue(overFull(brim) > 0.9, "seen to the brim: " + overFull(brim));
        assertEquals(overFull(), overFull(vent), 1e-9);
        Protocol warm = Protocol.whole()
                .then(new Act.Heat(60), Sample.at(Sensed.RESIDUAL_BAR, "front-left"))
                .done();
        assertEquals(run(TENDER, warm, brim)[0], run(TENDER, warm, vent)[0], 1e-9);
        assertTrue(run(TENDER, warm, vent)[0] > run(TENDER, warm)[0] + 1);
    }

    /** Of the air above a screw that stands below it a little comes out where it is tapped; most of it stays. */
    @Test
    void littleOfTheAirAboveALowScrewComesToIt() {
        Fault air = new Fault.TrappedAir("front-left", Chamber.PRIMARY, 4);
        Fault below = new Fault.ScrewBelow(Set.of("front-left"));
        Protocol tapped = Protocol.whole().then(new Sample(Sensed.FRONT_AIR_ML)).done();
        assertEquals(4, run(HATCHBACK, tapped, air)[0], 1e-9);
        double reached = run(HATCHBACK, tapped, air, below)[0];
        assertTrue(reached > 0.05 && reached < 0.5, reached + " mL");
    }

    /** A master draws in past its cup, not through its hole: one that is blocked is bled nearly like a sound one. */
    @Test
    void aShutHoleLeavesTheScrewsMostOfTheirStroke() {
        Fault shut = new Fault.CloggedHole(Chamber.PRIMARY, 1e6);
        double sound = sum(test(TENDER, "bleed-flow"));
        double held = sum(test(TENDER, "bleed-flow", shut));
        assertTrue(held < 0.98 * sound && held > 0.8 * sound, held + " mL of " + sound);
    }

    private static double overFull(Fault... faults) {
        Procedure look = ProcedureCatalogue.of(TENDER).find("reservoir").orElseThrow();
        int option = ((Observation) look.spec()).options().indexOf("over-full");
        return look.predicted(run(TENDER, look.protocol(), faults))[option];
    }

    private static double sum(double[] figures) {
        double sum = 0;
        for (double figure : figures) {
            sum += figure;
        }
        return sum;
    }
}
