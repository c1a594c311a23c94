package overturn.inference;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** A number per particle for any hypothesis and any vehicle it is tried with, each row worked out once. */
final class Rows {

    private final double[][] singles;
    private final Map<Hypothesis, double[][]> others = new ConcurrentHashMap<>();
    private final Source source;

    /** Works a row out. */
    @FunctionalInterface
    interface Source {

        double[] row(Hypothesis hypothesis, int time);
    }

    Rows(int suspects, Source source) {
        this.singles = new double[suspects][];
        this.source = source;
    }

    double[] of(Hypothesis hypothesis, int time) {
        if (time == 0 && hypothesis.isSingle()) {
            if (singles[hypothesis.first()] == null) {
                singles[hypothesis.first()] = source.row(hypothesis, 0);
            }
            return singles[hypothesis.first()];
        }
        double[][] known = others.computeIfAbsent(hypothesis, h -> new double[Crowd.VEHICLES_TRIED][]);
        if (known[time] == null) {
            known[time] = source.row(hypothesis, time);
        }
        return known[time];
    }
}
