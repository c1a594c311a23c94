package overturn.suspect;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What cures a suspect. Minutes and part price (in minutes of workshop labour) are estimates; the workshop's own table
 * replaces them.
 */
public enum Remedy {
    HAND_BACK("hand-back", 5, 0, false),
    /** Of earlier logs, which did not say what was wrong with rod or stop; no suspect asks for it any more. */
    SET_ROD("set-rod", 25, 0, false),
    SHORTEN_ROD("shorten-rod", 25, 0, false),
    LENGTHEN_ROD("lengthen-rod", 20, 0, false),
    SET_STOP("set-stop", 25, 0, false),
    SET_OUTPUT_ROD("set-output-rod", 50, 0, false),
    FREE_INPUT("free-input", 30, 6, false),
    STIFFEN_BRACKET("stiffen-bracket", 90, 40, false),
    CORRECT_INPUT("correct-input", 40, 30, false),
    RENEW_LEVER("renew-lever", 25, 25, false),
    SET_REACH("set-reach", 8, 0, false),
    SET_LAMP_SWITCH("set-lamp-switch", 12, 8, false),
    RESTORE_SUPPLY("restore-supply", 40, 50, false),
    RENEW_SUPPLY_HOSE("renew-supply-hose", 15, 10, false),
    RENEW_CHECK_VALVE("renew-check-valve", 10, 10, false),
    RESEAL_ASSIST_JOINT("reseal-assist-joint", 45, 4, false),
    RENEW_ASSIST("renew-assist", 120, 220, false),
    RESEAL_ASSIST("reseal-assist", 110, 40, false),
    MAKE_ASSIST_LINE_DRY("make-assist-line-dry", 50, 30, false),
    RESTORE_PUMP("restore-pump", 60, 90, false),
    RENEW_ACCUMULATOR("renew-accumulator", 35, 110, false),
    CLEAR_RETURN("clear-return", 45, 25, false),
    BLEED_ASSIST("bleed-assist", 25, 5, false),
    RENEW_MASTER("renew-master", 110, 130, true),
    CLEAN_MASTER("clean-master", 60, 8, true),
    FIT_RIGHT_MASTER("fit-right-master", 100, 120, true),
    RESIDUAL_VALVE("residual-valve", 60, 15, true),
    BLEED_MASTER("bleed-master", 40, 4, true),
    SET_LEVEL("set-level", 8, 0, false),
    RESEAL_RESERVOIR("reseal-reservoir", 35, 8, false),
    REROUTE_PORTS("reroute-ports", 60, 8, true),
    MAKE_JOINT_DRY("make-joint-dry", 50, 15, true),
    RENEW_HOSES("renew-hoses", 90, 60, true),
    RENEW_PIPE("renew-pipe", 70, 20, true),
    RENEW_VALVE("renew-valve", 60, 45, true),
    RENEW_CONNECTOR("renew-connector", 40, 12, true),
    BLEED_MODULATOR("bleed-modulator", 55, 5, true),
    RENEW_MODULATOR("renew-modulator", 150, 700, true),
    MEND_MODULATOR_SIGNAL("mend-modulator-signal", 45, 50, false),
    BLEED_FRONT("bleed-front", 25, 3, true),
    BLEED_REAR("bleed-rear", 25, 3, true),
    RENEW_END("renew-end", 90, 90, true),
    RESEAL_END("reseal-end", 75, 25, true),
    FREE_SLIDES("free-slides", 45, 12, false),
    MEND_RUNOUT("mend-runout", 70, 60, false),
    ADJUST_SHOES("adjust-shoes", 30, 0, false),
    FIT_MATCHING_END("fit-matching-end", 80, 70, true),
    SWAP_ENDS("swap-ends", 75, 6, true),
    FREE_PARKING_BRAKE("free-parking-brake", 40, 25, false),
    RENEW_LININGS("renew-linings", 60, 50, false),
    RENEW_SLAVE("renew-slave", 90, 70, true),
    BLEED_CLUTCH("bleed-clutch", 20, 3, true),
    BLEED_LOOP("bleed-loop", 35, 4, true),
    RENEW_FORK("renew-fork", 120, 40, false),
    RENEW_CLUTCH("renew-clutch", 240, 200, false),
    CHANGE_FLUID("change-fluid", 45, 12, true),
    FLUSH_AND_RESEAL("flush-and-reseal", 300, 200, true),
    LOOK_ELSEWHERE("look-elsewhere", 60, 0, false);

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

    /** The remedy of a stable id; empty where this version does not know it. */
    public static Optional<Remedy> find(String id) {
        return Arrays.stream(values()).filter(remedy -> remedy.id.equals(id)).findFirst();
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

    /** What an earlier version had as one remedy; itself where it is still one. */
    public List<Remedy> today() {
        return this == SET_ROD ? List.of(SHORTEN_ROD, LENGTHEN_ROD, SET_STOP) : List.of(this);
    }

    /** Whether the circuit is opened and bled anyway when this is done. */
    public boolean opensCircuit() {
        return opensCircuit;
    }

    /** Whether it is nothing but strokes at the screws of the ends. */
    public boolean isStrokesAtEnds() {
        return this == BLEED_FRONT || this == BLEED_REAR || this == BLEED_CLUTCH;
    }

    /**
     * Whether another remedy is part of this one (docs/method.md): a master that was off is bled with all its ends, a
     * slave or its line with the clutch, fluid is changed by bleeding everywhere, and a new part has none of the faults
     * of the old.
     */
    public boolean bringsAlong(Remedy other) {
        return switch (other) {
            case BLEED_MASTER -> takesMasterOff() || this == FLUSH_AND_RESEAL;
            case BLEED_FRONT, BLEED_REAR -> takesMasterOff() || this == FLUSH_AND_RESEAL || this == CHANGE_FLUID;
            case BLEED_CLUTCH ->
                takesMasterOff()
                        || this == FLUSH_AND_RESEAL
                        || this == CHANGE_FLUID
                        || this == RENEW_SLAVE
                        || this == RENEW_CONNECTOR;
            case CHANGE_FLUID -> this == FLUSH_AND_RESEAL;
            case CLEAN_MASTER, RESIDUAL_VALVE -> this == RENEW_MASTER || this == FIT_RIGHT_MASTER;
            case RENEW_MASTER -> this == FIT_RIGHT_MASTER;
            case RESEAL_ASSIST -> this == RENEW_ASSIST;
            case SHORTEN_ROD, LENGTHEN_ROD, SET_STOP -> this == SET_ROD;
            default -> false;
        };
    }

    private boolean takesMasterOff() {
        return this == RENEW_MASTER || this == FIT_RIGHT_MASTER || this == CLEAN_MASTER;
    }
}
