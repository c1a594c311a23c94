package overturn.proving;

import java.util.Locale;

/** Stages of proving, each of which opens the next. */
public enum Gate {
    CHOCKS,
    YARD,
    ROAD,
    /** After a day or a set distance: trapped air moves, a weep shows. */
    NEXT_DAY;

    /** Stable id, key of its words. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
