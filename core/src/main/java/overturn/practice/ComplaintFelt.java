package overturn.practice;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import overturn.catalogue.ProcedureCatalogue;
import overturn.procedure.Procedure;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/**
 * A vehicle whose driver knows how it was before: a complaint, and whether it is still felt, is what differs from the
 * same vehicle when it was sound, laid on the data sheet's figures.
 */
public final class ComplaintFelt implements TestVehicle {

    /** Tests in which the driver or whoever knows the vehicle judges what it was like before. */
    private static final List<String> FELT_BY_THE_DRIVER =
            List.of(ProcedureCatalogue.CHARACTERISE, ProcedureCatalogue.ALSO_FELT, "driven");

    private final TestVehicle vehicle;
    private final TestVehicle sound;
    private final Map<Protocol, double[]> dataSheet;

    /** @param dataSheet what the data sheet's vehicle reads in each protocol of which the driver judges */
    public ComplaintFelt(TestVehicle vehicle, TestVehicle sound, Map<Protocol, double[]> dataSheet) {
        this.vehicle = vehicle;
        this.sound = sound;
        this.dataSheet = dataSheet;
    }

    /** What the data sheet's vehicle reads where the driver judges. */
    public static Map<Protocol, double[]> dataSheet(Simulator simulator, ProcedureCatalogue procedures) {
        return FELT_BY_THE_DRIVER.stream()
                .flatMap(id -> procedures.find(id).stream())
                .map(Procedure::protocol)
                .distinct()
                .collect(Collectors.toMap(
                        protocol -> protocol, protocol -> simulator.run(protocol, VehicleUnknowns.NOMINAL, List.of())));
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
