package overturn.bench.hidden;

import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import overturn.circuit.Layout;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/**
 * A vehicle whose driver knows how it was before: a complaint, and whether it is still felt, is what differs from the
 * same vehicle when it was sound, laid on the data sheet's figures.
 */
final class ComplaintFelt implements TestVehicle {

    private final TestVehicle vehicle;
    private final TestVehicle sound;
    private final Layout layout;
    private final List<Protocol> felt;

    /** @param felt the protocols of which the driver judges */
    ComplaintFelt(TestVehicle vehicle, TestVehicle sound, Layout layout, List<Protocol> felt) {
        this.vehicle = vehicle;
        this.sound = sound;
        this.layout = layout;
        this.felt = List.copyOf(felt);
    }

    @Override
    public double[] figures(Protocol protocol, boolean shown, RandomGenerator presses) {
        if (!felt.contains(protocol)) {
            return vehicle.figures(protocol, shown, presses);
        }
        long day = presses.nextLong();
        double[] now = vehicle.figures(protocol, shown, new SplittableRandom(day));
        double[] before = sound.figures(protocol, shown, new SplittableRandom(day));
        double[] known = Simulator.of(layout).run(protocol, VehicleUnknowns.NOMINAL, List.of());
        for (int k = 0; k < known.length; k++) {
            known[k] += now[k] - before[k];
        }
        return known;
    }

    @Override
    public TestVehicle after(Protocol intake) {
        return new ComplaintFelt(vehicle.after(intake), sound.after(intake), layout, felt);
    }
}
