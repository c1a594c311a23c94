package overturn.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.procedure.ObservationTable;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.LetOut;
import overturn.protocol.Act.Mark;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Recut;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;

/** Tests that take part of the circuit out, and instruments that look at one component. */
final class IsolationProcedures {

    private static final List<Integer> SWEEP_MM = List.of(0, 3, 6, 9, 12);
    /** Hold while one hose after the other is clamped, s; estimate. */
    private static final int SWEEP_HOLD_SECONDS = 20;
    /** Clamps of a set; estimate. */
    private static final int MOST_CLAMPS = 8;

    private final Layout layout;
    private final PressForces forces;

    IsolationProcedures(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        List<Procedure> all = new ArrayList<>(List.of(reservoirWatch(), portPlugs()));
        int clamps = layout.clamps().size();
        if (clamps > 0 && clamps <= MOST_CLAMPS) {
            all.add(hosesClamped());
        }
        if (layout.modulator().isPresent()) {
            all.add(outletPlugs());
            all.add(modulatorFuse());
        }
        if (layout.assist().isPresent()) {
            all.add(portsAtFullWeight());
        }
        if (!layout.all(DrumEnd.class).isEmpty()) {
            all.add(shoesSetClose());
        }
        if (!layout.family().clutch()) {
            layout.ends().stream()
                    .map(End::rear)
                    .distinct()
                    .forEach(rear -> all.add(axleBled(rear ? "rear-axle-bled" : "front-axle-bled", rear)));
        }
        if (layout.master().tandem()) {
            all.add(oneChamberOpen());
        }
        if (!layout.family().clutch()
                && layout.ends().stream().map(End::rear).distinct().count() > 1) {
            all.add(gaugeAtEnds());
        }
        return all;
    }

    private Procedure reservoirWatch() {
        Protocol.Script script = Protocol.whole()
                .then(
                        new Press(forces.mediumN()),
                        new Hold(5),
                        new Mark(),
                        new Hold(60),
                        new Sample(Sensed.PRIMARY_LEVEL_MM));
        List<Figure> figures = new ArrayList<>(List.of(Figures.level("primary-rise")));
        if (layout.master().tandem()) {
            script.then(new Sample(Sensed.SECONDARY_LEVEL_MM));
            figures.add(Figures.level("secondary-rise"));
        }
        return TestDraft.of("reservoir-watch", script)
                .reads(new ReadingSpec.Series(figures, 0))
                .needs(VehicleNeeds.BONNET)
                .minutes(4)
                .rig(RigKind.LEVEL_TAPE)
                .steps(
                        Step.of("tape").caution("face-shield"),
                        Step.of("hold")
                                .timed(60)
                                .reads(figures.stream().map(Figure::id).toArray(String[]::new))
                                .withHelperOrAlone());
    }

    private Set<String> joints(Predicate<Joint> which) {
        Set<String> ids = new TreeSet<>();
        layout.joints().stream().filter(which).forEach(j -> ids.add(j.id()));
        return ids;
    }

    /** All hoses clamped, hold; then one opened at a time: millimetres gained per corner name the corner. */
    private Procedure hosesClamped() {
        List<Joint> clamps = layout.clamps();
        CutSet cuts = CutSet.closing(joints(layout::canClamp));
        Protocol.Script script = Protocol.cut(cuts)
                .then(
                        new Press(forces.mediumN()),
                        new Hold(5),
                        new Sample(Sensed.TRAVEL_MM),
                        new Hold(25),
                        new Sample(Sensed.TRAVEL_MM));
        List<Figure> figures = new ArrayList<>(List.of(Figures.travel("clamped-5"), Figures.travel("clamped-30")));
        List<String> items = new ArrayList<>();
        List<Step> opening = new ArrayList<>();
        for (Joint clamp : clamps) {
            String end = layout.beyond(clamp.id()).stream()
                    .filter(id -> layout.component(id) instanceof End)
                    .findFirst()
                    .orElseThrow();
            cuts = cuts.without(clamp.id());
            script.then(
                    new Release(10),
                    new Recut(cuts),
                    new Press(forces.mediumN()),
                    new Hold(5),
                    new Sample(Sensed.TRAVEL_MM));
            figures.add(Figures.travel(end));
            items.add("clamp@" + end);
            opening.add(Step.of("open").at(end).reads(end));
        }
        List<Step> steps = new ArrayList<>(List.of(
                Step.of("clamp").caution("clamps").fits(items.toArray(String[]::new)),
                Step.of("spend"),
                Step.of("hold").timed(30).reads("clamped-5", "clamped-30")));
        steps.addAll(opening);
        return TestDraft.of("hoses-clamped", script)
                .reads(new ReadingSpec.Series(figures, Figures.DATUM_SD_MM))
                .isolates()
                .needs(VehicleNeeds.RAISED)
                .minutes(4 + 2 * clamps.size())
                .rig(RigKind.CLAMPS)
                .steps(steps);
    }

    /**
     * Plugs in the master ports; fluid let out at the last chamber's plug carries the pistons, and so every cup, along
     * the bore.
     */
    private Procedure portPlugs() {
        Set<String> ports = new TreeSet<>();
        layout.ports().forEach(j -> ports.add(j.id()));
        Chamber last = layout.master().tandem() ? Chamber.SECONDARY : Chamber.PRIMARY;
        double stroke = last == Chamber.PRIMARY
                ? layout.master().primaryStrokeMm()
                : layout.master().secondaryStrokeMm();
        Protocol.Script script = Protocol.cut(CutSet.closing(ports))
                .then(new Press(forces.mediumN()), new Hold(5), new Sample(Sensed.TRAVEL_MM));
        List<Figure> figures = new ArrayList<>(List.of(Figures.travel("travel")));
        List<Step> steps = new ArrayList<>(List.of(
                Step.of("drain").caution("fluid"),
                Step.of("pipes-off").caution("open-circuit"),
                Step.of("plug").fits(ports.stream().map(p -> "plug@" + p).toArray(String[]::new)),
                Step.of("cap"),
                Step.of("prove-dry").caution("pressure"),
                Step.of("press").reads("travel")));
        for (int depthMm : SWEEP_MM) {
            if (depthMm > 0.9 * stroke) {
                continue;
            }
            String id = "sink-" + depthMm;
            script.then(
                    new LetOut(last, depthMm), new Mark(), new Hold(SWEEP_HOLD_SECONDS), new Sample(Sensed.SINK_MM));
            figures.add(Figures.sink(id));
            Step sink = Step.of(id).timed(SWEEP_HOLD_SECONDS).reads(id).withHelper();
            steps.add(depthMm > 0 ? sink.caution("plug-under-force") : sink);
        }
        return TestDraft.of("port-plugs", script)
                .reads(new ReadingSpec.Series(figures, 0))
                .isolates()
                .needs(VehicleNeeds.openedAt(layout.family().clutch() ? Opened.CLUTCH_LINE : Opened.MASTER_PORTS))
                .minutes(layout.master().tandem() ? 22 : 15)
                .rig(RigKind.PORT_PLUGS)
                .steps(steps);
    }

    /** A lip that holds under a foot alone may turn over under the assist. */
    private Procedure portsAtFullWeight() {
        Set<String> ports = new TreeSet<>();
        layout.ports().forEach(j -> ports.add(j.id()));
        return TestDraft.of(
                        "ports-at-full-weight",
                        Protocol.cut(CutSet.closing(ports))
                                .then(
                                        new StartEngine(),
                                        new Press(forces.mediumN()),
                                        new Hold(5),
                                        new Mark(),
                                        new Hold(30),
                                        new Sample(Sensed.SINK_MM)))
                .reads(Figures.sink("sink"))
                .isolates()
                .needs(VehicleNeeds.openedAt(Opened.MASTER_PORTS))
                .minutes(23)
                .rig(RigKind.PORT_PLUGS)
                .steps(
                        Step.of("plug")
                                .caution("open-circuit")
                                .fits(ports.stream().map(p -> "plug@" + p).toArray(String[]::new)),
                        Step.of("start").caution("running-engine"),
                        Step.of("hold").timed(30).reads("sink"));
    }

    /** Travel at a medium press before and after a remedy that costs no part: what is gained was that. */
    private TestDraft tried(String id, Isolation remedy) {
        Protocol.Script script = Protocol.whole()
                .then(
                        new Press(forces.mediumN()),
                        new Hold(1),
                        new Sample(Sensed.TRAVEL_MM),
                        new Release(20),
                        new Recut(CutSet.by(remedy)),
                        new Press(forces.mediumN()),
                        new Hold(1),
                        new Sample(Sensed.TRAVEL_MM));
        return TestDraft.of(id, script)
                .reads(Figures.onOneTape(Figures.travel("before"), Figures.travel("after")))
                .isolates()
                .minutes(14)
                .rig(RigKind.FOOT_AND_TAPE);
    }

    /** Air that is bled out of an axle gives its travel back; air anywhere else stays. */
    private Procedure axleBled(String id, boolean rear) {
        List<Step> steps = new ArrayList<>(List.of(
                Step.of("press").reads("before"),
                Step.of("hose-on").caution("screw"),
                Step.of("bleed").caution("pressure").withHelperOrAlone()));
        if (layout.ends().stream().filter(e -> e.rear() == rear).count() > 1) {
            steps.add(Step.of("others"));
        }
        steps.add(Step.of("again").reads("after"));
        return tried(id, rear ? Isolation.REAR_BLED : Isolation.FRONT_BLED)
                .needs(layout.family().lever() ? VehicleNeeds.SEAT : VehicleNeeds.RAISED)
                .steps(steps);
    }

    private Procedure shoesSetClose() {
        return tried("shoes-set-close", Isolation.SHOES_SET)
                .needs(VehicleNeeds.RAISED)
                .steps(
                        Step.of("press").reads("before"),
                        Step.of("set").caution("chocks").fits("shoes-set"),
                        Step.of("again").reads("after"));
    }

    private Procedure outletPlugs() {
        Set<String> outlets =
                joints(j -> j.from().equals(layout.modulator().orElseThrow().id()));
        return TestDraft.of(
                        "outlet-plugs",
                        Protocol.cut(CutSet.closing(outlets)).hold(forces.mediumN(), Sensed.TRAVEL_MM, 5, 15, 30, 60))
                .reads(Figures.hold(5, 15, 30, 60))
                .isolates()
                .needs(VehicleNeeds.openedAt(Opened.MODULATOR_OUTLETS))
                .minutes(27)
                .rig(RigKind.OUTLET_PLUGS)
                .steps(
                        Step.of("pipes-off").caution("open-circuit"),
                        Step.of("plug").fits("plugs-modulator-outlets"),
                        Step.of("cap"),
                        Step.of("prove-dry").caution("pressure"),
                        Step.of("hold").timed(60).reads("at-5", "at-15", "at-30", "at-60"),
                        Step.of("release"));
    }

    private Procedure modulatorFuse() {
        return TestDraft.of(
                        "modulator-fuse",
                        Protocol.whole()
                                .then(
                                        new Sample(Sensed.MODULATOR_PULSE),
                                        new Recut(CutSet.by(Isolation.FUSE_OUT)),
                                        new Sample(Sensed.MODULATOR_PULSE)))
                .sees(List.of("no-pulse", "pulse-gone-with-fuse", "pulse-stays"), pulse -> {
                    double there = 0.005 + 0.98 * ObservationTable.ramp(pulse[0], 0, 0.3);
                    return ObservationTable.normalised(1 - there, there, 0.01);
                })
                .observes("modulator-acting")
                .minutes(6)
                .steps(
                        Step.of("creep").caution("quiet-road"),
                        Step.of("fuse").caution("no-rear-limit").fits("modulator-fuse-out"),
                        Step.of("again"));
    }

    /** One chamber held open to a jar: the other must still come up, with the travel of the open one lost. */
    private Procedure oneChamberOpen() {
        Protocol.Script script = Protocol.whole();
        boolean first = true;
        List<Figure> figures = new ArrayList<>();
        List<Step> steps =
                new ArrayList<>(List.of(Step.of("block").caution("old-cup").fits("pedal-block")));
        for (Chamber chamber : layout.chambers()) {
            String joint = layout.joints().stream()
                    .filter(j -> j.chamber() == chamber && layout.component(j.to()) instanceof End)
                    .findFirst()
                    .orElseThrow()
                    .id();
            CutSet open = CutSet.opening(joint);
            script = first ? Protocol.cut(open) : script.then(new Release(5), new Recut(open));
            first = false;
            script.then(
                    new Press(forces.mediumN()),
                    new Hold(2),
                    new Sample(Sensed.TRAVEL_MM),
                    new Hold(20),
                    new Sample(Sensed.TRAVEL_MM));
            String name = chamber == Chamber.PRIMARY ? "primary" : "secondary";
            figures.addAll(List.of(Figures.travel(name + "-open"), Figures.travel(name + "-held")));
            steps.add(Step.of(name).caution("screw").timed(20).reads(name + "-open", name + "-held"));
        }
        return TestDraft.of("one-chamber-open", script)
                .reads(new ReadingSpec.Series(figures, Figures.DATUM_SD_MM))
                .isolates()
                .needs(VehicleNeeds.openedAtEnd())
                .minutes(9)
                .rig(RigKind.BLEED_HOSE)
                .steps(steps);
    }

    private Procedure gaugeAtEnds() {
        List<String> ends = List.of(firstEnd(e -> !e.rear()), firstEnd(End::rear));
        Protocol.Script script = Protocol.whole().then(new Press(3 * forces.mediumN()), new Hold(2));
        ends.forEach(e -> script.then(Sample.at(Sensed.END_BAR, e)));
        return TestDraft.of("gauge-at-ends", script)
                .reads(Figures.gauge("front"), Figures.gauge("rear"))
                .needs(VehicleNeeds.openedAtEnd())
                .minutes(13)
                .rig(RigKind.PRESSURE_GAUGE)
                .observes("valve-shifted")
                .steps(
                        Step.of("front")
                                .caution("pressure")
                                .fits("pressure-gauge")
                                .reads("front"),
                        Step.of("rear").reads("rear"));
    }

    private String firstEnd(Predicate<End> which) {
        return layout.ends().stream()
                .filter(which)
                .findFirst()
                .orElse(layout.ends().get(0))
                .id();
    }
}
