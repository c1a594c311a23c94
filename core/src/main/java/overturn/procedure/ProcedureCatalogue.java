package overturn.procedure;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.circuit.Layout;

/** Every test that can be done on a layout, its forces fitted to that layout. */
public final class ProcedureCatalogue {

    /** Id of the test that is done at intake. */
    public static final String CHARACTERISE = "characterise";

    private final List<Procedure> procedures;
    private final Map<String, Procedure> byId;
    private final PressForces forces;

    private ProcedureCatalogue(List<Procedure> procedures, PressForces forces) {
        this.procedures = List.copyOf(procedures);
        this.byId = procedures.stream().collect(Collectors.toUnmodifiableMap(Procedure::id, Function.identity()));
        this.forces = forces;
    }

    public static ProcedureCatalogue of(Layout layout) {
        PressForces forces = PressForces.of(layout);
        List<Procedure> all = Stream.of(new LookTests(layout, forces).all(), new SeatTests(layout, forces).all(), new AssistTests(layout, forces).all(),
                new DragTests(layout, forces).all(), new ClutchTests(layout, forces).all(), new IsolationTests(layout, forces).all(),
                new CloserLooks(layout).all())
                .flatMap(List::stream).toList();
        return new ProcedureCatalogue(all, forces);
    }

    /** All tests, in a stable order. */
    public List<Procedure> all() {
        return procedures;
    }

    /** The forces that the tests press with on this layout. */
    public PressForces forces() {
        return forces;
    }

    public Optional<Procedure> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }
}
