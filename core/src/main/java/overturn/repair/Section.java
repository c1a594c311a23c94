package overturn.repair;

/** The parts of a work plan, in the order of the work. */
public enum Section {
    COMPARE,
    PROTECT,
    TAKE_OUT,
    MOVE_OVER,
    RESEAL,
    CLEAN,
    BENCH_BLEED,
    FIT,
    SET,
    FILL,
    BLEED,
    CLOSE,
    /** What made it fail and what it may have ruined: looked at before release. */
    BEYOND
}
