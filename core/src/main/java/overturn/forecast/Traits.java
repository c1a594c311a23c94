package overturn.forecast;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.ToDoubleFunction;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.stat.StatUtils;
import overturn.simulation.VehicleUnknowns;

/**
 * In what the imagined vehicles of a suspect differ most: what moves a pedal's travel and play, and how bad the fault
 * is. For regressions over them.
 */
final class Traits {

    private static final List<ToDoubleFunction<VehicleUnknowns>> OF_VEHICLE = List.of(
            vehicle -> vehicle.factors().stiffness(),
            vehicle -> vehicle.factors().padClearance(),
            vehicle -> vehicle.factors().shoeClearance(),
            vehicle -> vehicle.lost().motionMm(),
            vehicle -> vehicle.factors().freePlay(),
            vehicle -> vehicle.person().forceBias());
    /** Traits of a vehicle; the severity comes behind them; definition. */
    static final int COUNT = OF_VEHICLE.size();

    /** Pivot below which a trait tells nothing of its own; chosen. */
    private static final double SINGULAR = 1e-9;

    private final Particles particles;
    private final AtomicReferenceArray<RealMatrix> projections;

    Traits(Particles particles, int suspects) {
        this.particles = particles;
        this.projections = new AtomicReferenceArray<>(suspects);
    }

    /**
     * Least-squares slopes of one figure, read on each vehicle of a suspect, per standard deviation of each trait and
     * of the severity.
     */
    double[] slopes(int suspect, double[] figures) {
        RealMatrix projection = projections.get(suspect);
        if (projection == null) {
            projection = new QRDecomposition(standardised(suspect), SINGULAR)
                    .getSolver()
                    .getInverse();
            projections.set(suspect, projection);
        }
        return Arrays.copyOfRange(projection.operate(figures), 1, COUNT + 2);
    }

    /** A column of ones, then each trait. */
    private RealMatrix standardised(int suspect) {
        RealMatrix columns = new Array2DRowRealMatrix(Particles.PARTICLES, COUNT + 2);
        for (int j = 0; j <= COUNT; j++) {
            double[] column = new double[Particles.PARTICLES];
            for (int i = 0; i < column.length; i++) {
                column[i] = j < COUNT
                        ? OF_VEHICLE.get(j).applyAsDouble(particles.vehicle(i))
                        : particles.severity(suspect, i);
                columns.setEntry(i, 0, 1);
            }
            columns.setColumn(j + 1, StatUtils.normalize(column));
        }
        return columns;
    }
}
