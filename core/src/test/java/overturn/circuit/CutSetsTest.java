package overturn.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.CutSets.Device;
import overturn.circuit.CutSets.Division;
import overturn.layoutfile.Presets;

/** Every way to divide a circuit is there, and only once. */
class CutSetsTest {

    private static Set<String> kept(Layout layout, Set<String> joints) {
        return layout.chambers().stream()
                .flatMap(c ->
                        layout.connected(c, CutSet.closing(joints)).stream().map(id -> c + " " + id))
                .collect(Collectors.toSet());
    }

    /**
     * One clamp, two or three at different hoses; the same of outlets; either port or both; and never two on one line.
     */
    @Test
    void theTarnCanBeDividedInOneHundredWays() {
        List<Division> all = CutSets.of(Presets.TARN_BOX_VAN, List.of());
        assertEquals(
                List.of(14L, 3L, 14L, 69L),
                List.of(Device.values()).stream()
                        .map(d -> all.stream().filter(w -> w.device() == d).count())
                        .toList());
        assertEquals(
                Set.of("front-pipe"),
                all.stream()
                        .filter(d -> d.joints().equals(List.of("front-port")))
                        .findFirst()
                        .orElseThrow()
                        .takenOut()
                        .stream()
                        .filter(id -> id.endsWith("pipe") && !id.contains("left") && !id.contains("right"))
                        .collect(Collectors.toSet()));
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void noTwoKeepTheSameAndNoneHasAnIdleDevice(Layout layout) {
        Set<Set<String>> seen = new HashSet<>();
        for (Division division : CutSets.of(layout, List.of())) {
            Set<String> joints = Set.copyOf(division.joints());
            assertTrue(joints.size() <= 3 && joints.size() == division.joints().size(), division.toString());
            assertTrue(seen.add(kept(layout, joints)), division.toString());
            joints.forEach(idle -> assertTrue(
                    !kept(layout, joints)
                            .equals(kept(
                                    layout,
                                    joints.stream().filter(j -> !j.equals(idle)).collect(Collectors.toSet()))),
                    idle + " does nothing in " + division));
        }
    }

    /** Tried one by one: whatever two plugs keep is kept by one of the ways. */
    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void whateverTwoPlugsKeepIsThere(Layout layout) {
        Set<Set<String>> there = CutSets.of(layout, List.of()).stream()
                .map(d -> kept(layout, Set.copyOf(d.joints())))
                .collect(Collectors.toSet());
        List<Joint> joints = layout.joints().stream()
                .filter(j -> !(layout.component(j.from()) instanceof Component.Modulator)
                        && !layout.ports().contains(j))
                .toList();
        for (Joint one : joints) {
            for (Joint other : joints) {
                assertTrue(
                        there.contains(kept(layout, new HashSet<>(List.of(one.id(), other.id())))),
                        one.id() + " and " + other.id());
            }
        }
    }

    @Test
    void whatIsKnownAlreadyIsLeftOut() {
        Layout tarn = Presets.TARN_BOX_VAN;
        List<Division> all = CutSets.of(tarn, List.of(CutSet.of("front-port", "rear-port")));
        assertEquals(99, all.size());
        assertTrue(all.stream().noneMatch(d -> d.joints().equals(List.of("front-port", "rear-port"))));
    }
}
