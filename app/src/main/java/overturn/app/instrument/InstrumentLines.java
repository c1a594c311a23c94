package overturn.app.instrument;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import overturn.app.job.Entry.ReadingTaken.StoredCode;

/** Reads the open stream of an instrument: a line for each moment. */
public interface InstrumentLines {

    /**
     * What it shows at one moment of its own clock, s.
     *
     * @param value empty where it dropped out, or shows no figures
     * @param codes what a code reader found, perhaps none; empty where it is no code reader
     */
    record Line(double seconds, OptionalDouble value, Optional<List<StoredCode>> codes) {
        /** The same moment, its figure counted from what the instrument shows at rest. */
        public Line from(double atRest) {
            return value.isEmpty() ? this : new Line(seconds, OptionalDouble.of(value.getAsDouble() - atRest), codes);
        }
    }

    /** Takes lines until it says that it wants no more. */
    interface Taker {

        /** @return whether more is wanted */
        boolean take(Line line) throws IOException;
    }

    /**
     * Reads until the taker wants no more.
     *
     * @throws IOException if it is not there, says something else, or the taker throws it
     */
    void read(Instruments.Announced instrument, Taker taker) throws IOException;
}
