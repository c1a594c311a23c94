package overturn.calculation;

import java.util.List;
import overturn.calculation.Result.Output;
import overturn.circuit.Component;
import overturn.circuit.Layout;
import overturn.quantity.Atmosphere;
import overturn.quantity.Dimension;

/** The ratio of a pedal or lever out of its two arms, and what a bubble costs where the foot feels it. */
final class ArmsAndBubbles {

    /** From this share of the listed ratio on a measured one is another; two arms are measured to some 1.5 % each. */
    private static final double ANOTHER_SHARE = 0.04;

    /** Spread of an arm read off with a rule, as a share of it; estimate. */
    private static final double ARM_SD_SHARE = 0.015;
    /** Arm of a pedal at its rod where none is given, mm; estimate. */
    private static final double PEDAL_ROD_ARM_MM = 60;
    /** The same of a hand lever, mm; estimate. */
    private static final double LEVER_ROD_ARM_MM = 25;
    /** Pressure at which a bubble is asked for where none is given, bar: of a firm pedal; chosen. */
    private static final double FIRM_BAR = 20;
    /** Travel that a foot or a hand just feels, mm; estimate. */
    private static final double FELT_MM = 1;

    private ArmsAndBubbles() {}

    static Calculator arms() {
        return Calculator.of(
                        "arms",
                        layout -> {
                            double rodArm = layout.family().lever() ? LEVER_ROD_ARM_MM : PEDAL_ROD_ARM_MM;
                            return List.of(
                                    Field.of(
                                            "long-arm",
                                            Dimension.LENGTH,
                                            20,
                                            800,
                                            rodArm * layout.input().ratioAtRest(),
                                            ARM_SD_SHARE),
                                    Field.of("rod-arm", Dimension.LENGTH, 5, 300, rodArm, ARM_SD_SHARE));
                        },
                        ArmsAndBubbles::ratio)
                .says("as-listed", "another-ratio", "arms-changed-over");
    }

    /** Ratio = arm to the foot or hand / arm to the rod, both from the pivot and square to their pull. */
    private static Result ratio(Inputs in, Layout layout) {
        double listed = layout.input().ratioAtRest();
        double ratio = in.get("long-arm") / in.get("rod-arm");
        double off = ratio / listed - 1;
        String notice =
                ratio <= 1 ? "arms-changed-over" : Math.abs(off) < ANOTHER_SHARE ? "as-listed" : "another-ratio";
        return Result.of(
                List.of(
                        Output.of("ratio", Dimension.RATIO, ratio),
                        Output.of("listed", Dimension.RATIO, listed),
                        Output.of("off-by", Dimension.SHARE, 100 * off)),
                List.of(notice));
    }

    static Calculator bubble() {
        return Calculator.of(
                        "bubble",
                        layout -> List.of(
                                Field.of("air", Dimension.VOLUME, 0, 50, 1, 0),
                                Field.of("pressure", Dimension.PRESSURE, 0.1, 250, FIRM_BAR, 0.05),
                                Field.of(
                                        "bore",
                                        Dimension.LENGTH,
                                        8,
                                        60,
                                        layout.master().boreMm(),
                                        0),
                                Field.of(
                                        "ratio",
                                        Dimension.RATIO,
                                        1,
                                        12,
                                        layout.input().ratioAtRest(),
                                        0.01)),
                        ArmsAndBubbles::cost)
                .says("not-felt", "takes-all-the-stroke");
    }

    /** A bubble held at one temperature (Boyle) gives way by V (1 - p0 / (p0 + p)); over the bore, times the ratio. */
    private static Result cost(Inputs in, Layout layout) {
        double area = Component.circleMm2(in.get("bore"));
        double share = 1 - Atmosphere.BAR / (Atmosphere.BAR + in.get("pressure"));
        double rodMm = 1000 * share * in.get("air") / area;
        double tipMm = rodMm * in.get("ratio");
        double strokeMm = layout.master().primaryStrokeMm() + layout.master().secondaryStrokeMm();
        List<String> notices =
                rodMm >= strokeMm ? List.of("takes-all-the-stroke") : tipMm < FELT_MM ? List.of("not-felt") : List.of();
        return Result.of(
                List.of(
                        Output.of("gives-way", Dimension.VOLUME, share * in.get("air")),
                        Output.of("travel", Dimension.LENGTH, tipMm),
                        Output.of("stroke-share", Dimension.SHARE, 100 * Math.min(1, rodMm / strokeMm)),
                        Output.of(
                                "for-a-millimetre", Dimension.VOLUME, FELT_MM / in.get("ratio") * area / 1000 / share)),
                notices);
    }
}
