package overturn.repair;

/**
 * What can be so about one part, or about the vehicle, while a plan is worked. On a sound vehicle that stands on its
 * wheels nothing of it is so.
 */
public enum State {
    TAG("do-not-drive-tag", true),
    CAPS("pipe-caps", true),
    LINE_CAP("line-cap", true),
    MASTER_OUT("master-out", true),
    MASTER_LOOSE("master-loose", true),
    PEDAL_BLOCK("pedal-block", true),
    RESERVOIR_OFF("reservoir-off", true),
    RESERVOIR_CAP_OFF("reservoir-cap", true),
    RETURN_TUBES("return-tubes", true),
    END_OFF("end-off", true),
    SLAVE_ASIDE("slave-aside", true),
    MODULATOR_OUT("modulator-out", true),
    MODULATOR_UNPLUGGED("modulator-plug", true),
    ASSIST_OUT("assist-out", true),
    ASSIST_LINES_OFF("assist-lines", true),
    SUPPLY_OFF("supply-hose", true),
    ACCUMULATOR_OFF("accumulator", true),
    BRACKET_OUT("bracket", true),
    CONNECTOR_CLIP_OUT("connector-clip", true),
    DRUM_OFF("drum", true),
    SHOES_BACKED("adjuster", true),
    LININGS_OUT("linings", true),
    CALIPER_SWUNG("slide-bolts", true),
    GEARBOX_OUT("gearbox", true),
    HOSE_CLIP_OUT("hose-clip", true),
    PIPE_CLIPS_OUT("pipe-clips", true),
    SWITCH_UNPLUGGED("lamp-switch-plug", true),
    SENSORS_UNPLUGGED("sensor-plugs", true),
    LEVER_OFF("lever-bolt", true),
    PARKING_CABLE_SLACK("parking-cable", true),
    RETURN_SPRING_OFF("return-spring", true),
    ROD_OFF("rod-clip", true),
    STOP_LOOSE("pedal-stop", true),
    LOCKNUT_LOOSE("rod-locknut", true),
    NEIGHBOUR_CABLE_OFF("neighbour-cable", true),
    RAISED("stands", true),
    WHEEL_OFF("wheel", true),
    IN_THE_WAY_OFF("in-the-way", true),

    /** Chocked, in neutral, held by something else than what is worked on. */
    HELD("held"),
    COVERED("covered"),
    /** Nothing is stored in the assist. */
    RESERVE_SPENT("reserve-spent"),
    DRAINED("drained"),
    /** Nuts cracked, still in place. */
    NUTS_LOOSE("nuts-loose"),
    /** Joint faces of the master apart, its pipes on or off. */
    MASTER_OFF("master-off"),
    /** Taken apart on the bench. */
    APART("apart"),
    /** Washed, or bright metal. */
    WASHED("washed"),
    JOINT_CLEAN("joint-clean"),
    /** Lines and everything else that the old fluid has wetted. */
    FLUSHED("flushed"),
    /** New rubber in. */
    RESEALED("resealed"),
    RESERVOIR_ON("reservoir-on"),
    /** Bled on the bench or in place, before the lines are joined. */
    PRIMED("primed"),
    OUTPUT_ROD_SET("output-rod-set"),
    ROD_SET("rod-set"),
    /** The part that stays is in its place. */
    FITTED("fitted"),
    /** The part itself is tightened; its lines were started before. */
    BOLTED("bolted"),
    TIGHT("tight"),
    FILLED("filled"),
    BLED("bled"),
    /** Its screw is the highest point, its hex and thread are fit to be turned. */
    SCREW_READY("screw-ready"),
    SCREW_CAPPED("screw-capped"),
    LEVEL_SET("level-set");

    private final String id;
    private final boolean left;

    State(String id) {
        this(id, false);
    }

    State(String id, boolean left) {
        this.id = id;
        this.left = left;
    }

    /** Stable id; of a state that can be left behind the first half of its item, and key of its words. */
    public String id() {
        return id;
    }

    /** Whether it is something on, off or moved that has to be set back before the vehicle leaves. */
    public boolean canBeLeft() {
        return left;
    }

    /** The state at one part. */
    public String at(String place) {
        return id + "@" + place;
    }
}
