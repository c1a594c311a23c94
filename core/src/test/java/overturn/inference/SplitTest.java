package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.RigTrust;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/** How a test divides what is suspected, as its reason tells. */
class SplitTest {

    private static final LayoutModel MODEL = Models.of("old-bess-tender");

    private static Belief belief(String hidden, int tests, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Suspect suspect = MODEL.suspects().get(MODEL.indexOf(hidden));
        HiddenVehicle vehicle = HiddenVehicle.of(
                        MODEL.simulator(),
                        VehicleUnknowns.draw(random),
                        suspect.physics().at(0.6, MODEL.layout(), random),
                        1)
                .after(MODEL.procedures().intake());
        List<Procedure> chosen = new ArrayList<>(MODEL.procedures().all());
        Collections.shuffle(chosen, new java.util.Random(seed));
        return BeliefHistory.of(
                        MODEL,
                        Intake.UNKNOWN,
                        chosen.subList(0, tests).stream()
                                .map(p -> new Reading(
                                        p.id(), p.id(), vehicle.read(p, random), p.rigSetup(), RigTrust.PROVEN))
                                .toList())
                .now();
    }

    @ParameterizedTest
    @CsvSource({
        "air-in-rear-end, 0",
        "air-in-rear-end, 4",
        "excess-shoe-clearance, 8",
        "hole-clogged, 12",
        "primary-piston-cup, 20"
    })
    void theTwoSidesAreAllThatIsLiveAndNothingTwice(String hidden, int tests) {
        Belief belief = belief(hidden, tests, 5);
        Set<Remedy> live = belief.remedies().entrySet().stream()
                .filter(e -> e.getValue() >= 0.01 && e.getKey() != Remedy.LOOK_ELSEWHERE)
                .map(java.util.Map.Entry::getKey)
                .collect(Collectors.toSet());
        for (Procedure procedure : MODEL.procedures().all()) {
            Split split = Split.of(belief, procedure);
            Set<Remedy> both = new HashSet<>(split.low());
            both.addAll(split.high());
            assertEquals(
                    split.low().size() + split.high().size(),
                    both.size(),
                    procedure.id() + ": one stands on both sides");
            both.remove(Remedy.LOOK_ELSEWHERE);
            assertEquals(live, both, procedure.id());
            assertTrue(
                    live.size() < 2
                            || !split.low().isEmpty()
                                    && !split.high().isEmpty()
                                    && !split.low().contains(Remedy.LOOK_ELSEWHERE)
                                    && !split.high().contains(Remedy.LOOK_ELSEWHERE),
                    procedure.id() + ": a fault in no list foretells nothing");
            assertTrue(Split.share(belief, split.low()) + Split.share(belief, split.high()) > 0.5, procedure.id());
        }
    }
}
