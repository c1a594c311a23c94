package overturn.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.random.RandomGenerator;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.procedure.Procedure;
import overturn.quantity.TypedQuantity;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;

/** A vehicle whose fault is known to the program and hidden from the technician. */
public final class HiddenVehicle {

    private final Simulator simulator;
    private final VehicleUnknowns vehicle;
    private final List<Fault> faults;
    private final double noiseScale;

    private HiddenVehicle(Simulator simulator, VehicleUnknowns vehicle, List<Fault> faults, double noiseScale) {
        this.simulator = simulator;
        this.vehicle = vehicle;
        this.faults = List.copyOf(faults);
        this.noiseScale = noiseScale;
    }

    /** @param noiseScale factor on the noise of all instruments, 0 for none */
    public static HiddenVehicle of(Simulator simulator, VehicleUnknowns vehicle, List<Fault> faults, double noiseScale) {
        if (!(noiseScale >= 0)) {
            throw new IllegalArgumentException("Noise scale " + noiseScale + " must be 0 or more");
        }
        return new HiddenVehicle(simulator, vehicle, faults, noiseScale);
    }

    /** Does a test and reads it as a technician would: noise, datum, whole millimetres. */
    public ReadingValue read(Procedure procedure, RandomGenerator random) {
        double[] simulated = simulator.run(procedure.protocol(), vehicle, faults);
        if (procedure.spec() instanceof Series series) {
            return figures(series, simulated, random);
        }
        Observation observation = (Observation) procedure.spec();
        double[] probabilities = procedure.table().orElseThrow().probabilities(simulated);
        return new ReadingValue.Observed(observation.options().get(drawn(probabilities, random.nextDouble())));
    }

    private static int drawn(double[] probabilities, double at) {
        double cumulated = 0;
        for (int k = 0; k < probabilities.length; k++) {
            cumulated += probabilities[k];
            if (at < cumulated) {
                return k;
            }
        }
        return probabilities.length - 1;
    }

    private ReadingValue figures(Series series, double[] simulated, RandomGenerator random) {
        double offset = series.offsetSd() * random.nextGaussian();
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (int k = 0; k < simulated.length; k++) {
            Figure figure = series.figures().get(k);
            double noisy = simulated[k] + noiseScale * (offset + figure.noiseSd() * random.nextGaussian());
            double read = Math.max(figure.least(), Math.min(figure.most(), Math.rint(2 * noisy) / 2));
            taken.add(Optional.of(new TypedQuantity(text(read), figure.dimension().coreUnit(), read)));
        }
        return new ReadingValue.Figures(taken);
    }

    private static String text(double value) {
        return value == Math.rint(value) ? String.format(Locale.ROOT, "%.0f", value) : String.format(Locale.ROOT, "%.1f", value);
    }
}
