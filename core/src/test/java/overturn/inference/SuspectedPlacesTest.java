package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** At which part a suspect sits that can sit at several. */
@Tag("slow")
class SuspectedPlacesTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Reading DRAGS =
            new Reading("characterise", "characterise", new Observed("stays-on"), "eye@characterise", RigTrust.NORMAL);

    /** Front left, front right, rear left, rear right. */
    private static Reading drag(double... newtonMetres) {
        return torques("wheel-drag", newtonMetres);
    }

    private static Reading torques(String test, double... newtonMetres) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (double value : newtonMetres) {
            taken.add(Optional.of(new TypedQuantity(Double.toString(value), MeasureUnit.NEWTON_METRE, value)));
        }
        return new Reading(test, test, new Figures(taken), "hands", RigTrust.PROVEN);
    }

    private static Map<String, Double> at(String suspectId, PlacesSeen seen, Reading... readings) {
        return BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(readings))
                .now()
                .places()
                .components(seen, suspect -> suspect.id().equals(suspectId));
    }

    private static double share(Map<String, Double> parts, String part) {
        return parts.get(part)
                / parts.values().stream().mapToDouble(Double::doubleValue).sum();
    }

    @Test
    void theWheelThatDragsTellsWhichHoseAndWhichCaliper() {
        for (String side : List.of("front-left", "front-right", "rear-left", "rear-right")) {
            double[] torques = Stream.of("front-left", "front-right", "rear-left", "rear-right")
                    .mapToDouble(wheel -> wheel.equals(side) ? 36 : 3)
                    .toArray();
            Map<String, Double> hoses =
                    at("hose-flap", PlacesSeen.NONE, DRAGS, torques("crack-end-screw", 36, 3), drag(torques));
            assertTrue(share(hoses, side + "-hose") > 0.8, side + " " + hoses);
            Map<String, Double> ends = at("piston-seized", PlacesSeen.NONE, DRAGS, drag(torques));
            assertTrue(share(ends, side) > 0.8, side + " " + ends);
        }
    }

    @Test
    void whereNothingWasReadOfOnePartAllCountAboutAlike() {
        Map<String, Double> hoses = at("hose-flap", PlacesSeen.NONE, DRAGS);
        assertEquals(4, hoses.size());
        hoses.keySet().forEach(hose -> assertEquals(0.25, share(hoses, hose), 0.12, hose));
    }

    @Test
    void aWetPartCountsOnTopOfWhatWasRead() {
        PlacesSeen wet = new PlacesSeen(Map.of("rear-left", PlacesSeen.State.WET), Set.of("end-seal-weeping"));
        Map<String, Double> before = at("end-seal-weeping", PlacesSeen.NONE, DRAGS);
        Map<String, Double> after = at("end-seal-weeping", wet, DRAGS);
        assertTrue(share(after, "rear-left") > share(before, "rear-left"), before + " " + after);
    }

    @Test
    void whatIsAtBothDrumsAtOnceIsNotAskedForOneByOne() {
        SuspectedPlaces places = BeliefHistory.of(
                        MODEL,
                        Intake.UNKNOWN,
                        List.of(new Reading(
                                "characterise",
                                "characterise",
                                new Observed("long-then-firm"),
                                "eye",
                                RigTrust.NORMAL)))
                .now()
                .places();
        assertTrue(places.isTogether(Remedy.ADJUST_SHOES));
        assertFalse(places.isTogether(Remedy.RESEAL_END));
    }

    @Test
    void partsCarryWhatTheirSuspectsCarry() {
        Belief belief = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(DRAGS, drag(3, 3, 3, 36)))
                .now();
        for (Suspect suspect : MODEL.suspects()) {
            assertEquals(
                    suspect.places().isEmpty() ? 0 : belief.probability(suspect.id()),
                    belief.places().components(PlacesSeen.NONE, suspect::equals).values().stream()
                            .mapToDouble(Double::doubleValue)
                            .sum(),
                    1e-9,
                    suspect.id());
        }
    }

    @Test
    void whatIsKeptOfAPastBeliefSaysTheSame() {
        Belief belief = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(DRAGS, drag(3, 3, 3, 36)))
                .now();
        assertEquals(belief.places().components(), belief.settled().places().components());
    }
}
