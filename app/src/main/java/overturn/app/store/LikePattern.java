package overturn.app.store;

import java.util.Locale;

/** Patterns of SQL's {@code like}, in which nothing that was typed has a meaning of its own. */
final class LikePattern {

    private LikePattern() {}

    /** Matches lower-case text that holds what was typed. */
    static String holding(String typed) {
        return "%" + typed.toLowerCase(Locale.ROOT).replaceAll("([\\\\%_])", "\\\\$1") + "%";
    }
}
