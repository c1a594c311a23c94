package overturn.simulation;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import overturn.circuit.Component;
import overturn.circuit.CutSet;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.circuit.Presets;
import overturn.procedure.ProcedureCatalogue;
import overturn.simulation.Act.Hold;
import overturn.simulation.Act.Mark;
import overturn.simulation.Act.Press;
import overturn.simulation.Act.Sample;
import overturn.simulation.Act.Sensed;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** What must hold for any vehicle, any fault, any force. */
class PhysicsPropertyTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final Simulator SIMULATOR = Simulator.of(TARN);
    private static final List<Suspect> SUSPECTS = SuspectCatalogue.of(TARN);

    private static VehicleUnknowns vehicle(long seed) {
        return VehicleUnknowns.draw(new SplittableRandom(seed));
    }

    private static List<Fault> faults(int suspect, double severity, long seed) {
        return SUSPECTS.get(suspect % SUSPECTS.size()).physics().at(severity, TARN, new SplittableRandom(seed));
    }

    private static double[] press(Simulator simulator, double forceN, CutSet cuts, VehicleUnknowns vehicle, List<Fault> faults) {
        return simulator.run(Protocol.cut(cuts).then(new Press(forceN), new Sample(Sensed.PRESSURE_BAR), new Sample(Sensed.TRAVEL_MM)).done(),
                vehicle, faults);
    }

    @Property
    void moreForceNeverGivesLessPressureOrLessTravel(@ForAll long seed, @ForAll @IntRange(max = 13) int suspect,
            @ForAll @DoubleRange(min = 0, max = 600) double forceN, @ForAll @DoubleRange(min = 0, max = 200) double moreN) {
        List<Fault> faults = faults(suspect, 0.5, seed);
        double[] less = press(SIMULATOR, forceN, CutSet.NONE, vehicle(seed), faults);
        double[] more = press(SIMULATOR, forceN + moreN, CutSet.NONE, vehicle(seed), faults);
        assertTrue(more[0] >= less[0] && more[1] >= less[1] - 1e-9);
    }

    @Property
    void pluggingAJointNeverAddsTravel(@ForAll long seed, @ForAll @IntRange(max = 13) int suspect, @ForAll @IntRange(max = 15) int joint,
            @ForAll @DoubleRange(min = 0, max = 600) double forceN) {
        List<Fault> faults = faults(suspect, 0.5, seed);
        String cut = TARN.joints().get(joint % TARN.joints().size()).id();
        double whole = press(SIMULATOR, forceN, CutSet.NONE, vehicle(seed), faults)[1];
        assertTrue(press(SIMULATOR, forceN, CutSet.of(cut), vehicle(seed), faults)[1] <= whole + 1e-9, cut);
    }

    @Property
    void aLargerBoreNeverGivesLongerTravelAtTheSameForceInASoundCircuit(@ForAll long seed,
            @ForAll @DoubleRange(min = 100, max = 500) double forceN) {
        double small = press(Simulator.of(withBore(22.2)), forceN, CutSet.NONE, vehicle(seed), List.of())[1];
        double large = press(Simulator.of(withBore(25.4)), forceN, CutSet.NONE, vehicle(seed), List.of())[1];
        assertTrue(large <= small + 1e-9);
    }

    private static Layout withBore(double boreMm) {
        List<Component> parts = new ArrayList<>();
        for (Component part : TARN.components()) {
            parts.add(part instanceof Component.TandemMaster m ? new Component.TandemMaster(m.id(), boreMm, m.primaryStrokeMm(),
                    m.secondaryStrokeMm(), m.portTravelMm(), m.springsN()) : part);
        }
        return new Layout("other-bore", TARN.family(), parts, TARN.joints());
    }

    @Property
    void timeOnlyLetsThePedalDown(@ForAll long seed, @ForAll @IntRange(max = 13) int suspect, @ForAll @IntRange(min = 1, max = 120) int seconds) {
        double sink = SIMULATOR.run(Protocol.whole().then(new Press(300), new Mark(), new Hold(seconds), new Sample(Sensed.SINK_MM)).done(),
                vehicle(seed), faults(suspect, 0.7, seed))[0];
        assertTrue(sink >= 0 && sink < 120);
    }

    @Property
    void byPassNeverLosesFluidFromTheSystem(@ForAll long seed, @ForAll @DoubleRange(min = 0.05, max = 0.95) double severity,
            @ForAll @IntRange(min = 1, max = 3) int cup) {
        List<Fault> faults = faults(cup, severity, seed);
        double[] levels = SIMULATOR.run(Protocol.whole().then(new Mark(), new Press(300), new Hold(60), new Act.Release(30),
                new Sample(Sensed.PRIMARY_LEVEL_MM), new Sample(Sensed.SECONDARY_LEVEL_MM)).done(), vehicle(seed), faults);
        assertEquals(0, levels[0] + levels[1], 1e-9, "what one side loses the other gains");
    }

    @Property
    void whatSinksThePedalPastACupStandsInTheReservoir(@ForAll long seed, @ForAll @DoubleRange(min = 0.05, max = 0.95) double severity) {
        List<Fault> faults = faults(1, severity, seed);
        VehicleUnknowns vehicle = vehicle(seed);
        Protocol minute = Protocol.whole().then(new Press(300), new Mark(), new Hold(60), new Sample(Sensed.SINK_MM),
                new Sample(Sensed.PRIMARY_LEVEL_MM)).done();
        double[] faulty = SIMULATOR.run(minute, vehicle, faults);
        double[] sound = SIMULATOR.run(minute, vehicle, List.of());
        double sunkMl = (faulty[0] - sound[0]) / 4 * TARN.only(Component.TandemMaster.class).areaMm2() / 1000;
        double risenMl = faulty[1] * 3000 * vehicle.levelArea() / 1000;
        assertEquals(sunkMl, risenMl, 0.001 + 0.001 * sunkMl + (faulty[0] > 40 ? 1 : 0.05));
    }

    @Property
    void fasterLeaksSinkFurther(@ForAll long seed, @ForAll @DoubleRange(min = 0.1, max = 10) double mlPerMin) {
        double[] some = minute(seed, new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, mlPerMin, 0.3, 0, 30));
        double[] more = minute(seed, new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 2 * mlPerMin, 0.3, 0, 30));
        double[] vanishing = minute(seed, new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 1e-9, 0.3, 0, 30));
        assertTrue(more[0] >= some[0]);
        assertEquals(minute(seed)[0], vanishing[0], 1e-6, "no severity is no fault");
    }

    private static double[] minute(long seed, Fault... faults) {
        return SIMULATOR.run(Protocol.whole().hold(300, Sensed.TRAVEL_MM, 60).done(), vehicle(seed), List.of(faults));
    }

    @Property(tries = 50)
    void everySuspectChangesWhatAtLeastOneTestReads(@ForAll @IntRange(min = 1, max = 13) int suspect, @ForAll long seed) {
        List<Fault> faults = faults(suspect, 0.5, seed);
        boolean seen = ProcedureCatalogue.of(TARN).all().stream().anyMatch(p -> {
            double[] sound = SIMULATOR.run(p.protocol(), VehicleUnknowns.NOMINAL, List.of());
            double[] faulty = SIMULATOR.run(p.protocol(), VehicleUnknowns.NOMINAL, faults);
            return java.util.stream.IntStream.range(0, sound.length).anyMatch(k -> Math.abs(sound[k] - faulty[k]) > 0.5);
        });
        assertTrue(seen, SUSPECTS.get(suspect).id());
    }

    @Property(tries = 50)
    void leftAndRightAreMirrored(@ForAll long seed) {
        double[] left = everything(new Fault.TrappedAir("rear-left", overturn.circuit.Chamber.SECONDARY, 2), seed, "left");
        double[] right = everything(new Fault.TrappedAir("rear-right", overturn.circuit.Chamber.SECONDARY, 2), seed, "right");
        assertArrayEquals(left, right, 1e-9);
    }

    private static double[] everything(Fault fault, long seed, String side) {
        String cut = TARN.joints().stream().map(Joint::id).filter(id -> id.equals("rear-" + side + "-hose-inlet")).findFirst().orElseThrow();
        double[] whole = press(SIMULATOR, 250, CutSet.NONE, vehicle(seed), List.of(fault));
        double[] clamped = press(SIMULATOR, 250, CutSet.of(cut), vehicle(seed), List.of(fault));
        return new double[] {whole[0], whole[1], clamped[0], clamped[1]};
    }
}
