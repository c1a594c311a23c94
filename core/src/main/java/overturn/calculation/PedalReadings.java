package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;
import overturn.calculation.Result.Curve;
import overturn.calculation.Result.Output;
import overturn.calculation.Result.Point;
import overturn.calculation.Result.Row;
import overturn.circuit.Layout;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.quantity.Atmosphere;
import overturn.quantity.Dimension;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;

/** Calculators 5 and 6: what measured travel consists of; where a sink goes and whether the reservoir can show it. */
final class PedalReadings {

    /** From this correlation on, two estimates are one. */
    private static final double NOT_TOLD_APART = 0.9;

    /** Points that are entered at most; chosen. */
    private static final int MOST_POINTS = 5;
    /** Spread of a travel read off a tape, mm; estimate. */
    private static final double TRAVEL_SD_MM = 1.2;
    /** Fall that is seen on a tape, mm; estimate. */
    private static final double VISIBLE_MM = 0.7;
    /** 1 N/mm² is 10 bar; definition. */
    private static final double BAR_PER_N_MM2 = 10;

    private PedalReadings() {}

    static Calculator lostTravel() {
        return Calculator.of(
                        "lost-travel",
                        layout -> {
                            List<Field> fields = new ArrayList<>(List.of(
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
                                            0),
                                    Field.of("rod-play", Dimension.LENGTH, 0, 15, lostAtRodMm(layout), 0)));
                            double[] bars = {5, 9, 14, 22};
                            double[] travels = soundTravels(layout, bars);
                            for (int i = 0; i < MOST_POINTS; i++) {
                                boolean preset = i < bars.length;
                                fields.add(new Field(
                                        "bar-" + (i + 1),
                                        Dimension.PRESSURE,
                                        1,
                                        200,
                                        preset ? bars[i] : Double.NaN,
                                        0,
                                        i < 3));
                                fields.add(new Field(
                                        "travel-" + (i + 1),
                                        Dimension.LENGTH,
                                        0,
                                        250,
                                        preset ? travels[i] : Double.NaN,
                                        0,
                                        i < 3));
                            }
                            fields.add(Field.optional("pumped", Dimension.LENGTH, 0, 250, 0));
                            fields.add(Field.optional("clamped", Dimension.LENGTH, 0, 250, 0));
                            return List.copyOf(fields);
                        },
                        PedalReadings::lostTravelResult)
                .says(
                        "three-pressures-needed",
                        "air-and-clearance-not-separable",
                        "pumping-separates",
                        "beyond-the-clamps",
                        "before-the-clamps");
    }

    private static double lostAtRodMm(Layout layout) {
        return layout.input().freePlayMm() / layout.input().ratioAtRest()
                + layout.master().portTravelMm()
                + layout.assist().map(a -> a.valveLashMm()).orElse(0.0);
    }

    private static double[] soundTravels(Layout layout, double[] bars) {
        Protocol.Script script = Protocol.whole();
        for (double bar : bars) {
            double force = (bar / BAR_PER_N_MM2 * layout.master().areaMm2()
                            + layout.master().springsN())
                    / layout.input().ratioAtRest();
            script.then(new Act.Press(force), new Act.Sample(Sensed.TRAVEL_MM), new Act.Release(20));
        }
        double[] mm = Simulator.of(layout).run(script.done(), VehicleUnknowns.NOMINAL, List.of());
        for (int i = 0; i < mm.length; i++) {
            mm[i] = Math.rint(10 * mm[i]) / 10;
        }
        return mm;
    }

    /** One fitted model of volume against pressure. */
    private record Fit(double[] values, double[] sds, double correlation, double rmsMl) {}

    /** V(p) = lost + slope · p, and where there are points enough + air · p / (p0 + p); ordinary least squares. */
    private static Fit fit(List<double[]> points, boolean withAir, double mlPerMm) {
        double[][] x = new double[points.size()][];
        double[] y = new double[points.size()];
        for (int i = 0; i < points.size(); i++) {
            double bar = points.get(i)[0];
            x[i] = withAir ? new double[] {bar, bar / (Atmosphere.BAR + bar)} : new double[] {bar};
            y[i] = points.get(i)[1];
        }
        OLSMultipleLinearRegression regression = new OLSMultipleLinearRegression();
        regression.newSampleData(y, x);
        double[] values = regression.estimateRegressionParameters();
        RealMatrix unscaled =
                org.hipparchus.linear.MatrixUtils.createRealMatrix(regression.estimateRegressionParametersVariance());
        double noise = TRAVEL_SD_MM * mlPerMm;
        double[] sds = new double[values.length];
        for (int k = 0; k < sds.length; k++) {
            sds[k] = noise * Math.sqrt(unscaled.getEntry(k, k));
        }
        double correlation = withAir
                ? Math.abs(unscaled.getEntry(0, 2)) / Math.sqrt(unscaled.getEntry(0, 0) * unscaled.getEntry(2, 2))
                : 0;
        double rms = Math.sqrt(regression.calculateResidualSumOfSquares() / points.size());
        return new Fit(values, sds, correlation, rms);
    }

    private static Result lostTravelResult(Inputs in, Layout layout) {
        double area = Math.PI * in.get("bore") * in.get("bore") / 4;
        double mlPerMm = area / in.get("ratio") / 1000;
        List<double[]> points = new ArrayList<>();
        for (int i = 1; i <= MOST_POINTS; i++) {
            if (in.has("bar-" + i) && in.has("travel-" + i)) {
                points.add(new double[] {
                    in.get("bar-" + i), mlPerMm * (in.get("travel-" + i) - in.get("ratio") * in.get("rod-play"))
                });
            }
        }
        List<String> notices = new ArrayList<>();
        if (points.stream().mapToDouble(p -> p[0]).distinct().count() < 3) {
            return Result.of(List.of(), List.of("three-pressures-needed"));
        }
        Fit line = fit(points, false, mlPerMm);
        List<Output> outputs = new ArrayList<>(List.of(
                Output.of("lost-travel", Dimension.LENGTH, line.values[0] / mlPerMm)
                        .withSd(line.sds[0] / mlPerMm),
                Output.of("lost-volume", Dimension.VOLUME, line.values[0]).withSd(line.sds[0]),
                Output.of("late-slope", Dimension.STIFFNESS, line.values[1]).withSd(line.sds[1]),
                Output.of("misfit", Dimension.VOLUME, line.rmsMl)));
        double lost = line.values[0];
        double air = Double.NaN;
        if (points.size() >= 4) {
            Fit withAir = fit(points, true, mlPerMm);
            outputs.add(
                    Output.of("air-fitted", Dimension.VOLUME, withAir.values[2]).withSd(withAir.sds[2]));
            outputs.add(Output.of("correlation", Dimension.SHARE, 100 * withAir.correlation));
            if (withAir.correlation > NOT_TOLD_APART) {
                notices.add("air-and-clearance-not-separable");
            } else {
                lost = withAir.values[0];
                air = withAir.values[2];
            }
        } else {
            notices.add("air-and-clearance-not-separable");
        }
        if (in.has("pumped") && points.size() > 1) {
            double first = in.get("travel-2");
            double fromClearance = Math.max(0, mlPerMm * (first - in.get("pumped")));
            outputs.add(Output.of("clearance-volume", Dimension.VOLUME, fromClearance)
                    .withSd(TRAVEL_SD_MM * Math.sqrt(2) * mlPerMm));
            double rest = Math.max(0, lost - fromClearance);
            outputs.add(Output.of("air-volume", Dimension.VOLUME, rest)
                    .withSd(Math.hypot(line.sds[0], TRAVEL_SD_MM * Math.sqrt(2) * mlPerMm)));
            air = rest;
            notices.add("pumping-separates");
        }
        if (in.has("clamped")) {
            notices.add(in.get("clamped") < 0.6 * in.get("travel-2") ? "beyond-the-clamps" : "before-the-clamps");
        }
        return new Result(outputs, notices, List.of(fitted(in, line, mlPerMm)), split(in, line, lost, air, mlPerMm));
    }

    private static Curve fitted(Inputs in, Fit line, double mlPerMm) {
        List<Point> points = new ArrayList<>();
        for (int bar = 0; bar <= 30; bar += 2) {
            points.add(new Point(
                    bar, in.get("ratio") * in.get("rod-play") + (line.values[0] + line.values[1] * bar) / mlPerMm));
        }
        return new Curve("travel-by-pressure", Dimension.PRESSURE, Dimension.LENGTH, points);
    }

    /** The travel at the highest pressure, split. */
    private static List<Row> split(Inputs in, Fit line, double lostMl, double airMl, double mlPerMm) {
        double bar = 0;
        for (int i = 1; i <= MOST_POINTS; i++) {
            bar = in.has("bar-" + i) && in.has("travel-" + i) ? Math.max(bar, in.get("bar-" + i)) : bar;
        }
        List<Row> rows = new ArrayList<>();
        double airHere = Double.isNaN(airMl) ? 0 : Math.max(0, airMl) * bar / (Atmosphere.BAR + bar);
        rows.add(part("rod", in.get("ratio") * in.get("rod-play"), 0.3 * in.get("ratio")));
        rows.add(part(
                Double.isNaN(airMl) ? "clearance-or-air" : "clearance",
                Math.max(0, lostMl - (Double.isNaN(airMl) ? 0 : Math.min(lostMl, airMl))) / mlPerMm,
                line.sds[0] / mlPerMm));
        if (!Double.isNaN(airMl)) {
            rows.add(part("air", airHere / mlPerMm, 1.4 * line.sds[0] / mlPerMm));
        }
        rows.add(part("flex", Math.max(0, line.values[1] * bar) / mlPerMm, line.sds[1] * bar / mlPerMm));
        return rows;
    }

    private static Row part(String label, double mm, double sd) {
        return new Row(
                label, List.of(Output.of("part-of-travel", Dimension.LENGTH, mm).withSd(sd)), false);
    }

    static Calculator sink() {
        return Calculator.of(
                        "sink",
                        layout -> List.of(
                                Field.of("sunk", Dimension.LENGTH, 0, 250, 12, 0.12),
                                Field.of("creep", Dimension.LENGTH, 0, 30, 2, 0.3),
                                Field.of("seconds", Dimension.TIME, 1, 3600, 60, 0.02),
                                Field.of(
                                        "bore",
                                        Dimension.LENGTH,
                                        8,
                                        60,
                                        layout.master().boreMm(),
                                        0.003),
                                Field.of(
                                        "ratio",
                                        Dimension.RATIO,
                                        1,
                                        12,
                                        layout.input().ratioAtRest(),
                                        0.01),
                                Field.of(
                                        "level-area",
                                        Dimension.AREA,
                                        300,
                                        15_000,
                                        layout.reservoir().levelAreaMm2(),
                                        0.15)),
                        PedalReadings::sinkResult)
                .says("no-more-than-creep", "level-shows-it", "level-does-not-show-it", "modulator-could-hold-it");
    }

    /** Flow = sink · A / ratio / t; level = volume / area of one compartment. */
    private static Result sinkResult(Inputs in, Layout layout) {
        double ml = Math.max(0, in.get("sunk") - in.get("creep"))
                / in.get("ratio")
                * Math.PI
                * in.get("bore")
                * in.get("bore")
                / 4
                / 1000;
        double level = 1000 * ml / in.get("level-area");
        List<String> notices = new ArrayList<>();
        if (in.get("sunk") <= in.get("creep")) {
            notices.add("no-more-than-creep");
        } else {
            notices.add(level >= VISIBLE_MM ? "level-shows-it" : "level-does-not-show-it");
        }
        layout.modulator().ifPresent(m -> {
            if (ml > 0 && ml <= 1.2 * m.closedChamberMl()) {
                notices.add("modulator-could-hold-it");
            }
        });
        List<Row> rows = new ArrayList<>();
        rows.add(level("outward", -level, -level, layout));
        rows.add(level("past-primary-cup", 0, 0, layout));
        if (layout.master().tandem()) {
            rows.add(level("past-rear-cup", -level, level, layout));
            rows.add(level("past-front-cup", 0, 0, layout));
        }
        if (layout.modulator().isPresent()) {
            rows.add(level("into-modulator", -level, 0, layout));
        }
        return new Result(
                List.of(
                        Output.of("volume", Dimension.VOLUME, ml),
                        Output.of("flow", Dimension.FLOW, ml / in.get("seconds") * 60),
                        Output.of("level-change", Dimension.LENGTH, level)),
                notices,
                List.of(),
                rows);
    }

    /**
     * Level against before the press, once the pedal is up again: what by-passed inside one compartment shows nothing
     * then.
     */
    private static Row level(String label, double primaryMm, double secondaryMm, Layout layout) {
        List<Output> cells = new ArrayList<>(List.of(Output.of("primary", Dimension.LENGTH, primaryMm)));
        if (layout.master().tandem()) {
            cells.add(Output.of("secondary", Dimension.LENGTH, secondaryMm));
        }
        return new Row(label, cells, false);
    }
}
