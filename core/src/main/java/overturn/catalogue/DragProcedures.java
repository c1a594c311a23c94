package overturn.catalogue;

import static overturn.procedure.ObservationTable.normalised;
import static overturn.procedure.ObservationTable.seen;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import overturn.circuit.Component.Hose;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.measurement.ReadingSpec;
import overturn.procedure.ObservationTable;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.protocol.Act.Heat;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Recut;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Act.StopEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;

/** Tests of what drags, from the wheel inwards and from the pedal outwards; none where nothing turns. */
final class DragProcedures {

    /** Warmth of the fluid after a morning of driving, °C; estimate. */
    private static final double MORNING_C = 60;
    /** Time in which fluid that was trapped has run back once its way is free, s; estimate. */
    private static final int RUNS_BACK_SECONDS = 20;
    /** From the pedal to the wheel: what frees by itself, behind a narrow hose, has freed meanwhile, s; estimate. */
    private static final int TO_THE_WHEEL_SECONDS = 60;

    private final Layout layout;
    private final PressForces forces;
    private final List<String> wheels;
    private final boolean assisted;

    DragProcedures(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
        this.assisted = layout.assist().isPresent();
        this.wheels = layout.ends().stream()
                .filter(e -> !(e instanceof End.Slave))
                .map(End::id)
                .toList();
    }

    List<Procedure> all() {
        if (wheels.isEmpty()) {
            return List.of();
        }
        List<Procedure> all = new ArrayList<>(List.of(wheelDrag(), wheelTemperatures(), endsByHand(), bleedFlow()));
        if (!layout.family().lever()) {
            all.add(rollOnSlope());
            all.add(spunAfterRun());
        }
        all.add(freedBy("toe-lift", CutSet.by(Isolation.PEDAL_LIFTED), 2).steps(steps("lift")));
        all.add(freedBy("half-turn-back", CutSet.by(Isolation.ROD_TURNED_BACK), 4)
                .steps(
                        made(),
                        Step.of("before").timed(TO_THE_WHEEL_SECONDS).reads("before"),
                        Step.of("turn").caution(handsAtRod()).fits("rod-turned-back"),
                        Step.of("after").timed(RUNS_BACK_SECONDS).reads("after")));
        if (assisted) {
            all.add(dragWithEngine());
            all.add(freedBy("vent-supply", CutSet.by(Isolation.SUPPLY_VENTED), 2)
                    .needs(VehicleNeeds.RAISED)
                    .steps(steps("vent")));
        }
        all.add(freedBy("loosen-master", CutSet.by(Isolation.MASTER_LOOSE), 8)
                .needs(new VehicleNeeds(true, true, false, VehicleNeeds.Opened.NOTHING))
                .steps(
                        made(),
                        Step.of("before").timed(TO_THE_WHEEL_SECONDS).reads("before"),
                        Step.of("loosen").caution(handsAtRod()).fits("master-loose"),
                        Step.of("after").timed(RUNS_BACK_SECONDS).reads("after")));
        all.add(freedBy("crack-master-port", opened(ports()), 5)
                .needs(new VehicleNeeds(true, true, false, VehicleNeeds.Opened.MASTER_PORTS))
                .steps(cracked("open-circuit", "master-port-cracked")));
        Set<String> hoses =
                joints(j -> layout.component(j.to()) instanceof Hose && layout.component(j.from()) != layout.master());
        if (!hoses.isEmpty()) {
            all.add(freedBy("crack-hose-inlet", opened(hoses), 5)
                    .needs(VehicleNeeds.openedAtEnd())
                    .steps(cracked("pressure", "hose-cracked")));
        }
        all.add(freedBy("crack-end-screw", opened(joints(j -> layout.component(j.to()) instanceof End)), 3)
                .needs(VehicleNeeds.RAISED)
                .steps(cracked("screw", "screw-cracked")));
        return all;
    }

    private Set<String> ports() {
        return joints(j -> j.from().equals(layout.master().id()));
    }

    private Set<String> joints(java.util.function.Predicate<Joint> which) {
        Set<String> ids = new TreeSet<>();
        layout.joints().stream().filter(which).forEach(j -> ids.add(j.id()));
        return ids;
    }

    private static CutSet opened(Set<String> joints) {
        return new CutSet(Set.of(), joints, Set.of());
    }

    /** The whole vehicle with its engine running where that is what an assist lives on. */
    private Protocol.Script supplied() {
        Protocol.Script script = Protocol.whole();
        return assisted ? script.then(new StartEngine()) : script;
    }

    /** The engine stopped and nothing pressed since, so that hands are safe at the wheels and the reserve stays. */
    private Protocol.Script stopped(Protocol.Script script) {
        return assisted ? script.then(new StopEngine()) : script;
    }

    /** The drag made anew: three stops and the warmth of a morning's round. */
    private Protocol.Script driven(Protocol.Script script) {
        for (int stop = 0; stop < 3; stop++) {
            script.then(new Press(forces.mediumN()), new Hold(2), new Release(1));
        }
        return script.then(new Heat(MORNING_C), new Release(10));
    }

    private TestDraft freedBy(String id, CutSet cuts, double minutes) {
        Protocol.Script script = stopped(driven(supplied()))
                .then(
                        new Release(TO_THE_WHEEL_SECONDS),
                        new Sample(Sensed.WORST_DRAG_NM),
                        new Recut(cuts),
                        new Release(RUNS_BACK_SECONDS),
                        new Sample(Sensed.WORST_DRAG_NM));
        return TestDraft.of(id, script)
                .reads(Figures.torque("before"), Figures.torque("after"))
                .isolates()
                .needs(VehicleNeeds.RAISED)
                .minutes(minutes + 3)
                .rig(RigKind.HANDS_ON_WHEEL);
    }

    /** The drag made anew as on the road; an assist keeps its reserve, since what sticks in it needs one to hold on. */
    private Step made() {
        return assisted ? Step.of("make-with-reserve").caution("running-engine") : Step.of("make");
    }

    /** An assist that is to keep its reserve would push with it. */
    private String handsAtRod() {
        return assisted ? "reserve-kept" : "nobody-at-pedal";
    }

    private List<Step> steps(String act) {
        return List.of(
                made(),
                Step.of("before").timed(TO_THE_WHEEL_SECONDS).reads("before"),
                Step.of(act),
                Step.of("after").timed(RUNS_BACK_SECONDS).reads("after"));
    }

    private List<Step> cracked(String caution, String fitting) {
        return List.of(
                made(),
                Step.of("before").timed(TO_THE_WHEEL_SECONDS).reads("before"),
                Step.of("crack").caution(caution).fits(fitting),
                Step.of("after").timed(RUNS_BACK_SECONDS).reads("after"));
    }

    private Procedure wheelDrag() {
        Protocol.Script script = stopped(supplied().then(new Press(forces.mediumN()), new Hold(2), new Release(5)));
        wheels.forEach(w -> script.then(Sample.at(Sensed.WHEEL_DRAG_NM, w)));
        List<Step> steps = new ArrayList<>(
                List.of(assisted ? Step.of("press-with-reserve").caution("running-engine") : Step.of("press")));
        wheels.forEach(w -> steps.add(Step.of("turn").at(w).reads(w)));
        return TestDraft.of("wheel-drag", script)
                .reads(Figures.atEach(wheels, Figures::torque))
                .needs(VehicleNeeds.RAISED)
                .minutes(5)
                .rig(RigKind.HANDS_ON_WHEEL)
                .steps(steps);
    }

    private Procedure wheelTemperatures() {
        Protocol.Script script = driven(supplied());
        wheels.forEach(w -> script.then(Sample.at(Sensed.WHEEL_C, w)));
        List<Step> steps = new ArrayList<>(List.of(Step.of("drive").caution("quiet-road")));
        wheels.forEach(w -> steps.add(Step.of("wheel").at(w).reads(w)));
        return TestDraft.of("wheel-temperatures", script)
                .reads(new ReadingSpec.Series(
                        wheels.stream().map(Figures::temperature).toList(), 8))
                .minutes(15)
                .rig(RigKind.THERMOMETER)
                .steps(steps);
    }

    /**
     * Where the vehicle must not be driven: run in gear on its stands, braked and warmed so, and spun before and after.
     */
    private Procedure spunAfterRun() {
        Protocol.Script script = Protocol.whole().then(new Sample(Sensed.WORST_DRAG_NM));
        if (assisted) {
            script.then(new StartEngine());
        }
        stopped(driven(script)).then(new Release(TO_THE_WHEEL_SECONDS), new Sample(Sensed.WORST_DRAG_NM));
        return TestDraft.of("spun-after-run", script)
                .reads(Figures.torque("before"), Figures.torque("after"))
                .needs(VehicleNeeds.RAISED)
                .minutes(11)
                .rig(RigKind.HANDS_ON_WHEEL)
                .steps(
                        Step.of("before").reads("before"),
                        Step.of("run").caution("running-on-stands"),
                        Step.of("spin").timed(TO_THE_WHEEL_SECONDS).reads("after"));
    }

    /** No tools: a slope so slight that a free vehicle just rolls. */
    private Procedure rollOnSlope() {
        Protocol.Script script = driven(supplied()).then(new Sample(Sensed.WORST_DRAG_NM));
        return TestDraft.of("roll-on-slope", script)
                .sees(List.of("rolls", "hangs-back", "stays"), drag -> {
                    double hangs = ObservationTable.ramp(drag[0], 8, 30);
                    double stays = ObservationTable.ramp(drag[0], 25, 90);
                    return normalised(0.04 + (1 - hangs), 0.06 + hangs * (1 - stays), 0.01 + stays);
                })
                .minutes(6)
                .steps(Step.of("slope").caution("quiet-road"), Step.of("let-roll"));
    }

    /** Whether it drags only while the engine runs: assist, or a pedal-side preload it amplifies. */
    private Procedure dragWithEngine() {
        Protocol.Script script = driven(Protocol.whole())
                .then(
                        new Sample(Sensed.WORST_DRAG_NM),
                        new StartEngine(),
                        new Release(10),
                        new Sample(Sensed.WORST_DRAG_NM));
        return TestDraft.of("drag-with-engine", script)
                .reads(Figures.torque("spent"), Figures.torque("running"))
                .isolates()
                .needs(VehicleNeeds.RAISED)
                .minutes(4)
                .rig(RigKind.HANDS_ON_WHEEL)
                .steps(
                        Step.of("make"),
                        Step.of("spent").reads("spent"),
                        Step.of("start").caution("running-engine").reads("running"));
    }

    /**
     * Something that a hand feels at an end.
     *
     * @param falsely how often it is said where there is nothing
     * @param half amount that is felt by half
     */
    private record Felt(String option, Sensed sensed, double falsely, double mostFelt, double half) {

        double weight(double amount) {
            return falsely + mostFelt * seen(amount, half);
        }
    }

    /** What there is to feel on this layout: no slides at drums, no twin of a single end. */
    private List<Felt> feelable() {
        boolean discs = !layout.all(End.DiscEnd.class).isEmpty();
        List<End.DrumEnd> drums = layout.all(End.DrumEnd.class);
        List<Felt> all = new ArrayList<>(List.of(new Felt("piston-binds", Sensed.PISTON_BINDS_NM, 0.01, 0.95, 2)));
        if (discs) {
            all.add(new Felt("slides-bind", Sensed.SLIDES_BIND_NM, 0.02, 0.95, 2));
        }
        if (drums.stream().anyMatch(End.DrumEnd::parkingBrake)) {
            all.add(new Felt("cable-holds", Sensed.PARKING_BINDS_NM, 0.005, 0.93, 2));
        }
        if (!drums.isEmpty()) {
            all.add(new Felt("shoes-bind", Sensed.SHOES_BIND_NM, 0.01, 0.93, 2));
        }
        all.add(new Felt("linings-bad", Sensed.LINING_LOSS, 0.02, 0.93, 0.04));
        if (wheels.size() > 1) {
            all.add(new Felt("parts-differ", Sensed.PISTON_MISMATCH, 0.003, 0.9, 0.03));
        }
        if (discs) {
            all.add(new Felt("disc-runs-out", Sensed.PUSHED_BACK_MM, 0.01, 0.93, 0.05));
        }
        return all;
    }

    /** Wheel off, each part moved by hand: what binds is felt, whatever the pressure. */
    private Procedure endsByHand() {
        List<Felt> all = feelable();
        List<String> options = new ArrayList<>(List.of("all-free"));
        all.forEach(felt -> options.add(felt.option()));
        return TestDraft.sensing(
                        "ends-by-hand",
                        all.stream().map(felt -> new Sample(felt.sensed())).toArray(Sample[]::new))
                .sees(options, found -> {
                    double[] weights = new double[found.length + 1];
                    double most = 0;
                    for (int i = 0; i < found.length; i++) {
                        weights[i + 1] = all.get(i).weight(found[i]);
                        most = Math.max(most, weights[i + 1]);
                    }
                    weights[0] = Math.max(0.02, 1 - most);
                    return normalised(weights);
                })
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(14)
                .observes(
                        "piston-seized",
                        "seal-groove-corroded",
                        "slides-seized",
                        "parking-brake-holding",
                        "shoes-too-tight",
                        "linings-bad",
                        "wrong-piston",
                        "pad-pushed-back")
                .steps(endSteps());
    }

    private List<Step> endSteps() {
        List<Step> steps = new ArrayList<>(List.of(Step.of("wheel").caution("lining-dust"), Step.of("pistons")));
        steps.addAll(List.of(Step.of("slides"), Step.of("linings")));
        if (wheels.size() > 1) {
            steps.add(Step.of("compare"));
        }
        return steps;
    }

    /** One screw after the other, the same slow stroke into a cup: the weak one has a restriction before it. */
    private Procedure bleedFlow() {
        Protocol.Script script = Protocol.whole();
        wheels.forEach(w -> script.then(Sample.at(Sensed.SCREW_ML, w)));
        List<Step> steps = new ArrayList<>(List.of(Step.of("hose-on").caution("screw")));
        wheels.forEach(w -> steps.add(Step.of("stroke").at(w).reads(w)));
        return TestDraft.of("bleed-flow", script)
                .reads(Figures.atEach(wheels, Figures::caught))
                .needs(VehicleNeeds.RAISED)
                .minutes(12)
                .rig(RigKind.BLEED_HOSE)
                .observes("hose-restricted", "pipe-kinked")
                .steps(steps);
    }
}
