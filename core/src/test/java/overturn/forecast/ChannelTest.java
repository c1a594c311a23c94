package overturn.forecast;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import overturn.catalogue.CutSetProcedure;
import overturn.evidence.Reading;
import overturn.inference.BeliefHistory;
import overturn.inference.Foresight;
import overturn.inference.Intake;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.support.Models;
import overturn.suspect.Cure;

/** Tests as channels, and what is foreseen of them. */
class ChannelTest {

    private static final LayoutModel MODEL = Models.of("old-bess-tender");

    private static List<Procedure> tests() {
        return Stream.concat(
                        MODEL.procedures().all().stream(),
                        MODEL.procedures().cutSets().stream().limit(3).map(CutSetProcedure::procedure))
                .toList();
    }

    private static BeliefHistory history(String... observed) {
        List<Reading> readings = Arrays.stream(observed)
                .map(o -> o.split("="))
                .map(o -> new Reading(o[0], o[0], new Observed(o[1]), "eye@" + o[0], RigTrust.PROVEN))
                .toList();
        return BeliefHistory.of(MODEL, Intake.UNKNOWN, readings);
    }

    /** Whatever is the matter, some outcome comes, and none is impossible: the rig may lie. */
    @Test
    void theOutcomesOfEveryParticleShareOutOne() {
        for (Procedure test : tests()) {
            Channel channel = MODEL.channel(test);
            double[] row = new double[channel.outcomes()];
            for (int s = 0; s < MODEL.suspects().size(); s++) {
                for (Hypothesis told : List.of(
                        Hypothesis.single(s),
                        Hypothesis.unlistedLike(s),
                        Hypothesis.pair(s, (s + 7) % MODEL.suspects().size()))) {
                    channel.chances(told, 11, MODEL.sound(), 1, row);
                    assertEquals(1, Arrays.stream(row).sum(), 1e-4, test.id() + " " + told);
                    assertTrue(Arrays.stream(row).allMatch(p -> p > 0), test.id() + " " + told);
                }
            }
            assertEquals(1, Arrays.stream(channel.overall()).sum(), 1e-4, test.id());
        }
    }

    /** A fault that is never there reads as nothing wrong, one that is there half the time half so. */
    @Test
    void aFaultThatComesAndGoesIsAMixture() {
        Channel hold = MODEL.channel(MODEL.procedures().find("hold-medium").orElseThrow());
        Hypothesis cup = Hypothesis.single(MODEL.indexOf("primary-piston-cup"));
        double[] sound = row(hold, Hypothesis.single(MODEL.sound()), 1);
        assertArrayEquals(sound, row(hold, cup, 0), 1e-6);
        double[] half = row(hold, cup, 0.5);
        double[] whole = row(hold, cup, 1);
        for (int m = 0; m < half.length; m++) {
            assertEquals((sound[m] + whole[m]) / 2, half[m], 1e-6);
        }
    }

    private static double[] row(Channel channel, Hypothesis told, double there) {
        double[] row = new double[channel.outcomes()];
        channel.chances(told, 5, MODEL.sound(), there, row);
        return row;
    }

    /** What is foreseen of any test adds up to what is believed now: a test that has not been done changes nothing. */
    @Test
    void outcomesAddUpToWhatIsBelieved() {
        Foresight foresight = Foresight.of(history("characterise=sinks", "reservoir=steady", "dry-walk=all-dry"));
        double[] shares = foresight.shares();
        assertEquals(1, Arrays.stream(shares).sum(), 0.01);
        for (Procedure test : tests()) {
            double[][] joint = foresight.outcomes(test);
            for (int c = 0; c < shares.length; c++) {
                int cure = c;
                assertEquals(
                        shares[c],
                        Arrays.stream(joint).mapToDouble(row -> row[cure]).sum(),
                        1e-4,
                        test.id());
            }
        }
    }

    @Test
    void whatIsForeseenKeepsTheSharesOfTheCures() {
        BeliefHistory history = history("characterise=sinks", "reservoir=steady");
        Foresight foresight = Foresight.of(history);
        Set<Cure> likely = history.now().cures().entrySet().stream()
                .filter(e -> e.getValue() > 0.02)
                .map(java.util.Map.Entry::getKey)
                .collect(Collectors.toSet());
        for (Cure cure : likely) {
            assertEquals(
                    history.now().probability(cure),
                    foresight.shares()[foresight.cures().indexOf(cure)],
                    0.01,
                    cure.toString());
        }
        assertTrue(likely.size() >= 3);
    }

    /** A model that knows fewer suspects foresees the same under those it knows. */
    @Test
    void fewerSuspectsChangeNothingForTheOthers() {
        LayoutModel blind = MODEL.knowing(s -> !s.id().equals("hole-clogged"));
        Procedure hold = MODEL.procedures().find("hold-medium").orElseThrow();
        double[] wide = row(MODEL.channel(hold), Hypothesis.single(MODEL.indexOf("primary-piston-cup")), 1);
        double[] narrow = new double[wide.length];
        blind.channel(hold)
                .chances(Hypothesis.single(blind.indexOf("primary-piston-cup")), 5, blind.sound(), 1, narrow);
        assertArrayEquals(wide, narrow, 0);
    }
}
