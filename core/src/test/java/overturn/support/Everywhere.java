package overturn.support;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import overturn.circuit.Family;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;

/** Circuits over which the longest tests go: all with {@code -Devery.preset}, the first of each family otherwise. */
public final class Everywhere {

    private Everywhere() {}

    /** Those on which the longest tests play everything. */
    public static List<Layout> presets() {
        Set<Family> met = new HashSet<>();
        return Presets.all().stream()
                .filter(layout -> met.add(layout.family()) || every())
                .toList();
    }

    /** Whether nothing is left out. */
    public static boolean every() {
        return System.getProperty("every.preset") != null;
    }
}
