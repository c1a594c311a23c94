package overturn.bench.hidden;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import overturn.bench.hidden.WhatTestsSay.Pair;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;

/** Vehicles that are not the model are told by the model's tests, and none of its tests speaks against the truth. */
class WhatTestsSayTest {

    private static final LayoutFile LEVER_CLUTCH =
            Presets.find("wisp-courier-clutch").orElseThrow();
    /** Nats that readings may say against the fault that is there, on average of three and more. */
    private static final double AGAINST = -1;

    @Test
    void noTestSpeaksAgainstTheFaultThatIsThereAndSomeTestTellsIt() {
        Map<Pair, List<Double>> said = WhatTestsSay.said(LEVER_CLUTCH, 3, 12);
        Map<String, Double> best = new HashMap<>();
        said.forEach((pair, nats) -> {
            double mean = nats.stream().mapToDouble(n -> n).average().orElseThrow();
            if (nats.size() >= 3) {
                assertTrue(mean > AGAINST, pair + " " + nats);
            }
            best.merge(pair.suspectId(), mean, Math::max);
        });
        assertTrue(best.size() >= 8, best.toString());
        assertTrue(best.values().stream().anyMatch(nats -> nats > 2), best.toString());
        long told = best.values().stream().filter(nats -> nats > 1).count();
        assertTrue(told >= 0.8 * best.size(), best.toString());
    }
}
