package overturn.procedure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.simulation.Act.Hold;
import overturn.simulation.Act.LetOut;
import overturn.simulation.Act.Mark;
import overturn.simulation.Act.Press;
import overturn.simulation.Act.Recut;
import overturn.simulation.Act.Release;
import overturn.simulation.Act.Sample;
import overturn.simulation.Act.Sensed;
import overturn.simulation.Protocol;

/** Tests that take part of the circuit out, and instruments that look at one component. */
final class IsolationTests {

    private static final List<Integer> SWEEP_MM = List.of(0, 3, 6, 9, 12);
    private static final int SWEEP_HOLD_SECONDS = 20;

    private final Layout layout;
    private final PressForces forces;

    IsolationTests(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        return List.of(vacuumTee(), reservoirWatch(), hosesClamped(), portPlugs(), outletPlugs());
    }

    private Procedure vacuumTee() {
        Protocol protocol = Protocol.whole().then(new Sample(Sensed.SUPPLY_KPA)).done();
        return new Procedure("vacuum-tee", protocol, new ReadingSpec.Series(List.of(Figures.supply("idle")), 1), Optional.empty(),
                Nature.OBSERVING, Set.of("low-assist-supply"), VehicleNeeds.BONNET, 6, RigKind.VACUUM_GAUGE, false,
                List.of(Step.of("tee").fits("vacuum-tee"), Step.of("idle").caution("running-engine").timed(30).reads("idle")));
    }

    private Procedure reservoirWatch() {
        Protocol protocol = Protocol.whole().then(new Press(forces.mediumN()), new Hold(5), new Mark(), new Hold(60),
                new Sample(Sensed.PRIMARY_LEVEL_MM), new Sample(Sensed.SECONDARY_LEVEL_MM)).done();
        return new Procedure("reservoir-watch", protocol,
                Figures.differences(Figures.level("primary-rise"), Figures.level("secondary-rise")), Optional.empty(),
                Nature.INDICATING, Set.of(), VehicleNeeds.BONNET, 4, RigKind.LEVEL_TAPE, false,
                List.of(Step.of("tape").caution("face-shield"), Step.of("hold").timed(60).reads("primary-rise", "secondary-rise")));
    }

    /** All hoses clamped, hold; then one opened at a time: millimetres gained per corner name the corner. */
    private Procedure hosesClamped() {
        List<Joint> clamps = layout.joints().stream().filter(j -> j.cuts().contains(Joint.CutKind.CLAMP)).toList();
        Set<String> all = new TreeSet<>();
        clamps.forEach(joint -> all.add(joint.id()));
        CutSet cuts = new CutSet(all);
        Protocol.Script script = Protocol.cut(cuts).then(new Press(forces.mediumN()), new Hold(5), new Sample(Sensed.TRAVEL_MM),
                new Hold(25), new Sample(Sensed.TRAVEL_MM));
        List<Figure> figures = new ArrayList<>(List.of(Figures.travel("clamped-5"), Figures.travel("clamped-30")));
        List<String> items = new ArrayList<>();
        List<Step> opening = new ArrayList<>();
        for (Joint clamp : clamps) {
            String corner = layout.beyond(clamp.id()).stream().min(String::compareTo).orElseThrow();
            cuts = cuts.without(clamp.id());
            script.then(new Release(10), new Recut(cuts), new Press(forces.mediumN()), new Hold(5), new Sample(Sensed.TRAVEL_MM));
            figures.add(Figures.travel(corner));
            items.add("clamp-" + corner);
            opening.add(Step.of(corner).reads(corner));
        }
        List<Step> steps = new ArrayList<>(List.of(Step.of("clamp").caution("clamps").fits(items.toArray(String[]::new)),
                Step.of("spend"), Step.of("hold").timed(30).reads("clamped-5", "clamped-30")));
        steps.addAll(opening);
        VehicleNeeds raised = new VehicleNeeds(false, true, false, Opened.NOTHING);
        return new Procedure("hoses-clamped", script.done(), new ReadingSpec.Series(figures, Figures.DATUM_SD_MM), Optional.empty(),
                Nature.ISOLATING, Set.of(), raised, 12, RigKind.CLAMPS, false, steps);
    }

    /** Plugs in the master ports; fluid let out at the secondary plug carries both pistons, and so every cup, along the bore. */
    private Procedure portPlugs() {
        Protocol.Script script = Protocol.cut(CutSet.of("front-port", "rear-port"))
                .then(new Press(forces.mediumN()), new Hold(5), new Sample(Sensed.TRAVEL_MM));
        List<Figure> figures = new ArrayList<>(List.of(Figures.travel("travel")));
        List<Step> steps = new ArrayList<>(List.of(
                Step.of("plug").caution("open-circuit").fits("plug-front-port", "plug-rear-port"),
                Step.of("prove-dry").caution("pressure"), Step.of("press").reads("travel")));
        for (int depthMm : SWEEP_MM) {
            String id = "sink-" + depthMm;
            script.then(new LetOut(Chamber.SECONDARY, depthMm), new Mark(), new Hold(SWEEP_HOLD_SECONDS), new Sample(Sensed.SINK_MM));
            figures.add(Figures.sink(id));
            steps.add(Step.of(id).timed(SWEEP_HOLD_SECONDS).reads(id));
        }
        return new Procedure("port-plugs", script.done(), new ReadingSpec.Series(figures, 0), Optional.empty(), Nature.ISOLATING,
                Set.of(), VehicleNeeds.openedAt(Opened.MASTER_PORTS), 22, RigKind.PORT_PLUGS, false, steps);
    }

    private Procedure outletPlugs() {
        Set<String> outlets = new TreeSet<>();
        layout.joints().stream().filter(j -> j.from().equals("modulator")).forEach(j -> outlets.add(j.id()));
        Protocol protocol = Protocol.cut(new CutSet(outlets)).hold(forces.mediumN(), Sensed.TRAVEL_MM, 5, 15, 30, 60).done();
        return new Procedure("outlet-plugs", protocol, Figures.hold(5, 15, 30, 60), Optional.empty(), Nature.ISOLATING, Set.of(),
                VehicleNeeds.openedAt(Opened.MODULATOR_OUTLETS), 27, RigKind.OUTLET_PLUGS, false,
                List.of(Step.of("plug").caution("open-circuit").fits("plugs-modulator-outlets"), Step.of("prove-dry").caution("pressure"),
                        Step.of("hold").timed(60).reads("at-5", "at-15", "at-30", "at-60"), Step.of("release")));
    }
}
