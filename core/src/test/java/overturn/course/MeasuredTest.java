package overturn.course;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.quantity.TypedQuantity;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;

/** A measured check lets sound vehicles through and keeps those on which the fault still shows. */
class MeasuredTest {

    private static final int VEHICLES = 60;
    private static final LayoutModel TARN = Models.tarn();

    private static Measured judged(LayoutModel model, Procedure test, List<Fault> faults, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        HiddenVehicle vehicle = HiddenVehicle.of(model.simulator(), VehicleUnknowns.draw(random), faults, 1);
        return Measured.of(
                BeliefHistory.of(model, Intake.UNKNOWN, List.of()).now(), test, (Figures) vehicle.read(test, random));
    }

    private static Procedure test(LayoutModel model, String id) {
        return model.procedures().find(id).orElseThrow();
    }

    private static long passing(LayoutModel model, String test, String suspectId) {
        Suspect suspect = model.suspects().get(model.indexOf(suspectId));
        return java.util.stream.LongStream.range(0, VEHICLES)
                .filter(n -> judged(
                                model,
                                test(model, test),
                                suspect.physics().at(0.6, model.layout(), new SplittableRandom(n)),
                                n)
                        .passes())
                .count();
    }

    @Test
    void soundVehiclesPassAndThoseThatStillSinkOrAreLongDoNot() {
        for (String test : List.of("hold-medium", "travel-at-forces", "wheel-drag", "assist-drop")) {
            long passed = passing(TARN, test, "nothing-wrong");
            assertTrue(passed >= 0.97 * VEHICLES, test + ": " + passed + " of " + VEHICLES);
        }
        assertTrue(passing(TARN, "hold-medium", "primary-piston-cup") <= 0.1 * VEHICLES);
        assertTrue(passing(TARN, "wheel-drag", "piston-seized") <= 0.4 * VEHICLES);
        assertTrue(passing(TARN, "assist-drop", "check-valve-stuck-shut") <= 0.1 * VEHICLES);
        assertTrue(passing(TARN, "travel-at-forces", "air-in-master") <= 0.1 * VEHICLES);
    }

    @Test
    void theSinkOfAHoldIsJudgedApartFromItsTravel() {
        Procedure hold = test(TARN, "hold-medium");
        Measured sound = judged(TARN, hold, List.of(), 3);
        Measured.Judged sank = sound.figures().get(sound.figures().size() - 1);
        assertEquals(Measured.SANK, sank.figureId());
        assertTrue(sank.most() > 0 && sank.most() < 8, "a sound one sinks little: " + sank.most());
    }

    @Test
    void theNextDayNoFigureMayHaveGrown() {
        Procedure travel = test(TARN, "travel-at-forces");
        Series series = (Series) travel.spec();
        Measured now = judged(TARN, travel, List.of(), 5);
        Figures then = new Figures(now.figures().stream()
                .map(f -> Optional.of(mm(travel, f.value())))
                .toList());
        Figures shorter = new Figures(now.figures().stream()
                .map(f -> Optional.of(mm(travel, f.value() - 9)))
                .toList());
        assertTrue(now.sameAs(series, then).passes());
        assertFalse(now.sameAs(series, shorter).passes(), "nine millimetres longer than on release");
    }

    private static TypedQuantity mm(Procedure test, double value) {
        return new TypedQuantity(
                Double.toString(value),
                ((Series) test.spec()).figures().get(0).dimension().coreUnit(),
                value);
    }

    /** Every check that is a measurement has its test on its circuit, and that test reads figures. */
    @Test
    void everyMeasuredCheckCanBeMeasured() {
        for (Layout layout : Presets.all()) {
            ProcedureCatalogue procedures = ProcedureCatalogue.of(layout);
            Stream<Check> measured =
                    Checks.of(layout).stream().filter(c -> c.testId().isPresent());
            measured.forEach(check -> assertTrue(
                    procedures
                            .find(check.testId().get())
                            .filter(p -> p.spec() instanceof Series)
                            .isPresent(),
                    layout.id() + " " + check.id()));
        }
    }
}
