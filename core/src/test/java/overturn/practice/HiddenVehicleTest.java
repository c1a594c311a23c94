package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Chamber;
import overturn.layoutfile.Presets;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.words.Words;

/** The simulated technician's eye and tape. */
class HiddenVehicleTest {

    private static final Simulator SIMULATOR = Simulator.of(Presets.TARN_BOX_VAN);
    private static final ProcedureCatalogue PROCEDURES = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);
    private static final Procedure HOLD = PROCEDURES.find("hold-medium").orElseThrow();

    private static HiddenVehicle sound(double noise) {
        return HiddenVehicle.of(SIMULATOR, VehicleUnknowns.NOMINAL, List.of(), noise);
    }

    private static double[] read(HiddenVehicle vehicle, long seed) {
        return ((Figures) vehicle.read(HOLD, new SplittableRandom(seed))).coreValues();
    }

    @Test
    void withoutNoiseItReadsThePhysicsToHalfAMillimetre() {
        assertArrayEquals(SIMULATOR.run(HOLD.protocol(), VehicleUnknowns.NOMINAL, List.of()), read(sound(0), 1), 0.25);
    }

    @Test
    void theSameSeedGivesTheSameReadingAndAnotherSeedAnother() {
        assertArrayEquals(read(sound(1), 7), read(sound(1), 7));
        assertTrue(java.util.stream.LongStream.range(0, 20)
                        .mapToObj(seed -> read(sound(1), seed)[0])
                        .distinct()
                        .count()
                > 3);
    }

    @Test
    void oneDatumIsSharedByAllFiguresOfASeries() {
        double shared = 0;
        for (long seed = 0; seed < 400; seed++) {
            double[] noisy = read(sound(1), seed);
            double[] exact = SIMULATOR.run(HOLD.protocol(), VehicleUnknowns.NOMINAL, List.of());
            shared += (noisy[0] - exact[0]) * (noisy[3] - exact[3]) / 400;
        }
        assertEquals(4, shared, 1, "covariance is the square of the datum's 2 mm");
    }

    @Test
    void anInstrumentIsReadFromWhereItStoodAtRestToItsOwnSteps() {
        double[] exact = SIMULATOR.run(HOLD.protocol(), VehicleUnknowns.NOMINAL, List.of());
        for (long seed = 0; seed < 50; seed++) {
            double[] shown = read(sound(1).withInstruments(seed), seed);
            assertArrayEquals(exact, shown, 0.5 + 1e-9, "a tape in half millimetres, whatever its offset");
        }
    }

    /** What cannot be turned reads the most that two hands can do, in the vehicle and in what is expected of it. */
    @Test
    void aLockedWheelIsExpectedToReadWhatItReads() {
        Procedure drag = PROCEDURES.find("drag-with-engine").orElseThrow();
        List<Fault> clogged = List.of(
                new Fault.CloggedHole(Chamber.PRIMARY, 20_000), new Fault.CloggedHole(Chamber.SECONDARY, 20_000));
        double[] simulated = SIMULATOR.run(drag.protocol(), VehicleUnknowns.NOMINAL, clogged);
        assertTrue(simulated[0] > 150, "locked: " + simulated[0]);
        assertTrue(Words.all().get("test.drag-with-engine.step.spent").contains("150 Nm"), "and the step says so");
        double[] expected = drag.predicted(simulated);
        assertArrayEquals(new double[] {150, 150}, expected);
        assertArrayEquals(
                expected,
                ((Figures) HiddenVehicle.of(SIMULATOR, VehicleUnknowns.NOMINAL, clogged, 0)
                                .read(drag, new SplittableRandom(1)))
                        .coreValues(),
                1);
    }

    @Test
    void noReadingIsEverOutsideWhatIsPossible() {
        for (Procedure procedure : PROCEDURES.all()) {
            if (procedure.spec() instanceof Series series) {
                double[] values = ((Figures) sound(30).read(procedure, new SplittableRandom(3))).coreValues();
                for (int k = 0; k < values.length; k++) {
                    Figure figure = series.figures().get(k);
                    assertTrue(figure.allows(values[k]), procedure.id() + "." + figure.id() + " " + values[k]);
                }
            }
        }
        assertThrows(IllegalArgumentException.class, () -> sound(Double.NaN));
    }

    @Test
    void anIntermittentFaultShowsInItsShareOfTheTestsAndElseReadsSound() {
        HiddenVehicle sinking = HiddenVehicle.of(
                        SIMULATOR,
                        VehicleUnknowns.NOMINAL,
                        List.of(new overturn.suspect.Fault.ByPass(
                                overturn.suspect.Fault.Cup.PRIMARY_PISTON, 6, 0, 0, 40)),
                        0)
                .intermittent(0.3);
        long shown = java.util.stream.LongStream.range(0, 500)
                .filter(seed -> read(sinking, seed)[3] - read(sinking, seed)[0] > 10)
                .count();
        assertTrue(shown > 115 && shown < 185, "shown in " + shown + " of 500");
        assertThrows(IllegalArgumentException.class, () -> sinking.intermittent(0));
    }
}
