package overturn.quantity;

/**
 * Typed text that can be kept, exchanged and printed: what XML 1.0 takes for a character, which the store and JSON take
 * too. No control characters but tab and line ends, no half of a surrogate pair, no U+FFFE and U+FFFF.
 */
public final class PlainText {

    /** What is taken, for whoever gave something else. */
    public static final String ALLOWED = "text without control characters and halves of surrogate pairs";

    /** First character that is printed: the space; definition. */
    private static final int FIRST_PRINTED = 0x20;
    /** Last character before those that are none; definition (Unicode). */
    private static final int LAST_PLAIN = 0xfffd;

    private static final char REPLACEMENT = '\uFFFD';

    private PlainText() {}

    /** Whether a text can be kept. */
    public static boolean keeps(String text) {
        return text.codePoints().allMatch(PlainText::keeps);
    }

    /** The text with a replacement character (U+FFFD) for each that cannot be kept. */
    public static String of(String text) {
        if (keeps(text)) {
            return text;
        }
        StringBuilder plain = new StringBuilder();
        text.codePoints().forEach(c -> plain.appendCodePoint(keeps(c) ? c : REPLACEMENT));
        return plain.toString();
    }

    /** Half of a surrogate pair stands as a code point of its own. */
    private static boolean keeps(int c) {
        return c == '\t'
                || c == '\n'
                || c == '\r'
                || c >= FIRST_PRINTED && c < Character.MIN_SURROGATE
                || c > Character.MAX_SURROGATE && c <= LAST_PLAIN
                || c >= Character.MIN_SUPPLEMENTARY_CODE_POINT;
    }
}
