package overturn.inference;

import java.util.Map;
import java.util.Optional;
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

    /** What has been worked out so far, without the means to work out more. */
    Rows known() {
        Rows kept = new Rows(singles.clone());
        kept.others.putAll(others);
        return kept;
    }

    private Rows(double[][] singles) {
        this.singles = singles;
        this.source = (hypothesis, time) -> {
            throw new IllegalStateException("Impossible: only what is known was asked for");
        };
    }

    /** The figures of some particles of a row. */
    static double[] at(int[] particles, double[] row) {
        double[] some = new double[particles.length];
        for (int n = 0; n < some.length; n++) {
            some[n] = row[particles[n]];
        }
        return some;
    }

    int suspects() {
        return singles.length;
    }

    /** A row if it has been worked out. */
    Optional<double[]> known(Hypothesis hypothesis, int time) {
        if (time == 0 && hypothesis.isSingle()) {
            return Optional.ofNullable(singles[hypothesis.first()]);
        }
        return Optional.ofNullable(others.get(hypothesis)).map(rows -> rows[time]);
    }

    double[] of(Hypothesis hypothesis, int time) {
        if (time == 0 && hypothesis.isSingle()) {
            if (singles[hypothesis.first()] == null) {
                singles[hypothesis.first()] = source.row(hypothesis, 0);
            }
            return singles[hypothesis.first()];
        }
        double[][] known = others.get(hypothesis);
        if (known == null) {
            known = others.computeIfAbsent(hypothesis, h -> new double[Crowd.VEHICLES_TRIED][]);
        }
        if (known[time] == null) {
            known[time] = source.row(hypothesis, time);
        }
        return known[time];
    }
}
