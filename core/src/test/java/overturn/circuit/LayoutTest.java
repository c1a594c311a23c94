package overturn.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;

class LayoutTest {

    private final Layout tarn = Presets.TARN_BOX_VAN;

    @Test
    void aChamberReachesItsOwnEndsAndNoOthers() {
        Set<String> primary = tarn.connected(Chamber.PRIMARY, CutSet.NONE);
        assertTrue(primary.containsAll(List.of("master", "modulator", "front-left", "front-right")));
        assertFalse(primary.contains("rear-left") || primary.contains("rear-pipe"));
    }

    @Test
    void aPlugTakesOutWhatLiesBeyondIt() {
        assertEquals(Set.of("master"), tarn.connected(Chamber.PRIMARY, CutSet.of("front-port")));
        assertEquals(Set.of("rear-left-hose", "rear-left"), tarn.beyond("rear-left-hose-inlet"));
        CutSet outlets = CutSet.of("front-left-outlet", "front-right-outlet", "rear-left-outlet", "rear-right-outlet");
        assertEquals(Set.of("master", "front-pipe", "modulator"), tarn.connected(Chamber.PRIMARY, outlets));
        assertTrue(
                tarn.connected(Chamber.SECONDARY, CutSet.of("front-port")).contains("rear-left"),
                "the other chamber is untouched");
    }

    @Test
    void aCutThatIsNotThereIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> tarn.connected(Chamber.PRIMARY, CutSet.of("garden-gate")));
    }

    @Test
    void everyMistakeOfALayoutIsToldAtOnce() {
        List<Component> parts = new ArrayList<>(tarn.components());
        parts.add(new Component.Pipe("front-pipe", 3, false));
        parts.remove(0);
        List<Joint> joints = new ArrayList<>(tarn.joints());
        joints.add(new Joint("odd", "master", "nowhere", Chamber.PRIMARY));
        String message = assertThrows(
                        IllegalArgumentException.class, () -> new Layout("broken", Family.VACUUM_BRAKE, parts, joints))
                .getMessage();
        assertTrue(
                message.contains("front-pipe stands twice")
                        && message.contains("nowhere")
                        && message.contains("input (pedal or lever) stands 0 times"),
                message);
    }
}
