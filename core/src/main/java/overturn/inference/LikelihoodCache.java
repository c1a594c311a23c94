package overturn.inference;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.RigSetups;
import overturn.likelihood.SetupLikelihood;
import overturn.suspect.Repaired;

/**
 * Memoised likelihoods of the readings of one job and of the rig set-ups they were taken with: each is worked out once,
 * however the job goes on. Thread-safe.
 */
final class LikelihoodCache {

    private final LayoutModel model;
    private final boolean sometimes;
    private final Map<Reading, ReadingLikelihood> readings = new ConcurrentHashMap<>();
    private final Map<Again, ReadingLikelihood> again = new ConcurrentHashMap<>();
    private final Map<List<ReadingLikelihood>, SetupLikelihood> setups = new ConcurrentHashMap<>();
    private final Map<Alone, Belief> alone = new ConcurrentHashMap<>();

    /** @param sometimes whether the fault may not have been there during a test */
    LikelihoodCache(LayoutModel model, boolean sometimes) {
        this.model = model;
        this.sometimes = sometimes;
    }

    /** @throws IllegalArgumentException if the layout has no such test */
    ReadingLikelihood of(Reading reading) {
        ReadingLikelihood known = readings.get(reading);
        if (known == null) {
            readings.putIfAbsent(reading, ReadingLikelihood.of(model, reading, sometimes));
            known = readings.get(reading);
        }
        return known;
    }

    /** Readings by their rigs; of a test that several rigs have read, what its formula leaves out counts once. */
    RigSetups setups(List<ReadingLikelihood> told) {
        List<ReadingLikelihood> inOrder = told.stream()
                .map(r -> readWith(r, sometimes ? 1 : rigs(r.reading(), told)))
                .toList();
        Map<String, List<ReadingLikelihood>> groups = new LinkedHashMap<>();
        inOrder.forEach(r -> groups.computeIfAbsent(r.reading().rigSetup(), s -> new ArrayList<>())
                .add(r));
        return new RigSetups(groups.values().stream().map(this::setup).toList(), inOrder);
    }

    private ReadingLikelihood readWith(ReadingLikelihood reading, int rigs) {
        return rigs == 1 ? reading : again.computeIfAbsent(new Again(reading, rigs), a -> reading.readWith(rigs));
    }

    private static int rigs(Reading reading, List<ReadingLikelihood> told) {
        return (int) told.stream()
                .map(ReadingLikelihood::reading)
                .filter(reading::repeats)
                .map(Reading::rigSetup)
                .distinct()
                .count();
    }

    /** All readings of one set-up together. */
    SetupLikelihood setup(List<ReadingLikelihood> own) {
        return setups.computeIfAbsent(List.copyOf(own), o -> new SetupLikelihood(model, o, !sometimes));
    }

    /** What is believed on some readings and nothing else, after what was remedied. */
    Belief alone(List<ReadingLikelihood> readings, Repaired done, Supplier<Belief> worked) {
        return alone.computeIfAbsent(new Alone(readings, done), a -> worked.get());
    }

    /** A reading whose test was read with several rigs. */
    private record Again(ReadingLikelihood reading, int rigs) {}

    private record Alone(List<ReadingLikelihood> readings, Repaired done) {}
}
