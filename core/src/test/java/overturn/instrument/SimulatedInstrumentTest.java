package overturn.instrument;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A stand-in shows what one of its kind would: in steps, a little off, now and then nothing. */
class SimulatedInstrumentTest {

    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "CODE_READER")
    void manyOfAKindAreRightOnTheMeanAndEachIsOffByItsOwn(InstrumentKind kind) {
        double[] shown = IntStream.range(0, 400)
                .mapToDouble(
                        seed -> new SimulatedInstrument(kind, seed).show(50, 1).orElse(50))
                .toArray();
        double mean = Arrays.stream(shown).average().orElseThrow();
        assertEquals(50, mean, 0.25 * kind.offsetSd() + 0.1 * kind.resolution());
        assertTrue(Arrays.stream(shown).distinct().count() > 3);
        SimulatedInstrument one = new SimulatedInstrument(kind, 7);
        double steps = one.show(50, 1).orElse(50) / kind.resolution();
        assertEquals(Math.rint(steps), steps, 1e-6);
        assertEquals(one.show(50, 1), new SimulatedInstrument(kind, 7).show(50, 1));
    }

    @Test
    void aPressureGaugeDropsOutForTwoSecondsNowAndThenAndATapeNever() {
        SimulatedInstrument gauge = new SimulatedInstrument(InstrumentKind.PRESSURE_GAUGE, 3);
        SimulatedInstrument tape = new SimulatedInstrument(InstrumentKind.TRAVEL_TAPE, 3);
        long gone = IntStream.range(0, 20_000)
                .filter(second -> gauge.show(20, second).isEmpty())
                .count();
        assertTrue(gone > 20 && gone < 200, gone + " of 20000 s");
        assertTrue(IntStream.range(0, 20_000)
                .allMatch(second -> tape.show(20, second).isPresent()));
        int first = IntStream.range(0, 20_000)
                .filter(second -> gauge.show(20, second).isEmpty())
                .findFirst()
                .orElseThrow();
        assertTrue(gauge.show(20, first + 1).isEmpty(), "for two seconds");
    }

    @Test
    void driftTurnsAndDoesNotRunAway() {
        SimulatedInstrument gauge = new SimulatedInstrument(InstrumentKind.PEDAL_FORCE_GAUGE, 11);
        double widest = IntStream.range(0, 300)
                .mapToDouble(minute -> gauge.show(200, minute * 60).orElse(200))
                .map(shown -> Math.abs(shown - 200))
                .max()
                .orElseThrow();
        assertTrue(widest < 30, "off by " + widest + " N");
    }
}
