package overturn.app.usecase.job;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.TraceKept;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;

/** Keeps what an instrument wrote down beside the reading that was taken from it. */
@Component
public class KeepTrace {

    private final LogWriter writer;
    private final Jobs jobs;

    KeepTrace(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** A trace as sent: values at even steps, the first so many seconds from the press. */
    public record Draft(
            @Nullable UUID readingId,
            @Nullable String instrument,
            @Nullable String unit,
            @Nullable Double fromSeconds,
            @Nullable Double stepSeconds,
            @Nullable List<Double> values) {}

    /** @throws InvalidInputException if there is no such reading, or it is no trace that can be kept */
    public Log keep(UUID jobId, Stamp stamp, Draft draft) {
        Log read = jobs.read(jobId);
        String procedureId = read.entries().stream()
                .filter(logged -> logged.id().equals(draft.readingId()))
                .filter(logged -> logged.entry() instanceof ReadingTaken)
                .map(logged -> ((ReadingTaken) logged.entry()).procedureId())
                .findFirst()
                .orElse("");
        new Checks()
                .that(() -> !procedureId.isEmpty(), "readingId", draft.readingId(), "a reading of this job")
                .that(() -> draft.fromSeconds() != null, "fromSeconds", null, "seconds from the press")
                .that(() -> draft.stepSeconds() != null, "stepSeconds", null, "seconds")
                .that(
                        () -> draft.values() != null && draft.values().stream().noneMatch(Objects::isNull),
                        "values",
                        null,
                        "numbers")
                .orThrow();
        return writer.append(
                read,
                stamp,
                Behind.REBASED,
                seen -> new TraceKept(
                        Objects.requireNonNull(draft.readingId()).toString(),
                        procedureId,
                        draft.instrument() == null ? "" : draft.instrument().strip(),
                        draft.unit() == null ? "" : draft.unit(),
                        Objects.requireNonNull(draft.fromSeconds()),
                        Objects.requireNonNull(draft.stepSeconds()),
                        Objects.requireNonNull(draft.values())));
    }
}
