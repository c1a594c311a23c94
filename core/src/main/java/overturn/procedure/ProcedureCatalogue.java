package overturn.procedure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import overturn.circuit.Layout;

/** Every test that can be done on a layout, its forces fitted to that layout. */
public final class ProcedureCatalogue {

    /** Id of the test that is done at intake. */
    public static final String CHARACTERISE = "characterise";

    private final List<Procedure> procedures;
    private final PressForces forces;

    private ProcedureCatalogue(List<Procedure> procedures, PressForces forces) {
        this.procedures = List.copyOf(procedures);
        this.forces = forces;
    }

    public static ProcedureCatalogue of(Layout layout) {
        PressForces forces = PressForces.of(layout);
        List<Procedure> all = new ArrayList<>(new LookTests(forces).all());
        all.addAll(new SeatTests(forces).all());
        all.addAll(new IsolationTests(layout, forces).all());
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
        return procedures.stream().filter(p -> p.id().equals(id)).findFirst();
    }
}
