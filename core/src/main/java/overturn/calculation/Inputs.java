package overturn.calculation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Checked inputs of one calculation: every needed field there, every value in its range. */
public final class Inputs {

    private final Map<String, Double> values;

    private Inputs(Map<String, Double> values) {
        this.values = Map.copyOf(values);
    }

    /**
     * Presets, overridden by what was given.
     *
     * @throws RefusedInputsException naming every field that is unknown, missing or out of range
     */
    public static Inputs checked(List<Field> fields, Map<String, Double> given) {
        List<RefusedInputsException.Refusal> refusals = new ArrayList<>();
        Map<String, Double> values = new HashMap<>();
        for (Field field : fields) {
            double value = given.getOrDefault(field.id(), field.preset());
            if (Double.isNaN(value)) {
                if (field.needed()) {
                    refusals.add(new RefusedInputsException.Refusal(field.id(), value, field));
                }
                continue;
            }
            if (!(value >= field.least() && value <= field.most())) {
                refusals.add(new RefusedInputsException.Refusal(field.id(), value, field));
            }
            values.put(field.id(), value);
        }
        given.forEach((id, value) -> {
            if (fields.stream().noneMatch(f -> f.id().equals(id))) {
                refusals.add(new RefusedInputsException.Refusal(id, value, null));
            }
        });
        if (!refusals.isEmpty()) {
            throw new RefusedInputsException(refusals);
        }
        return new Inputs(values);
    }

    /** Value of a field, core units. */
    public double get(String id) {
        Double value = values.get(id);
        if (value == null) {
            throw new IllegalArgumentException("Input " + id + " was not given");
        }
        return value;
    }

    public boolean has(String id) {
        return values.containsKey(id);
    }

    /** The same with one value moved. */
    Inputs with(String id, double value) {
        Map<String, Double> moved = new HashMap<>(values);
        moved.put(id, value);
        return new Inputs(moved);
    }
}
