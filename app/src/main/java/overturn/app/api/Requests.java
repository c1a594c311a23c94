package overturn.app.api;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.usecase.Calculate;
import overturn.app.usecase.OpenJob;
import overturn.app.usecase.RecordReading;
import overturn.app.usecase.Stamp;

/**
 * Bodies of the writes. Every one carries an entry id made by the client, the last sequence it had seen, who enters it,
 * and, where it was kept on the device for a while, how long ago it was entered, s.
 */
final class Requests {

    private Requests() {}

    /** Left out, or null, it was entered just now. */
    private static Stamp stamp(UUID entryId, Integer sequence, String personId, Optional<Long> takenSecondsAgo) {
        return new Stamp(
                entryId, sequence, personId, takenSecondsAgo == null ? null : takenSecondsAgo.orElse(null), null);
    }

    /**
     * Opens a job; {@code readingId} becomes the id of the entry with the behaviour; without {@code vehicleId} the
     * vehicle is the one that is called so.
     */
    record OpenJobRequest(
            UUID jobId,
            UUID entryId,
            UUID readingId,
            String personId,
            Optional<Long> takenSecondsAgo,
            Optional<UUID> vehicleId,
            String vehicle,
            String layoutId,
            String complaint,
            String behaviour,
            String hunchId,
            Boolean mayBeMoved,
            Boolean recentWork,
            String age,
            Boolean sometimes) {

        OpenJob.Intake intake() {
            return new OpenJob.Intake(
                    jobId,
                    stamp(entryId, 0, personId, takenSecondsAgo),
                    readingId,
                    vehicleId == null ? null : vehicleId.orElse(null),
                    vehicle,
                    layoutId,
                    complaint,
                    behaviour,
                    hunchId,
                    mayBeMoved,
                    recentWork,
                    age,
                    sometimes);
        }
    }

    /** A figure as typed, with its unit. */
    record FigureRequest(String id, String text, String unit) {}

    /**
     * A reading: figures for a series, {@code observed} for an observation; {@code spentMinutes} from the start of the
     * test.
     */
    record ReadingRequest(
            UUID entryId,
            Integer sequence,
            String personId,
            Optional<Long> takenSecondsAgo,
            Optional<Double> spentMinutes,
            String procedureId,
            List<FigureRequest> figures,
            String observed,
            String rigCheck,
            Boolean anotherRig) {

        RecordReading.Draft draft() {
            List<RecordReading.TypedFigure> typed = figures == null
                    ? List.of()
                    : figures.stream()
                            .map(f -> f == null
                                    ? new RecordReading.TypedFigure(null, null, null)
                                    : new RecordReading.TypedFigure(f.id(), f.text(), f.unit()))
                            .toList();
            return new RecordReading.Draft(
                    stamp(entryId, sequence, personId, takenSecondsAgo)
                            .spent(spentMinutes == null ? null : spentMinutes.orElse(null)),
                    procedureId,
                    typed,
                    observed,
                    rigCheck,
                    Boolean.TRUE.equals(anotherRig));
        }
    }

    /** Strikes an entry. */
    record StrikeRequest(
            UUID entryId,
            Integer sequence,
            String personId,
            Optional<Long> takenSecondsAgo,
            UUID struckId,
            String why) {

        Stamp stamp() {
            return Requests.stamp(entryId, sequence, personId, takenSecondsAgo);
        }
    }

    /** Sets a test aside. */
    record SetAsideRequest(
            UUID entryId,
            Integer sequence,
            String personId,
            Optional<Long> takenSecondsAgo,
            String procedureId,
            String why) {

        Stamp stamp() {
            return Requests.stamp(entryId, sequence, personId, takenSecondsAgo);
        }
    }

    /** Everything that is fitted is off again. */
    record TakeOffRequest(
            UUID entryId, Integer sequence, String personId, Optional<Long> takenSecondsAgo, List<String> items) {

        Stamp stamp() {
            return Requests.stamp(entryId, sequence, personId, takenSecondsAgo);
        }
    }

    /** Accepts the verdict: {@code remedyIds} and {@code grade} as they were on the screen. */
    record AcceptRequest(
            UUID entryId,
            Integer sequence,
            String personId,
            Optional<Long> takenSecondsAgo,
            List<String> remedyIds,
            String grade,
            String why) {

        Stamp stamp() {
            return Requests.stamp(entryId, sequence, personId, takenSecondsAgo);
        }
    }

    /** Inputs of one column; what is missing or blank stands at the layout's figure. */
    record ColumnRequest(List<FigureRequest> inputs) {

        List<Calculate.TypedInput> typed() {
            return inputs == null
                    ? List.of()
                    : inputs.stream()
                            .filter(f -> f != null && f.id() != null)
                            .map(f -> new Calculate.TypedInput(f.id(), f.text(), f.unit()))
                            .toList();
        }
    }

    /** What-ifs side by side. */
    record CalculationRequest(String layoutId, List<ColumnRequest> columns) {

        List<List<Calculate.TypedInput>> typed() {
            return columns == null
                    ? List.of()
                    : columns.stream()
                            .map(c -> c == null ? List.<Calculate.TypedInput>of() : c.typed())
                            .toList();
        }
    }

    /** A result to be noted in the log. */
    record NoteRequest(
            UUID entryId,
            Integer sequence,
            String personId,
            Optional<Long> takenSecondsAgo,
            String text,
            String calculatorId,
            List<FigureRequest> inputs) {

        Stamp stamp() {
            return Requests.stamp(entryId, sequence, personId, takenSecondsAgo);
        }

        List<Calculate.TypedInput> typed() {
            return new ColumnRequest(inputs).typed();
        }
    }
}
