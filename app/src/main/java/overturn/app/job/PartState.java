package overturn.app.job;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How far a part of a job has come. */
public enum PartState {
    WANTED,
    ORDERED,
    ARRIVED,
    /** Sent back to the supplier: wrong or not needed. */
    RETURNED,
    /** Kept on the shelf. */
    SPARE,
    /** The old part owed to the supplier has gone. */
    CORE_SENT_BACK;

    /** Stable id, key of its words. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<PartState> find(String id) {
        return Arrays.stream(values()).filter(state -> state.id().equals(id)).findFirst();
    }

    /** Whether one is on its way or there, so that another order would be a second one. */
    public boolean underWay() {
        return this == ORDERED || this == ARRIVED;
    }
}
