package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import overturn.calculation.Result.Curve;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Point;
import overturn.calculation.Result.Row;
import overturn.circuit.End;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.quantity.Dimension;

/** Calculator 9: what a closed port does as the ends warm up. */
final class ClosedPort {

    /** Step of the curve, °C; chosen. */
    private static final double STEP_C = 5;
    /** Drag that nobody turns by hand, Nm; estimate. */
    private static final double LOCK_NM = 200;

    private ClosedPort() {}

    static Calculator closedPort() {
        return Calculator.of("closed-port", ClosedPort::fields, ClosedPort::result)
                .says("can-lock", "drags", "does-not-drag-yet");
    }

    private static List<Field> fields(Layout layout) {
        List<End> ends = layout.ends().stream()
                .filter(e -> layout.chamberOf(e.id())
                        == layout.chamberOf(layout.ends().get(0).id()))
                .toList();
        double clearance = ends.stream().mapToDouble(End::clearanceMl).sum();
        return List.of(
                Field.of(
                        "hot-fluid",
                        Dimension.VOLUME,
                        0.5,
                        400,
                        ends.stream().mapToDouble(End::fluidMl).sum(),
                        0.2),
                Field.of("warmer-by", Dimension.TEMPERATURE_RISE, 0, 250, 40, 0.05),
                Field.of("expansion", Dimension.SHARE, 0.05, 0.13, 0.08, 0.07),
                Field.of("clearance", Dimension.VOLUME, 0, 12, clearance, 0.22),
                Field.of(
                        "stiffness",
                        Dimension.STIFFNESS,
                        0.001,
                        0.5,
                        ends.stream().mapToDouble(End::softMlPerBar).sum() + 0.015,
                        0.2));
    }

    /**
     * Pressure at which clearance and stiffness hold the expansion: below the take-up pressure the clearance gives way
     * in proportion, beyond it only the stiffness does.
     */
    static double pressureBar(double expandedMl, double clearanceMl, double takeUpBar, double mlPerBar) {
        double softMlPerBar = clearanceMl / takeUpBar + mlPerBar;
        double takenMl = softMlPerBar * takeUpBar;
        return expandedMl <= takenMl ? expandedMl / softMlPerBar : takeUpBar + (expandedMl - takenMl) / mlPerBar;
    }

    private static Result result(Inputs in, Layout layout) {
        List<End> ends = layout.ends();
        double takeUp = ends.get(0).takeUpBar();
        double perC = in.get("expansion") / 100 * in.get("hot-fluid");
        double bar = pressureBar(perC * in.get("warmer-by"), in.get("clearance"), takeUp, in.get("stiffness"));
        List<Point> points = new ArrayList<>();
        for (double c = 0; c <= Math.max(60, 1.25 * in.get("warmer-by")); c += STEP_C) {
            points.add(new Point(c, pressureBar(perC * c, in.get("clearance"), takeUp, in.get("stiffness"))));
        }
        List<Row> rows = new ArrayList<>();
        double torque = 0;
        for (End end : ends) {
            if (end instanceof Slave) {
                continue;
            }
            double softMlPerBar = in.get("clearance") / takeUp + in.get("stiffness");
            double onsetMl = end.dragOnsetBar() <= takeUp
                    ? softMlPerBar * end.dragOnsetBar()
                    : softMlPerBar * takeUp + (end.dragOnsetBar() - takeUp) * in.get("stiffness");
            double nm = end.dragNmPerBar() * Math.max(0, bar - end.dragOnsetBar());
            torque = Math.max(torque, nm);
            rows.add(new Row(
                    end.id(),
                    List.of(
                            Output.of("drags-from", Dimension.TEMPERATURE_RISE, onsetMl / perC),
                            Output.of("drag", Dimension.TORQUE, nm)),
                    nm > 0));
        }
        List<String> notices =
                new ArrayList<>(List.of(torque > LOCK_NM ? "can-lock" : torque > 0 ? "drags" : "does-not-drag-yet"));
        return new Result(
                List.of(
                        Output.of("expanded", Dimension.VOLUME, perC * in.get("warmer-by")),
                        Output.of("pressure", Dimension.PRESSURE, bar)),
                notices,
                List.of(new Curve("pressure-by-warmth", Dimension.TEMPERATURE_RISE, Dimension.PRESSURE, points)),
                rows);
    }
}
