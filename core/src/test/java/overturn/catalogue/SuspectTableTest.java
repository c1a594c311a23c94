package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
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

    /** Severities among which a proof has to be within reach at least once: the worse half. */
    private static final double[] BAD = {0.5, 0.6, 0.7, 0.8, 0.9, 0.99};

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void everySuspectHasATestOfItsOwnThatMayCarryItsProof(Layout layout) {
        SuspectTable table = SuspectTable.of(layout, 12);
        Set<String> unproven = IntStream.range(1, table.suspects().size())
                .filter(s -> IntStream.range(0, table.tests().size())
                        .noneMatch(t -> table.tests()
                                        .get(t)
                                        .canCarry(table.suspects().get(s).id())
                                && toldWhereBad(table, s, t)))
                .mapToObj(s -> table.suspects().get(s).id())
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(Set.of(), unproven, layout.id());
    }

    private static boolean toldWhereBad(SuspectTable table, int suspect, int test) {
        Procedure procedure = table.tests().get(test);
        return IntStream.range(0, procedure.width())
                .anyMatch(k -> Arrays.stream(BAD)
                        .anyMatch(bad ->
                                Math.abs(table.cells().get(suspect).get(test).at(bad, k)
                                                - table.cells().get(0).get(test).at(bad, k))
                                        > procedure.tellableDifference(k)));
    }
}
