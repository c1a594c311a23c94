package overturn.app.api.job;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import overturn.circuit.Segment;
import overturn.inference.Belief;
import overturn.inference.PlacesSeen;
import overturn.verdict.Standing;

/** What is suspected and what weighs on it, moment by moment. */
public final class SuspicionViews {

    private SuspicionViews() {}

    /**
     * A suspect now.
     *
     * @param cleared whether it is below the stated share
     * @param retired whether it was remedied, so that it is suspected no more
     * @param clearedBy the reading that clears it most, where it is cleared
     * @param heldUpBy the reading that keeps it suspected most, where it is not
     * @param weights readings for (above 1) and against it, the weightiest first
     */
    public record SuspicionView(
            String suspectId,
            String remedyId,
            double probability,
            boolean cleared,
            boolean retired,
            Optional<WeightView> clearedBy,
            Optional<WeightView> heldUpBy,
            List<WeightView> weights) {}

    /** Suspicion that falls on one segment of the circuit. */
    public record SuspectedSegmentView(String segmentId, double probability) {

        static SuspectedSegmentView of(Map.Entry<Segment, Double> entry) {
            return new SuspectedSegmentView(entry.getKey().name().toLowerCase(Locale.ROOT), entry.getValue());
        }
    }

    /** Two suspects at fault at once. */
    public record PairView(String oneId, String otherId, double probability) {}

    /** Suspicion that falls on one component of the circuit. */
    public record SuspectedPartView(String componentId, double probability) {

        static List<SuspectedPartView> of(Belief belief, PlacesSeen seen) {
            return belief.places().components(seen).entrySet().stream()
                    .map(e -> new SuspectedPartView(e.getKey(), e.getValue()))
                    .toList();
        }
    }

    /** How many times one reading raised the odds. */
    public record WeightView(UUID entryId, String procedureId, double oddsFactor) {

        static WeightView of(Standing.Weight weight) {
            return new WeightView(
                    UUID.fromString(weight.reading().id()), weight.reading().procedureId(), weight.oddsFactor());
        }
    }

    /**
     * What was believed after a reading, or after a repair ({@code repaired} names its remedies); the first is before
     * any.
     */
    public record MomentView(
            Optional<UUID> entryId,
            Optional<String> procedureId,
            List<String> repaired,
            List<ShareView> shares,
            List<SuspectedPartView> components) {}

    /** Share of one suspect. */
    public record ShareView(String suspectId, double probability) {}
}
