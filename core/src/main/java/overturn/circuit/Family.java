package overturn.circuit;

import java.util.Arrays;
import java.util.Optional;

/** The kind of layout. */
public enum Family {
    VACUUM_BRAKE("vacuum-brake"),
    UNASSISTED_BRAKE("unassisted-brake"),
    HYDRAULIC_BRAKE("hydraulic-brake"),
    PEDAL_CLUTCH("pedal-clutch"),
    CONCENTRIC_CLUTCH("concentric-clutch"),
    LEVER_BRAKE("lever-brake"),
    LEVER_CLUTCH("lever-clutch");

    private final String id;

    Family(String id) {
        this.id = id;
    }

    /** Stable id, key of its words. */
    public String id() {
        return id;
    }

    public static Optional<Family> find(String id) {
        return Arrays.stream(values()).filter(family -> family.id.equals(id)).findFirst();
    }

    /** Whether the end is a clutch. */
    public boolean clutch() {
        return this == PEDAL_CLUTCH || this == CONCENTRIC_CLUTCH || this == LEVER_CLUTCH;
    }

    /** Whether a hand works it. */
    public boolean lever() {
        return this == LEVER_BRAKE || this == LEVER_CLUTCH;
    }
}
