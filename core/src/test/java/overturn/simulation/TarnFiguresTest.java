package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.circuit.CutSet;
import overturn.layoutfile.Presets;
import overturn.protocol.Act;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Sample;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;

/** The worked Tarn van of docs/trade-figures.md and the slice's figures, engine off and reserve spent. */
class TarnFiguresTest {

    private final Simulator simulator = Simulator.of(Presets.TARN_BOX_VAN);

    private double[] nominal(Protocol protocol, Fault... faults) {
        return simulator.run(protocol, VehicleUnknowns.NOMINAL, List.of(faults));
    }

    private double travelMm(double forceN, CutSet cuts, Fault... faults) {
        return nominal(Protocol.cut(cuts).hold(forceN, Sensed.TRAVEL_MM, 0).done(), faults)[0];
    }

    @ParameterizedTest
    @CsvSource({"50, 0", "100, 4.5", "200, 13.5", "300, 22.5", "400, 31.4"})
    void pressureFollowsFromForceRatioSpringsAndBore(double forceN, double bar) {
        double seen = nominal(Protocol.whole()
                .then(new Press(forceN), new Sample(Sensed.PRESSURE_BAR))
                .done())[0];
        assertEquals(bar, seen, 0.1);
    }

    @ParameterizedTest
    @CsvSource({"50, 12", "100, 25", "200, 30", "300, 34", "400, 38"})
    void travelFollowsTheWorkedVanWithinTwoMillimetres(double forceN, double mm) {
        assertEquals(mm, travelMm(forceN, CutSet.NONE), 2);
    }

    @Test
    void creepsOneToThreeMillimetresInAMinuteAndEverSlower() {
        double[] mm = nominal(
                Protocol.whole().hold(300, Sensed.TRAVEL_MM, 0, 15, 30, 45, 60).done());
        double total = mm[4] - mm[0];
        assertTrue(total >= 1 && total <= 3, "creep " + total);
        assertTrue(mm[1] - mm[0] > mm[4] - mm[1], "first quarter moves more than the other three together");
    }

    @Test
    void pluggedPortsAreHardAtTenToFifteenMillimetres() {
        double mm = travelMm(300, CutSet.of("front-port", "rear-port"));
        assertTrue(mm >= 10 && mm <= 15, "plugged " + mm);
    }

    @Test
    void oneMillilitrePastTheCupIsNineMillimetresOfPedal() {
        var cup = new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 1, 0, 0, 30);
        Protocol minute = Protocol.whole().hold(300, Sensed.TRAVEL_MM, 0, 60).done();
        double[] faulty = nominal(minute, cup);
        double[] sound = nominal(minute);
        assertEquals(9.0, (faulty[1] - faulty[0]) - (sound[1] - sound[0]), 0.1);
    }

    @Test
    void theSinkOfEachInternalSealEndsAtItsOwnStop() {
        CutSet plugged = CutSet.of("front-port", "rear-port");
        Protocol long300 = Protocol.cut(plugged)
                .then(new Press(300), new Hold(600), new Sample(Sensed.TRAVEL_MM))
                .done();
        double atRest = travelMm(300, plugged);
        double primary = nominal(long300, new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 60, 0, 0, 40))[0];
        double front = nominal(long300, new Fault.ByPass(Fault.Cup.SECOND_PISTON_FRONT, 60, 0, 0, 40))[0];
        assertEquals(12 + 4 * 15, primary, 0.7, "pistons touch");
        assertEquals(12 + 4 * 14, front, 0.7, "second piston bottoms");
        assertTrue(atRest < 13);
    }

    @Test
    void theReleaseValveSinksUntilItsChamberIsFullAndASecondHoldIsShorter() {
        var valve = new Fault.ReleaseValvePassing(overturn.circuit.Chamber.PRIMARY, 6, 120);
        double[] mm = nominal(
                Protocol.whole()
                        .then(new Press(300), new Act.Mark(), new Hold(60), new Sample(Sensed.SINK_MM))
                        .then(
                                new Act.Release(2),
                                new Press(300),
                                new Act.Mark(),
                                new Hold(60),
                                new Sample(Sensed.SINK_MM))
                        .done(),
                valve);
        assertEquals(3 * 9.0, mm[0], 2.5, "3 mL closed chamber");
        assertTrue(mm[1] < 4, "second hold " + mm[1]);
    }

    @Test
    void airBeforeThePlugStaysAndAirBehindItGoes() {
        CutSet plugged = CutSet.of("front-port", "rear-port");
        var inMaster = new Fault.TrappedAir("master", overturn.circuit.Chamber.PRIMARY, 1);
        var inRear = new Fault.TrappedAir("rear-left", overturn.circuit.Chamber.SECONDARY, 1);
        double sound = travelMm(300, plugged);
        assertEquals(sound + 9.0 * 22.5 / 23.5, travelMm(300, plugged, inMaster), 0.2);
        assertEquals(sound, travelMm(300, plugged, inRear), 1e-9);
    }

    @Test
    void startingTheEngineDropsTheSoundPedalTenToThirtyMillimetres() {
        double mm = nominal(Protocol.whole()
                .then(new Press(150), new Act.Mark(), new Act.StartEngine(), new Hold(3), new Sample(Sensed.SINK_MM))
                .done())[0];
        assertTrue(mm >= 10 && mm <= 30, "drop " + mm);
    }
}
