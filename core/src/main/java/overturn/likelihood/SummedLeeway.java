package overturn.likelihood;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import overturn.forecast.Hypothesis;
import overturn.forecast.Leeway;

/**
 * {@link Leeway} summed over readings, every rig telling the truth. A sum over readings, not set-ups, so that one
 * reading more costs one row, whatever rig it was taken with.
 */
final class SummedLeeway {

    /** A reading and how much it counts among repeats on its rig. */
    record Term(ReadingLikelihood reading, double share) {}

    private final List<Term> terms;
    private final Optional<SummedLeeway> base;
    private final List<Term> less;
    private final List<Term> more;
    private final Map<Hypothesis, Leeway> known = new ConcurrentHashMap<>();

    private SummedLeeway(List<Term> terms, Optional<SummedLeeway> base) {
        this.terms = List.copyOf(terms);
        this.base = base;
        this.less = base.map(
                        b -> b.terms.stream().filter(t -> !terms.contains(t)).toList())
                .orElse(List.of());
        this.more = base.map(
                        b -> terms.stream().filter(t -> !b.terms.contains(t)).toList())
                .orElse(this.terms);
    }

    static SummedLeeway of(List<Term> terms) {
        return new SummedLeeway(terms, Optional.empty());
    }

    /**
     * The sum over these and, behind them, others; the same to the last digit as made anew, so where others come
     * between it is made anew.
     */
    SummedLeeway continued(List<Term> all) {
        boolean behind =
                all.size() >= terms.size() && all.subList(0, terms.size()).equals(terms);
        return new SummedLeeway(all, behind ? Optional.of(soFar()) : Optional.empty());
    }

    /** What has been summed up so far, to go on from: what it went on from itself is let go. */
    private SummedLeeway soFar() {
        SummedLeeway soFar = of(terms);
        soFar.known.putAll(known);
        return soFar;
    }

    /** The sum without a reading or two. */
    SummedLeeway without(List<Term> rest) {
        return new SummedLeeway(rest, Optional.of(this));
    }

    /** Not to be added to. */
    Leeway of(Hypothesis hypothesis) {
        Leeway sum = known.get(hypothesis);
        if (sum == null) {
            Optional<Leeway> before = base.flatMap(b -> Optional.ofNullable(b.known.get(hypothesis)));
            Leeway sums = before.map(Leeway::copy).orElseGet(Leeway::new);
            if (before.isPresent()) {
                less.forEach(term -> term.reading.addTo(sums, hypothesis, -term.share));
            }
            (before.isPresent() ? more : terms).forEach(term -> term.reading.addTo(sums, hypothesis, term.share));
            known.put(hypothesis, sums);
            sum = sums;
        }
        return sum;
    }
}
