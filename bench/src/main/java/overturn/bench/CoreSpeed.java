package overturn.bench;

import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.layoutfile.Presets;
import overturn.planning.Workshop;
import overturn.practice.HiddenVehicle;
import overturn.practice.PlanFollower;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleNeeds;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.verdict.Assessment;

/** The core's own work: one predicted reading, all predictions of a layout, one assessment with its plan. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class CoreSpeed {

    private LayoutModel model;
    private Procedure hold;
    private Procedure clamps;
    private List<Fault> cup;
    private List<Reading> readings;

    /** A sinking van with all its readings taken. */
    @Setup
    public void diagnose() {
        model = LayoutModel.of(Presets.TARN_BOX_VAN);
        model.warmUp();
        hold = model.procedures().find("hold-medium").orElseThrow();
        clamps = model.procedures().find("hoses-clamped").orElseThrow();
        cup = List.of(new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 3, 0.2, 0, 10));
        SplittableRandom random = new SplittableRandom(12);
        HiddenVehicle vehicle = HiddenVehicle.of(model.simulator(), VehicleUnknowns.draw(random), cup, 1);
        readings = new PlanFollower(model).diagnose(vehicle, random).readings();
    }

    /** A sixty-second hold, four figures. */
    @Benchmark
    public double[] oneHold() {
        return model.simulator().run(hold.protocol(), VehicleUnknowns.NOMINAL, cup);
    }

    /** Six presses on five different circuits. */
    @Benchmark
    public double[] oneClampWalk() {
        return model.simulator().run(clamps.protocol(), VehicleUnknowns.NOMINAL, cup);
    }

    /** A layout never seen before: particles and every prediction. */
    @Benchmark
    public LayoutModel newLayout() {
        LayoutModel fresh = LayoutModel.of(Presets.TARN_BOX_VAN);
        fresh.warmUp();
        return fresh;
    }

    /** Belief, ranked plan and verdict after the last reading. */
    @Benchmark
    public Assessment assessment() {
        return Assessment.of(model, Intake.UNKNOWN, readings, VehicleNeeds.SEAT, Set.of(), Workshop.WELL_EQUIPPED);
    }
}
