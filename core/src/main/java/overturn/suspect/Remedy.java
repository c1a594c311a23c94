package overturn.suspect;

/**
 * What cures a suspect. Minutes and part price (in minutes of workshop labour) are estimates for the Tarn van; the workshop's own
 * table replaces them.
 */
public enum Remedy {
    HAND_BACK("hand-back", 5, 0, false),
    RENEW_MASTER("renew-master", 110, 130, true),
    BLEED_MASTER("bleed-master", 40, 4, true),
    BLEED_REAR("bleed-rear", 25, 3, true),
    BLEED_MODULATOR("bleed-modulator", 55, 5, true),
    RENEW_MODULATOR("renew-modulator", 150, 700, true),
    MAKE_JOINT_DRY("make-joint-dry", 50, 15, true),
    RENEW_HOSES("renew-hoses", 90, 60, true),
    ADJUST_SHOES("adjust-shoes", 30, 0, false),
    SET_ROD("set-rod", 25, 0, false),
    RESTORE_SUPPLY("restore-supply", 30, 20, false);

    private final String id;
    private final double labourMinutes;
    private final double partsPriceMinutes;
    private final boolean opensCircuit;

    Remedy(String id, double labourMinutes, double partsPriceMinutes, boolean opensCircuit) {
        this.id = id;
        this.labourMinutes = labourMinutes;
        this.partsPriceMinutes = partsPriceMinutes;
        this.opensCircuit = opensCircuit;
    }

    /** Stable id, key of its words. */
    public String id() {
        return id;
    }

    public double labourMinutes() {
        return labourMinutes;
    }

    /** Price of the parts, expressed in minutes of labour, so that no currency is assumed. */
    public double partsPriceMinutes() {
        return partsPriceMinutes;
    }

    /** Whether the circuit is opened and bled anyway when this is done. */
    public boolean opensCircuit() {
        return opensCircuit;
    }
}
