package overturn.practice;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.random.RandomGenerator;
import overturn.catalogue.ProcedureCatalogue;
import overturn.instrument.InstrumentKind;
import overturn.instrument.SimulatedInstrument;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.procedure.Procedure;
import overturn.protocol.TestVehicle;
import overturn.quantity.TypedQuantity;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;

/** A vehicle whose fault is known to the program and hidden from the technician. */
public final class HiddenVehicle {

    /** An instrument has been on the vehicle for up to so long, s; chosen. */
    private static final double MOST_PUT_ON_SECONDS = 1_200;
    /** It is read at rest so long before the press, s; chosen. */
    private static final double PRESSED_AFTER_SECONDS = 2;

    private final TestVehicle rested;
    private final TestVehicle found;
    private final double noiseScale;
    private final double shownShare;
    private final double mistakenShare;
    private final OptionalLong instruments;

    private HiddenVehicle(
            TestVehicle rested,
            TestVehicle found,
            double noiseScale,
            double shownShare,
            double mistakenShare,
            OptionalLong instruments) {
        this.instruments = instruments;
        this.rested = rested;
        this.found = found;
        this.noiseScale = noiseScale;
        this.shownShare = shownShare;
        this.mistakenShare = mistakenShare;
    }

    /** @param noiseScale factor on the noise of all instruments, 0 for none */
    public static HiddenVehicle of(
            Simulator simulator, VehicleUnknowns vehicle, List<Fault> faults, double noiseScale) {
        return of(simulated(simulator, vehicle, faults), noiseScale);
    }

    /** A vehicle of the simulator that forecasts are made with, from rest. */
    public static TestVehicle simulated(Simulator simulator, VehicleUnknowns vehicle, List<Fault> faults) {
        return new SimulatedVehicle(simulator, vehicle, List.copyOf(faults), VehicleCondition.RESTED);
    }

    /**
     * A vehicle from wherever it comes.
     *
     * @param noiseScale factor on the noise of all instruments, 0 for none
     */
    public static HiddenVehicle of(TestVehicle rested, double noiseScale) {
        if (!(noiseScale >= 0)) {
            throw new IllegalArgumentException("Noise scale " + noiseScale + " must be 0 or more");
        }
        return new HiddenVehicle(rested, rested, noiseScale, 1, 0, OptionalLong.empty());
    }

    /** The same vehicle as the intake left it: every test after it begins there. */
    public HiddenVehicle after(Procedure intake) {
        return new HiddenVehicle(
                rested, rested.after(intake.protocol()), noiseScale, shownShare, mistakenShare, instruments);
    }

    /** The same vehicle with a fault that is there in this share of the tests only, 0 to 1. */
    public HiddenVehicle intermittent(double share) {
        if (!(share > 0 && share <= 1)) {
            throw new IllegalArgumentException("Share " + share + " must lie above 0 and be at most 1");
        }
        return new HiddenVehicle(rested, found, noiseScale, share, mistakenShare, instruments);
    }

    /** The same vehicle looked at by somebody who takes one thing for another in this share of the looks, 0 to 1. */
    public HiddenVehicle mistaken(double share) {
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("Share " + share + " must lie between 0 and 1");
        }
        return new HiddenVehicle(rested, found, noiseScale, shownShare, share, instruments);
    }

    /** The same vehicle with instruments on it: of a hold is read what they show, from what they showed at rest. */
    public HiddenVehicle withInstruments(long seed) {
        return new HiddenVehicle(rested, found, noiseScale, shownShare, mistakenShare, OptionalLong.of(seed));
    }

    /** Does a test and reads it as a technician would: noise, datum, rounded to what the instrument shows. */
    public ReadingValue read(Procedure procedure, RandomGenerator random) {
        boolean shown = shownShare == 1 || random.nextDouble() < shownShare;
        TestVehicle now = ProcedureCatalogue.atIntake(procedure.id()) ? rested : found;
        double[] simulated = now.figures(procedure.protocol(), shown, random);
        if (procedure.spec() instanceof Series series) {
            return instruments.isPresent() && series.held()
                    ? shown(series, simulated, random)
                    : figures(series, simulated, random);
        }
        Observation observation = (Observation) procedure.spec();
        double[] probabilities = procedure.table().orElseThrow().probabilities(simulated);
        boolean mistaken = mistakenShare > 0 && random.nextDouble() < mistakenShare;
        int seen = mistaken ? random.nextInt(probabilities.length) : drawn(probabilities, random.nextDouble());
        return new ReadingValue.Observed(observation.options().get(seen));
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
            double read = figure.nearest(rounded(noisy, figure.noiseSd()));
            taken.add(Optional.of(typed(figure, read)));
        }
        return new ReadingValue.Figures(taken);
    }

    /** What instruments show at each mark; one that has dropped out then shows nothing. */
    private ReadingValue shown(Series series, double[] simulated, RandomGenerator random) {
        double putOn = random.nextDouble() * MOST_PUT_ON_SECONDS;
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (int k = 0; k < simulated.length; k++) {
            Figure figure = series.figures().get(k);
            SimulatedInstrument instrument =
                    new SimulatedInstrument(InstrumentKind.measuring(figure.dimension()), instruments.getAsLong());
            OptionalDouble rest = instrument.show(0, putOn);
            OptionalDouble there = instrument.show(
                    simulated[k],
                    putOn + PRESSED_AFTER_SECONDS + figure.atSecond().orElseThrow());
            taken.add(
                    rest.isEmpty() || there.isEmpty()
                            ? Optional.empty()
                            : Optional.of(typed(figure, figure.nearest(there.getAsDouble() - rest.getAsDouble()))));
        }
        return taken.stream().anyMatch(Optional::isPresent)
                ? new ReadingValue.Figures(taken)
                : figures(series, simulated, random);
    }

    private static TypedQuantity typed(Figure figure, double read) {
        return new TypedQuantity(text(read), figure.dimension().coreUnit(), read);
    }

    /** To the nearest 1, 2 or 5 of a decade that an instrument of this noise would show. */
    private static double rounded(double value, double noiseSd) {
        double decade = Math.pow(10, Math.floor(Math.log10(0.75 * noiseSd)));
        double step = 0.75 * noiseSd >= 5 * decade ? 5 * decade : 0.75 * noiseSd >= 2 * decade ? 2 * decade : decade;
        return Math.rint(value / step) * step;
    }

    private static String text(double value) {
        return BigDecimal.valueOf(value)
                .setScale(3, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
