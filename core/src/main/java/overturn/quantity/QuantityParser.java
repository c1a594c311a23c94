package overturn.quantity;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads typed text: decimal point or comma, a fraction ({@code 15/16}), a mixed number ({@code 1 1/8}), an optional unit behind it. */
public final class QuantityParser {

    private static final Pattern DECIMAL = Pattern.compile("([+-]?\\d{1,9}(?:[.,]\\d{0,9})?|[+-]?[.,]\\d{1,9})");
    private static final Pattern FRACTION = Pattern.compile("(?:(\\d{1,4})[ -])?(\\d{1,4})\\s*/\\s*(\\d{1,4})");
    private static final Pattern WITH_UNIT = Pattern.compile("^(.*?)\\s*([a-zA-Z\"%°×][a-zA-Z²/ ]*)?$");

    private QuantityParser() {
    }

    /**
     * Parses {@code text}; a unit inside the text wins over {@code defaultUnit}.
     *
     * @throws QuantityFormatException if the text is no number, or its unit measures something else
     */
    public static TypedQuantity parse(String text, MeasureUnit defaultUnit) {
        Matcher parts = WITH_UNIT.matcher(text.strip());
        if (!parts.matches()) {
            throw new QuantityFormatException(text, defaultUnit);
        }
        MeasureUnit unit = unitOf(parts.group(2), defaultUnit, text);
        double value = number(parts.group(1).strip(), text, defaultUnit);
        return new TypedQuantity(text, unit, unit.toCore(value));
    }

    private static MeasureUnit unitOf(String symbol, MeasureUnit defaultUnit, String text) {
        if (symbol == null || symbol.isBlank()) {
            return defaultUnit;
        }
        String sought = symbol.equals("\"") ? "in" : symbol.strip();
        return MeasureUnit.ofSymbol(sought)
                .filter(unit -> unit.dimension() == defaultUnit.dimension())
                .orElseThrow(() -> new QuantityFormatException(text, defaultUnit));
    }

    private static double number(String digits, String text, MeasureUnit unit) {
        Matcher fraction = FRACTION.matcher(digits);
        if (fraction.matches() && Integer.parseInt(fraction.group(3)) != 0) {
            double whole = fraction.group(1) == null ? 0 : Integer.parseInt(fraction.group(1));
            return whole + Double.parseDouble(fraction.group(2)) / Double.parseDouble(fraction.group(3));
        }
        if (DECIMAL.matcher(digits).matches()) {
            return Double.parseDouble(digits.replace(',', '.'));
        }
        throw new QuantityFormatException(text, unit);
    }
}
