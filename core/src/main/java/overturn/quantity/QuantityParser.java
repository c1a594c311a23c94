package overturn.quantity;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads typed text: decimal point or comma, thousands with a gap, a fraction ({@code 15/16}), a mixed number ({@code 1
 * 1/8}), a length as the difference of two readings of a tape ({@code 612 - 540}), an optional unit behind it.
 */
public final class QuantityParser {

    private static final Pattern DECIMAL = Pattern.compile("([+-]?\\d{1,9}(?:[.,]\\d{0,9})?|[+-]?[.,]\\d{1,9})");
    /** Thousands set apart by a gap, as on a counter: 128 740. */
    private static final Pattern GROUPED = Pattern.compile("[+-]?\\d{1,3}(?:[ \u00a0\u202f]\\d{3})+(?:[.,]\\d{0,9})?");

    private static final Pattern FRACTION = Pattern.compile("(?:(\\d{1,4})[ -])?(\\d{1,4})\\s*/\\s*(\\d{1,4})");
    private static final Pattern UNIT_START = Pattern.compile("[a-zA-Z\"%°×]");

    /** Between what a tape shows now and what it showed at rest. */
    private static final Pattern LESS = Pattern.compile("(?<=\\d[.,]?) [-\u2212] (?=[\\d.,])");

    /** Longest text taken, characters: no figure needs more; chosen. */
    public static final int MOST_CHARACTERS = 40;

    private QuantityParser() {}

    /**
     * Parses {@code text}; a unit inside the text wins over {@code defaultUnit}.
     *
     * @throws QuantityFormatException if the text is no number, longer than {@link #MOST_CHARACTERS}, or its unit
     *     measures something else
     */
    public static TypedQuantity parse(String text, MeasureUnit defaultUnit) {
        if (text.length() > MOST_CHARACTERS) {
            throw new QuantityFormatException(text.substring(0, MOST_CHARACTERS) + "…", defaultUnit);
        }
        String typed = text.strip();
        Matcher start = UNIT_START.matcher(typed);
        int unitAt = start.find() ? start.start() : typed.length();
        MeasureUnit unit = unitOf(typed.substring(unitAt), defaultUnit, text);
        String digits = typed.substring(0, unitAt).strip();
        String[] onTape = LESS.split(digits, 2);
        double value = onTape.length == 2 && unit.dimension() == Dimension.LENGTH
                ? number(onTape[0].strip(), text, defaultUnit) - number(onTape[1].strip(), text, defaultUnit)
                : number(digits, text, defaultUnit);
        return new TypedQuantity(text, unit, unit.toCore(value));
    }

    private static MeasureUnit unitOf(String symbol, MeasureUnit defaultUnit, String text) {
        if (symbol.isEmpty()) {
            return defaultUnit;
        }
        String sought = symbol.equals("\"") ? "in" : symbol;
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
        if (GROUPED.matcher(digits).matches()) {
            return number(digits.replaceAll("[ \u00a0\u202f]", ""), text, unit);
        }
        if (DECIMAL.matcher(digits).matches()) {
            return Double.parseDouble(digits.replace(',', '.'));
        }
        throw new QuantityFormatException(text, unit);
    }
}
