package overturn.app.job;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import overturn.app.job.Entry.TraceKept;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;

/** Whether the figures of a hold are those of the trace that was kept with them: only then they count as its own. */
final class TracedFigures {

    /** So long before the press it is at rest, s; as marks are read. */
    private static final double AT_REST_BEFORE_SECONDS = 1;
    /** A figure lies this near to what the trace has there, in its noise by eye and hand; chosen. */
    private static final double NEAR_SDS = 1;

    private TracedFigures() {}

    static boolean are(Series series, Figures read, TraceKept trace) {
        Optional<MeasureUnit> unit = MeasureUnit.ofSymbol(trace.unit());
        OptionalDouble rest = rest(trace);
        if (!series.held() || unit.isEmpty() || rest.isEmpty()) {
            return false;
        }
        double zero = unit.get().toCore(rest.getAsDouble());
        return IntStream.range(0, series.figures().size())
                .filter(k -> read.taken().get(k).isPresent())
                .allMatch(k -> lies(series.figures().get(k), read.taken().get(k).get(), trace, unit.get(), zero));
    }

    private static boolean lies(Figure figure, TypedQuantity read, TraceKept trace, MeasureUnit unit, double zero) {
        int at = (int) Math.round((figure.atSecond().orElseThrow() - trace.fromSeconds()) / trace.stepSeconds());
        return unit.dimension() == figure.dimension()
                && at >= 0
                && at < trace.values().size()
                && Math.abs(unit.toCore(trace.values().get(at)) - zero - read.coreValue())
                        <= NEAR_SDS * figure.noiseSd();
    }

    /** The median before the press; none where the trace begins with it. */
    private static OptionalDouble rest(TraceKept trace) {
        int before = (int) Math.floor((-AT_REST_BEFORE_SECONDS - trace.fromSeconds()) / trace.stepSeconds()) + 1;
        double[] values = trace.values().stream()
                .limit(Math.max(0, before))
                .mapToDouble(value -> value)
                .sorted()
                .toArray();
        return values.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(values[values.length / 2]);
    }
}
