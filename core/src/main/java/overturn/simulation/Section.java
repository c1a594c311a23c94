package overturn.simulation;

import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;
import overturn.circuit.Layout;

/** What each chamber still presses on under one cut set; found once and shared by all particles. */
record Section(Map<Chamber, Set<String>> connected) {

    static Section of(Layout layout, CutSet cuts) {
        Map<Chamber, Set<String>> connected = new EnumMap<>(Chamber.class);
        for (Chamber chamber : Chamber.values()) {
            connected.put(chamber, layout.connected(chamber, cuts));
        }
        return new Section(connected);
    }

    boolean reaches(Chamber chamber, String componentId) {
        return connected.get(chamber).contains(componentId);
    }
}
