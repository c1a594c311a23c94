package overturn.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Frequencies;
import overturn.inference.Intake;
import overturn.layoutfile.Presets;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** Counts of closed jobs against sums done by hand. */
class LearnedCountsTest {

    private static final LayoutModel MODEL = LayoutModel.of(Presets.all().get(0));

    @Test
    void aJobCountsHalfAfterFourYearsAndAQuarterAfterEight() {
        LearnedCounts counts = LearnedCounts.of(
                List.of(job(Map.of("a", 1.0), 0), job(Map.of("a", 0.5, "b", 0.5), 4), job(Map.of("b", 1.0), 8)));
        assertEquals(1.25, counts.counts().get("a"), 1e-12);
        assertEquals(0.75, counts.counts().get("a") - counts.counts().get("b"), 1e-12);
        assertEquals(0.5, counts.counts().get("b"), 1e-12);
        assertEquals(3, counts.jobs());
    }

    @Test
    void whatComesFromElsewhereCountsByItsWeight() {
        LearnedCounts own = new LearnedCounts(2, Map.of("a", 2.0));
        LearnedCounts both = own.and(new LearnedCounts(10, Map.of("a", 4.0, "b", 6.0)), 0.5);
        assertEquals(Map.of("a", 4.0, "b", 3.0), both.counts());
        assertEquals(
                0, own.and(new LearnedCounts(10, Map.of("b", 6.0)), 0).counts().get("b"));
        assertThrows(IllegalArgumentException.class, () -> own.and(LearnedCounts.NONE, 1.1));
    }

    @Test
    void sixtyJobsOfOneFaultStandBesideTheSixtyThatShip() {
        Suspect often = MODEL.suspects().get(1);
        double shipped = Frequencies.of(MODEL.suspects(), Map.of())[1];
        double learned = Frequencies.of(MODEL.suspects(), Map.of(often.id(), 60.0, "not of this circuit", 500.0))[1];
        assertEquals((60 * shipped + 60) / 120, learned, 1e-12);
    }

    @Test
    void beforeAnyReadingAHeldCureIsSharedByItsSuspectsAsTheyAreFrequent() {
        List<Suspect> two = MODEL.suspects().stream()
                .filter(s -> s.remedy() == Remedy.RENEW_MASTER)
                .toList();
        assertTrue(two.size() > 1);
        Map<String, Double> shares = CauseShares.of(
                BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of()).now(),
                MODEL.suspects(),
                Optional.of(Cure.of(Remedy.RENEW_MASTER)));
        double ratio = two.get(0).frequency() / two.get(1).frequency();
        assertEquals(ratio, shares.get(two.get(0).id()) / shares.get(two.get(1).id()), 0.02 * ratio);
    }

    @Property(seed = "41", tries = 60)
    void sharesOfAClosedJobAreOneTogetherAndOnlyOfWhatWasCured(@ForAll @IntRange(max = 1000) int pick) {
        List<Remedy> remedies = List.copyOf(Set.copyOf(
                MODEL.suspects().stream().map(Suspect::remedy).sorted().toList()));
        Cure cure = Cure.of(remedies.get(pick % remedies.size()));
        Map<String, Double> shares = CauseShares.of(
                BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of()).now(), MODEL.suspects(), Optional.of(cure));
        if (cure.equals(Cure.LOOK_ELSEWHERE)) {
            assertTrue(shares.isEmpty());
            return;
        }
        assertEquals(0.95, shares.values().stream().mapToDouble(d -> d).sum(), 0.05 + 1e-9);
        shares.keySet()
                .forEach(id -> assertTrue(
                        cure.cures(
                                Cure.of(MODEL.suspects().get(MODEL.indexOf(id)).remedy())),
                        id));
    }

    private static ClosedJob job(Map<String, Double> shares, double ageYears) {
        return new ClosedJob(shares, ageYears);
    }
}
