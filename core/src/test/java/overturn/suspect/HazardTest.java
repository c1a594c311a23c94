package overturn.suspect;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import org.junit.jupiter.api.Test;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;

/** How far a vehicle may be driven with each suspect. */
class HazardTest {

    private static Hazard of(String layoutId, String suspect) {
        Layout layout = Presets.layout(layoutId);
        return SuspectCatalogue.of(layout).stream()
                .filter(s -> s.id().equals(suspect))
                .map(s -> Hazard.of(s, layout))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everySuspectOfEveryLayoutHasOne() {
        for (Layout layout : Presets.all()) {
            for (Suspect suspect : SuspectCatalogue.of(layout)) {
                boolean sound = suspect.id().equals(SuspectCatalogue.NOTHING_WRONG);
                assertEquals(sound, Hazard.of(suspect, layout) == Hazard.UNTIL_RECHECK, suspect.id());
                if (layout.family().clutch()) {
                    assertNotEquals(Hazard.NOT_AT_ALL, Hazard.of(suspect, layout), suspect.id());
                }
            }
        }
    }

    /** What loses a circuit, locks a wheel or takes the steering ends the drive. */
    @Test
    void whatCanKillWithoutWarningEndsTheDrive() {
        assertEquals(Hazard.NOT_AT_ALL, of("tarn-box-van", "primary-piston-cup"));
        assertEquals(Hazard.NOT_AT_ALL, of("tarn-box-van", "weeping-joint"));
        assertEquals(Hazard.NOT_AT_ALL, of("wisp-courier-brake", "reach-screw-preload"));
        assertEquals(Hazard.NOT_AT_ALL, of("corvane-flatbed", "assist-line-leaking"));
        assertEquals(Hazard.TO_THE_WORKSHOP, of("tarn-box-van", "air-in-rear-end"));
        assertEquals(Hazard.TO_THE_WORKSHOP, of("tarn-box-van", "low-assist-supply"));
        assertEquals(Hazard.TO_THE_WORKSHOP, of("brack-tug-clutch", "slave-seal-weeping"));
    }
}
