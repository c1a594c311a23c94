package overturn.repair;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Where good practitioners differ in how a step is done. The first way is the usual one; words say what each is good
 * for.
 */
public enum School {
    /** Where a new or rebuilt master is bled before its lines are joined. */
    PRIMING("priming", "by-build", "bench", "in-place"),
    SCREW_OPENS("screw-opens", "before-press", "with-press"),
    JAR("jar", "above", "below"),
    JAR_FLUID("jar-fluid", "new", "old"),
    ROD_WHEN("rod-when", "before-and-after", "after-bleeding"),
    ROD_WAY("rod-way", "in-only", "both-ways"),
    NUT_SPANNER("nut-spanner", "always-flare", "flare-when-stuck"),
    /** Whether the pipes of the master stay on when the assist comes out. */
    ASSIST_PIPES("assist-pipes", "bent-aside", "off"),
    REWORK("rework", "as-judged", "renew", "reseal"),
    SEALS("seals", "always-new", "by-sight"),
    SEAL_WETTING("seal-wetting", "fluid", "paste"),
    CLEANER("cleaner", "alcohol", "spray"),
    MODULATOR_AIR("modulator-air", "routine", "outlets"),
    /** How seals are shown sound before they are flushed through. */
    SEALS_SHOWN("seals-shown", "plugs", "stripped");

    private final String id;
    private final List<String> ways;

    School(String id, String... ways) {
        this.id = id;
        this.ways = List.of(ways);
    }

    /** The school of a stable id. */
    public static Optional<School> find(String id) {
        return Arrays.stream(values()).filter(school -> school.id.equals(id)).findFirst();
    }

    /** Stable id, key of its words. */
    public String id() {
        return id;
    }

    /** Stable ids of its ways, the usual one first. */
    public List<String> ways() {
        return ways;
    }
}
