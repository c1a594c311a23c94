package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import overturn.calculation.Result.Output;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.quantity.Dimension;

/** Calculator 8: slave stroke promised by the bores against the stroke measured. */
final class ClutchStroke {

    private ClutchStroke() {}

    static Calculator slaveStroke() {
        return Calculator.of("slave-stroke", ClutchStroke::fields, ClutchStroke::result)
                .onlyFor(overturn.circuit.Family::clutch)
                .alsoReading("measured", "slave-stroke", "at-once")
                .says(
                        "fluid-is-lost-or-compressed",
                        "hydraulics-keep-their-promise",
                        "will-grind",
                        "margin-small",
                        "margin-right");
    }

    private static List<Field> fields(Layout layout) {
        Slave slave = layout.all(Slave.class).stream().findFirst().orElseThrow();
        double travel = layout.input().travelToStopMm();
        return List.of(
                Field.of(
                        "rod-travel",
                        Dimension.LENGTH,
                        1,
                        60,
                        Math.min(
                                layout.master().primaryStrokeMm(),
                                layout.input().rodTravelMm(travel)),
                        0.01),
                Field.of(
                        "lost-at-rod",
                        Dimension.LENGTH,
                        0,
                        20,
                        layout.input().freePlayMm() / layout.input().ratioAtRest()
                                + layout.master().portTravelMm(),
                        0.15),
                Field.of("master-bore", Dimension.LENGTH, 8, 40, layout.master().boreMm(), 0.003),
                Field.of("slave-area", Dimension.AREA, 80, 2000, slave.areaMm2(), 0.005),
                Field.of("flex", Dimension.VOLUME, 0, 5, 0.3, 0.3),
                Field.of("fork-ratio", Dimension.RATIO, 0.8, 3, slave.forkRatio(), 0.02),
                Field.of("needed", Dimension.LENGTH, 0.5, 20, slave.releaseTravelMm(), 0.04),
                Field.optional("measured", Dimension.LENGTH, 0, 60, 0.02));
    }

    /**
     * Stroke = (rod travel − lost) · master area / slave area, less flex; margin at the bearing = stroke / fork ratio −
     * needed.
     */
    private static Result result(Inputs in, Layout layout) {
        double masterMm2 = Math.PI * in.get("master-bore") * in.get("master-bore") / 4;
        double pushedMl = Math.max(0, in.get("rod-travel") - in.get("lost-at-rod")) * masterMm2 / 1000;
        double promised = Math.max(0, 1000 * (pushedMl - in.get("flex")) / in.get("slave-area"));
        double stroke = in.has("measured") ? in.get("measured") : promised;
        double margin = stroke / in.get("fork-ratio") - in.get("needed");
        List<Output> outputs = new ArrayList<>(List.of(
                Output.of("pushed", Dimension.VOLUME, pushedMl),
                Output.of("promised", Dimension.LENGTH, promised),
                Output.of("promised-at-bearing", Dimension.LENGTH, promised / in.get("fork-ratio"))));
        List<String> notices = new ArrayList<>();
        if (in.has("measured")) {
            double lost = (promised - in.get("measured")) * in.get("slave-area") / 1000;
            outputs.add(Output.of("lost", Dimension.VOLUME, lost));
            notices.add(lost > 0.25 ? "fluid-is-lost-or-compressed" : "hydraulics-keep-their-promise");
        }
        outputs.add(Output.of("margin", Dimension.LENGTH, margin));
        notices.add(margin < 0 ? "will-grind" : margin < 0.5 ? "margin-small" : "margin-right");
        return Result.of(outputs, notices);
    }
}
