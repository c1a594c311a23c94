package overturn.quantity;

/**
 * Typed text that can be kept and exchanged: no null character, no half of a surrogate pair (neither has a place in
 * UTF-8 files or the store).
 */
public final class PlainText {

    private PlainText() {}

    /** Whether a text can be kept. */
    public static boolean keeps(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean pair = Character.isHighSurrogate(c)
                    && i + 1 < text.length()
                    && Character.isLowSurrogate(text.charAt(i + 1));
            if (c == 0 || Character.isSurrogate(c) && !pair) {
                return false;
            }
            i += pair ? 1 : 0;
        }
        return true;
    }
}
