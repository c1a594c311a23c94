package overturn.bench.hidden;

import java.util.Locale;

/** Kinds of vehicles, each reported on its own line. */
enum Stratum {
    /** One suspect of the list. */
    SINGLE,
    /** Two at once, cured by two remedies. */
    PAIR,
    /** Nothing wrong. */
    SOUND,
    /** One suspect in a world that differs more. */
    ROUGH,
    /** One suspect that is there in some tests only, and the driver says so. */
    INTERMITTENT,
    /** One suspect that the model has never heard of. */
    UNLISTED;

    String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether the baselines drive it too. */
    boolean compared() {
        return this == SINGLE || this == PAIR || this == SOUND;
    }
}
