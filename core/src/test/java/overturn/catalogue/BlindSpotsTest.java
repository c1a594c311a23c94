package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import overturn.catalogue.BlindSpots.BlindSpot;
import overturn.catalogue.BlindSpots.When;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** A blind note binds: what a test says it cannot see moves the odds by less than half as much again, either way. */
class BlindSpotsTest {

    private static final double MOST_ODDS = 1.5;
    private static final double[] ALL_SEVERITIES = {0.2, 0.5, 0.8};
    private static final double[] SLIGHT = {0.05};

    private static double[] predicted(Layout layout, Procedure test, List<Fault> faults) {
        return test.predicted(Simulator.of(layout).run(test.protocol(), VehicleUnknowns.NOMINAL, faults));
    }

    /**
     * How much the likeliest reading of either vehicle speaks for the suspect against nothing wrong, as odds above 1.
     */
    private static double odds(Procedure test, double[] sound, double[] faulty) {
        double most = 1;
        if (test.spec() instanceof Series series) {
            double squares = 0;
            for (int k = 0; k < sound.length; k++) {
                squares += Math.pow((faulty[k] - sound[k]) / series.readingSd(k), 2);
            }
            return Math.exp(squares / 2);
        }
        for (int likeliest : List.of(likeliest(sound), likeliest(faulty))) {
            double ratio = faulty[likeliest] / sound[likeliest];
            most = Math.max(most, Math.max(ratio, 1 / ratio));
        }
        return most;
    }

    private static int likeliest(double[] chances) {
        int at = 0;
        for (int i = 1; i < chances.length; i++) {
            at = chances[i] > chances[at] ? i : at;
        }
        return at;
    }

    @Test
    void whatATestCannotSeeItNeitherClearsNorHoldsUp() {
        List<String> broken = new ArrayList<>();
        Set<BlindSpot> tried = new HashSet<>();
        for (Layout layout : Presets.all()) {
            ProcedureCatalogue tests = ProcedureCatalogue.of(layout);
            List<Suspect> suspects = SuspectCatalogue.of(layout);
            for (BlindSpot spot : BlindSpots.all()) {
                Optional<Procedure> test = tests.find(spot.testId());
                Optional<Suspect> suspect = suspects.stream()
                        .filter(s -> s.id().equals(spot.suspectId()))
                        .findFirst();
                if (test.isEmpty() || suspect.isEmpty()) {
                    continue;
                }
                tried.add(spot);
                double[] sound = predicted(layout, test.get(), List.of());
                for (double severity : spot.when() == When.SMALL ? SLIGHT : ALL_SEVERITIES) {
                    List<Fault> faults = suspect.get().physics().at(severity, layout, new SplittableRandom(11));
                    double odds = odds(test.get(), sound, predicted(layout, test.get(), faults));
                    if (odds > MOST_ODDS) {
                        broken.add("%s %s %s: %.2f at %.2f"
                                .formatted(layout.id(), spot.testId(), spot.suspectId(), odds, severity));
                    }
                }
            }
        }
        assertEquals(List.of(), broken);
        Set<BlindSpot> idle = new HashSet<>(BlindSpots.all());
        idle.removeAll(tried);
        assertTrue(idle.isEmpty(), "of no circuit: " + idle);
    }
}
