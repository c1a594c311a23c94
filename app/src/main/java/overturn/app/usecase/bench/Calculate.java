package overturn.app.usecase.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.calculation.Calculator;
import overturn.calculation.Calculators;
import overturn.calculation.Field;
import overturn.calculation.Inputs;
import overturn.calculation.RefusedInputsException;
import overturn.calculation.Result;
import overturn.circuit.Layout;
import overturn.quantity.MeasureUnit;
import overturn.quantity.QuantityFormatException;
import overturn.quantity.QuantityParser;

/** Runs calculators of the bench on typed inputs. */
@Component
public class Calculate {

    private static final int MOST_COLUMNS = 6;

    private final LayoutSheets layouts;

    Calculate(LayoutSheets layouts) {
        this.layouts = layouts;
    }

    /** One input as typed; blank where the preset stands. */
    public record TypedInput(String id, String text, String unit) {}

    /** @throws NotFoundException if there is no such layout */
    public Layout layout(String layoutId) {
        return layouts.find(layoutId == null ? "" : layoutId)
                .orElseThrow(() -> new NotFoundException("layout", String.valueOf(layoutId)))
                .layout();
    }

    /** @throws NotFoundException if there is no such calculator for this layout */
    public Calculator calculator(String id, Layout layout) {
        return Calculators.find(id)
                .filter(c -> c.fits(layout.family()))
                .orElseThrow(() -> new NotFoundException("calculator", id));
    }

    /**
     * Results side by side, one per column of what-ifs.
     *
     * @throws InvalidInputException naming every input of every column that cannot be taken
     */
    public List<Result> columns(String calculatorId, String layoutId, List<List<TypedInput>> columns) {
        Layout layout = layout(layoutId);
        Calculator calculator = calculator(calculatorId, layout);
        Checks checks = new Checks();
        checks.that(
                        () -> !columns.isEmpty() && columns.size() <= MOST_COLUMNS,
                        "columns",
                        columns.size(),
                        "1 to " + MOST_COLUMNS + " columns")
                .orThrow();
        int fields = calculator.fields(layout).size();
        for (int i = 0; i < columns.size(); i++) {
            List<TypedInput> column = columns.get(i);
            checks.that(
                    () -> column.size() <= fields,
                    "columns." + i,
                    column.size() + " inputs",
                    "each of the " + fields + " inputs once");
        }
        checks.orThrow();
        List<Map<String, Double>> parsed = new ArrayList<>();
        for (int i = 0; i < columns.size(); i++) {
            String where = "columns." + i + ".";
            Map<String, Double> values = parse(calculator.fields(layout), columns.get(i), where, checks);
            ranges(calculator.fields(layout), values, columns.get(i), where, checks);
            parsed.add(values);
        }
        checks.orThrow();
        return parsed.stream().map(values -> calculator.compute(layout, values)).toList();
    }

    private static Map<String, Double> parse(List<Field> fields, List<TypedInput> inputs, String where, Checks checks) {
        Map<String, Double> values = new HashMap<>();
        for (TypedInput input : inputs) {
            Optional<Field> field =
                    fields.stream().filter(f -> f.id().equals(input.id())).findFirst();
            if (field.isEmpty()) {
                checks.add(
                        where + input.id(),
                        input.text(),
                        "one of " + fields.stream().map(Field::id).toList());
            } else if (input.text() != null && !input.text().isBlank()) {
                parse(field.get(), input, where, checks).ifPresent(v -> values.put(input.id(), v));
            }
        }
        return values;
    }

    private static Optional<Double> parse(Field field, TypedInput input, String where, Checks checks) {
        Optional<MeasureUnit> unit = input.unit() == null
                ? Optional.of(field.dimension().coreUnit())
                : MeasureUnit.ofSymbol(input.unit()).filter(u -> u.dimension() == field.dimension());
        if (unit.isEmpty()) {
            checks.add(
                    where + field.id() + ".unit",
                    input.unit(),
                    "one of "
                            + MeasureUnit.of(field.dimension()).stream()
                                    .map(MeasureUnit::symbol)
                                    .toList());
            return Optional.empty();
        }
        try {
            return Optional.of(QuantityParser.parse(input.text(), unit.get()).coreValue());
        } catch (QuantityFormatException e) {
            checks.add(
                    where + field.id(),
                    input.text(),
                    "a number such as 12.5, 12,5 or 15/16 in; " + range(field, unit.get()));
            return Optional.empty();
        }
    }

    private static void ranges(
            List<Field> fields, Map<String, Double> values, List<TypedInput> typed, String where, Checks checks) {
        try {
            Inputs.checked(fields, values);
        } catch (RefusedInputsException e) {
            e.refusals().forEach(r -> {
                Optional<TypedInput> input =
                        typed.stream().filter(t -> t.id().equals(r.id())).findFirst();
                Field field = Objects.requireNonNull(r.field(), "only fields of the calculator are given");
                MeasureUnit unit = input.map(TypedInput::unit)
                        .flatMap(MeasureUnit::ofSymbol)
                        .orElse(field.dimension().coreUnit());
                checks.add(
                        where + r.id(),
                        input.map(t -> t.text() + (t.unit() == null ? "" : " " + t.unit()))
                                .orElse(null),
                        range(field, unit));
            });
        }
    }

    private static String range(Field field, MeasureUnit unit) {
        return Checks.range(unit.fromCore(field.least()), unit.fromCore(field.most()), unit.symbol());
    }
}
