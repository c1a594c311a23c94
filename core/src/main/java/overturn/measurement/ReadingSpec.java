package overturn.measurement;

import java.util.List;

/** What a reading of one test consists of. */
public sealed interface ReadingSpec {

    /**
     * Figures taken in one go.
     *
     * @param offsetSd 1σ of the datum that all figures of the series share, in their unit
     */
    record Series(List<Figure> figures, double offsetSd) implements ReadingSpec {

        public Series {
            figures = List.copyOf(figures);
        }
    }

    /** One of these observations, or not seen. */
    record Observation(List<String> options) implements ReadingSpec {

        /** The observation that clears nothing. */
        public static final String NOT_SEEN = "not-seen";

        public Observation {
            options = List.copyOf(options);
            if (options.contains(NOT_SEEN)) {
                throw new IllegalArgumentException("not-seen is always allowed and never listed");
            }
        }
    }
}
