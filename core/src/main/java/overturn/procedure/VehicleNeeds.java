package overturn.procedure;

/**
 * The state a vehicle must be in for a test: independent facets.
 *
 * @param bonnetOpen bonnet up, or the master in reach
 * @param raised on the lift or stands
 * @param wheelsOff wheels off
 * @param opened where the circuit is opened
 */
public record VehicleNeeds(boolean bonnetOpen, boolean raised, boolean wheelsOff, Opened opened) {

    /** On its wheels, shut. */
    public static final VehicleNeeds SEAT = new VehicleNeeds(false, false, false, Opened.NOTHING);

    public static final VehicleNeeds BONNET = new VehicleNeeds(true, false, false, Opened.NOTHING);
    public static final VehicleNeeds RAISED = new VehicleNeeds(false, true, false, Opened.NOTHING);
    public static final VehicleNeeds WHEELS_OFF = new VehicleNeeds(false, true, true, Opened.NOTHING);

    /** Where the circuit is open; closing it owes bleeding. */
    public enum Opened {
        NOTHING,
        MASTER_PORTS,
        MODULATOR_OUTLETS,
        ONE_END,
        LINE,
        CLUTCH_LINE
    }

    public static VehicleNeeds openedAt(Opened where) {
        return new VehicleNeeds(true, false, false, where);
    }

    /** Raised and opened at one end. */
    public static VehicleNeeds openedAtEnd() {
        return new VehicleNeeds(false, true, false, Opened.ONE_END);
    }
}
