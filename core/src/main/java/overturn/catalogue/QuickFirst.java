package overturn.catalogue;

import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Short tests that a technician does before a dearer one, whatever either is worth by itself: the pedal's own play
 * before anything is raised, the drop at engine start before a gauge is teed in, the stroke of a slave before the
 * clutch is opened, plugs before a strip-down.
 */
public final class QuickFirst {

    private static final List<String> PLAY = List.of("free-play");
    private static final List<String> PLUGS = List.of("port-plugs");

    private static final Map<String, List<String>> BEFORE = Map.ofEntries(
            Map.entry("vacuum-tee", List.of("assist-drop")),
            Map.entry("vacuum-recovery", List.of("assist-drop")),
            Map.entry("assist-compared", List.of("assist-drop")),
            Map.entry("clutch-looked-into", List.of("free-play", "slave-stroke", "frees-at")),
            Map.entry("bearing-watched", List.of("free-play", "slave-stroke")),
            Map.entry("fork-watched", List.of("free-play", "slave-stroke")),
            Map.entry("linings-gauged", List.of("free-play", "rock-lever")),
            Map.entry("toe-lift", PLAY),
            Map.entry("hoses-clamped", PLAY),
            Map.entry("parking-brake", PLAY),
            Map.entry("first-press", PLAY),
            Map.entry("runout-dialled", List.of("first-press")),
            Map.entry("master-stripped", PLUGS),
            Map.entry("bore-gauged", PLUGS),
            Map.entry("bore-for-wear", PLUGS));

    private QuickFirst() {}

    /** Ids of the dearer tests. */
    static Set<String> dearer() {
        return BEFORE.keySet();
    }

    /** Ids of the tests that come before this one, the first first; not every layout has each of them. */
    public static List<String> before(String procedureId) {
        return BEFORE.getOrDefault(procedureId, List.of());
    }
}
