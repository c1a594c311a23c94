package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import overturn.calculation.Result.Curve;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Point;
import overturn.circuit.Assist;
import overturn.circuit.Assist.VacuumAssist;
import overturn.circuit.Layout;
import overturn.circuit.LayoutVariant;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.quantity.Dimension;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/** Calculator 7: what a sound vacuum assist of these figures does. */
final class AssistFigures {

    /** 1 N/mm² is 10 bar; definition. */
    private static final double BAR_PER_N_MM2 = 10;
    /** A working press, N; estimate (docs/trade-figures.md). */
    private static final double FOOT_N = 150;
    /** Strokes that are drawn; chosen. */
    private static final int STROKES = 6;
    /** Share of the supply from which on a stored stroke still helps; estimate. */
    private static final double HELPS_SHARE = 0.25;

    private AssistFigures() {}

    static Calculator assist() {
        return Calculator.of("assist", AssistFigures::fields, AssistFigures::result)
                .onlyFor(family -> family == overturn.circuit.Family.VACUUM_BRAKE)
                .says("two-different-forces-needed", "supply-low");
    }

    private static Optional<VacuumAssist> fitted(Layout layout) {
        return layout.assist().filter(VacuumAssist.class::isInstance).map(VacuumAssist.class::cast);
    }

    private static List<Field> fields(Layout layout) {
        Optional<VacuumAssist> fitted = fitted(layout);
        return List.of(
                Field.of(
                        "area",
                        Dimension.AREA,
                        8_000,
                        90_000,
                        fitted.map(VacuumAssist::effectiveAreaMm2).orElse(35_500.0),
                        0.03),
                Field.of(
                        "gain",
                        Dimension.RATIO,
                        1.5,
                        12,
                        fitted.map(Assist::gain).orElse(5.0),
                        0.15),
                Field.of(
                        "supply",
                        Dimension.DEPRESSION,
                        10,
                        98,
                        fitted.map(VacuumAssist::supplyKpa).orElse(65.0),
                        0.03),
                new Field("altitude", Dimension.LENGTH, 0, 5_000_000, 0, 0, true),
                Field.of("foot", Dimension.FORCE, 20, 1000, FOOT_N, 0.04),
                Field.optional("rod-force-1", Dimension.FORCE, 0, 5000, 0.04),
                Field.optional("output-1", Dimension.FORCE, 0, 20_000, 0.04),
                Field.optional("rod-force-2", Dimension.FORCE, 0, 5000, 0.04),
                Field.optional("output-2", Dimension.FORCE, 0, 20_000, 0.04));
    }

    private static Result result(Inputs in, Layout base) {
        double metres = in.get("altitude") / 1000;
        Layout layout = LayoutVariant.withAssist(base, in.get("area"), in.get("gain"), in.get("supply"));
        Simulator simulator = Simulator.of(layout);
        VehicleUnknowns vehicle = VehicleUnknowns.NOMINAL.atAltitude(metres);
        double foot = in.get("foot");
        double[] start = simulator.run(
                Protocol.whole()
                        .then(
                                new Act.Press(foot),
                                new Act.Hold(2),
                                new Act.Mark(),
                                new Act.StartEngine(),
                                new Act.Hold(3),
                                new Act.Sample(Sensed.SINK_MM),
                                new Act.Sample(Sensed.PRESSURE_BAR),
                                new Act.Sample(Sensed.SUPPLY))
                        .done(),
                vehicle,
                List.of());
        double[] stop = simulator.run(
                Protocol.whole()
                        .then(
                                new Act.StartEngine(),
                                new Act.Release(30),
                                new Act.Press(foot),
                                new Act.Hold(5),
                                new Act.StopEngine(),
                                new Act.Mark(),
                                new Act.Hold(30),
                                new Act.Sample(Sensed.SINK_MM))
                        .done(),
                vehicle,
                List.of());
        double supply = start[2];
        double full = supply * in.get("area") / 1000;
        double ratio = base.input().ratioAtRest();
        VacuumAssist assist = fitted(layout).orElseThrow();
        double runOutRodN = assist.thresholdN() + Math.max(0, full - assist.jumpInN()) / (in.get("gain") - 1);
        double runOutBar = BAR_PER_N_MM2
                * Math.max(0, runOutRodN + full - layout.master().springsN())
                / layout.master().areaMm2();
        List<Output> outputs = new ArrayList<>(List.of(
                Output.of("supply-here", Dimension.DEPRESSION, supply),
                Output.of("full-force", Dimension.FORCE, full),
                Output.of("run-out-foot", Dimension.FORCE, runOutRodN / ratio),
                Output.of("run-out-pressure", Dimension.PRESSURE, runOutBar),
                Output.of("pressure", Dimension.PRESSURE, start[1]),
                Output.of("drop-at-start", Dimension.LENGTH, start[0]),
                Output.of("moved-after-stop", Dimension.LENGTH, stop[0])));
        List<Point> reserve = reserve(simulator, vehicle, foot);
        outputs.add(Output.of(
                "strokes",
                Dimension.STROKES,
                reserve.stream()
                        .filter(p -> p.x() > 0 && p.y() >= HELPS_SHARE * supply)
                        .count()));
        outputs.add(Output.of("recovery", Dimension.TIME, assist.recoverySeconds() * Math.log(1 / 0.08)));
        List<String> notices = new ArrayList<>();
        if (in.has("rod-force-1") && in.has("output-1") && in.has("rod-force-2") && in.has("output-2")) {
            double rise = in.get("rod-force-2") - in.get("rod-force-1");
            outputs.add(Output.of(
                    "gain-measured",
                    Dimension.RATIO,
                    rise == 0 ? Double.NaN : (in.get("output-2") - in.get("output-1")) / rise));
            if (rise == 0) {
                notices.add("two-different-forces-needed");
            }
        }
        if (supply < 50) {
            notices.add("supply-low");
        }
        return Result.of(
                outputs.stream().filter(o -> !Double.isNaN(o.value())).toList(),
                notices,
                new Curve("reserve-by-stroke", Dimension.STROKES, Dimension.DEPRESSION, reserve));
    }

    private static List<Point> reserve(Simulator simulator, VehicleUnknowns vehicle, double footN) {
        Protocol.Script script = Protocol.whole()
                .then(new Act.StartEngine(), new Act.Release(60), new Act.StopEngine(), new Act.Sample(Sensed.RESERVE));
        for (int stroke = 0; stroke < STROKES; stroke++) {
            script.then(new Act.Press(footN), new Act.Release(2), new Act.Sample(Sensed.RESERVE));
        }
        double[] kpa = simulator.run(script.done(), vehicle, List.of());
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < kpa.length; i++) {
            points.add(new Point(i, kpa[i]));
        }
        return points;
    }
}
