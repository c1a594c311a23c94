package overturn.app.api.job;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.job.Entry;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.Entry.NoteWritten;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.evidence.RigSetup;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.TypedQuantity;

/**
 * An entry of the log, {@code takenAt} when it was made and {@code at} when it arrived; which fields are there depends
 * on its kind. One that is not {@code understood} by this version counts for nothing.
 */
public record EntryView(
        UUID id,
        int sequence,
        String kind,
        Instant takenAt,
        Instant at,
        String personId,
        Optional<Double> spentMinutes,
        boolean struck,
        boolean understood,
        Optional<String> procedureId,
        List<FigureTaken> figures,
        Optional<String> observed,
        List<CodeView> codes,
        Optional<String> rigSetup,
        Optional<String> rigKind,
        Optional<RigTrust> trust,
        Optional<UUID> struckId,
        Optional<String> why,
        List<String> items,
        Optional<ToldView> told,
        Optional<NoteView> note) {

    /** A figure as typed beside the core's value; all absent where none was taken. */
    public record FigureTaken(Optional<String> text, Optional<String> unit, Optional<Double> coreValue) {

        static FigureTaken of(Optional<TypedQuantity> quantity) {
            return new FigureTaken(
                    quantity.map(TypedQuantity::text),
                    quantity.map(q -> q.unit().symbol()),
                    quantity.map(TypedQuantity::coreValue));
        }
    }

    /** A stored code: its number, what it says, and whether it is there now, came often, or once. */
    public record CodeView(
            String number,
            String text,

            @Schema(allowableValues = {"now", "often", "once"})
            String often) {}

    /** A result of the bench as it was noted. */
    public record NoteView(
            String text,
            String calculatorId,
            List<NotedInputView> inputs,
            List<NotedOutputView> outputs,
            List<String> notices) {

        static NoteView of(NoteWritten note) {
            return new NoteView(
                    note.text(),
                    note.calculatorId(),
                    note.inputs().stream()
                            .map(i -> new NotedInputView(
                                    i.id(), i.text(), Optional.of(i.unit()).filter(unit -> !unit.isEmpty())))
                            .toList(),
                    note.outputs().stream()
                            .map(o -> new NotedOutputView(o.id(), o.unit(), o.value(), o.sd()))
                            .toList(),
                    note.notices());
        }
    }

    /** An input as typed. */
    public record NotedInputView(String id, String text, Optional<String> unit) {}

    /** An output in core units, with one standard deviation. */
    public record NotedOutputView(String id, String unit, double value, double sd) {}

    static EntryView of(LoggedEntry logged, JobState state) {
        Entry entry = logged.entry();
        Optional<ReadingTaken> reading =
                Optional.of(entry).filter(ReadingTaken.class::isInstance).map(ReadingTaken.class::cast);
        return new EntryView(
                logged.id(),
                logged.sequence(),
                entry.kind(),
                logged.takenAt(),
                logged.at(),
                logged.personId(),
                logged.spentMinutes(),
                state.struckIds().contains(logged.id()),
                !state.notUnderstood().contains(logged.id()),
                reading.map(ReadingTaken::procedureId).or(() -> setAside(entry).map(TestSetAside::procedureId)),
                Optional.ofNullable(state.values().get(logged.id()))
                        .filter(Figures.class::isInstance)
                        .map(v -> ((Figures) v)
                                .taken().stream().map(FigureTaken::of).toList())
                        .orElse(List.of()),
                reading.map(ReadingTaken::value)
                        .filter(Observed.class::isInstance)
                        .map(v -> ((Observed) v).option()),
                reading.map(ReadingTaken::codes).orElse(List.of()).stream()
                        .map(code -> new CodeView(code.number(), code.text(), code.often()))
                        .toList(),
                reading.map(ReadingTaken::rigSetup),
                reading.map(taken -> RigSetup.kind(taken.rigSetup())),
                reading.map(ReadingTaken::trust),
                entry instanceof EntryStruck struck ? Optional.of(struck.struckId()) : Optional.empty(),
                why(entry),
                entry instanceof FittingsTakenOff off ? off.items() : List.of(),
                ToldView.of(entry),
                entry instanceof NoteWritten note ? Optional.of(NoteView.of(note)) : Optional.empty());
    }

    private static Optional<TestSetAside> setAside(Entry entry) {
        return entry instanceof TestSetAside aside ? Optional.of(aside) : Optional.empty();
    }

    private static Optional<String> why(Entry entry) {
        if (entry instanceof EntryStruck struck) {
            return Optional.of(struck.why());
        }
        if (entry instanceof JobWithdrawn withdrawn) {
            return Optional.of(withdrawn.why());
        }
        if (entry instanceof VerdictAccepted verdict) {
            return Optional.of(verdict.why());
        }
        return setAside(entry).map(TestSetAside::why);
    }
}
