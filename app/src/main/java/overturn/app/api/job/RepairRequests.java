package overturn.app.api.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.api.FigureRequest;
import overturn.app.people.Actor;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.RecordRepair;

/** Requests of the half after the verdict. */
final class RepairRequests {

    private RepairRequests() {}

    private static Stamp stamp(UUID entryId, Integer sequence, Actor actor, Optional<Long> takenSecondsAgo) {
        return new Stamp(entryId, sequence, actor, takenSecondsAgo == null ? null : takenSecondsAgo.orElse(null), null);
    }

    /** A step is done; {@code figures} are those that it asks for, {@code also} more that were done in the same go. */
    record WorkStepRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            String key,
            Optional<List<FigureRequest>> figures,
            Optional<String> why,
            Optional<List<String>> also) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }

        List<RecordRepair.Typed> typed() {
            return figures == null || figures.isEmpty()
                    ? List.of()
                    : figures.get().stream()
                            .map(f -> f == null ? null : new RecordRepair.Typed(f.id(), f.text(), f.unit()))
                            .toList();
        }
    }

    /** Strokes at one end: {@code bubbles} many, few or none, {@code colour} dark or clear. */
    record StrokesRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            String endId,
            Integer count,
            String bubbles,
            String colour) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** The level: {@code text} is max, min, or a volume above the minimum mark. */
    record LevelRequest(
            UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, String text, Optional<String> unit) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /**
     * A part was asked for, ordered, came, went back: {@code state} is wanted, ordered, arrived, returned, spare or
     * core-sent-back; {@code again} where a second one is meant.
     */
    record PartRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            String part,
            String state,
            Optional<String> note,
            Optional<Boolean> again) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** What the can says: {@code fluid} glycol, mineral or silicone, and its grade as it stands there. */
    record FluidRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, String fluid, String grade) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** In which way of a school the plan is done from here on, by their ids in the catalogue. */
    record WayRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, String school, String way) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /**
     * How this vehicle is bled from here on: {@code bleedMethod} and {@code bleedOrder} are ids of the catalogue,
     * {@code makersOrder} names each end once, with the {@code source} that gives it.
     */
    record BleedingRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            Optional<String> bleedMethod,
            Optional<String> bleedOrder,
            Optional<List<String>> makersOrder,
            Optional<String> source) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** The circuit was left alone for ten minutes. */
    record RestRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /**
     * A check passed or failed; where it failed, what was seen. A measurement passes or fails by {@code readingId}; of
     * several looks {@code also} names the others. {@code early} and {@code drivenKm} are of the next day.
     */
    record CheckRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            String checkId,
            Optional<String> outcome,
            Optional<String> seen,
            Optional<List<String>> also,
            Optional<UUID> readingId,
            Optional<Boolean> early,
            Optional<Integer> drivenKm) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** The checks were looked at by another person. */
    record SecondCheckRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** Release, signed by whoever sends it. */
    record ReleaseRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            Boolean conditional,
            Optional<String> secondId) {

        Stamp stamp(Actor actor) {
            return RepairRequests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }
}
