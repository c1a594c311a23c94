package overturn.forecast;

import java.util.Optional;
import overturn.circuit.Layout;

/**
 * Keeps what was worked out for a layout from one run of the program to the next. Whatever it hands out was kept by the
 * same program for the same layout; it may forget. Thread-safe.
 */
public interface KeptPredictions {

    /** Keeps nothing: everything is worked out anew. */
    KeptPredictions NONE = new KeptPredictions() {
        @Override
        public Optional<float[][]> find(Layout layout, Part part) {
            return Optional.empty();
        }

        @Override
        public void keep(Layout layout, Part part, float[][] bySuspect) {}
    };

    /** Which vehicles of a test. */
    enum Vehicles {
        /** Those on which it is weighed before it is done. */
        FORESEEN,
        /** All, by which its reading is judged. */
        ALL
    }

    /** What is kept and found as one: the figures of one test on some vehicles. */
    record Part(String procedureId, Vehicles vehicles) {}

    /**
     * By suspect, the figures or chances of each vehicle, one after another; suspects that shared an array share it
     * again. Empty where nothing is kept that can be read.
     */
    Optional<float[][]> find(Layout layout, Part part);

    /** Keeps figures; where that fails nothing is kept, and nobody is told. */
    void keep(Layout layout, Part part, float[][] bySuspect);
}
