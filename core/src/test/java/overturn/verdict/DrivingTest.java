package overturn.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.support.Models;
import overturn.suspect.Hazard;
import overturn.suspect.Suspect;

/** Whether it may be driven meanwhile. */
@Tag("slow")
class DrivingTest {

    private static final LayoutModel TARN = Models.tarn();

    private static Belief after(String... seen) {
        List<Reading> readings = Arrays.stream(seen)
                .map(s -> new Reading(s, s.split("=")[0], new Observed(s.split("=")[1]), "eye@" + s, RigTrust.PROVEN))
                .toList();
        return BeliefHistory.of(TARN, Intake.UNKNOWN, readings).now();
    }

    /** At the complaint everything is live, a by-passing cup among it. */
    @Test
    void aComplaintAloneIsNotDriven() {
        Driving driving = Driving.of(after("characterise=sinks"), TARN.layout());
        assertEquals(Hazard.NOT_AT_ALL, driving.answer());
        assertEquals("primary-piston-cup", driving.because().get(0).id());
    }

    @Test
    void itIsNeverSofterThanTheWorstThatIsLive() {
        for (Belief belief : List.of(
                after("characterise=sinks"),
                after("characterise=hard", "dry-walk=all-dry", "supply-hose-felt=cracked-or-off"),
                after("characterise=lamp-stays-lit", "dry-walk=all-dry"),
                after("characterise=pulls", "linings-gauged=bad", "driven=plainly"))) {
            Driving driving = Driving.of(belief, TARN.layout());
            for (Suspect suspect : TARN.suspects()) {
                if (belief.probability(suspect.id()) >= 0.02) {
                    assertTrue(
                            driving.answer().compareTo(Hazard.of(suspect, TARN.layout())) >= 0,
                            suspect.id() + " is live at " + belief.probability(suspect.id()));
                }
            }
        }
    }
}
