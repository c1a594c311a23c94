package overturn.forecast;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * A number per particle for any hypothesis and any vehicle it is tried with, each row worked out once. Thread-safe: a
 * row is seen whole or not at all, and should two ask for one at once, both get the one that was there first.
 */
public final class Rows {

    private final AtomicReferenceArray<double[]> singles;
    private final Map<Hypothesis, AtomicReferenceArray<double[]>> others = new ConcurrentHashMap<>();
    private final Source source;

    /** Works a row out. */
    @FunctionalInterface
    public interface Source {

        double[] row(Hypothesis hypothesis, int time);
    }

    public Rows(int suspects, Source source) {
        this.singles = new AtomicReferenceArray<>(suspects);
        this.source = source;
    }

    /** What has been worked out so far, without the means to work out more. */
    public Rows known() {
        Rows kept = new Rows(singles.length(), (hypothesis, time) -> {
            throw new IllegalStateException("Impossible: only what is known was asked for");
        });
        for (int s = 0; s < singles.length(); s++) {
            kept.singles.set(s, singles.get(s));
        }
        kept.others.putAll(others);
        return kept;
    }

    /** The figures of some particles of a row. */
    public static double[] at(int[] particles, double[] row) {
        double[] some = new double[particles.length];
        for (int n = 0; n < some.length; n++) {
            some[n] = row[particles[n]];
        }
        return some;
    }

    public int suspects() {
        return singles.length();
    }

    /** A row if it has been worked out. */
    public Optional<double[]> known(Hypothesis hypothesis, int time) {
        if (time == 0 && hypothesis.isSingle()) {
            return Optional.ofNullable(singles.get(hypothesis.first()));
        }
        return Optional.ofNullable(others.get(hypothesis)).map(rows -> rows.get(time));
    }

    public double[] of(Hypothesis hypothesis, int time) {
        if (time == 0 && hypothesis.isSingle()) {
            return of(singles, hypothesis.first(), hypothesis, time);
        }
        AtomicReferenceArray<double[]> known = others.get(hypothesis);
        if (known == null) {
            known = others.computeIfAbsent(hypothesis, h -> new AtomicReferenceArray<>(Particles.VEHICLES_TRIED));
        }
        return of(known, time, hypothesis, time);
    }

    /** Worked out outside any lock, since a row may ask for others. */
    private double[] of(AtomicReferenceArray<double[]> rows, int place, Hypothesis hypothesis, int time) {
        double[] known = rows.get(place);
        if (known == null) {
            rows.compareAndSet(place, null, source.row(hypothesis, time));
            known = rows.get(place);
        }
        return known;
    }
}
