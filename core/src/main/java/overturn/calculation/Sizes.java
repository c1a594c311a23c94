package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Row;
import overturn.circuit.Layout;
import overturn.quantity.Dimension;

/** Calculators 3 and 4: which made bore a measured one is; turns of a rod for a free play. */
final class Sizes {

    /** How far from the measure a made size is considered, mm: a sixteenth of an inch; chosen. */
    private static final double CONSIDERED_MM = 1.6;
    /** Two made sizes nearer than this many resolutions cannot be told apart; chosen. */
    private static final double TELLABLE_RESOLUTIONS = 2;

    private Sizes() {}

    static Calculator nominalBore() {
        return Calculator.of(
                        "nominal-bore",
                        layout -> List.of(
                                Field.of(
                                        "measured",
                                        Dimension.LENGTH,
                                        8,
                                        58,
                                        layout.master().boreMm(),
                                        0),
                                Field.of("resolution", Dimension.LENGTH, 0.001, 1, 0.05, 0)),
                        (in, layout) -> {
                            double measured = in.get("measured");
                            double reach = TELLABLE_RESOLUTIONS * in.get("resolution");
                            NominalBores.Nominal nearest = NominalBores.nearest(measured);
                            List<Row> rows = new ArrayList<>();
                            int fitting = 0;
                            for (NominalBores.Nominal size : NominalBores.within(measured, CONSIDERED_MM)) {
                                boolean fits = Math.abs(size.mm() - measured) <= reach;
                                fitting += fits ? 1 : 0;
                                rows.add(new Row(
                                        size.label(),
                                        List.of(
                                                Output.of("bore", Dimension.LENGTH, size.mm()),
                                                Output.of("off-by", Dimension.LENGTH, measured - size.mm()),
                                                Output.of(
                                                        "pressure-share",
                                                        Dimension.SHARE,
                                                        100 * nearest.areaMm2() / size.areaMm2())),
                                        fits));
                            }
                            List<String> notices = List.of(
                                    fitting == 0 ? "none-fits" : fitting == 1 ? "one-fits" : "cannot-be-told-apart");
                            return new Result(
                                    List.of(
                                            Output.of("nearest", Dimension.LENGTH, nearest.mm()),
                                            Output.of("off-by", Dimension.LENGTH, measured - nearest.mm())),
                                    notices,
                                    List.of(),
                                    rows);
                        })
                .says("none-fits", "one-fits", "cannot-be-told-apart");
    }

    static Calculator freePlay() {
        return Calculator.of(
                        "free-play",
                        layout -> List.of(
                                Field.of(
                                        "measured",
                                        Dimension.LENGTH,
                                        0,
                                        80,
                                        layout.input().freePlayMm(),
                                        0.1),
                                Field.of(
                                        "wanted",
                                        Dimension.LENGTH,
                                        0,
                                        80,
                                        layout.input().freePlayMm(),
                                        0),
                                Field.of(
                                        "ratio",
                                        Dimension.RATIO,
                                        1,
                                        12,
                                        layout.input().ratioAtRest(),
                                        0.01),
                                Field.of("pitch", Dimension.LENGTH, 0.4, 3, 1.25, 0)),
                        Sizes::freePlayResult)
                .alsoReading("measured", "free-play", "play")
                .says("leave-it", "shorten-the-rod", "lengthen-the-rod", "no-play-covers-the-port");
    }

    /** Clearance at the rod = free play / ratio; turns = change of clearance / pitch. Minus is the rod longer. */
    private static Result freePlayResult(Inputs in, Layout layout) {
        double changeMm = (in.get("wanted") - in.get("measured")) / in.get("ratio");
        double turns = Math.abs(changeMm) / in.get("pitch");
        List<String> notices = new ArrayList<>();
        notices.add(turns < 0.02 ? "leave-it" : changeMm > 0 ? "shorten-the-rod" : "lengthen-the-rod");
        if (in.get("wanted") / in.get("ratio") < 0.3) {
            notices.add("no-play-covers-the-port");
        }
        return Result.of(
                List.of(
                        Output.of("rod-clearance", Dimension.LENGTH, in.get("measured") / in.get("ratio")),
                        Output.of("wanted-clearance", Dimension.LENGTH, in.get("wanted") / in.get("ratio")),
                        Output.of("rod-change", Dimension.LENGTH, Math.abs(changeMm)),
                        Output.of("turns", Dimension.TURNS, turns)),
                notices);
    }
}
