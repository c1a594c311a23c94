package overturn.quantity;

/** Typed text that is no quantity of the dimension asked for; the message says what was given and what is allowed. */
public final class QuantityFormatException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    QuantityFormatException(String text, MeasureUnit unit) {
        super("“" + text + "” is not a figure in " + unit.symbol()
                + "; type a number such as 12.5, 12,5 or 1/2, with a unit of the same kind if you like, in at most "
                + QuantityParser.MOST_CHARACTERS + " characters");
    }
}
