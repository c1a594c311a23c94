package overturn.quantity;

import java.util.Objects;

/**
 * A value exactly as it was typed, beside what the core makes of it.
 *
 * @param text the characters typed, untouched, for example {@code "23,8"} or {@code "15/16"}
 * @param unit the unit chosen or typed
 * @param coreValue the value in the core's unit of that dimension; finite
 */
public record TypedQuantity(String text, MeasureUnit unit, double coreValue) {

    public TypedQuantity {
        Objects.requireNonNull(text, "text");
        Objects.requireNonNull(unit, "unit");
        if (!Double.isFinite(coreValue)) {
            throw new IllegalArgumentException("Impossible core value: " + coreValue);
        }
    }
}
