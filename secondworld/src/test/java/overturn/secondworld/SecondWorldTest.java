package overturn.secondworld;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** The second world stands on its own, keeps to what the trade sees on sound vehicles, and shows every fault. */
class SecondWorldTest {

    private static final int VEHICLES = 40;
    /** Neighbouring suspects share the tests among them. */
    private static final int EVERY_THIRD = 3;

    private static final Layout TARN = Presets.TARN_BOX_VAN;

    @Test
    @Tag("walls")
    void itKnowsNothingOfTheModelItIsHeldAgainst() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "overturn.simulation..",
                        "overturn.forecast..",
                        "overturn.likelihood..",
                        "overturn.inference..",
                        "overturn.procedure..")
                .check(new ClassFileImporter()
                        .withImportOption(new ImportOption.DoNotIncludeTests())
                        .importPackages("overturn.secondworld"));
    }

    private static double[] read(Layout layout, String test, long seed, List<Fault> faults) {
        ProcedureCatalogue catalogue = ProcedureCatalogue.of(layout);
        return SecondWorldVehicle.of(layout, faults, seed)
                .after(catalogue.intake().protocol())
                .figures(catalogue.find(test).orElseThrow().protocol(), true, new SplittableRandom(seed));
    }

    /** Mean of one figure over sound vehicles. */
    private static double sound(String test, int figure) {
        return IntStream.range(1, VEHICLES)
                .mapToDouble(seed -> read(TARN, test, seed, List.of())[figure])
                .average()
                .orElseThrow();
    }

    @Test
    void soundVehiclesReadWhatTheTradeSees() {
        double[] hold = {sound("hold-medium", 0), sound("hold-medium", 3)};
        assertTrue(hold[1] - hold[0] <= 3, "a sound pedal sinks at most 3 mm in a minute: " + (hold[1] - hold[0]));
        double fourth = sound("reserve-strokes", 3);
        assertTrue(fourth >= 22 && fourth <= 44, "fourth stroke on the reserve " + fourth);
        double left = sound("vacuum-recovery", 0);
        assertTrue(left >= 30 && left <= 57, "left after three strokes " + left);
        double drop = sound("assist-drop", 0);
        assertTrue(drop >= 10 && drop <= 30, "drop at start " + drop);
        double front = sound("wheel-temperatures", 0);
        double rear = sound("wheel-temperatures", 2);
        assertTrue(front >= 45 && front <= 100 && rear >= 28 && rear <= 65, front + " and " + rear);
        double caught = sound("bleed-flow", 0);
        assertTrue(caught >= 5 && caught <= 8, "mL per stroke of a drum van " + caught);
    }

    @Test
    void theSameVehicleWithTheSamePressesReadsTheSame() {
        assertArrayEquals(read(TARN, "pump-up", 7, List.of()), read(TARN, "pump-up", 7, List.of()));
        assertTrue(!Arrays.equals(read(TARN, "pump-up", 7, List.of()), read(TARN, "pump-up", 8, List.of())));
    }

    /** A switch beside the pedal tells where the pedal rests, not what a rod pushes ahead of it. */
    @Test
    void aRodThatIsTooLongLeavesTheLampOut() {
        Protocol looked = Protocol.whole().then(new Act.Sample(Sensed.LAMP_LIT)).done();
        for (int seed = 1; seed < VEHICLES; seed++) {
            assertEquals(0, figure(looked, seed, new Fault.PreLoad(Fault.Rod.PEDAL_ROD, 5)));
            assertEquals(0, figure(looked, seed, new Fault.PistonSticking(2_000, 1)), "nothing ties it to the pedal");
            assertEquals(1, figure(looked, seed, new Fault.PreLoad(Fault.Rod.PEDAL_STOP, 5)));
        }
    }

    /** A valve body that hangs pushes with the reserve it has: with none the wheels are free. */
    @Test
    void aHangingValveBodyDragsOnlyOnAReserve() {
        Fault hangs = new Fault.AssistSticking(1_000);
        for (int seed = 1; seed < VEHICLES; seed++) {
            double kept = figure(dragged(new Act.StartEngine()), seed, hangs);
            double spent = figure(dragged(), seed, hangs);
            assertTrue(kept > 2 * spent, kept + " Nm on its reserve, " + spent + " Nm without");
        }
    }

    private static Protocol dragged(Act... first) {
        return Protocol.whole()
                .then(first)
                .then(new Act.Press(200), new Act.Hold(2), new Act.Release(20), new Act.Sample(Sensed.WORST_DRAG_NM))
                .done();
    }

    private static double figure(Protocol protocol, long seed, Fault fault) {
        return SecondWorldVehicle.of(TARN, List.of(fault), seed).figures(protocol, true, new SplittableRandom(seed))[0];
    }

    /** The classic sign of air: the pedal comes up stroke by stroke. */
    @Test
    void airPumpsUp() {
        Fault air = new Fault.TrappedAir("front-left", TARN.chamberOf("front-left"), 4);
        Fault more = new Fault.TrappedAir("front-right", TARN.chamberOf("front-right"), 4);
        double rise = 0;
        for (int seed = 1; seed < VEHICLES; seed++) {
            double[] strokes = read(TARN, "pump-up", seed, List.of(air, more));
            rise += (strokes[0] - strokes[2]) / (VEHICLES - 1);
        }
        double soundRise = sound("pump-up", 0) - sound("pump-up", 2);
        assertTrue(rise > soundRise + 1.5, "rises " + rise + " with air and " + soundRise + " without");
    }

    private static double[] once(Layout layout, Procedure test, List<Fault> faults) {
        double[] figures =
                SecondWorldVehicle.of(layout, faults, 5).figures(test.protocol(), true, new SplittableRandom(1));
        assertTrue(
                Arrays.stream(figures).allMatch(Double::isFinite),
                layout.id() + " " + test.id() + " " + faults + ": " + Arrays.toString(figures));
        return test.predicted(figures);
    }

    /** Places of tests, those that look at a suspect itself before all others. */
    private static IntStream likeliestFirst(List<Procedure> tests, Suspect suspect) {
        return IntStream.range(0, tests.size())
                .boxed()
                .sorted(Comparator.comparing(t -> !tests.get(t).observes().contains(suspect.id())))
                .mapToInt(Integer::intValue);
    }

    @Test
    void everyFigureOfEveryTestIsANumberWhateverTheFault() {
        Layout layout = Presets.layout("corvane-flatbed");
        List<Procedure> tests = ProcedureCatalogue.of(layout).all();
        List<Suspect> suspects = SuspectCatalogue.of(layout);
        for (int s = 0; s < suspects.size(); s++) {
            List<Fault> faults = suspects.get(s).physics().at(0.99, layout, new SplittableRandom(3));
            for (int t = s % EVERY_THIRD; t < tests.size(); t += EVERY_THIRD) {
                once(layout, tests.get(t), faults);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void everyFaultShowsInATest(Layout layout) {
        List<Procedure> tests = ProcedureCatalogue.of(layout).all();
        List<double[]> sound =
                tests.stream().map(test -> once(layout, test, List.of())).toList();
        Set<String> hidden = new TreeSet<>();
        for (Suspect suspect : SuspectCatalogue.of(layout)) {
            List<Fault> faults = suspect.physics().at(0.99, layout, new SplittableRandom(3));
            boolean shown = likeliestFirst(tests, suspect).anyMatch(t -> {
                double[] faulty = once(layout, tests.get(t), faults);
                return IntStream.range(0, faulty.length)
                        .anyMatch(k -> Math.abs(faulty[k] - sound.get(t)[k])
                                > tests.get(t).tellableDifference(k) / 2);
            });
            if (!shown && !faults.isEmpty()) {
                hidden.add(suspect.id());
            }
        }
        assertEquals(Set.of(), hidden, layout.id());
    }
}
