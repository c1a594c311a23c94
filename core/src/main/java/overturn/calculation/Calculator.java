package overturn.calculation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;
import overturn.circuit.Family;
import overturn.circuit.Layout;

/**
 * One calculator of the bench. Its words: {@code calculator.<id>} its name, {@code .formula} what it does in a
 * sentence, {@code .in.*}, {@code .out.*}, {@code .notice.*}.
 */
public final class Calculator {

    /** Step of the numeric derivative, as a share of the input; chosen. */
    private static final double NUDGE = 1e-4;

    private final String id;
    private final Function<Family, Boolean> fits;
    private final Function<Layout, List<Field>> fields;
    private final BiFunction<Inputs, Layout, Result> formula;
    private final List<ReadingPlace> readings;
    private final List<String> notices;

    private Calculator(
            String id,
            Function<Family, Boolean> fits,
            Function<Layout, List<Field>> fields,
            BiFunction<Inputs, Layout, Result> formula,
            List<ReadingPlace> readings,
            List<String> notices) {
        this.readings = List.copyOf(readings);
        this.notices = List.copyOf(notices);
        this.id = id;
        this.fits = fits;
        this.fields = fields;
        this.formula = formula;
    }

    static Calculator of(String id, Function<Layout, List<Field>> fields, BiFunction<Inputs, Layout, Result> formula) {
        return new Calculator(id, family -> true, fields, formula, List.of(), List.of());
    }

    /** One that means something only for some families. */
    Calculator onlyFor(Function<Family, Boolean> families) {
        return new Calculator(id, families, fields, formula, readings, notices);
    }

    /** One of whose inputs is itself a figure of a test. */
    Calculator alsoReading(String field, String procedureId, String figureId) {
        return new Calculator(
                id, fits, fields, formula, List.of(new ReadingPlace(field, procedureId, figureId)), notices);
    }

    /** Everything that it can say beside its figures. */
    Calculator says(String... noticeIds) {
        return new Calculator(id, fits, fields, formula, readings, List.of(noticeIds));
    }

    /** Ids of everything that it can say. */
    public List<String> notices() {
        return notices;
    }

    /** An input that can be entered in a job as a reading of a test. */
    public record ReadingPlace(String field, String procedureId, String figureId) {}

    /** The inputs that are figures of tests. */
    public List<ReadingPlace> readings() {
        return readings;
    }

    public String id() {
        return id;
    }

    /** Whether it means anything for a layout of this family. */
    public boolean fits(Family family) {
        return fits.apply(family);
    }

    /** Inputs, preset from a layout. */
    public List<Field> fields(Layout layout) {
        return fields.apply(layout);
    }

    /**
     * Calculates, with the uncertainty of every output carried over from the inputs' own by first-order propagation.
     *
     * @throws RefusedInputsException where inputs are missing, unknown or out of range
     */
    public Result compute(Layout layout, Map<String, Double> given) {
        List<Field> own = fields(layout);
        Inputs inputs = Inputs.checked(own, given);
        Result result = formula.apply(inputs, layout);
        if (!notices.containsAll(result.notices())) {
            throw new IllegalStateException("Impossible: " + id + " says something undeclared: " + result.notices());
        }
        double[] variance = new double[result.outputs().size()];
        for (Field field : own) {
            if (inputs.has(field.id()) && field.sdShare() > 0) {
                addVariance(variance, result, field, inputs, layout);
            }
        }
        List<Result.Output> outputs = new ArrayList<>();
        for (int k = 0; k < variance.length; k++) {
            Result.Output output = result.outputs().get(k);
            outputs.add(output.withSd(Math.hypot(output.sd(), Math.sqrt(variance[k]))));
        }
        return new Result(outputs, result.notices(), result.curves(), result.rows());
    }

    private void addVariance(double[] variance, Result result, Field field, Inputs inputs, Layout layout) {
        double value = inputs.get(field.id());
        double step = NUDGE * Math.max(Math.abs(value), NUDGE * (field.most() - field.least()));
        double sd = field.sdShare() * Math.abs(value);
        List<Result.Output> moved =
                formula.apply(inputs.with(field.id(), value + step), layout).outputs();
        for (int k = 0; k < variance.length && k < moved.size(); k++) {
            double slope = (moved.get(k).value() - result.outputs().get(k).value()) / step;
            if (Double.isFinite(slope)) {
                variance[k] += slope * sd * slope * sd;
            }
        }
    }
}
