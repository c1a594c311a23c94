package overturn.app.store;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import tools.jackson.databind.json.JsonMapper;

/** Entries as JSON documents: typed text, unit and core value side by side. */
@Component
class EntryJson {

    private static final Map<String, Class<? extends Entry>> PLAIN_KINDS = Map.of(
            Entry.JobOpened.KIND, Entry.JobOpened.class,
            Entry.TestSetAside.KIND, Entry.TestSetAside.class,
            Entry.FittingsTakenOff.KIND, Entry.FittingsTakenOff.class,
            Entry.EntryStruck.KIND, Entry.EntryStruck.class,
            Entry.NoteWritten.KIND, Entry.NoteWritten.class);

    private final JsonMapper mapper = JsonMapper.builder().build();

    private record StoredFigure(String text, String unit, double coreValue) {
    }

    private record StoredReading(String procedureId, List<Optional<StoredFigure>> figures, String observed, String rigSetup,
                                 RigTrust trust) {
    }

    /** The first version held one remedy, and neither what carried it nor what was missing. */
    private record StoredVerdict(List<String> remedyIds, String remedyId, String grade, double probability, List<UUID> carrierIds, List<String> missing,
                                 String why) {

        VerdictAccepted verdict() {
            return new VerdictAccepted(remedyIds == null ? List.of(remedyId) : remedyIds, grade, probability, carrierIds == null ? List.of() : carrierIds,
                    missing == null ? List.of() : missing, why);
        }
    }

    String write(Entry entry) {
        return mapper.writeValueAsString(entry instanceof ReadingTaken taken ? stored(taken) : entry);
    }

    Entry read(String kind, String body) {
        if (kind.equals(ReadingTaken.KIND)) {
            return taken(mapper.readValue(body, StoredReading.class));
        }
        if (kind.equals(VerdictAccepted.KIND)) {
            return mapper.readValue(body, StoredVerdict.class).verdict();
        }
        Class<? extends Entry> type = Optional.ofNullable(PLAIN_KINDS.get(kind))
                .orElseThrow(() -> new IllegalStateException("Impossible: the log holds an entry of unknown kind " + kind));
        return mapper.readValue(body, type);
    }

    private static StoredReading stored(ReadingTaken taken) {
        if (taken.value() instanceof Figures figures) {
            List<Optional<StoredFigure>> stored = figures.taken().stream()
                    .map(t -> t.map(q -> new StoredFigure(q.text(), q.unit().symbol(), q.coreValue()))).toList();
            return new StoredReading(taken.procedureId(), stored, null, taken.rigSetup(), taken.trust());
        }
        return new StoredReading(taken.procedureId(), null, ((Observed) taken.value()).option(), taken.rigSetup(), taken.trust());
    }

    private static ReadingTaken taken(StoredReading stored) {
        ReadingValue value = stored.observed() != null
                ? new Observed(stored.observed())
                : new Figures(stored.figures().stream().map(f -> f.map(EntryJson::typed)).toList());
        return new ReadingTaken(stored.procedureId(), value, stored.rigSetup(), stored.trust());
    }

    private static TypedQuantity typed(StoredFigure figure) {
        return new TypedQuantity(figure.text(), MeasureUnit.ofSymbol(figure.unit()).orElseThrow(), figure.coreValue());
    }
}
