package overturn.app.usecase.job;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.NoteWritten;
import overturn.app.job.Entry.NoteWritten.NotedInput;
import overturn.app.job.Entry.NoteWritten.NotedOutput;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.bench.Calculate;
import overturn.app.usecase.bench.Calculate.TypedInput;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.calculation.Result;

/**
 * Puts a note into a job's log: a text alone, or a result of the bench with its inputs as typed, which the server
 * calculates itself.
 */
@Component
public class WriteNote {

    private final LogWriter writer;
    private final Jobs jobs;
    private final Calculate calculate;

    WriteNote(LogWriter writer, Jobs jobs, Calculate calculate) {
        this.writer = writer;
        this.jobs = jobs;
        this.calculate = calculate;
    }

    /** @throws InvalidInputException if there is no text or an input cannot be taken */
    public Log write(UUID jobId, Stamp stamp, String text, String calculatorId, List<TypedInput> inputs) {
        Log read = jobs.read(jobId);
        String layoutId = read.sheet().file().id();
        if (calculatorId.isBlank()) {
            new Checks().text("text", text, EntryRules.MOST_NOTE).orThrow();
            return writer.append(
                    read, stamp, Behind.REBASED, seen -> new NoteWritten(text, "", List.of(), List.of(), List.of()));
        }
        new Checks().text("text", text, EntryRules.MOST_TEXT).orThrow();
        Result result =
                calculate.columns(calculatorId, layoutId, List.of(inputs)).get(0);
        List<NotedInput> typed = inputs.stream()
                .filter(i -> i.text() != null && !i.text().isBlank())
                .map(i -> new NotedInput(i.id(), i.text(), i.unit()))
                .toList();
        List<NotedOutput> outputs = result.outputs().stream()
                .map(o -> new NotedOutput(o.id(), o.dimension().coreUnit().symbol(), o.value(), o.sd()))
                .toList();
        return writer.append(
                read,
                stamp,
                Behind.REBASED,
                seen -> new NoteWritten(text, calculatorId, typed, outputs, result.notices()));
    }
}
