package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.support.Models;
import overturn.suspect.Suspect;

/** Whatever is let go of a history, and however it goes on, it says the same to the last digit. */
class BeliefHistoryTest {

    private static final LayoutModel MODEL = Models.of("wisp-courier-clutch");
    /** The first looks of the catalogue, each with its first observation; that of the intake is among them. */
    private static final List<Reading> READINGS = MODEL.procedures().all().stream()
            .filter(p -> p.spec() instanceof Observation)
            .limit(5)
            .map(p -> new Reading(
                    p.id(),
                    p.id(),
                    new Observed(((Observation) p.spec()).options().get(0)),
                    p.rigSetup(),
                    RigTrust.NORMAL))
            .toList();

    private static BeliefHistory of(int readings) {
        return BeliefHistory.of(MODEL, Intake.UNKNOWN, READINGS.subList(0, readings));
    }

    private static void assertSame(Belief expected, Belief actual) {
        for (Suspect suspect : MODEL.suspects()) {
            assertEquals(expected.probability(suspect.id()), actual.probability(suspect.id()), suspect.id());
        }
        assertEquals(expected.cures(), actual.cures());
        assertEquals(expected.leadingPairs(3), actual.leadingPairs(3));
        assertEquals(expected.places().components(), actual.places().components());
    }

    @Test
    void aHistoryThatKeepsNoParticlesButItsLatestSaysTheSame() {
        BeliefHistory whole = of(4);
        BeliefHistory completed = of(4).complete();
        for (int n = 0; n < 4; n++) {
            assertSame(whole.after(n), completed.after(n));
            assertSame(whole.without(n), completed.without(n));
        }
        assertSame(whole.now(), completed.now());
    }

    @Test
    void itGoesOnTheSame() {
        assertSame(
                of(5).now(),
                of(4).complete().with(READINGS.subList(4, 5)).complete().now());
        assertSame(
                of(5).without(1),
                of(4).complete().with(READINGS.subList(4, 5)).complete().without(1));
    }

    @Test
    void itIsResumedFromWhatIsStillKnownOfItAndFromMore() {
        List<Belief> settled = of(3).complete().settled();
        assertEquals(4, settled.size(), "before any reading, and after each");
        for (int readings = 2; readings <= 5; readings++) {
            BeliefHistory resumed = BeliefHistory.resumed(MODEL, Intake.UNKNOWN, READINGS.subList(0, readings), settled)
                    .complete();
            for (int n = 0; n <= readings; n++) {
                assertSame(of(readings).after(n), resumed.after(n));
            }
        }
    }

    @Test
    void nothingCanBeWeighedWithASettledBelief() {
        assertThrows(RuntimeException.class, () -> of(2).now().settled().foreseen(0));
        assertEquals(
                List.of(),
                Stream.of(of(2).now().settled())
                        .filter(b -> b.lyingProbability(READINGS.get(0).rigSetup()) > 0)
                        .toList());
    }
}
