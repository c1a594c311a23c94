package overturn.calculation;

import java.util.List;
import overturn.quantity.Dimension;

/**
 * What a calculator found.
 *
 * @param outputs named figures
 * @param notices ids of what should be said with them; words {@code calculator.<calculator>.notice.<id>}
 * @param curves plots
 * @param rows a table, where there is one
 */
public record Result(List<Output> outputs, List<String> notices, List<Curve> curves, List<Row> rows) {

    public Result {
        outputs = List.copyOf(outputs);
        notices = List.copyOf(notices);
        curves = List.copyOf(curves);
        rows = List.copyOf(rows);
    }

    static Result of(List<Output> outputs, List<String> notices) {
        return new Result(outputs, notices, List.of(), List.of());
    }

    static Result of(List<Output> outputs, List<String> notices, Curve curve) {
        return new Result(outputs, notices, List.of(curve), List.of());
    }

    /**
     * One figure, core units.
     *
     * @param sd one standard deviation from the inputs' own; 0 where it is exact
     */
    public record Output(String id, Dimension dimension, double value, double sd) {

        static Output of(String id, Dimension dimension, double value) {
            return new Output(id, dimension, value, 0);
        }

        Output withSd(double uncertainty) {
            return new Output(id, dimension, value, uncertainty);
        }
    }

    /** Points of a plot, x rising; words {@code calculator.<calculator>.curve.<id>.x} and {@code .y}. */
    public record Curve(String id, Dimension x, Dimension y, List<Point> points) {

        public Curve {
            points = List.copyOf(points);
        }
    }

    /** One point, core units. */
    public record Point(double x, double y) {}

    /**
     * One row of a table.
     *
     * @param label what it is: an inch name, an end, a stroke
     * @param cells figures, with the same ids in every row
     * @param marked whether it is the one asked for
     */
    public record Row(String label, List<Output> cells, boolean marked) {

        public Row {
            cells = List.copyOf(cells);
        }
    }

    /** Value of an output. */
    public double value(String id) {
        return outputs.stream()
                .filter(o -> o.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("No output " + id))
                .value();
    }
}
