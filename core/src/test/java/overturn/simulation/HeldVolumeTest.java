package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.Isolation;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;
import overturn.suspect.Fault.CloggedHole;
import overturn.suspect.Fault.PreLoad;
import overturn.suspect.Fault.Rod;

/** What a shut hole holds in: worked by hand, conserved, and felt in every travel until somebody lets it out. */
class HeldVolumeTest {

    private static final Layout TENDER = Presets.layout("old-bess-tender");
    private static final Layout SALOON = Presets.layout("pellow-saloon");
    private static final double FOR_EVER_SECONDS = 1e9;
    private static final double OUTPUT_GAP_MM = VehicleUnknowns.NOMINAL.letGo().outputGapMm();
    private static final double OPEN_HOLE_SECONDS =
            VehicleUnknowns.NOMINAL.letGo().openHoleSeconds();
    /** Of the vehicle of the data sheet, per press of 20 bar or more. */
    private static final double DRAWN_IN_ML = 0.15;

    private static final double TO_FLUID = VehicleUnknowns.NOMINAL.wheels().toFluid();

    private static VehicleState state(Layout layout, Fault... faults) {
        return state(layout, VehicleUnknowns.NOMINAL, VehicleCondition.RESTED, faults);
    }

    private static VehicleState state(
            Layout layout, VehicleUnknowns vehicle, VehicleCondition before, Fault... faults) {
        Plant plant = new Plant(layout);
        return new VehicleState(plant, vehicle, List.of(faults), new Section(plant, CutSet.NONE), before);
    }

    private static double restBar(VehicleState state, String end) {
        return new Sensing(state).of(Sensed.RESIDUAL_BAR, SALOON.ends().indexOf(SALOON.component(end)));
    }

    private static double inCompartments(VehicleState state) {
        return state.volumes().compartmentMl(0) + state.volumes().compartmentMl(1);
    }

    private static double freePlayMm(VehicleState state) {
        return state.mechanism().play().freePlayMm(state.section());
    }

    private static void presses(VehicleState state, int count) {
        for (int i = 0; i < count; i++) {
            state.press(500);
            assertTrue(
                    state.travel().pressureBar(0) > 20,
                    "pressed hard enough: " + state.travel().pressureBar(0));
            state.release(1);
        }
    }

    /** Three presses leave 3 × 0.15 mL; that much less goes out at the next one, 0.45 mL over the area of the bore. */
    @Test
    void everyPressLeavesSomeBehindAndTheNextIsShorterByIt() {
        VehicleState clogged = state(TENDER, new CloggedHole(Chamber.PRIMARY, FOR_EVER_SECONDS));
        VehicleState sound = state(TENDER);
        presses(clogged, 3);
        presses(sound, 3);
        assertEquals(3 * DRAWN_IN_ML, clogged.volumes().trappedMl(0), 1e-9);
        assertEquals(0, sound.volumes().trappedMl(0), 1e-9);
        clogged.rest(60);
        sound.rest(60);
        clogged.press(300);
        sound.press(300);
        double rodMm = 1000 * 3 * DRAWN_IN_ML / TENDER.master().areaMm2();
        assertEquals(rodMm, sound.travel().strokeMm(0) - clogged.travel().strokeMm(0), 0.02 * rodMm);
        assertTrue(
                sound.travel().travelMm() - clogged.travel().travelMm() > rodMm,
                "and the ratio shows it larger at the pedal");
    }

    /**
     * Presses alone draw in until the ends push back with 3.5 bar. Of a front disc of 54 mm at 115 mm that is 21 Nm for
     * each bar above 0.6: 61 Nm and its own 3, however often it is pressed.
     */
    @Test
    void pressesAloneDoNotLockAColdWheel() {
        VehicleState clogged = state(SALOON, new CloggedHole(Chamber.PRIMARY, FOR_EVER_SECONDS));
        presses(clogged, 30);
        assertEquals(3.5, restBar(clogged, "front-left"), 0.01);
        double newtonMetres = 3 + 2 * 0.4 * 0.115 * 0.1 * Math.PI / 4 * 54 * 54 * (3.5 - 0.6);
        assertEquals(
                newtonMetres,
                new Sensing(clogged).of(Sensed.WORST_DRAG_NM, 0),
                0.01 * newtonMetres,
                "by hand " + newtonMetres);
        presses(clogged, 30);
        assertEquals(3.5, restBar(clogged, "front-left"), 0.01);
    }

    /** What warmth added, cooling takes away: a test finds what presses drew in, not what the drive before swelled. */
    @Test
    void coolingTakesAwayWhatWarmthAdded() {
        Fault clogged = new CloggedHole(Chamber.PRIMARY, FOR_EVER_SECONDS);
        VehicleState state = state(SALOON, clogged);
        presses(state, 2);
        double coldMl = state.volumes().trappedMl(0);
        state.heat(60);
        double warmMl = state.volumes().trappedMl(0);
        assertTrue(warmMl > coldMl + 0.5, "swollen from " + coldMl + " to " + warmMl + " mL");
        VehicleCondition found = state.condition().ready();
        assertEquals(coldMl, found.trappedMl().get(0), 1e-9);
        VehicleState next = state(SALOON, VehicleUnknowns.NOMINAL, found, clogged);
        next.heat(60);
        assertEquals(warmMl, next.volumes().trappedMl(0), 1e-9, "the same drive again leaves the same");
    }

    /**
     * A rod that stands 0.1 mm beyond what covers the hole, on a bulkhead that gives way by 0.7 mm/kN: 143 N push it
     * back so far, 3.2 bar on a bore of 23.81 mm. A little further out it locks the wheels.
     */
    @ParameterizedTest
    @CsvSource({"0.1, 3.2", "0.3, 9.6"})
    void aRodThatIsALittleTooLongGivesWayBeforeItLocksTheWheels(double sealedMm, double bar) {
        VehicleUnknowns on = VehicleUnknowns.NOMINAL;
        VehicleUnknowns.Lost lost = new VehicleUnknowns.Lost(0, 0.7, 0, 1, 0);
        VehicleUnknowns gives = new VehicleUnknowns(
                on.factors(),
                lost,
                on.creep(),
                on.wheels(),
                on.person(),
                on.surroundings(),
                on.letGo(),
                on.assistTime(),
                0);
        VehicleState state = state(
                SALOON, gives, VehicleCondition.RESTED, new PreLoad(Rod.OUTPUT_ROD, OUTPUT_GAP_MM + 0.95 + sealedMm));
        presses(state, 3);
        state.heat(60);
        assertEquals(bar, restBar(state, "front-left"), 0.03 * bar);
    }

    /** A hole that is only slow lets it back in its own time: after one time constant 1/e is left. */
    @ParameterizedTest
    @ValueSource(doubles = {10, 60, 600})
    void restLetsItFadeInItsOwnTime(double seconds) {
        VehicleState slow = state(TENDER, new CloggedHole(Chamber.PRIMARY, seconds));
        presses(slow, 1);
        double before = slow.volumes().trappedMl(0);
        slow.rest(seconds);
        assertEquals(before / Math.E, slow.volumes().trappedMl(0), 1e-9);
    }

    /** What has left the reservoir is behind the hole, and comes back when the hole is free or has had its time. */
    @Test
    void whatIsHeldInCameOutOfTheReservoir() {
        VehicleState slow = state(TENDER, new CloggedHole(Chamber.PRIMARY, 120));
        presses(slow, 4);
        assertEquals(slow.volumes().trappedMl(0), -inCompartments(slow), 1e-9);
        slow.rest(300);
        assertEquals(slow.volumes().trappedMl(0), -inCompartments(slow), 1e-9);
        slow.rest(1e7);
        assertEquals(0, slow.volumes().trappedMl(0), 1e-9);
        assertEquals(0, inCompartments(slow), 1e-9);
    }

    /** A hole of one chamber holds what hangs on that chamber, and nothing else. */
    @Test
    void aHoleOfOneChamberHoldsThatChamberOnly() {
        VehicleState state =
                state(Presets.layout("ardle-roadster"), new CloggedHole(Chamber.SECONDARY, FOR_EVER_SECONDS));
        presses(state, 2);
        assertEquals(0, state.volumes().trappedMl(0), 1e-9);
        assertEquals(2 * DRAWN_IN_ML, state.volumes().trappedMl(1), 1e-9);
    }

    /** An output rod is behind the assist: half a turn covers the hole, however much play the pedal has. */
    @Test
    void anOutputRodNeedsNoPlayTakenUp() {
        VehicleState rod = state(SALOON, new PreLoad(Rod.OUTPUT_ROD, 0.8));
        VehicleState pedal = state(SALOON, new PreLoad(Rod.PEDAL_ROD, 0.8));
        presses(rod, 1);
        presses(pedal, 1);
        assertTrue(rod.volumes().trappedMl(0) > 0, "held in by the rod");
        assertEquals(0, pedal.volumes().trappedMl(0), "the pedal's play takes it");
        assertEquals(freePlayMm(state(SALOON)), freePlayMm(rod), 1e-9, "play as it was");
    }

    private static double leftAfter(double seconds, double proudMm) {
        VehicleState state = state(SALOON, new PreLoad(Rod.OUTPUT_ROD, OUTPUT_GAP_MM + proudMm));
        presses(state, 1);
        double before = state.volumes().trappedMl(0);
        state.rest(seconds);
        return state.volumes().trappedMl(0) / before;
    }

    /** Half a millimetre proud leaves half of the hole open: eight times the time of an open one, 0.7 s. */
    @Test
    void aHoleThatIsHalfCoveredDrainsInEightTimesTheTime() {
        assertEquals(1 / Math.E, leftAfter(8 * OPEN_HOLE_SECONDS, 0.5), 1e-9);
        assertEquals(1, leftAfter(3_600, 1.0), 1e-9, "wholly covered");
        assertTrue(leftAfter(20, 0.2) < 1e-5, "a little covered: gone before anybody is at the wheel");
    }

    /** Warmth comes in over ten minutes, so a hole that drains within seconds keeps next to nothing of it. */
    @Test
    void whatSwellsFindsItsWayPastAHoleThatIsCoveredInPart() {
        VehicleState half = state(SALOON, new PreLoad(Rod.OUTPUT_ROD, OUTPUT_GAP_MM + 0.5));
        VehicleState whole = state(SALOON, new PreLoad(Rod.OUTPUT_ROD, OUTPUT_GAP_MM + 1.2));
        half.heat(60);
        whole.heat(60);
        double swollenMl = VehicleState.EXPANSION_PER_C
                * 60
                * TO_FLUID
                * whole.travel().load(0).hotMl();
        assertEquals(swollenMl, whole.volumes().trappedMl(0), 1e-9);
        assertEquals(
                swollenMl * 8 * OPEN_HOLE_SECONDS / 600,
                half.volumes().trappedMl(0),
                1e-9,
                "inflow over ten minutes, drained all the while in 5.6 s");
    }

    /** A valve body that hangs keeps the master's piston in, and fluid behind it, as long as there is a reserve. */
    @Test
    void aHangingValveBodyHoldsInAsLongAsItsReserveLasts() {
        VehicleState state =
                state(SALOON, new Fault.AssistSticking(2 * SALOON.master().springsN()));
        state.engine(true);
        state.press(200);
        state.release(1);
        assertTrue(
                state.volumes().trappedMl(0) > 0.1,
                "held in: " + state.volumes().trappedMl(0));
        state.recut(new Section(new Plant(SALOON), CutSet.by(Isolation.SUPPLY_VENTED)));
        state.rest(20);
        assertEquals(0, state.volumes().trappedMl(0), 1e-9);
    }
}
