package overturn.calculation;

import java.util.List;
import java.util.Optional;
import overturn.circuit.Layout;

/** The calculators of the bench, in the order of docs/physics.md. */
public final class Calculators {

    private static final List<Calculator> ALL = List.of(
            PressureAndTravel.pressure(),
            PressureAndTravel.travel(),
            Sizes.nominalBore(),
            Sizes.freePlay(),
            ArmsAndBubbles.arms(),
            ArmsAndBubbles.bubble(),
            PedalReadings.lostTravel(),
            PedalReadings.sink(),
            AssistFigures.assist(),
            ClutchStroke.slaveStroke(),
            ClosedPort.closedPort(),
            FluidFigures.bleeding(),
            FluidFigures.fillLevel(),
            Balance.balance());

    private Calculators() {}

    /** Every calculator. */
    public static List<Calculator> all() {
        return ALL;
    }

    /** Those that mean something for a layout. */
    public static List<Calculator> of(Layout layout) {
        return ALL.stream().filter(c -> c.fits(layout.family())).toList();
    }

    public static Optional<Calculator> find(String id) {
        return ALL.stream().filter(c -> c.id().equals(id)).findFirst();
    }
}
