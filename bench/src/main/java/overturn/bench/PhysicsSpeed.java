package overturn.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;

/** One catalogue reading of the largest preset, and how it grows with the number of components. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class PhysicsSpeed {

    /** How many times the ends of the preset stand in the layout. */
    @Param({"1", "2", "4", "8"})
    public int times;

    private Layout layout;
    private Simulator.Prepared hold;
    private Simulator.Prepared travel;
    private List<Simulator.Prepared> catalogue;
    private List<Fault> cup;
    private List<Fault> air;

    /** A Tarn with its ends multiplied, and its bore so that they can be fed. */
    @Setup
    public void build() {
        layout = multiplied(Presets.TARN_BOX_VAN, times);
        Simulator simulator = Simulator.of(layout);
        ProcedureCatalogue procedures = ProcedureCatalogue.of(layout);
        hold = simulator.prepare(procedures.find("hold-medium").orElseThrow().protocol());
        travel = simulator.prepare(
                procedures.find("travel-at-forces").orElseThrow().protocol());
        catalogue = procedures.all().stream()
                .map(p -> simulator.prepare(p.protocol()))
                .toList();
        cup = List.of(new Fault.ByPass(Fault.Cup.PRIMARY_PISTON, 3, 0.2, 0, 10));
        air = List.of(new Fault.TrappedAir("rear-left", overturn.circuit.Chamber.SECONDARY, 2));
    }

    static Layout multiplied(Layout base, int times) {
        List<Component> parts = new ArrayList<>();
        base.components()
                .forEach(c -> parts.add(
                        c instanceof Component.Master m
                                ? new Component.Master(
                                        m.id(),
                                        m.kind(),
                                        m.boreMm() * Math.sqrt(times),
                                        m.fastFillBoreMm() * Math.sqrt(times),
                                        m.primaryStrokeMm(),
                                        m.secondaryStrokeMm(),
                                        m.portTravelMm(),
                                        m.springsN(),
                                        m.residualValveBar(),
                                        m.bleedScrew())
                                : c));
        List<Joint> joints = new ArrayList<>(base.joints());
        for (int copy = 2; copy <= times; copy++) {
            for (End end : base.ends()) {
                String suffix = "-" + copy;
                List<String> own = List.of(end.id() + "-pipe", end.id() + "-hose", end.id());
                own.forEach(id -> parts.add(copied(base.component(id), id + suffix)));
                base.joints().stream()
                        .filter(j -> own.contains(j.to()))
                        .forEach(j -> joints.add(new Joint(
                                j.id() + suffix,
                                own.contains(j.from()) ? j.from() + suffix : j.from(),
                                j.to() + suffix,
                                j.chamber())));
            }
        }
        return new Layout(base.id(), base.family(), parts, joints);
    }

    private static Component copied(Component part, String id) {
        if (part instanceof Component.Pipe p) {
            return new Component.Pipe(id, p.fluidMl(), p.highLoop());
        } else if (part instanceof Component.Hose h) {
            return new Component.Hose(id, h.kind(), h.lengthM(), h.swellMlPerBarPerM());
        } else if (part instanceof End.DiscEnd d) {
            return new End.DiscEnd(
                    id,
                    d.axle(),
                    d.side(),
                    d.pistonMm(),
                    d.pistonsPerSide(),
                    d.clearancePerPadMm(),
                    d.softMlPerBar(),
                    d.firmMlPerBar(),
                    d.radiusMm());
        }
        End.DrumEnd d = (End.DrumEnd) part;
        return new End.DrumEnd(
                id,
                d.axle(),
                d.side(),
                d.cylinderMm(),
                d.clearancePerShoeMm(),
                d.softMlPerBar(),
                d.firmMlPerBar(),
                d.radiusMm(),
                d.parkingBrake());
    }

    /** A sixty-second hold past a worn cup, four figures. */
    @Benchmark
    public double[] holdPastACup() {
        return hold.run(VehicleUnknowns.NOMINAL, cup);
    }

    /** Travel at four forces with air. */
    @Benchmark
    public double[] travelWithAir() {
        return travel.run(VehicleUnknowns.NOMINAL, air);
    }

    /** Every test of the catalogue once; divide by their number (58 at 1×) for the mean reading. */
    @Benchmark
    public double wholeCatalogueOnce() {
        double sum = 0;
        for (Simulator.Prepared one : catalogue) {
            sum += one.run(VehicleUnknowns.NOMINAL, cup)[0];
        }
        return sum;
    }
}
