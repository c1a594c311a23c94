package overturn.inference;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.likelihood.ReadingLikelihood;
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

    /** All readings of one set-up together. */
    SetupLikelihood setup(List<ReadingLikelihood> own) {
        return setups.computeIfAbsent(List.copyOf(own), o -> new SetupLikelihood(model, o, !sometimes));
    }

    /** What is believed on some readings and nothing else, after what was remedied. */
    Belief alone(List<ReadingLikelihood> readings, Repaired done, Supplier<Belief> worked) {
        return alone.computeIfAbsent(new Alone(readings, done), a -> worked.get());
    }

    private record Alone(List<ReadingLikelihood> readings, Repaired done) {}
}
