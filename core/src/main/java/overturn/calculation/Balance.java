package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Row;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Layout;
import overturn.quantity.Dimension;

/** Calculator 12: which end gets which share, left against right, and parts that do not belong together. */
final class Balance {

    /** Query and fail of a left/right difference (docs/method.md). */
    private static final double QUERY_SHARE = 20;

    /** Difference over an axle that fails, %; the usual rule, local rules go before (docs/trade-figures.md). */
    private static final double FAIL_SHARE = 30;
    /** Least share of the front axle, %; estimate. */
    private static final double FRONT_LEAST = 50;
    /** Greatest share of the front axle, %; estimate. */
    private static final double FRONT_MOST = 85;

    private Balance() {}

    static Calculator balance() {
        return Calculator.of(
                        "balance",
                        layout -> List.of(
                                Field.of("pressure", Dimension.PRESSURE, 1, 200, 60, 0.03),
                                Field.of("left-factor", Dimension.SHARE, 20, 300, 100, 0.02),
                                Field.of("rear-factor", Dimension.SHARE, 20, 300, 100, 0.02)),
                        Balance::result)
                .onlyFor(family -> !family.clutch())
                .says(
                        "left-right-fails",
                        "left-right-query",
                        "rear-locks-first",
                        "rear-does-little",
                        "parts-differ",
                        "hoses-differ");
    }

    /** Torque of an end at a line pressure, Nm: the drag slope of its dimensions times the pressure above its onset. */
    static double torqueNm(Layout layout, End end, double bar) {
        double here = layout.upstream(end.id()).stream()
                .map(layout::component)
                .filter(ProportioningValve.class::isInstance)
                .map(ProportioningValve.class::cast)
                .findFirst()
                .map(v -> bar <= v.kneeBar() ? bar : v.kneeBar() + v.slope() * (bar - v.kneeBar()))
                .orElse(bar);
        return end.dragNmPerBar() * Math.max(0, here - end.dragOnsetBar());
    }

    private static double pistonMm2(End end) {
        return end instanceof DiscEnd d
                ? d.pistonAreaMm2()
                : end instanceof DrumEnd d ? Math.PI * d.cylinderMm() * d.cylinderMm() / 4 : 0;
    }

    private static Result result(Inputs in, Layout layout) {
        double bar = in.get("pressure");
        List<Row> rows = new ArrayList<>();
        double front = 0;
        double rear = 0;
        double left = 0;
        double right = 0;
        for (End end : layout.ends()) {
            boolean isRear = end.rear();
            boolean isLeft = end.side() == End.Side.LEFT;
            double nm = torqueNm(layout, end, bar)
                    * (isRear ? in.get("rear-factor") / 100 : 1)
                    * (isLeft ? in.get("left-factor") / 100 : 1);
            front += isRear ? 0 : nm;
            rear += isRear ? nm : 0;
            left += isLeft ? nm : 0;
            right += end.side() == End.Side.RIGHT ? nm : 0;
            rows.add(new Row(
                    end.id(),
                    List.of(
                            Output.of("piston-area", Dimension.AREA, pistonMm2(end)),
                            Output.of("torque", Dimension.TORQUE, nm)),
                    false));
        }
        double share = front + rear == 0 ? 0 : 100 * front / (front + rear);
        double uneven = Math.max(left, right) == 0 ? 0 : 100 * Math.abs(left - right) / Math.max(left, right);
        List<String> notices = new ArrayList<>();
        if (uneven > FAIL_SHARE) {
            notices.add("left-right-fails");
        } else if (uneven > QUERY_SHARE) {
            notices.add("left-right-query");
        }
        if (rear > 0 && (share < FRONT_LEAST || share > FRONT_MOST)) {
            notices.add(share < FRONT_LEAST ? "rear-locks-first" : "rear-does-little");
        }
        if (mixed(layout)) {
            notices.add("parts-differ");
        }
        if (layout.all(Hose.class).stream().map(Hose::kind).distinct().count() > 1) {
            notices.add("hoses-differ");
        }
        return new Result(
                List.of(
                        Output.of("front-share", Dimension.SHARE, share),
                        Output.of("left-right-difference", Dimension.SHARE, uneven),
                        Output.of("front-torque", Dimension.TORQUE, front),
                        Output.of("rear-torque", Dimension.TORQUE, rear)),
                notices,
                List.of(),
                rows);
    }

    /** Whether two ends of one axle differ in kind or piston area. */
    static boolean mixed(Layout layout) {
        for (String axle : List.of("front", "rear")) {
            List<End> ends =
                    layout.ends().stream().filter(e -> e.id().startsWith(axle)).toList();
            for (End end : ends) {
                if (end.getClass() != ends.get(0).getClass()
                        || Math.abs(pistonMm2(end) / pistonMm2(ends.get(0)) - 1) > 0.02) {
                    return true;
                }
            }
        }
        return false;
    }
}
