package overturn.app.api.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Actor;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.KeepTrace;
import overturn.app.usecase.job.ReadTrace;

/** What instruments and loggers wrote down: read from a table, and kept with a reading. */
@RestController
@RequestMapping("/api")
class TraceController {

    private final ReadTrace readTrace;
    private final KeepTrace keepTrace;
    private final JobViews views;

    TraceController(ReadTrace readTrace, KeepTrace keepTrace, JobViews views) {
        this.readTrace = readTrace;
        this.keepTrace = keepTrace;
        this.views = views;
    }

    /** What stood so many seconds after the press, from what stood before it. */
    record MarkView(int second, double value) {}

    /** The values at even steps, the first so many seconds from the press, and the marks of a hold. */
    record TraceView(
            double fromSeconds, double stepSeconds, List<Double> values, double atRest, List<MarkView> marks) {}

    /** The columns of a table; and of two of them the trace. */
    record TableView(List<String> columns, Optional<TraceView> trace) {

        static TableView of(ReadTrace.Table table) {
            return new TableView(
                    table.columns(),
                    table.held()
                            .map(held -> new TraceView(
                                    held.fromSeconds(),
                                    held.stepSeconds(),
                                    held.values(),
                                    held.atRest(),
                                    held.marks().stream()
                                            .map(mark -> new MarkView(mark.second(), mark.value()))
                                            .toList())));
        }
    }

    /** A trace that is kept with a reading. */
    record TraceRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            UUID readingId,
            String instrument,
            String unit,
            Double fromSeconds,
            Double stepSeconds,
            List<Double> values) {

        Stamp stamp(Actor actor) {
            return Requests.stamp(entryId, sequence, actor, takenSecondsAgo);
        }
    }

    /**
     * Reads a trace from a table: commas, semicolons or tabs between its columns, points or commas in its numbers.
     *
     * @param time name of the column with the seconds; left out with {@code value}, only the columns are told
     * @param value name of the column with the values
     */
    @PostMapping(value = "/traces", consumes = "text/csv")
    TableView read(
            @RequestParam(required = false) String time,
            @RequestParam(required = false) String value,
            @RequestBody String table) {
        return TableView.of(readTrace.read(table, time, value));
    }

    @PostMapping("/jobs/{id}/traces")
    ResponseEntity<JobView> keep(Actor actor, @PathVariable UUID id, @RequestBody TraceRequest request) {
        return views.written(keepTrace.keep(
                id,
                request.stamp(actor),
                new KeepTrace.Draft(
                        request.readingId(),
                        request.instrument(),
                        request.unit(),
                        request.fromSeconds(),
                        request.stepSeconds(),
                        request.values())));
    }
}
