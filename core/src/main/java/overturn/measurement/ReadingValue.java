package overturn.measurement;

import java.util.List;
import java.util.Optional;
import overturn.quantity.TypedQuantity;

/** What was read. */
public sealed interface ReadingValue {

    /** Figures in the order of the spec; empty where none was taken (an aborted hold is a valid shorter one). */
    record Figures(List<Optional<TypedQuantity>> taken) implements ReadingValue {

        public Figures {
            taken = List.copyOf(taken);
        }

        /** Core values, NaN where no figure was taken. */
        public double[] coreValues() {
            return taken.stream()
                    .mapToDouble(t -> t.map(TypedQuantity::coreValue).orElse(Double.NaN))
                    .toArray();
        }
    }

    /** An observation. */
    record Observed(String option) implements ReadingValue {

        public boolean notSeen() {
            return option.equals(ReadingSpec.Observation.NOT_SEEN);
        }
    }
}
