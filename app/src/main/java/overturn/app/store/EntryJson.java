package overturn.app.store;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Bleeding;
import overturn.app.job.Entry;
import overturn.app.job.Entry.NotUnderstood;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry;
import overturn.app.vehicle.Vehicle;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Entries as JSON documents: typed text, unit and core value side by side. Each body is written in the current version
 * of its kind; older ones are brought up version by version. What cannot be read is kept as it stands and counts for
 * nothing.
 */
@Component
class EntryJson {

    private static final Map<String, Class<? extends Entry>> PLAIN_KINDS = Map.ofEntries(
            Map.entry(Entry.JobOpened.KIND, Entry.JobOpened.class),
            Map.entry(Entry.TestSetAside.KIND, Entry.TestSetAside.class),
            Map.entry(Entry.FittingsTakenOff.KIND, Entry.FittingsTakenOff.class),
            Map.entry(Entry.EntryStruck.KIND, Entry.EntryStruck.class),
            Map.entry(Entry.NoteWritten.KIND, Entry.NoteWritten.class),
            Map.entry(VerdictAccepted.KIND, VerdictAccepted.class),
            Map.entry(RepairEntry.WorkStepDone.KIND, RepairEntry.WorkStepDone.class),
            Map.entry(RepairEntry.StrokesBled.KIND, RepairEntry.StrokesBled.class),
            Map.entry(RepairEntry.LevelEntered.KIND, RepairEntry.LevelEntered.class),
            Map.entry(RepairEntry.BleedingChosen.KIND, RepairEntry.BleedingChosen.class),
            Map.entry(RepairEntry.WayChosen.KIND, RepairEntry.WayChosen.class),
            Map.entry(RepairEntry.FluidTaken.KIND, RepairEntry.FluidTaken.class),
            Map.entry(Entry.DataErased.KIND, Entry.DataErased.class),
            Map.entry(RepairEntry.CircuitRested.KIND, RepairEntry.CircuitRested.class),
            Map.entry(RepairEntry.SecondChecked.KIND, RepairEntry.SecondChecked.class),
            Map.entry(RepairEntry.CheckDone.KIND, RepairEntry.CheckDone.class),
            Map.entry(RepairEntry.JobReleased.KIND, RepairEntry.JobReleased.class),
            Map.entry(Entry.JobWithdrawn.KIND, Entry.JobWithdrawn.class),
            Map.entry(Entry.PartMoved.KIND, Entry.PartMoved.class),
            Map.entry(Entry.WalkSeen.KIND, Entry.WalkSeen.class),
            Map.entry(Entry.PhotoTaken.KIND, Entry.PhotoTaken.class),
            Map.entry(Entry.TraceKept.KIND, Entry.TraceKept.class),
            Map.entry(Entry.CameBack.KIND, Entry.CameBack.class));
    /**
     * By kind, what brings a body from version n (the first: 1) to the next; a kind without any is still in its first
     * version.
     */
    private static final Map<String, List<UnaryOperator<ObjectNode>>> UPCASTERS = Map.of(
            Entry.JobOpened.KIND, List.of(EntryJson::vehicleAsRecord, EntryJson::plainFacts, EntryJson::aboutNothing),
            ReadingTaken.KIND, List.of(EntryJson::placesOfFigures, EntryJson::codesByWhatTheyAreAbout),
            RepairEntry.JobReleased.KIND, List.of(EntryJson::byEarlierGates, EntryJson::byEarlierGates),
            RepairEntry.CheckDone.KIND, List.of(EntryJson::lookedAt),
            VerdictAccepted.KIND,
                    List.of(
                            EntryJson::wholeCure,
                            EntryJson::withoutPlaces,
                            EntryJson::bledAsUsual,
                            EntryJson::doneAsUsual));

    private static final Map<String, RigTrust> TRUST =
            Map.of("PROVEN", RigTrust.PROVEN, "NORMAL", RigTrust.NORMAL, "DOUBTFUL", RigTrust.DOUBTFUL);

    private final JsonMapper mapper = JsonMapper.builder().build();

    /** A figure that was taken: by its id, or, in bodies of the first version, by its place in the test. */
    private record StoredFigure(
            @Nullable String id, @Nullable Integer place, String text, String unit, double coreValue) {}

    private record StoredReading(
            String procedureId,
            @Nullable List<StoredFigure> figures,
            @Nullable String observed,
            String rigSetup,
            String trust,
            List<ReadingTaken.StoredCode> codes) {}

    /** The version in which bodies of this kind are written. */
    int version(String kind) {
        return 1 + UPCASTERS.getOrDefault(kind, List.of()).size();
    }

    String write(Entry entry) {
        return mapper.writeValueAsString(entry instanceof ReadingTaken taken ? stored(taken) : entry);
    }

    /**
     * Reads a body; one of an unknown kind, of a later version, or with anything in it that is not known any more, is
     * not understood.
     */
    Entry read(String kind, int version, String body) {
        if (version > version(kind) || !(kind.equals(ReadingTaken.KIND) || PLAIN_KINDS.containsKey(kind))) {
            return new NotUnderstood(kind, body);
        }
        try {
            JsonNode tree = upcast(kind, version, body);
            return kind.equals(ReadingTaken.KIND)
                    ? taken(mapper.treeToValue(tree, StoredReading.class))
                    : whole(mapper.treeToValue(tree, PLAIN_KINDS.get(kind)));
        } catch (JacksonException | IllegalArgumentException | NullPointerException | ClassCastException e) {
            return new NotUnderstood(kind, body);
        }
    }

    private JsonNode upcast(String kind, int version, String body) {
        JsonNode tree = mapper.readTree(body);
        for (UnaryOperator<ObjectNode> upcaster :
                UPCASTERS.getOrDefault(kind, List.of()).subList(version - 1, version(kind) - 1)) {
            tree = upcaster.apply((ObjectNode) tree);
        }
        return tree;
    }

    /**
     * Whether a body of this version is one that this program writes: read and written again it is the same. What is
     * not known is.
     */
    boolean isAsWritten(String kind, int version, String body) {
        if (version > version(kind) || !(kind.equals(ReadingTaken.KIND) || PLAIN_KINDS.containsKey(kind))) {
            return true;
        }
        Entry entry = read(kind, version, body);
        return !(entry instanceof NotUnderstood)
                && mapper.readTree(write(entry)).equals(EntryJson::compare, upcast(kind, version, body));
    }

    /** Numbers are the same by their value, however they are written; everything else as it stands. */
    private static int compare(JsonNode one, JsonNode other) {
        if (one.isNumber() && other.isNumber()) {
            return Double.compare(one.doubleValue(), other.doubleValue());
        }
        return one.equals(other) ? 0 : 1;
    }

    /**
     * The entry, which lacks nothing: absent is never null in it.
     *
     * @throws IllegalArgumentException if anything in it is null
     */
    private static <T> T whole(T value) {
        if (value == null) {
            throw new IllegalArgumentException("a gap");
        } else if (value instanceof Collection<?> items) {
            items.forEach(EntryJson::whole);
        } else if (value instanceof Record) {
            for (RecordComponent component : value.getClass().getRecordComponents()) {
                try {
                    whole(component.getAccessor().invoke(value));
                } catch (ReflectiveOperationException e) {
                    throw new IllegalStateException("Impossible: a public record cannot be read", e);
                }
            }
        }
        return value;
    }

    /** Version 1 told the vehicle by its name alone. */
    private static ObjectNode vehicleAsRecord(ObjectNode body) {
        return body.put(
                "vehicleId", Vehicle.idOf(body.get("vehicle").asString()).toString());
    }

    /** Version 2 knew no work by place and no plain facts. */
    private static ObjectNode plainFacts(ObjectNode body) {
        body.set("work", body.arrayNode());
        body.set("facts", body.arrayNode());
        return body;
    }

    /** Version 3 told neither make nor order. */
    private static ObjectNode aboutNothing(ObjectNode body) {
        body.set("about", body.objectNode());
        return body;
    }

    /** Version 1 held a place for every figure of the test, empty where none was taken. */
    private static ObjectNode placesOfFigures(ObjectNode body) {
        if (!(body.get("figures") instanceof ArrayNode places)) {
            return body;
        }
        ArrayNode figures = body.arrayNode();
        for (int place = 0; place < places.size(); place++) {
            if (places.get(place) instanceof ObjectNode figure) {
                figures.add(figure.deepCopy().put("place", place));
            }
        }
        body.set("figures", figures);
        return body;
    }

    /** Version 2 knew no codes, and of stored ones only that there were some. */
    private static ObjectNode codesByWhatTheyAreAbout(ObjectNode body) {
        body.set("codes", body.arrayNode());
        if (body.path("procedureId").asString("").equals("codes-read")
                && body.path("observed").asString("").equals("stored")) {
            body.put("observed", "other");
        }
        return body;
    }

    /** Version 1 held one remedy, and neither what carried it nor what was missing. */
    private static ObjectNode wholeCure(ObjectNode body) {
        if (body.has("remedyId")) {
            body.set("remedyIds", body.arrayNode().add(body.remove("remedyId").asString()));
            body.set("carrierIds", body.arrayNode());
            body.set("missing", body.arrayNode());
        }
        return body;
    }

    /** Version 2 did not say where each remedy is done. */
    private static ObjectNode withoutPlaces(ObjectNode body) {
        body.set("places", body.arrayNode());
        return body;
    }

    /** Version 3 did not say how the workshop bleeds. */
    private static ObjectNode bledAsUsual(ObjectNode body) {
        body.set(
                "bleeding",
                body.objectNode().put("method", Bleeding.USUAL.method()).put("order", Bleeding.USUAL.order()));
        return body;
    }

    /** Version 4 knew no schools. */
    private static ObjectNode doneAsUsual(ObjectNode body) {
        body.set("schools", body.objectNode());
        return body;
    }

    /** Version 1 knew checks that are looks alone. */
    private static ObjectNode lookedAt(ObjectNode body) {
        body.put("readingId", "").put("early", false).put("drivenKm", 0).set("judged", body.arrayNode());
        return body;
    }

    /** Versions 1 and 2 were let through by gates that asked less. */
    private static ObjectNode byEarlierGates(ObjectNode body) {
        return body.put("byEarlierGates", true);
    }

    private static StoredReading stored(ReadingTaken taken) {
        String trust = TRUST.entrySet().stream()
                .filter(e -> e.getValue() == taken.trust())
                .findFirst()
                .orElseThrow()
                .getKey();
        if (taken.value() instanceof Observed observed) {
            return new StoredReading(
                    taken.procedureId(), null, observed.option(), taken.rigSetup(), trust, taken.codes());
        }
        List<Optional<TypedQuantity>> all = ((Figures) taken.value()).taken();
        List<StoredFigure> stored = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            @Nullable
            String id = taken.figureIds().isEmpty() ? null : taken.figureIds().get(i);
            @Nullable Integer place = id == null ? i : null;
            all.get(i)
                    .ifPresent(q -> stored.add(
                            new StoredFigure(id, place, q.text(), q.unit().symbol(), q.coreValue())));
        }
        return new StoredReading(taken.procedureId(), stored, null, taken.rigSetup(), trust, taken.codes());
    }

    private static ReadingTaken taken(StoredReading stored) {
        whole(stored.procedureId());
        whole(stored.rigSetup());
        List<ReadingTaken.StoredCode> codes = whole(stored.codes());
        RigTrust trust = Optional.ofNullable(TRUST.get(stored.trust()))
                .orElseThrow(() -> new IllegalArgumentException("Trust " + stored.trust()));
        if (stored.observed() != null) {
            return ReadingTaken.observed(stored.procedureId(), stored.observed(), stored.rigSetup(), trust)
                    .with(codes);
        }
        List<StoredFigure> figures = Objects.requireNonNullElse(stored.figures(), List.of());
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (StoredFigure figure : figures) {
            while (figure.place() != null && taken.size() < figure.place()) {
                taken.add(Optional.empty());
            }
            MeasureUnit unit = MeasureUnit.ofSymbol(figure.unit())
                    .orElseThrow(() -> new IllegalArgumentException("Unit " + figure.unit()));
            taken.add(Optional.of(new TypedQuantity(figure.text(), unit, figure.coreValue())));
        }
        ReadingValue value = new Figures(taken);
        return new ReadingTaken(
                stored.procedureId(),
                value,
                figures.stream()
                        .flatMap(f -> Optional.ofNullable(f.id()).stream())
                        .toList(),
                stored.rigSetup(),
                trust,
                codes);
    }
}
