package overturn.app.instrument;

import java.io.IOException;
import java.util.OptionalDouble;

/** Reads the open stream of an instrument: a line for each moment. */
public interface InstrumentLines {

    /** What it shows at one moment of its own clock, s; empty where it dropped out. */
    record Line(double seconds, OptionalDouble value) {}

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
