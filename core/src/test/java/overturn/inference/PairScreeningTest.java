package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.PairedSeverities;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SetupLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;
import overturn.suspect.Repaired;

/** Which pairs are near enough to be weighed, and what of a hypothesis shows in a test. */
class PairScreeningTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Reading DAMP =
            new Reading("dry-walk", "dry-walk", new Observed("wet"), "eye@dry-walk", RigTrust.PROVEN);

    private static Reading hold(double... mm) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (double value : mm) {
            taken.add(Optional.of(new TypedQuantity(Double.toString(value), MeasureUnit.MILLIMETRE, value)));
        }
        return new Reading("hold-medium", "hold-medium", new Figures(taken), "tape", RigTrust.PROVEN);
    }

    private static PairScreening screening(Reading... readings) {
        List<SetupLikelihood> setups = IntStream.range(0, readings.length)
                .mapToObj(
                        i -> new SetupLikelihood(MODEL, List.of(ReadingLikelihood.of(MODEL, readings[i], false)), true))
                .toList();
        return PairScreening.of(
                MODEL,
                Prior.of(MODEL.layout(), MODEL.suspects(), MODEL.sound(), Intake.UNKNOWN),
                Repaired.NONE,
                SummedLikelihood.of(MODEL.suspects().size(), RigSetups.of(setups)));
    }

    /**
     * A wet joint and a sinking hold: the cup explains the one, the weeping joint the other; two cups leave the wet
     * joint unexplained.
     */
    @Test
    void aPairIsSeenToExplainWhatEachOfTheTwoExplains() {
        PairScreening seen = screening(DAMP, hold(37.5, 43, 51.5, 67.5));
        int cup = MODEL.indexOf("primary-piston-cup");
        double both = seen.log(cup, MODEL.indexOf("weeping-joint"), Double.NEGATIVE_INFINITY);
        double twoCups = seen.log(cup, MODEL.indexOf("second-piston-rear-cup"), Double.NEGATIVE_INFINITY);
        assertTrue(both > twoCups + 1, both + " and " + twoCups);
        assertEquals(
                both,
                seen.log(MODEL.indexOf("weeping-joint"), cup, Double.NEGATIVE_INFINITY),
                1e-12,
                "whichever is named first");
        assertTrue(
                seen.log(cup, MODEL.indexOf("second-piston-rear-cup"), both) < both,
                "less than asked for, however far it was worked out");
    }

    @Test
    void severitiesThatMeetAreTheBestOfEach() {
        int cup = MODEL.indexOf("primary-piston-cup");
        int joint = MODEL.indexOf("weeping-joint");
        PairedSeverities pairs = screening(DAMP, hold(37.5, 43, 51.5, 67.5)).pairs(Hypothesis.pair(cup, joint));
        assertEquals(16, pairs.count());
        assertTrue(pairs.host() == cup || pairs.host() == joint);
        assertEquals(cup + joint, pairs.host() + pairs.guest());
        int[] hosts = IntStream.of(pairs.vehicles()).limit(16).distinct().toArray();
        assertEquals(4, hosts.length);
        double[] row =
                ReadingLikelihood.of(MODEL, hold(37.5, 43, 51.5, 67.5), false).row(Hypothesis.single(cup), 0);
        double best =
                IntStream.range(0, row.length).mapToDouble(i -> row[i]).max().orElseThrow();
        double met = IntStream.concat(IntStream.of(pairs.vehicles()), IntStream.of(pairs.guests()))
                .mapToDouble(i -> row[i])
                .max()
                .orElseThrow();
        assertEquals(best, met, 3, "the best severity of the cup is among them, or one as good");
    }

    @Test
    void severitiesMeetAsTheyComeOnVehiclesOfTheFirst() {
        PairedSeverities pairs = PairedSeverities.asTheyCome(Hypothesis.pair(7, 3), 21);
        assertEquals(21, pairs.count());
        assertEquals(3, pairs.host());
        assertEquals(7, pairs.guest());
        assertEquals(21, IntStream.of(pairs.vehicles()).distinct().count(), "no vehicle twice");
        assertEquals(
                6,
                IntStream.range(0, 21)
                        .filter(n -> pairs.vehicles()[n] == pairs.guests()[n])
                        .count(),
                "one in four meets itself");
    }

    @Test
    void whatDoesNotShowIsAsNothingWrong() {
        int sound = MODEL.sound();
        Hypothesis pair = Hypothesis.pair(2, 5);
        assertEquals(pair, pair.showing(s -> true, sound));
        assertEquals(Hypothesis.single(5), pair.showing(s -> s == 5, sound));
        assertEquals(Hypothesis.single(2), pair.showing(s -> s == 2, sound));
        assertEquals(Hypothesis.single(sound), pair.showing(s -> false, sound));
        assertEquals(Hypothesis.unlistedLike(sound), Hypothesis.unlistedLike(2).showing(s -> false, sound));
        assertEquals(Hypothesis.single(2), Hypothesis.single(2).showing(s -> true, sound));
    }

    /** A reading that a suspect cannot move weighs on it as on nothing wrong, to the last digit. */
    @Test
    void aReadingThatASuspectCannotMoveIsSharedWithNothingWrong() {
        ReadingLikelihood walk = ReadingLikelihood.of(MODEL, DAMP, false);
        int cup = MODEL.indexOf("primary-piston-cup");
        assertTrue(!walk.moved(cup) && walk.moved(MODEL.indexOf("weeping-joint")));
        assertArrayEquals(walk.row(Hypothesis.single(MODEL.sound()), 0), walk.row(Hypothesis.single(cup), 0));
    }
}
