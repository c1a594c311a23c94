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

        /** Whether all its figures are called at seconds of one hold, so that a trace has them. */
        public boolean held() {
            return figures.stream().allMatch(f -> f.atSecond().isPresent());
        }

        /** The same series of figures of which this is not known. */
        public Series with(Discrepancy discrepancy) {
            return new Series(figures.stream().map(f -> f.with(discrepancy)).toList(), offsetSd);
        }

        /**
         * Whole 1σ of one figure: instrument, datum, and what its formula does not know, but for shares of the reading.
         */
        public double readingSd(int k) {
            Figure figure = figures.get(k);
            return Math.sqrt(figure.noiseSd() * figure.noiseSd()
                    + offsetSd * offsetSd
                    + figure.discrepancy().own() * figure.discrepancy().own()
                    + sharedDiscrepancy() * sharedDiscrepancy()
                    + figure.discrepancy().ofVehicle() * figure.discrepancy().ofVehicle());
        }

        /** 1σ by which all figures are off together for what their formula does not know. */
        public double sharedDiscrepancy() {
            return figures.stream()
                    .mapToDouble(f -> f.discrepancy().shared())
                    .max()
                    .orElse(0);
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
