package overturn.circuit;

/** A way of taking something out that is no plug in a joint. */
public enum Isolation {
    /** The vacuum or pump supply of the assist is vented, its reserve spent. */
    SUPPLY_VENTED,
    /** The master is backed off its face by 3 to 5 mm: nothing pushes its pistons. */
    MASTER_LOOSE,
    /** The fuse of the modulator is out: it cannot act. */
    FUSE_OUT,
    /** The pedal is held up by a toe, the lamp switch backed off: nothing on the pedal side pushes the rod. */
    PEDAL_LIFTED,
    /** The supply hose is pinched at the assist once its reserve is full: nothing runs out by the check valve. */
    HOSE_PINCHED,
    /** Every shoe is set until it just rubs. */
    SHOES_SET,
    /** The rod behind the pedal, or the screw of the lever, is half a turn shorter. */
    ROD_TURNED_BACK,
    /** The ends of the front axle have been bled until clear. */
    FRONT_BLED,
    /** The ends of the rear axle have been bled until clear. */
    REAR_BLED
}
