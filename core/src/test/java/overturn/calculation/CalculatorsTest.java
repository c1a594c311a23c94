package overturn.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;

/** Every formula against figures worked from first principles. */
class CalculatorsTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final Layout TUG = Presets.layout("brack-tug-clutch");

    private static Result compute(String id, Layout layout, Object... given) {
        Map<String, Double> values = new HashMap<>();
        for (int i = 0; i < given.length; i += 2) {
            values.put((String) given[i], ((Number) given[i + 1]).doubleValue());
        }
        return Calculators.find(id).orElseThrow().compute(layout, values);
    }

    /** 600 N at the rod, no springs, on 20.64 mm: 334.6 mm², 1.793 N/mm², 17.9 bar. */
    @Test
    void sixHundredNewtonsOnAThirteenSixteenthsBoreAreSeventeenPointNineBar() {
        Result result = compute("pressure", TARN, "force", 600, "ratio", 1, "springs", 0, "bore", 20.64);
        assertEquals(17.93, result.value("pressure"), 0.01);
        assertEquals(334.6, result.value("area"), 0.1);
        assertTrue(
                result.rows().stream().anyMatch(r -> r.marked() && r.label().equals("13/16 in")),
                "its own size is marked");
    }

    /** The bore for a pressure, put back in, gives that pressure; the force for it too. */
    @Property(tries = 200, seed = "20261127")
    void boreAndForceForAPressureAreInverse(
            @ForAll @DoubleRange(min = 150, max = 900) double force,
            @ForAll @DoubleRange(min = 5, max = 100) double bar) {
        Result asked = compute("pressure", TARN, "force", force, "wanted", bar);
        double bore = asked.value("bore-for-it");
        assertEquals(bar, PressureAndTravel.pressureBar(force, 4, 0, 200, bore), 1e-9 * bar);
        assertEquals(bar, PressureAndTravel.pressureBar(asked.value("force-for-it"), 4, 0, 200, 23.81), 1e-9 * bar);
    }

    /** Uncertainty by hand: 4 % on the force of 600 N is 24 N of 600 with no springs: 4 % of the pressure. */
    @Test
    void uncertaintyIsCarriedOver() {
        Result result = compute("pressure", TARN, "force", 600, "ratio", 1, "springs", 0, "bore", 20.64);
        Result.Output bar = result.outputs().stream()
                .filter(o -> o.id().equals("pressure"))
                .findFirst()
                .orElseThrow();
        assertEquals(17.93 * Math.sqrt(0.04 * 0.04 + 0.01 * 0.01 + 0.006 * 0.006), bar.sd(), 0.01);
    }

    @Test
    void travelEffortAndReserveMoveTogether() {
        Result now = compute("travel", TARN, "force", 300);
        assertEquals(34, now.value("travel"), 2);
        assertEquals(22.5, now.value("pressure"), 0.2);
        Result larger = compute("travel", TARN, "force", 300, "bore", 25.4);
        assertTrue(larger.value("pressure") < now.value("pressure")
                && larger.value("travel") < now.value("travel")
                && larger.value("stroke-left") > now.value("stroke-left"));
        assertTrue(compute("travel", TARN, "force", 300, "bore", 12).notices().contains("meets-the-stop"));
        Result solved = compute("travel", TARN, "force", 300, "wanted", 25);
        assertTrue(solved.notices().contains("marked-bores-serve"));
        solved.rows().stream().filter(Result.Row::marked).forEach(row -> {
            assertTrue(row.cells().get(0).value() <= 300.1 && row.cells().get(3).value() >= 33, row.label());
            assertEquals(25, row.cells().get(1).value(), 0.05);
        });
    }

    @ParameterizedTest
    @CsvSource({
        "23.8, 0.05, 15/16 in, one-fits",
        "25.38, 0.05, 1 in, one-fits",
        "20.64, 0.02, 13/16 in, one-fits",
        "19.02, 0.05, 3/4 in, cannot-be-told-apart",
        "22.1, 0.1, 22 mm, cannot-be-told-apart",
        "23.4, 0.05, 15/16 in, none-fits"
    })
    void aMeasuredBoreIsMatchedAndNeighboursThatCannotBeToldApartAreWarnedOf(
            double measured, double resolution, String label, String notice) {
        Result result = compute("nominal-bore", TARN, "measured", measured, "resolution", resolution);
        assertEquals(List.of(notice), result.notices());
        assertTrue(
                result.rows().stream().anyMatch(r -> r.label().equals(label)),
                result.rows().toString());
    }

    /** 9 mm at ratio 4 is 2.25 mm at the rod; 3 mm wanted is 0.75: 1.5 mm longer, 1.2 turns of 1.25 mm. */
    @Test
    void freePlayToTurnsAndDirection() {
        Result result = compute("free-play", TARN, "measured", 9, "wanted", 3, "ratio", 4, "pitch", 1.25);
        assertEquals(2.25, result.value("rod-clearance"), 1e-9);
        assertEquals(1.2, result.value("turns"), 1e-9);
        assertTrue(result.notices().contains("lengthen-the-rod"));
        assertTrue(compute("free-play", TARN, "measured", 1, "wanted", 0.5)
                .notices()
                .contains("no-play-covers-the-port"));
    }

    /** Points on a known line, V = 1.5 mL + 0.06 mL/bar, come back; and without air-telling points it says so. */
    @Test
    void lostTravelAndSlopeComeBackAndTheConditionIsTold() {
        double mlPerMm = Math.PI * 23.81 * 23.81 / 4 / 4 / 1000;
        Object[] given = new Object[20];
        double[] bars = {5, 10, 15, 22};
        for (int i = 0; i < 4; i++) {
            given[4 * i] = "bar-" + (i + 1);
            given[4 * i + 1] = bars[i];
            given[4 * i + 2] = "travel-" + (i + 1);
            given[4 * i + 3] = 4 * 3 + (1.5 + 0.06 * bars[i]) / mlPerMm;
        }
        given[16] = "rod-play";
        given[17] = 3;
        given[18] = "bore";
        given[19] = 23.81;
        Result result = compute("lost-travel", TARN, given);
        assertEquals(1.5, result.value("lost-volume"), 1e-6);
        assertEquals(0.06, result.value("late-slope"), 1e-6);
        assertTrue(
                result.notices().contains("air-and-clearance-not-separable"),
                "four ordinary pressures cannot tell a bubble from clearance");
        assertTrue(result.value("correlation") > 90);
        double whole = result.rows().stream()
                .mapToDouble(r -> r.cells().get(0).value())
                .sum();
        assertEquals((double) given[15], whole, 0.01, "the parts make up the travel at the highest pressure");
        Object[] withPumped = java.util.Arrays.copyOf(given, 22);
        withPumped[20] = "pumped";
        withPumped[21] = (double) given[7] - 6;
        Result separated = compute("lost-travel", TARN, withPumped);
        assertEquals(6 * mlPerMm, separated.value("clearance-volume"), 1e-9);
        assertEquals(1.5 - 6 * mlPerMm, separated.value("air-volume"), 1e-6);
        assertTrue(compute("lost-travel", TARN, "bar-1", 5, "bar-2", 5, "bar-3", 5, "bar-4", 5)
                .notices()
                .contains("three-pressures-needed"));
    }

    /** 18 mm beyond creep at ratio 4 on 445.3 mm² in 60 s: 4.5 mm of rod, 2.0 mL, 2.0 mL/min; 0.67 mm on 30 cm². */
    @Test
    void aSinkIsSoManyMillilitresAMinuteAndSoMuchLevel() {
        Result result = compute("sink", TARN, "sunk", 20, "creep", 2, "seconds", 60, "level-area", 3000);
        assertEquals(2.004, result.value("flow"), 0.005);
        assertEquals(0.668, result.value("level-change"), 0.002);
        assertTrue(result.notices().containsAll(List.of("level-does-not-show-it", "modulator-could-hold-it")));
        assertTrue(compute("sink", TARN, "sunk", 2, "creep", 3).notices().contains("no-more-than-creep"));
    }

    /** 65 kPa on 355 cm² is 2.3 kN; 1000 m up takes 12 kPa. */
    @Test
    void assistForceSupplyAndAltitude() {
        Result sea = compute("assist", TARN, "altitude", 0);
        assertEquals(2307.5, sea.value("full-force"), 0.5);
        assertEquals(65 - 12, compute("assist", TARN, "altitude", 1_000_000).value("supply-here"), 0.01);
        assertTrue(sea.value("drop-at-start") >= 10 && sea.value("drop-at-start") <= 30);
        assertTrue(sea.value("strokes") >= 2 && sea.value("strokes") <= 4);
        assertEquals(
                5,
                compute("assist", TARN, "rod-force-1", 100, "output-1", 700, "rod-force-2", 300, "output-2", 1700)
                        .value("gain-measured"),
                1e-9);
        assertTrue(Calculators.of(TUG).stream().noneMatch(c -> c.id().equals("assist")));
    }

    /**
     * Rod 24 mm less 2: 22 mm of 239.4 mm² is 5.27 mL; on 285 mm² less 0.3 mL: 17.4 mm; over 1.9 is 9.2, margin 1.7.
     */
    @Test
    void slaveStrokePromisedLostAndMargin() {
        Result result = compute(
                "slave-stroke",
                TUG,
                "rod-travel",
                24,
                "lost-at-rod",
                2,
                "master-bore",
                17.46,
                "slave-area",
                285,
                "flex",
                0.3,
                "fork-ratio",
                1.9,
                "needed",
                7.5);
        assertEquals(17.43, result.value("promised"), 0.03);
        assertEquals(1.67, result.value("margin"), 0.03);
        Result measured = compute(
                "slave-stroke",
                TUG,
                "rod-travel",
                24,
                "lost-at-rod",
                2,
                "master-bore",
                17.46,
                "slave-area",
                285,
                "flex",
                0.3,
                "fork-ratio",
                1.9,
                "needed",
                7.5,
                "measured",
                13);
        assertEquals((17.43 - 13) * 0.285, measured.value("lost"), 0.01);
        assertTrue(measured.notices().containsAll(List.of("fluid-is-lost-or-compressed", "will-grind")));
    }

    /**
     * 60 mL warmer by 40 °C at 0.08 % is 1.92 mL; clearance 0.7 by 0.8 bar and 0.05 mL/bar: 0.74 taken, the rest 1.18 /
     * 0.05 = 23.6 bar more.
     */
    @Test
    void aClosedPortRisesWithWarmth() {
        assertEquals(0.8 + (1.92 - 0.74) / 0.05, ClosedPort.pressureBar(1.92, 0.7, 0.8, 0.05), 1e-9);
        assertEquals(0.4, ClosedPort.pressureBar(0.37, 0.7, 0.8, 0.05), 1e-9);
        Result result =
                compute("closed-port", TARN, "hot-fluid", 60, "warmer-by", 40, "clearance", 0.7, "stiffness", 0.05);
        assertEquals(24.4, result.value("pressure"), 0.1);
        assertEquals(List.of("can-lock"), result.notices());
        assertTrue(
                result.rows().stream()
                                .filter(r -> r.label().equals("front-left"))
                                .findFirst()
                                .orElseThrow()
                                .cells()
                                .get(0)
                                .value()
                        < result.rows().stream()
                                .filter(r -> r.label().equals("rear-left"))
                                .findFirst()
                                .orElseThrow()
                                .cells()
                                .get(0)
                                .value(),
                "discs drag before drums");
    }

    @Test
    void bleedingStrokesAndTopUps() {
        Result result = compute("bleeding", TARN, "stroke-volume", 3, "reservoir", 90, "flush", 1);
        assertEquals(24, result.value("strokes-until-top-up"), 1e-9, "four fifths of 90 mL by 3 mL");
        double far = FluidFigures.pathMl(TARN, "rear-left");
        assertEquals(20 + 10 + 35 + 0.35 * 8.6 + 6, far, 1e-6);
        Result.Row rear = result.rows().stream()
                .filter(r -> r.label().equals("rear-left"))
                .findFirst()
                .orElseThrow();
        assertEquals(Math.ceil(far / 3), rear.cells().get(1).value(), 1e-9);
        assertTrue(result.notices().contains("modulator-by-its-routine"));
    }

    /** 500 mL warmer by 60 °C at 0.08 %: 24 mL, 4 mm on 60 cm²; 4 mm of wear on 4580 mm²: 18.3 mL. */
    @Test
    void fillLevelLeavesRoomForHeatAndWear() {
        Result result = compute(
                "fill-level",
                TARN,
                "fluid",
                500,
                "warmer-by",
                60,
                "level-area",
                6000,
                "piston-area",
                4580,
                "wear",
                4,
                "room",
                90);
        assertEquals(24, result.value("heat-room"), 1e-9);
        assertEquals(4, result.value("below-brim"), 1e-9);
        assertEquals(18.32, result.value("wear-room"), 0.01);
        assertEquals(List.of("wear-is-covered"), result.notices());
    }

    @Test
    void balanceSharesAndWarnings() {
        Result result = compute("balance", TARN);
        double front = 2 * 2 * 0.4 * 0.110 * 0.1 * Math.PI * 54 * 54 / 4 * (60 - 0.6);
        assertEquals(front, result.value("front-torque"), 0.5);
        assertEquals(100 * front / (front + result.value("rear-torque")), result.value("front-share"), 0.01);
        assertTrue(compute("balance", TARN, "left-factor", 60).notices().contains("left-right-fails"));
        assertTrue(compute("balance", TARN, "left-factor", 75).notices().contains("left-right-query"));
        assertFalse(Balance.mixed(TARN));
    }

    @Test
    void everyInputOutOfRangeIsRefusedWithItsRange() {
        for (Layout layout : Presets.all()) {
            for (Calculator calculator : Calculators.of(layout)) {
                for (Field field : calculator.fields(layout)) {
                    RefusedInputsException refused = assertThrows(
                            RefusedInputsException.class,
                            () -> calculator.compute(layout, Map.of(field.id(), field.most() + 1)),
                            calculator.id() + " " + field.id());
                    assertEquals(field.id(), refused.refusals().get(0).id());
                }
                assertThrows(RefusedInputsException.class, () -> calculator.compute(layout, Map.of("moon", 1.0)));
                Result result = calculator.compute(layout, Map.of());
                assertFalse(result.outputs().isEmpty(), calculator.id() + " on " + layout.id());
                result.outputs()
                        .forEach(o -> assertTrue(
                                Double.isFinite(o.value()) && Double.isFinite(o.sd()), calculator.id() + " " + o.id()));
            }
        }
    }

    /** 260 mm over 65 mm is 4; 240 over 60 is the listed 4 of the Tarn, 260 over 60 is 4.33, 8 % off. */
    @Test
    void theRatioOfTwoArms() {
        Result listed = compute("arms", TARN, "long-arm", 240, "rod-arm", 60);
        assertEquals(4, listed.value("ratio"), 1e-9);
        assertEquals(List.of("as-listed"), listed.notices());
        Result other = compute("arms", TARN, "long-arm", 260, "rod-arm", 60);
        assertEquals(8.33, other.value("off-by"), 0.01);
        assertEquals(List.of("another-ratio"), other.notices());
        assertEquals(
                List.of("arms-changed-over"),
                compute("arms", TARN, "long-arm", 60, "rod-arm", 240).notices());
    }

    /** 1 mL at 20 bar: 1 - 1.013 / 21.013 = 0.952 mL over 445.3 mm² is 2.14 mm at the rod, 8.55 mm at 4 : 1. */
    @Test
    void aMillilitreOfAirCostsEightAndAHalfMillimetresOfTheTarnsPedal() {
        Result one = compute("bubble", TARN, "air", 1, "pressure", 20);
        assertEquals(0.952, one.value("gives-way"), 0.001);
        assertEquals(8.55, one.value("travel"), 0.01);
        assertEquals(
                1,
                compute("bubble", TARN, "air", one.value("for-a-millimetre"), "pressure", 20)
                        .value("travel"),
                1e-9);
        assertEquals(
                List.of("not-felt"),
                compute("bubble", TARN, "air", 0.05, "pressure", 20).notices());
        assertEquals(
                List.of("takes-all-the-stroke"),
                compute("bubble", TARN, "air", 40, "pressure", 20).notices());
    }
}
