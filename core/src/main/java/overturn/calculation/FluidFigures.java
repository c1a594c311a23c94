package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Row;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pipe;
import overturn.circuit.End;
import overturn.circuit.Layout;
import overturn.quantity.Dimension;

/** Calculators 10 and 11: strokes and fluid to bleed with; how full is full. */
final class FluidFigures {

    /** Share of a full stroke that is safe and useful in bleeding; estimate from docs/trade-figures.md A. */
    private static final double USEFUL_SHARE = 0.5;
    /** Fluid of a hose, mL per m: 3.3 mm inside; definition. */
    private static final double HOSE_ML_PER_M = 8.6;
    /** Fluid pushed through an end when bled, as a multiple of what lies between master and screw; estimate. */
    private static final double FLUSH_FACTOR = 1.3;

    /** Fluid to have at hand, by what it takes; estimate. */
    private static final double SPARE_FACTOR = 1.25;
    /** Share of the reservoir that may be spent before it is topped up; chosen. */
    private static final double TOP_UP_SHARE = 0.8;

    private FluidFigures() {}

    static Calculator bleeding() {
        return Calculator.of(
                        "bleeding",
                        layout -> List.of(
                                Field.of(
                                        "stroke-volume",
                                        Dimension.VOLUME,
                                        0.1,
                                        60,
                                        USEFUL_SHARE * layout.master().strokeMl(overturn.circuit.Chamber.PRIMARY),
                                        0.1),
                                Field.of(
                                        "reservoir",
                                        Dimension.VOLUME,
                                        2,
                                        1000,
                                        layout.reservoir().minToMaxMl(),
                                        0.05),
                                Field.of("flush", Dimension.RATIO, 1, 5, FLUSH_FACTOR, 0)),
                        FluidFigures::bleedingResult)
                .says("never-below-minimum", "modulator-by-its-routine");
    }

    /** Fluid between master and an end's screw, mL. */
    static double pathMl(Layout layout, String endId) {
        double ml = ((End) layout.component(endId)).fluidMl();
        for (String id : layout.upstream(endId)) {
            ml += layout.component(id) instanceof Pipe p
                    ? p.fluidMl()
                    : layout.component(id) instanceof Hose h
                            ? HOSE_ML_PER_M * h.lengthM()
                            : layout.component(id) instanceof Modulator m ? m.fluidMl() : 0;
        }
        return ml;
    }

    private static Result bleedingResult(Inputs in, Layout layout) {
        double untilTopUp = Math.floor(TOP_UP_SHARE * in.get("reservoir") / in.get("stroke-volume"));
        List<Row> rows = new ArrayList<>();
        double total = 0;
        for (End end : layout.ends()) {
            double ml = in.get("flush") * pathMl(layout, end.id());
            total += ml;
            rows.add(new Row(
                    end.id(),
                    List.of(
                            Output.of("fluid", Dimension.VOLUME, ml),
                            Output.of("strokes", Dimension.STROKES, Math.ceil(ml / in.get("stroke-volume"))),
                            Output.of(
                                    "top-ups",
                                    Dimension.STROKES,
                                    Math.floor(Math.ceil(ml / in.get("stroke-volume")) / Math.max(1, untilTopUp)))),
                    false));
        }
        List<String> notices = new ArrayList<>(List.of("never-below-minimum"));
        if (layout.modulator().isPresent()) {
            notices.add("modulator-by-its-routine");
        }
        return new Result(
                List.of(
                        Output.of("strokes-until-top-up", Dimension.STROKES, untilTopUp),
                        Output.of("total", Dimension.VOLUME, total),
                        Output.of("at-hand", Dimension.VOLUME, 50 * Math.ceil(SPARE_FACTOR * total / 50))),
                notices,
                List.of(),
                rows);
    }

    static Calculator fillLevel() {
        return Calculator.of(
                        "fill-level",
                        layout -> List.of(
                                Field.of("fluid", Dimension.VOLUME, 5, 3000, systemMl(layout), 0.15),
                                Field.of("warmer-by", Dimension.TEMPERATURE_RISE, 0, 200, 60, 0.1),
                                Field.of("expansion", Dimension.SHARE, 0.05, 0.13, 0.08, 0.07),
                                Field.of("wear", Dimension.LENGTH, 0, 25, 4, 0.1),
                                Field.of("piston-area", Dimension.AREA, 0, 40_000, pistonAreaMm2(layout), 0.01),
                                Field.of(
                                        "room",
                                        Dimension.VOLUME,
                                        1,
                                        1000,
                                        layout.reservoir().minToMaxMl(),
                                        0.05),
                                Field.of(
                                        "level-area",
                                        Dimension.AREA,
                                        300,
                                        15_000,
                                        layout.reservoir().levelAreaMm2()
                                                * (layout.master().tandem() ? 2 : 1),
                                        0.1)),
                        FluidFigures::fillLevelResult)
                .says("worn-linings-empty-it", "wear-is-covered", "much-room-for-heat");
    }

    private static double systemMl(Layout layout) {
        double ml = PressureAndTravel.fullStrokeMl(layout)
                + 0.6 * layout.reservoir().volumeMl()
                + layout.ends().stream().mapToDouble(End::fluidMl).sum();
        ml += layout.all(Pipe.class).stream().mapToDouble(Pipe::fluidMl).sum();
        return ml
                + layout.all(Hose.class).stream()
                        .mapToDouble(h -> HOSE_ML_PER_M * h.lengthM())
                        .sum();
    }

    private static double pistonAreaMm2(Layout layout) {
        return layout.all(End.DiscEnd.class).stream()
                .mapToDouble(End.DiscEnd::pistonAreaMm2)
                .sum();
    }

    /** Room to leave = expansion of all fluid; room below = what worn linings will take. */
    private static Result fillLevelResult(Inputs in, Layout layout) {
        double heatMl = in.get("expansion") / 100 * in.get("fluid") * in.get("warmer-by");
        double wearMl = in.get("piston-area") * in.get("wear") / 1000;
        List<String> notices = new ArrayList<>();
        notices.add(wearMl > in.get("room") ? "worn-linings-empty-it" : "wear-is-covered");
        if (heatMl > 0.5 * in.get("room")) {
            notices.add("much-room-for-heat");
        }
        return Result.of(
                List.of(
                        Output.of("heat-room", Dimension.VOLUME, heatMl),
                        Output.of("below-brim", Dimension.LENGTH, 1000 * heatMl / in.get("level-area")),
                        Output.of("wear-room", Dimension.VOLUME, wearMl),
                        Output.of("level-falls", Dimension.LENGTH, 1000 * wearMl / in.get("level-area"))),
                notices);
    }
}
