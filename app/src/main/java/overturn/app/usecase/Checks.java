package overturn.app.usecase;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/** Collects findings about one input, so that all are told at once. */
public final class Checks {

    private final List<Finding> findings = new ArrayList<>();

    public Checks that(BooleanSupplier holds, String field, @Nullable Object given, String allowed) {
        if (!holds.getAsBoolean()) {
            add(field, given, allowed);
        }
        return this;
    }

    public void add(String field, @Nullable Object given, String allowed) {
        findings.add(new Finding(field, given == null ? "nothing" : "“" + shortened(given.toString()) + "”", allowed));
    }

    /** What is thrown where one field alone cannot be taken. */
    public static InvalidInputException refusal(String field, @Nullable Object given, String allowed) {
        Checks checks = new Checks();
        checks.add(field, given, allowed);
        return new InvalidInputException(checks.findings);
    }

    /** Text that must be there and not be endless. */
    public Checks text(String field, @Nullable String given, int most) {
        return that(
                () -> given != null && !given.isBlank() && given.length() <= most,
                field,
                given,
                "1 to " + most + " characters");
    }

    public boolean sound() {
        return findings.isEmpty();
    }

    /** @throws InvalidInputException if anything was found */
    public void orThrow() {
        if (!findings.isEmpty()) {
            throw new InvalidInputException(findings);
        }
    }

    /** What is allowed, four figures at most: "0 to 80 mm". */
    public static String range(double least, double most, String unit) {
        return figures(least) + " to " + figures(most) + " " + unit;
    }

    private static String figures(double value) {
        return new BigDecimal(value)
                .round(new MathContext(4))
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String shortened(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }
}
