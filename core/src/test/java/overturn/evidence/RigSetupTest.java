package overturn.evidence;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;

class RigSetupTest {

    @Test
    void theFirstOfAKindBearsItsNameAndTheOthersAreCounted() {
        assertEquals(
                List.of("port-plugs", "port-plugs-rig-2", "port-plugs-rig-12"),
                List.of(
                        RigSetup.name("port-plugs", 1),
                        RigSetup.name("port-plugs", 2),
                        RigSetup.name("port-plugs", 12)));
        for (String kind : List.of("eye@dry-walk", "port-plugs", "a-rig-of-sorts")) {
            assertEquals(
                    kind,
                    RigSetup.kind(RigSetup.name(kind, 1)).equals(kind) ? kind : RigSetup.kind(RigSetup.name(kind, 3)));
            assertEquals(kind, RigSetup.kind(RigSetup.name(kind, 3)));
        }
    }
}
