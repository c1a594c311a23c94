package overturn.catalogue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.circuit.Layout;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;

/** Every test that can be done on a layout, its forces fitted to that layout. */
public final class ProcedureCatalogue {

    /** Id of the test that is done at intake. */
    public static final String CHARACTERISE = "characterise";

    /** Id of what else was felt beside it, told at intake. */
    public static final String ALSO_FELT = "also-felt";

    /** Id of the test that holds the whole circuit. */
    public static final String HOLD = "hold-medium";

    private final Layout layout;
    private final List<Procedure> procedures;
    private final List<CutSetProcedure> cutSets;
    private final Map<String, Procedure> byId;
    private final PressForces forces;

    private ProcedureCatalogue(
            Layout layout, List<Procedure> procedures, List<CutSetProcedure> cutSets, PressForces forces) {
        this.layout = layout;
        this.procedures = List.copyOf(procedures);
        this.cutSets = cutSets;
        this.byId = Stream.concat(procedures.stream(), cutSets.stream().map(CutSetProcedure::procedure))
                .collect(Collectors.toUnmodifiableMap(Procedure::id, Function.identity()));
        this.forces = forces;
    }

    public static ProcedureCatalogue of(Layout layout) {
        PressForces forces = PressForces.of(layout);
        List<Procedure> all = Stream.of(
                        new LookProcedures(layout, forces).all(),
                        new SeatProcedures(layout, forces).all(),
                        new AssistProcedures(layout, forces).all(),
                        new DragProcedures(layout, forces).all(),
                        new ClutchProcedures(layout, forces).all(),
                        new IsolationProcedures(layout, forces).all(),
                        new CloserLooks(layout).all(),
                        new TradeLooks(layout, forces).all())
                .flatMap(List::stream)
                .toList();
        return new ProcedureCatalogue(layout, all, CutSetProcedures.of(layout, all), forces);
    }

    /** The layout whose tests these are. */
    public Layout layout() {
        return layout;
    }

    /** All tests that are written down, in a stable order. */
    public List<Procedure> all() {
        return procedures;
    }

    /** Tests derived from the layout: every other way to divide it, too many to weigh them all. */
    public List<CutSetProcedure> cutSets() {
        return cutSets;
    }

    /** The test that is done at intake. */
    public Procedure intake() {
        return find(CHARACTERISE).orElseThrow();
    }

    /** Whether a test is of the vehicle as it came, before anything was done to it. */
    public static boolean atIntake(String procedureId) {
        return procedureId.equals(CHARACTERISE) || procedureId.equals(ALSO_FELT);
    }

    /** The forces that the tests press with on this layout. */
    public PressForces forces() {
        return forces;
    }

    /** A test, written down or derived. */
    public Optional<Procedure> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }
}
