package overturn.calculation;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import overturn.circuit.End;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;

/** What must hold of calculators whatever is typed, and where they meet the simulator. */
class CalculatorPropertiesTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final Layout TUG = Presets.layout("brack-tug-clutch");

    private static Result compute(String id, Layout layout, Object... given) {
        Map<String, Double> values = new HashMap<>();
        for (int i = 0; i < given.length; i += 2) {
            values.put((String) given[i], ((Number) given[i + 1]).doubleValue());
        }
        return Calculators.find(id).orElseThrow().compute(layout, values);
    }

    /**
     * No input is for show: moving it moves an output, a notice, a curve or a row of the calculator, on some preset.
     */
    @Test
    void everyInputMovesSomething() {
        for (Calculator calculator : Calculators.all()) {
            java.util.Set<String> idle = new java.util.TreeSet<>();
            java.util.Set<String> moving = new java.util.TreeSet<>();
            for (Layout layout : Presets.all().stream()
                    .filter(l -> calculator.fits(l.family()))
                    .toList()) {
                List<Field> fields = calculator.fields(layout);
                Map<String, Double> base = new HashMap<>();
                fields.forEach(f -> base.put(
                        f.id(),
                        Double.isNaN(f.preset())
                                ? f.least() + (f.id().endsWith("2") ? 0.3 : 0.2) * (f.most() - f.least())
                                : f.preset()));
                Result before = calculator.compute(layout, base);
                for (Field field : fields) {
                    boolean moves = java.util.stream.DoubleStream.of(field.least(), field.most())
                            .anyMatch(value -> {
                                Map<String, Double> moved = new HashMap<>(base);
                                moved.put(field.id(), value);
                                return !calculator.compute(layout, moved).equals(before);
                            });
                    (moves ? moving : idle).add(field.id());
                }
            }
            idle.removeAll(moving);
            assertEquals(java.util.Set.of(), idle, calculator.id());
        }
    }

    /** Doing what it says leaves the play that was wanted. */
    @Property(tries = 200, seed = "20261127")
    void theTurnsGiveTheWantedPlay(
            @ForAll @DoubleRange(min = 0, max = 40) double measured,
            @ForAll @DoubleRange(min = 0, max = 40) double wanted,
            @ForAll @DoubleRange(min = 0.5, max = 2) double pitch) {
        Result result = compute("free-play", TARN, "measured", measured, "wanted", wanted, "pitch", pitch);
        double sign = result.notices().contains("lengthen-the-rod") ? -1 : 1;
        assertEquals(
                wanted,
                measured + sign * result.value("turns") * pitch * 4,
                result.notices().contains("leave-it") ? 0.35 : 1e-6);
    }

    @Property(tries = 100, seed = "20261127")
    void twiceTheSinkIsTwiceTheFlow(
            @ForAll @DoubleRange(min = 1, max = 40) double sunk,
            @ForAll @DoubleRange(min = 5, max = 300) double seconds) {
        double one = compute("sink", TARN, "sunk", sunk, "creep", 0, "seconds", seconds)
                .value("flow");
        assertEquals(
                2 * one,
                compute("sink", TARN, "sunk", 2 * sunk, "creep", 0, "seconds", seconds)
                        .value("flow"),
                1e-9 * one + 1e-12);
    }

    @Property(tries = 100, seed = "20261127")
    void warmerIsNeverLessPressureAtAClosedPort(
            @ForAll @DoubleRange(min = 0, max = 200) double warm, @ForAll @DoubleRange(min = 0, max = 50) double more) {
        assertTrue(compute("closed-port", TARN, "warmer-by", warm + more).value("pressure")
                >= compute("closed-port", TARN, "warmer-by", warm).value("pressure") - 1e-9);
    }

    /** Strokes of an end push at least what it needs, and one stroke less would not. */
    @Property(tries = 60, seed = "20261127")
    void strokesAreJustEnough(
            @ForAll @DoubleRange(min = 0.5, max = 12) double perStroke,
            @ForAll @DoubleRange(min = 1, max = 3) double flush) {
        for (Result.Row row : compute("bleeding", TARN, "stroke-volume", perStroke, "flush", flush)
                .rows()) {
            double fluid = row.cells().get(0).value();
            double strokes = row.cells().get(1).value();
            assertTrue(strokes * perStroke >= fluid - 1e-9 && (strokes - 1) * perStroke < fluid, row.label());
        }
    }

    /** Any made size is its own match, at a caliper's resolution. */
    @Property(tries = 150, seed = "20261127")
    void aMadeSizeFindsItself(
            @ForAll @IntRange(min = 12, max = 50) int mm, @ForAll @DoubleRange(min = -0.04, max = 0.04) double error) {
        Result result = compute("nominal-bore", TARN, "measured", mm + error, "resolution", 0.03);
        assertTrue(
                result.rows().stream()
                        .filter(Result.Row::marked)
                        .anyMatch(r -> r.label().equals(mm + " mm")),
                result.rows().toString());
    }

    /**
     * Noise of a tape on a known circuit: the estimate lies within two and a half of its own standard deviations nine
     * times in ten.
     */
    @Test
    void theUncertaintyOfLostTravelIsHonest() {
        SplittableRandom random = new SplittableRandom(4);
        double mlPerMm = Math.PI * 23.81 * 23.81 / 4 / 4 / 1000;
        int within = 0;
        for (int trial = 0; trial < 300; trial++) {
            Map<String, Double> given = new HashMap<>(Map.of("rod-play", 3.0));
            double[] bars = {5, 9, 14, 22};
            for (int i = 0; i < bars.length; i++) {
                given.put("bar-" + (i + 1), bars[i]);
                given.put("travel-" + (i + 1), 12 + (1.5 + 0.06 * bars[i]) / mlPerMm + 1.2 * random.nextGaussian());
            }
            Result result = Calculators.find("lost-travel").orElseThrow().compute(TARN, given);
            Result.Output lost = result.outputs().stream()
                    .filter(o -> o.id().equals("lost-volume"))
                    .findFirst()
                    .orElseThrow();
            within += Math.abs(lost.value() - 1.5) <= 2.5 * lost.sd() ? 1 : 0;
        }
        assertTrue(within > 270 && within < 300, within + " of 300");
    }

    /** The bench's closed port and the simulator's are two pieces of code and one physics. */
    @Test
    void theClosedPortOfTheBenchAgreesWithTheSimulator() {
        double warm = 40;
        double drive = warm / VehicleUnknowns.NOMINAL.wheels().toFluid();
        double simulated = Simulator.of(TARN)
                .run(
                        Protocol.whole()
                                .then(new Act.Heat(drive), Act.Sample.at(Sensed.RESIDUAL_BAR, "front-left"))
                                .done(),
                        VehicleUnknowns.NOMINAL,
                        List.of(new Fault.PreLoad(Fault.Rod.PEDAL_ROD, 5)))[0];
        double clearance = TARN.ends().stream()
                .filter(e -> e instanceof End.DiscEnd)
                .mapToDouble(End::clearanceMl)
                .sum();
        double reckoned = compute("closed-port", TARN, "warmer-by", warm, "clearance", clearance)
                .value("pressure");
        assertEquals(simulated, reckoned, 0.25 * simulated, "bench " + reckoned);
    }

    /** The promise of the bores is what the simulated slave does, less what hose and fluid take. */
    @Test
    void theSlavePromisedIsTheSlaveSimulated() {
        double simulated = Simulator.of(TUG)
                .run(
                        Protocol.whole()
                                .then(new Act.PressToStop(), new Act.Sample(Sensed.SLAVE_STROKE_MM))
                                .done(),
                        VehicleUnknowns.NOMINAL,
                        List.of())[0];
        assertEquals(simulated, compute("slave-stroke", TUG, "flex", 0.15).value("promised"), 0.6);
    }

    @Test
    void travelOfTheBenchIsTravelOfTheSimulator() {
        double[] read = Simulator.of(TARN)
                .run(
                        Protocol.whole()
                                .then(
                                        new Act.Press(220),
                                        new Act.Sample(Sensed.TRAVEL_MM),
                                        new Act.Sample(Sensed.PRESSURE_BAR))
                                .done(),
                        VehicleUnknowns.NOMINAL,
                        List.of());
        Result bench = compute("travel", TARN, "force", 220);
        assertEquals(read[0], bench.value("travel"), 1e-9);
        assertEquals(read[1], bench.value("pressure"), 1e-9);
        assertEquals(
                read[1],
                compute("pressure", TARN, "force", 220).value("pressure"),
                1e-9,
                "and both calculators say the same");
    }
}
