package overturn.repair;

/** The parts of a work plan. Where nothing else decides, what belongs to an earlier one is done first. */
public enum Section {
    PROTECT,
    TAKE_OUT,
    CLEAN,
    COMPARE,
    /** Reseal or renew. */
    DECIDE,
    RESEAL,
    MOVE_OVER,
    BENCH_BLEED,
    FIT,
    SET,
    FILL,
    BLEED,
    CLOSE,
    /** What made it fail and what it may have ruined: looked at before release. */
    BEYOND;

    /** Whether a vehicle is another one afterwards; what is filled, bled, closed or looked at behind it is not. */
    boolean changesTheVehicle() {
        return compareTo(FILL) < 0;
    }
}
