package overturn.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.procedure.Needed;
import overturn.procedure.ObservationTable;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.protocol.Act;
import overturn.protocol.Protocol;

/** Writes a test down piece by piece. Unless said otherwise: from the seat, by eye, indicating, no gate. */
final class TestDraft {

    private final String id;
    private final Protocol protocol;
    private @Nullable ReadingSpec spec;
    private Optional<ObservationTable> table = Optional.empty();
    private Nature nature = Nature.INDICATING;
    private Set<String> observes = Set.of();
    private VehicleNeeds needs = VehicleNeeds.SEAT;
    private double minutes = 3;
    private RigKind rig = RigKind.EYE;
    private boolean gate;
    private Set<Needed> alsoNeeded = Set.of();

    private TestDraft(String id, Protocol protocol) {
        this.id = id;
        this.protocol = protocol;
    }

    static TestDraft of(String id, Protocol.Script script) {
        return new TestDraft(id, script.done());
    }

    /** A test that only senses, nothing done. */
    static TestDraft sensing(String id, Act.Sample... samples) {
        return of(id, Protocol.whole().then(samples));
    }

    /** Figures whose datum drops out. */
    TestDraft reads(Figure... figures) {
        return reads(new ReadingSpec.Series(List.of(figures), 0));
    }

    TestDraft reads(ReadingSpec.Series series) {
        spec = series;
        return this;
    }

    /** Observations with their table. */
    TestDraft sees(List<String> options, ObservationTable how) {
        spec = new ReadingSpec.Observation(options);
        table = Optional.of(how);
        return this;
    }

    TestDraft isolates() {
        nature = Nature.ISOLATING;
        return this;
    }

    /** Looks at these suspects themselves. */
    TestDraft observes(String... suspectIds) {
        nature = Nature.OBSERVING;
        observes = Set.of(suspectIds);
        return this;
    }

    TestDraft needs(VehicleNeeds state) {
        needs = state;
        return this;
    }

    TestDraft minutes(double working) {
        minutes = working;
        return this;
    }

    TestDraft rig(RigKind kind) {
        rig = kind;
        return this;
    }

    /** What has to be at hand beside the rig and what state and cautions ask for. */
    TestDraft with(Needed... needed) {
        alsoNeeded = Set.of(needed);
        return this;
    }

    TestDraft first() {
        gate = true;
        return this;
    }

    /** Whatever is done to a raised vehicle, its stands are named at the first step that warns of nothing else. */
    private static List<Step> standsFirst(List<Step> steps) {
        List<Step> all = new ArrayList<>(steps);
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).cautionId().isEmpty()) {
                all.set(i, all.get(i).caution("stands"));
                break;
            }
        }
        return all;
    }

    Procedure steps(Step... steps) {
        return steps(List.of(steps));
    }

    Procedure steps(List<Step> steps) {
        List<Step> all = needs.raised() ? standsFirst(steps) : steps;
        return new Procedure(
                id,
                protocol,
                Objects.requireNonNull(spec, "what it reads"),
                table,
                nature,
                observes,
                needs,
                minutes,
                rig,
                gate,
                all,
                alsoNeeded);
    }
}
