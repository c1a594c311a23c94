package overturn.suspect;

import java.util.List;
import java.util.Objects;
import java.util.random.RandomGenerator;
import overturn.circuit.Layout;

/**
 * One way in which one component can be at fault.
 *
 * @param id stable id, key of its words
 * @param places components of the layout at which it can sit; empty for nothing wrong
 * @param remedy what cures it
 * @param frequency per cent of all complaints of the family before evidence (docs/trade-figures.md D)
 * @param origin what recent work makes of that frequency
 * @param physics its faults at a severity
 */
public record Suspect(String id, List<String> places, Remedy remedy, double frequency, Origin origin, Physics physics) {

    public Suspect {
        Objects.requireNonNull(id, "id");
        places = List.copyOf(places);
        Objects.requireNonNull(remedy, "remedy");
        Objects.requireNonNull(origin, "origin");
        Objects.requireNonNull(physics, "physics");
        if (!(frequency > 0)) {
            throw new IllegalArgumentException("Suspect " + id + ": frequency " + frequency + " must be above 0");
        }
    }

    /**
     * Where a fault comes from, and what recent work on the system makes of its frequency (docs/trade-figures.md D).
     */
    public enum Origin {
        WEAR(0.7),
        AIR(6),
        SETTING(4),
        NEITHER(1);

        private final double afterWork;

        Origin(double afterWork) {
            this.afterWork = afterWork;
        }

        /** Factor on the frequency when the system was worked on just before. */
        public double afterWork() {
            return afterWork;
        }
    }

    /** Draws the faults of this suspect. */
    @FunctionalInterface
    public interface Physics {

        /**
         * @param severityQuantile 0 (mildest) to 1 (worst), exclusive
         * @param nuisance source of what else varies at that severity (zone, lip, place)
         */
        List<Fault> at(double severityQuantile, Layout layout, RandomGenerator nuisance);
    }
}
