package overturn.bench.hidden;

import java.util.Map;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;

/**
 * A vehicle whose driver knows how it was before: a complaint, and whether it is still felt, is what differs from the
 * same vehicle when it was sound, laid on the data sheet's figures.
 */
final class ComplaintFelt implements TestVehicle {

    private final TestVehicle vehicle;
    private final TestVehicle sound;
    private final Map<Protocol, double[]> dataSheet;

    /** @param dataSheet what the data sheet's vehicle reads in each protocol of which the driver judges */
    ComplaintFelt(TestVehicle vehicle, TestVehicle sound, Map<Protocol, double[]> dataSheet) {
        this.vehicle = vehicle;
        this.sound = sound;
        this.dataSheet = dataSheet;
    }

    @Override
    public double[] figures(Protocol protocol, boolean shown, RandomGenerator presses) {
        double[] plain = dataSheet.get(protocol);
        if (plain == null) {
            return vehicle.figures(protocol, shown, presses);
        }
        long day = presses.nextLong();
        double[] now = vehicle.figures(protocol, shown, new SplittableRandom(day));
        double[] before = sound.figures(protocol, shown, new SplittableRandom(day));
        double[] known = plain.clone();
        for (int k = 0; k < known.length; k++) {
            known[k] += now[k] - before[k];
        }
        return known;
    }

    @Override
    public TestVehicle after(Protocol intake) {
        return new ComplaintFelt(vehicle.after(intake), sound.after(intake), dataSheet);
    }
}
