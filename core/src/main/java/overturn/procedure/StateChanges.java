package overturn.procedure;

import overturn.procedure.VehicleNeeds.Opened;

/**
 * Minutes to bring a vehicle from one state to another, both ways (docs/trade-figures.md C, estimates). Opening is in
 * the test's own minutes.
 */
public final class StateChanges {

    /** Bonnet up, minutes; estimate. */
    private static final double BONNET = 0.5;
    /** On the lift, and with jack and stands where there is none; estimate. */
    public static final double LIFT = 4;

    /** Jack and four stands, minutes; estimate. */
    public static final double STANDS = 10;
    /** Four wheels off, minutes; estimate. */
    private static final double WHEELS_OFF = 8;
    /** Four wheels on with the torque wrench, minutes; estimate. */
    private static final double WHEELS_ON = 10;
    /** Closing and bleeding all ends, minutes; estimate. */
    private static final double CLOSE_AND_BLEED_ALL = 40;
    /** The same with a modulator, minutes; estimate. */
    private static final double CLOSE_AND_BLEED_WITH_MODULATOR = 55;
    /** Closing and bleeding one end, minutes; estimate. */
    private static final double CLOSE_AND_BLEED_END = 8;
    /** Closing and bleeding one axle, minutes; estimate. */
    private static final double CLOSE_AND_BLEED_AXLE = 14;
    /** Closing and bleeding a clutch, minutes; estimate. */
    private static final double CLOSE_AND_BLEED_CLUTCH = 18;

    private StateChanges() {}

    /** Minutes from one state to another. */
    public static double minutes(VehicleNeeds from, VehicleNeeds to) {
        return minutes(from, to, LIFT);
    }

    /** The same where raising or lowering it takes this long. */
    public static double minutes(VehicleNeeds from, VehicleNeeds to, double raising) {
        double minutes = 0;
        minutes += from.bonnetOpen() == to.bonnetOpen() ? 0 : BONNET;
        minutes += from.raised() == to.raised() ? 0 : raising;
        if (from.wheelsOff() != to.wheelsOff()) {
            minutes += to.wheelsOff() ? WHEELS_OFF : WHEELS_ON;
        }
        if (from.opened() != to.opened()) {
            minutes += closingMinutes(from);
        }
        return minutes;
    }

    /** Minutes to close and bleed what stands open. */
    public static double closingMinutes(VehicleNeeds state) {
        return switch (state.opened()) {
            case NOTHING -> 0;
            case MASTER_PORTS -> CLOSE_AND_BLEED_ALL;
            case MODULATOR_OUTLETS -> CLOSE_AND_BLEED_WITH_MODULATOR;
            case ONE_END -> CLOSE_AND_BLEED_END;
            case LINE -> CLOSE_AND_BLEED_AXLE;
            case CLUTCH_LINE -> CLOSE_AND_BLEED_CLUTCH;
        };
    }

    /** Opened at the same place, everything else put back. */
    public static VehicleNeeds openedAlone(VehicleNeeds state) {
        return new VehicleNeeds(false, false, false, state.opened());
    }

    /** The circuit shut, everything else as it stands. */
    public static VehicleNeeds closed(VehicleNeeds state) {
        return new VehicleNeeds(state.bonnetOpen(), state.raised(), state.wheelsOff(), Opened.NOTHING);
    }
}
