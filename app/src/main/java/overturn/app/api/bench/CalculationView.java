package overturn.app.api.bench;

import java.util.List;
import java.util.Optional;
import overturn.calculation.Calculator;
import overturn.calculation.Field;
import overturn.calculation.Result;
import overturn.circuit.Layout;
import overturn.quantity.Dimension;
import overturn.quantity.MeasureUnit;

/** Results of a calculator, one per column. */
public record CalculationView(List<ColumnView> columns) {

    static CalculationView of(List<Result> results) {
        return new CalculationView(results.stream().map(ColumnView::of).toList());
    }

    /** What a calculator asks for on a layout. */
    public record CalculatorView(String id, List<FieldView> fields, List<ReadingPlaceView> readings) {

        static CalculatorView of(Calculator calculator, Layout layout) {
            return new CalculatorView(
                    calculator.id(),
                    calculator.fields(layout).stream().map(FieldView::of).toList(),
                    calculator.readings().stream()
                            .map(r -> new ReadingPlaceView(r.field(), r.procedureId(), r.figureId()))
                            .toList());
        }
    }

    /** An input that is itself a figure of a test, and so can be entered as a reading. */
    public record ReadingPlaceView(String field, String procedureId, String figureId) {}

    /** One input: range and preset in the core's unit, {@code unit} the one it is usually typed in. */
    public record FieldView(
            String id,
            Dimension dimension,
            String unit,
            List<String> units,
            double least,
            double most,
            Optional<Double> preset,
            boolean needed) {

        private static final double MANY_MM = 100_000;
        private static final double MANY_MM2 = 20_000;

        static FieldView of(Field field) {
            return new FieldView(
                    field.id(),
                    field.dimension(),
                    usual(field).symbol(),
                    MeasureUnit.of(field.dimension()).stream()
                            .map(MeasureUnit::symbol)
                            .toList(),
                    field.least(),
                    field.most(),
                    Double.isNaN(field.preset()) ? Optional.empty() : Optional.of(field.preset()),
                    field.needed());
        }

        private static MeasureUnit usual(Field field) {
            if (field.dimension() == Dimension.LENGTH && field.most() > MANY_MM) {
                return MeasureUnit.METRE;
            }
            return field.dimension() == Dimension.AREA && field.most() > MANY_MM2
                    ? MeasureUnit.SQUARE_CENTIMETRE
                    : field.dimension().coreUnit();
        }
    }

    /** One column. */
    public record ColumnView(
            List<OutputView> outputs, List<String> notices, List<CurveView> curves, List<RowView> rows) {

        static ColumnView of(Result result) {
            return new ColumnView(
                    result.outputs().stream().map(OutputView::of).toList(),
                    result.notices(),
                    result.curves().stream()
                            .map(c -> new CurveView(
                                    c.id(),
                                    c.x(),
                                    c.y(),
                                    c.points().stream()
                                            .map(p -> new PointView(p.x(), p.y()))
                                            .toList()))
                            .toList(),
                    result.rows().stream()
                            .map(r -> new RowView(
                                    r.label(),
                                    r.cells().stream().map(OutputView::of).toList(),
                                    r.marked()))
                            .toList());
        }
    }

    /** One figure in the core's unit, with one standard deviation; 0 where it is exact. */
    public record OutputView(String id, Dimension dimension, String unit, double value, double sd) {

        public static OutputView of(Result.Output output) {
            return new OutputView(
                    output.id(),
                    output.dimension(),
                    output.dimension().coreUnit().symbol(),
                    output.value(),
                    output.sd());
        }
    }

    /** Points of a plot. */
    public record CurveView(String id, Dimension x, Dimension y, List<PointView> points) {}

    /** One point, core units. */
    public record PointView(double x, double y) {}

    /** One row of a table. */
    public record RowView(String label, List<OutputView> cells, boolean marked) {}
}
