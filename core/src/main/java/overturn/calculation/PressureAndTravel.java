package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import overturn.calculation.Result.Curve;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Point;
import overturn.calculation.Result.Row;
import overturn.circuit.Chamber;
import overturn.circuit.Layout;
import overturn.circuit.LayoutVariant;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.quantity.Dimension;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/** Calculators 1 and 2: pressure from force and bore; effort, travel and reserve together. */
final class PressureAndTravel {

    /** N/mm² to bar; definition. */
    private static final double BAR_PER_N_MM2 = 10;

    /** How far from the bore the bores beside it are looked for, mm: an eighth of an inch; chosen. */
    private static final double NEIGHBOURS_MM = 3.2;
    /** Points of a curve; chosen. */
    private static final int CURVE_POINTS = 24;
    /** A third; definition. */
    private static final double THIRD = 1.0 / 3;
    /** Log spread of a force by foot or hand on a scale; estimate. */
    private static final double FORCE_SD = 0.04;
    /** Log spread of a size off a data sheet; estimate. */
    private static final double SIZE_SD = 0.003;

    private PressureAndTravel() {}

    /** What a foot or hand presses when nothing else is said, N; estimate. */
    private static double usualForceN(Layout layout) {
        return layout.family().lever() ? 100 : 300;
    }

    /** p = (F · ratio + assist − springs) / A. Source: force balance at the piston, docs/physics.md. */
    static double pressureBar(double forceN, double ratio, double assistN, double springsN, double boreMm) {
        return Math.max(0, BAR_PER_N_MM2 * (forceN * ratio + assistN - springsN) / (Math.PI * boreMm * boreMm / 4));
    }

    /** The bore that gives a pressure from an output force, mm. */
    static double boreForMm(double outputN, double bar) {
        return Math.sqrt(4 * BAR_PER_N_MM2 * outputN / (Math.PI * bar));
    }

    static Calculator pressure() {
        return Calculator.of(
                        "pressure",
                        layout -> List.of(
                                Field.of("force", Dimension.FORCE, 0, 3000, usualForceN(layout), FORCE_SD),
                                Field.of(
                                        "ratio",
                                        Dimension.RATIO,
                                        1,
                                        12,
                                        layout.input().ratioAtRest(),
                                        0.01),
                                Field.of("assist", Dimension.FORCE, 0, 12_000, 0, FORCE_SD),
                                Field.of(
                                        "springs",
                                        Dimension.FORCE,
                                        0,
                                        1_000,
                                        layout.master().springsN(),
                                        0.12),
                                Field.of(
                                        "bore",
                                        Dimension.LENGTH,
                                        8,
                                        60,
                                        layout.master().boreMm(),
                                        SIZE_SD),
                                Field.optional("wanted", Dimension.PRESSURE, 0.1, 250, 0)),
                        PressureAndTravel::pressureResult)
                .says("springs-take-it-all");
    }

    private static Result pressureResult(Inputs in, Layout layout) {
        double output = in.get("force") * in.get("ratio") + in.get("assist") - in.get("springs");
        double bore = in.get("bore");
        double bar = pressureBar(in.get("force"), in.get("ratio"), in.get("assist"), in.get("springs"), bore);
        List<Output> outputs = new ArrayList<>(List.of(
                Output.of("rod-force", Dimension.FORCE, in.get("force") * in.get("ratio")),
                Output.of("area", Dimension.AREA, Math.PI * bore * bore / 4),
                Output.of("pressure", Dimension.PRESSURE, bar)));
        List<String> notices = new ArrayList<>();
        if (output <= 0) {
            notices.add("springs-take-it-all");
        }
        if (in.has("wanted") && output > 0) {
            double forBar = in.get("wanted");
            outputs.add(Output.of("bore-for-it", Dimension.LENGTH, boreForMm(output, forBar)));
            outputs.add(Output.of(
                    "force-for-it",
                    Dimension.FORCE,
                    Math.max(
                            0,
                            (forBar / BAR_PER_N_MM2 * Math.PI * bore * bore / 4 + in.get("springs") - in.get("assist"))
                                    / in.get("ratio"))));
        }
        List<Row> rows = new ArrayList<>();
        List<Point> points = new ArrayList<>();
        NominalBores.Nominal nearest = NominalBores.nearest(bore);
        for (NominalBores.Nominal size : NominalBores.within(bore, NEIGHBOURS_MM)) {
            double p = pressureBar(in.get("force"), in.get("ratio"), in.get("assist"), in.get("springs"), size.mm());
            rows.add(new Row(
                    size.label(),
                    List.of(
                            Output.of("bore", Dimension.LENGTH, size.mm()),
                            Output.of("pressure", Dimension.PRESSURE, p)),
                    size.equals(nearest)));
            points.add(new Point(size.mm(), p));
        }
        return new Result(
                outputs,
                notices,
                List.of(new Curve("pressure-by-bore", Dimension.LENGTH, Dimension.PRESSURE, points)),
                rows);
    }

    static Calculator travel() {
        return Calculator.of(
                        "travel",
                        layout -> List.of(
                                Field.of("force", Dimension.FORCE, 1, 1500, usualForceN(layout), FORCE_SD),
                                Field.of(
                                        "bore",
                                        Dimension.LENGTH,
                                        8,
                                        60,
                                        layout.master().boreMm(),
                                        SIZE_SD),
                                Field.of(
                                        "ratio",
                                        Dimension.RATIO,
                                        1.5,
                                        12,
                                        layout.input().ratioAtRest(),
                                        0.01),
                                Field.of("piston-area", Dimension.SHARE, 25, 400, 100, 0.01),
                                Field.optional("wanted", Dimension.PRESSURE, 0.1, 250, 0)),
                        PressureAndTravel::travelResult)
                .says("meets-the-stop", "bottoms", "less-than-a-third-left", "marked-bores-serve", "no-bore-serves");
    }

    /** What one set of dimensions does at one force, engine off and, where there is assist, running. */
    private record Pressed(double bar, double travelMm, double strokeLeft, boolean atStop) {}

    private static Pressed press(Layout layout, double forceN, boolean assisted) {
        Protocol.Script script = Protocol.whole();
        if (assisted) {
            script.then(new Act.StartEngine());
        }
        double[] read = Simulator.of(layout)
                .run(
                        script.then(
                                        new Act.Press(forceN),
                                        new Act.Sample(Sensed.PRESSURE_BAR),
                                        new Act.Sample(Sensed.TRAVEL_MM),
                                        new Act.Sample(Sensed.STROKE_USED))
                                .done(),
                        VehicleUnknowns.NOMINAL,
                        List.of());
        return new Pressed(
                read[0],
                read[1],
                Math.max(0, 1 - read[2]),
                read[1] >= layout.input().travelToStopMm() - 1e-6);
    }

    private static Layout variant(Layout layout, double boreMm, double ratio, double pistonPercent) {
        return LayoutVariant.withPistonArea(
                LayoutVariant.withRatio(LayoutVariant.withBore(layout, boreMm), ratio), pistonPercent / 100);
    }

    private static Result travelResult(Inputs in, Layout base) {
        Layout layout = variant(base, in.get("bore"), in.get("ratio"), in.get("piston-area"));
        Pressed off = press(layout, in.get("force"), false);
        List<Output> outputs = new ArrayList<>(List.of(
                Output.of("pressure", Dimension.PRESSURE, off.bar),
                Output.of("travel", Dimension.LENGTH, off.travelMm),
                Output.of("stroke-left", Dimension.SHARE, 100 * off.strokeLeft),
                Output.of("to-stop", Dimension.LENGTH, layout.input().travelToStopMm() - off.travelMm)));
        List<String> notices = new ArrayList<>();
        Pressed worst = off;
        if (layout.assist().isPresent()) {
            Pressed running = press(layout, in.get("force"), true);
            outputs.add(Output.of("pressure-running", Dimension.PRESSURE, running.bar));
            outputs.add(Output.of("travel-running", Dimension.LENGTH, running.travelMm));
            outputs.add(Output.of("stroke-left-running", Dimension.SHARE, 100 * running.strokeLeft));
            worst = running;
        }
        if (worst.atStop) {
            notices.add("meets-the-stop");
        } else if (worst.strokeLeft <= 0.001) {
            notices.add("bottoms");
        } else if (worst.strokeLeft < THIRD) {
            notices.add("less-than-a-third-left");
        }
        return new Result(outputs, notices, List.of(travelCurve(layout, in.get("force"))), boreRows(in, base, notices));
    }

    private static Curve travelCurve(Layout layout, double forceN) {
        Simulator simulator = Simulator.of(layout);
        Protocol.Script script = Protocol.whole();
        double most = Math.max(forceN, layout.family().lever() ? 120 : 400);
        for (int i = 0; i <= CURVE_POINTS; i++) {
            script.then(new Act.Press(most * i / CURVE_POINTS), new Act.Sample(Sensed.TRAVEL_MM));
        }
        double[] mm = simulator.run(script.done(), VehicleUnknowns.NOMINAL, List.of());
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < mm.length; i++) {
            points.add(new Point(most * i / CURVE_POINTS, mm[i]));
        }
        return new Curve("travel-by-force", Dimension.FORCE, Dimension.LENGTH, points);
    }

    /** Neighbouring made bores, at the force or, where a pressure is wanted, at the effort that gives it. */
    private static List<Row> boreRows(Inputs in, Layout base, List<String> notices) {
        List<Row> rows = new ArrayList<>();
        boolean any = false;
        for (NominalBores.Nominal size : NominalBores.within(in.get("bore"), NEIGHBOURS_MM)) {
            Layout layout = variant(base, size.mm(), in.get("ratio"), in.get("piston-area"));
            double force = in.has("wanted")
                    ? (in.get("wanted") / BAR_PER_N_MM2 * layout.master().areaMm2()
                                    + layout.master().springsN())
                            / in.get("ratio")
                    : in.get("force");
            Pressed pressed = press(layout, force, false);
            boolean serves = in.has("wanted")
                    ? force <= in.get("force") * 1.0001 && pressed.strokeLeft >= THIRD && !pressed.atStop
                    : size.equals(NominalBores.nearest(in.get("bore")));
            any |= serves;
            rows.add(new Row(
                    size.label(),
                    List.of(
                            Output.of("force", Dimension.FORCE, force),
                            Output.of("pressure", Dimension.PRESSURE, pressed.bar),
                            Output.of("travel", Dimension.LENGTH, pressed.travelMm),
                            Output.of("stroke-left", Dimension.SHARE, 100 * pressed.strokeLeft)),
                    serves));
        }
        if (in.has("wanted")) {
            notices.add(any ? "marked-bores-serve" : "no-bore-serves");
        }
        return rows;
    }

    /** Fluid that one full stroke of all chambers gives, mL. */
    static double fullStrokeMl(Layout layout) {
        return layout.chambers().stream()
                .mapToDouble((Chamber c) -> layout.master().strokeMl(c))
                .sum();
    }
}
