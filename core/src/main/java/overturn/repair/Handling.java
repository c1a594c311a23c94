package overturn.repair;

/** What the hands do in a step; the drawing of a step follows it. */
public enum Handling {
    LOOK,
    MEASURE,
    COVER,
    PLUG,
    CRACK,
    UNSCREW,
    PULL,
    PRESS,
    CLEAN,
    FIT,
    SET,
    FILL,
    BLEED,
    TORQUE;

    /** Whether nothing is opened, fitted or set by it. */
    public boolean onlyLooks() {
        return this == LOOK || this == MEASURE || this == PRESS;
    }
}
