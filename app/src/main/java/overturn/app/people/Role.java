package overturn.app.people;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What somebody is in the workshop, from the one who learns to the one who answers for it. */
public enum Role {
    APPRENTICE,
    TECHNICIAN,
    LEAD,
    OWNER;

    /** Stable id, in small letters. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Role> find(String id) {
        return Arrays.stream(values()).filter(role -> role.id().equals(id)).findFirst();
    }
}
