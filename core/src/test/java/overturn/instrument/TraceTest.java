package overturn.instrument;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import overturn.instrument.Trace.Mark;
import overturn.instrument.Trace.Sample;

/** Marks read off a trace are those that a tape would have shown at the same seconds. */
class TraceTest {

    /** At rest for some seconds, pressed within half a second to 30 mm, then sinking evenly. */
    private static Trace held(double restMm, double restSeconds, double sinkPerSecond, double step, double drops) {
        List<Sample> samples = new ArrayList<>();
        for (double t = 0; t <= restSeconds + 66; t += step) {
            double since = t - restSeconds;
            double mm = since < 0 ? 0 : since < 0.5 ? 60 * since : 30 + sinkPerSecond * (since - 0.5);
            if (!(drops > 0 && since > drops && since < drops + 4)) {
                samples.add(new Sample(t, restMm + mm));
            }
        }
        return new Trace(samples);
    }

    @Property(tries = 100, seed = "42")
    void marksAreThoseOfATape(
            @ForAll @DoubleRange(min = -20, max = 200) double restMm,
            @ForAll @DoubleRange(min = 1.5, max = 8) double restSeconds,
            @ForAll @DoubleRange(min = 0, max = 0.5) double sink,
            @ForAll @DoubleRange(min = 0.01, max = 0.25) double step) {
        List<Mark> marks = held(restMm, restSeconds, sink, step, 0).marks(5, 15, 30, 60);
        assertEquals(4, marks.size());
        for (Mark mark : marks) {
            assertEquals(30 + sink * mark.second(), mark.value(), 0.6, "at " + mark.second() + " s");
        }
    }

    @Test
    void aMarkWhereTheInstrumentHadDroppedOutIsLeftOut() {
        List<Integer> seconds = held(0, 3, 0.1, 0.1, 13.5).marks(5, 15, 30, 60).stream()
                .map(Mark::second)
                .toList();
        assertEquals(List.of(5, 30, 60), seconds);
    }

    @Test
    void whatIsNoTraceIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> new Trace(List.of(new Sample(0, 1))));
        assertThrows(IllegalArgumentException.class, () -> new Trace(List.of(new Sample(1, 1), new Sample(1, 2))));
        assertThrows(
                IllegalArgumentException.class, () -> new Trace(List.of(new Sample(1, 1), new Sample(2, Double.NaN))));
        assertEquals(List.of(), new Trace(List.of(new Sample(0, 5), new Sample(9, 5))).marks(5));
    }
}
