package overturn.app.api.job;

import static overturn.app.api.Optionals.orNull;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import overturn.app.api.FigureRequest;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.ReadingTaken.StoredCode;
import overturn.app.people.Actor;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.bench.Calculate;
import overturn.app.usecase.job.OpenJob;
import overturn.app.usecase.job.RecordReading;

/**
 * Bodies of the writes. Every one carries an entry id made by the client, the last sequence it had seen, who enters it,
 * and, where it was kept on the device for a while, how long ago it was entered, s.
 */
public final class Requests {

    private Requests() {}

    /** Left out, or null, it was entered just now. */
    /** A row that is null stays so, and is refused by name. */
    private static List<JobOpened.Work> work(List<WorkView> rows) {
        List<JobOpened.Work> work = new ArrayList<>();
        rows.forEach(row -> work.add(row == null ? null : row.work()));
        return work;
    }

    /** A field that was left out, or sent as null, is not there. */
    static Stamp stamp(UUID entryId, Integer sequence, Actor actor, Optional<Long> takenSecondsAgo) {
        return new Stamp(entryId, sequence, actor, takenSecondsAgo == null ? null : takenSecondsAgo.orElse(null), null);
    }

    /**
     * Opens a job; {@code readingId} becomes the id of the entry with the behaviour; without {@code vehicleId} the
     * vehicle is the one that is called so.
     */
    record OpenJobRequest(
            UUID jobId,
            UUID entryId,
            UUID readingId,
            Optional<Long> takenSecondsAgo,
            Optional<UUID> vehicleId,
            String vehicle,
            String layoutId,
            String complaint,
            String behaviour,
            Optional<String> alsoBehaviour,
            Optional<String> hunchId,
            Boolean mayBeMoved,
            Boolean recentWork,
            String age,
            Boolean sometimes,
            Optional<List<WorkView>> work,
            Optional<List<String>> facts,
            Optional<Map<String, String>> about,
            Optional<UUID> comesBackFrom) {

        OpenJob.Intake intake(Actor actor) {
            return new OpenJob.Intake(
                    jobId,
                    stamp(entryId, 0, actor, takenSecondsAgo),
                    readingId,
                    orNull(vehicleId),
                    vehicle,
                    layoutId,
                    complaint,
                    behaviour,
                    orNull(alsoBehaviour),
                    orNull(hunchId),
                    mayBeMoved,
                    recentWork,
                    age,
                    sometimes,
                    work == null ? null : work.map(Requests::work).orElse(null),
                    orNull(facts),
                    orNull(about),
                    orNull(comesBackFrom));
        }
    }

    /**
     * A reading: figures for a series, {@code observed} for an observation; {@code spentMinutes} from the start of the
     * test.
     */
    record ReadingRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            Optional<Double> spentMinutes,
            String procedureId,
            List<FigureRequest> figures,
            String observed,
            String rigCheck,
            Boolean anotherRig,
            Optional<List<CodeRequest>> codes) {

        RecordReading.Draft draft(Actor actor) {
            List<RecordReading.TypedFigure> typed = figures == null
                    ? List.of()
                    : figures.stream()
                            .map(f -> f == null
                                    ? new RecordReading.TypedFigure(null, null, null)
                                    : new RecordReading.TypedFigure(f.id(), f.text(), f.unit()))
                            .toList();
            return new RecordReading.Draft(
                    stamp(entryId, sequence, actor, takenSecondsAgo)
                            .spent(spentMinutes == null ? null : spentMinutes.orElse(null)),
                    procedureId,
                    typed,
                    observed,
                    rigCheck,
                    Boolean.TRUE.equals(anotherRig),
                    codes == null ? null : codes.map(Requests::codes).orElse(null));
        }
    }

    /** A stored code: its number, what it says, and whether it is there now, came often or once. */
    record CodeRequest(
            String number,
            String text,

            @Schema(allowableValues = {"now", "often", "once"})
            String often) {}

    private static List<StoredCode> codes(List<CodeRequest> given) {
        return given.stream()
                .filter(Objects::nonNull)
                .map(code -> new StoredCode(code.number(), code.text(), code.often()))
                .toList();
    }

    /** A look of the walk and what was seen. */
    record LookRequest(String procedureId, String option) {}

    /** A part and how it looked: dry, damp or wet. */
    record SpotRequest(String componentId, String state) {}

    /**
     * A walk round the vehicle: what is not told was not looked at; {@code restDry} where every part that is not told
     * is dry.
     */
    record WalkRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            Optional<List<LookRequest>> looks,
            Optional<List<SpotRequest>> spots,
            Boolean restDry) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }

        Map<String, String> seen() {
            Map<String, String> seen = new LinkedHashMap<>();
            orEmpty(looks).forEach(look -> seen.put(text(look.procedureId), text(look.option)));
            return seen;
        }

        Map<String, String> at() {
            Map<String, String> at = new LinkedHashMap<>();
            orEmpty(spots).forEach(spot -> at.put(text(spot.componentId), text(spot.state)));
            return at;
        }

        private static <T> List<T> orEmpty(Optional<List<T>> list) {
            return list == null ? List.of() : list.orElse(List.of());
        }

        private static String text(String text) {
            return text == null ? "" : text;
        }
    }

    /** Strikes an entry. */
    record StrikeRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, UUID struckId, String why) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** Gives the job up. */
    record WithdrawRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, String why) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** Sets a test aside. */
    record SetAsideRequest(
            UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, String procedureId, String why) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** Everything that is fitted is off again. */
    record TakeOffRequest(UUID entryId, Integer sequence, Optional<Long> takenSecondsAgo, List<String> items) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** Accepts the verdict: {@code remedyIds} and {@code grade} as they were on the screen. */
    record AcceptRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            List<String> remedyIds,
            String grade,
            String why,
            Optional<List<String>> places) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /** What is to be noted in the log: a text, with a result of the bench where {@code calculatorId} names one. */
    record NoteRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            String text,
            Optional<String> calculatorId,
            Optional<List<FigureRequest>> inputs) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }

        /** Empty where it is a text alone. */
        String calculator() {
            return calculatorId == null ? "" : calculatorId.orElse("");
        }

        List<Calculate.TypedInput> typed() {
            return FigureRequest.inputs(orNull(inputs));
        }
    }
}
