package overturn.practice;

import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleSupplier;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.random.RandomGenerator;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.protocol.TestVehicle;
import overturn.suspect.Fault;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** Draws what is wrong with a hidden vehicle: which suspect, and how bad, so that somebody would have complained. */
public final class FaultDraw {

    /** Share of complaints that a fault has to change to count as felt; chosen. */
    private static final double FELT = 0.25;
    /** How often a severity is drawn until it is felt; chosen. */
    private static final int MOST_DRAWS = 40;
    /** Seed of a day like any other; chosen. */
    private static final long PLAIN_DAY = 1;

    private FaultDraw() {}

    /** One of these suspects, by weight. */
    public static Suspect drawn(List<Suspect> among, ToDoubleFunction<Suspect> weight, RandomGenerator random) {
        double at = random.nextDouble() * among.stream().mapToDouble(weight).sum();
        for (Suspect suspect : among) {
            at -= weight.applyAsDouble(suspect);
            if (at < 0) {
                return suspect;
            }
        }
        return among.get(among.size() - 1);
    }

    /** Whether one remedy leaves the other still to be done. */
    public static boolean apart(Remedy one, Remedy other) {
        return one != other && !one.bringsAlong(other) && !other.bringsAlong(one);
    }

    /**
     * A severity at which the driver feels it: it changes what this vehicle would be brought in for. Where none of many
     * is felt, the one that changes most.
     *
     * @param made the vehicle with some faults
     * @param intake the test that tells what is felt
     * @param severity draws one, as a quantile
     */
    public static List<Fault> felt(
            Suspect cause,
            Layout layout,
            Function<List<Fault>, TestVehicle> made,
            Procedure intake,
            DoubleSupplier severity,
            RandomGenerator random) {
        double[] sound = told(made.apply(List.of()), intake);
        List<Fault> most = List.of();
        double mostFelt = -1;
        for (int i = 0; i < MOST_DRAWS && mostFelt < FELT; i++) {
            List<Fault> faults = cause.physics().at(severity.getAsDouble(), layout, random);
            double[] now = told(made.apply(faults), intake);
            double changed = 0;
            for (int k = 0; k < now.length; k++) {
                changed += Math.abs(now[k] - sound[k]) / 2;
            }
            if (changed > mostFelt) {
                mostFelt = changed;
                most = faults;
            }
        }
        return most;
    }

    private static double[] told(TestVehicle vehicle, Procedure intake) {
        return intake.predicted(vehicle.figures(intake.protocol(), true, new SplittableRandom(PLAIN_DAY)));
    }
}
