package overturn.procedure;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.Layout;
import overturn.suspect.Suspect;

/** No suspect is a mere label, and few hide behind each other. */
class SuspectTableTest {

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void everySuspectIsToldFromSoundAndGroupsStaySmall(Layout layout) {
        SuspectTable table = SuspectTable.of(layout, 12);
        for (int s = 1; s < table.suspects().size(); s++) {
            assertFalse(
                    table.telling(s).isEmpty(),
                    layout.id() + ": no test tells " + table.suspects().get(s).id());
        }
        for (List<Suspect> group : table.groups()) {
            assertTrue(
                    group.size() <= 3,
                    layout.id() + ": " + group.stream().map(Suspect::id).toList());
        }
    }
}
