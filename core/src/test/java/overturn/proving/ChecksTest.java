package overturn.proving;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.layoutfile.Presets;

/** What is proved on each kind of vehicle, as somebody who does it would expect. */
class ChecksTest {

    private static Set<String> of(String preset) {
        return Checks.of(Presets.layout(preset)).stream().map(Check::id).collect(Collectors.toSet());
    }

    @ParameterizedTest
    @CsvSource({
        "tarn-box-van, parking-brake-proven wheels-free lamp-off assist-again fuse-in reverse-and-stop hands-light parking-brake-again",
        "corvane-flatbed, assist-again steering-again fuse-in wheels-free",
        "old-bess-tender, parking-brake-proven wheels-free parking-brake-again creep-and-stop",
        "wisp-courier-brake, stands-safe snaps-back creep-and-stop rolls-free lamp-off wheels-free",
        "brack-tug-clutch, slave-moves gears-quiet bite-height hot-repeat parking-brake-proven",
        "wisp-courier-clutch, stands-safe slave-moves gears-quiet snaps-back"
    })
    void whatHasToBeProvedIsThere(String preset, String checks) {
        assertTrue(of(preset).containsAll(List.of(checks.split(" "))), preset + " has " + of(preset));
    }

    @ParameterizedTest
    @CsvSource({
        "tarn-box-van, stands-safe steering-again slave-moves gears-quiet snaps-back hot-repeat",
        "corvane-flatbed, parking-brake-again snaps-back slave-moves",
        "old-bess-tender, assist-again fuse-in steering-again",
        "wisp-courier-brake, parking-brake-proven reverse-and-stop hands-light assist-again fuse-in",
        "brack-tug-clutch, wheels-free lamp-off progressive-stops hard-stop rolls-free warm-no-drag snaps-back",
        "wisp-courier-clutch, parking-brake-proven wheels-free reverse-and-stop progressive-stops"
    })
    void whatTheVehicleDoesNotHaveIsNotAsked(String preset, String checks) {
        Set<String> asked = of(preset);
        asked.retainAll(Set.of(checks.split(" ")));
        assertEquals(Set.of(), asked);
    }

    /** Whatever the vehicle, it is held first, its travel measured, its leaks looked at, and it comes back next day. */
    @Test
    void someThingsAreProvedOnEveryVehicle() {
        Presets.all().forEach(layout -> {
            List<Check> checks = Checks.of(layout);
            assertTrue(
                    Set.of("stands-safe", "parking-brake-proven")
                            .contains(checks.get(0).id()),
                    layout.id());
            assertTrue(
                    of(layout.id())
                            .containsAll(List.of(
                                    "pumped-firm",
                                    "holds-sixty",
                                    "travel-again",
                                    "hard-press",
                                    "level-set",
                                    "tools-counted",
                                    "leaks-once-more")),
                    layout.id());
            assertEquals(
                    List.of("level-same", "travel-same", "still-dry"),
                    checks.stream()
                            .filter(check -> check.gate() == Gate.NEXT_DAY)
                            .map(Check::id)
                            .toList());
        });
        assertEquals("next-day", Gate.NEXT_DAY.id());
    }
}
