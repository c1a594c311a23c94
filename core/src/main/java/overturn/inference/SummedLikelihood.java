package overturn.inference;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import overturn.numeric.LogSpace;

/**
 * Log likelihood per particle of everything read, over all rig set-ups. One set-up more, or one changed, costs one addition where the sum
 * without the change is known already.
 */
final class SummedLikelihood {

    private final List<SetupLikelihood> setups;
    private final Optional<SummedLikelihood> base;
    private final List<SetupLikelihood> less;
    private final List<SetupLikelihood> more;
    private final Rows rows;
    private final Map<Hypothesis, double[]> leeway = new ConcurrentHashMap<>();

    private SummedLikelihood(int suspects, List<SetupLikelihood> setups, Optional<SummedLikelihood> base) {
        this.setups = List.copyOf(setups);
        this.base = base;
        this.less = base.map(b -> b.setups.stream().filter(s -> !setups.contains(s)).toList()).orElse(List.of());
        this.more = base.map(b -> setups.stream().filter(s -> !b.setups.contains(s)).toList()).orElse(setups);
        this.rows = new Rows(suspects, this::summed);
    }

    /** What has been summed up so far, to go on from: what it went on from itself is let go. */
    private SummedLikelihood(SummedLikelihood known) {
        this.setups = known.setups;
        this.base = Optional.empty();
        this.less = List.of();
        this.more = known.setups;
        this.rows = known.rows.known();
        this.leeway.putAll(known.leeway);
    }

    static SummedLikelihood of(int suspects, List<SetupLikelihood> setups) {
        return new SummedLikelihood(suspects, setups, Optional.empty());
    }

    /** The sum over these and, behind them, others; the same to the last digit as made anew, so where others come between it is made anew. */
    SummedLikelihood continued(List<SetupLikelihood> all) {
        boolean behind = all.size() >= setups.size() && all.subList(0, setups.size()).equals(setups);
        return new SummedLikelihood(rows.suspects(), all, behind ? Optional.of(new SummedLikelihood(this)) : Optional.empty());
    }

    /** The sum without a reading or two of one set-up. */
    SummedLikelihood without(List<SetupLikelihood> rest) {
        return new SummedLikelihood(rows.suspects(), rest, Optional.of(this));
    }

    List<SetupLikelihood> setups() {
        return setups;
    }

    /** Log likelihood per particle; not to be written to. */
    double[] row(Hypothesis hypothesis, int time) {
        return rows.of(hypothesis, time);
    }

    /** Log likelihood per particle, each with some leeway where every rig told the truth. */
    double[] withLeeway(Hypothesis hypothesis, Crowd crowd) {
        double[] known = leeway.get(hypothesis);
        if (known == null) {
            known = summed(base.map(b -> b.leeway.get(hypothesis)), Leeway.LENGTH, setup -> setup.leeway(hypothesis));
            leeway.put(hypothesis, known);
        }
        double[] logs = Leeway.logs(known, crowd);
        double[] row = row(hypothesis, 0);
        for (int i = 0; i < logs.length; i++) {
            double honest = Math.min(0, known[i] - row[i]);
            logs[i] = LogSpace.add(logs[i], row[i] + Math.log1p(-Math.exp(honest)));
        }
        return logs;
    }

    private double[] summed(Hypothesis hypothesis, int time) {
        return summed(base.flatMap(b -> b.rows.known(hypothesis, time)), Crowd.PARTICLES, setup -> setup.row(hypothesis, time));
    }

    private double[] summed(Optional<double[]> known, int length, Function<SetupLikelihood, double[]> terms) {
        double[] sums = known.map(double[]::clone).orElseGet(() -> new double[length]);
        if (known.isPresent()) {
            less.forEach(setup -> add(sums, terms.apply(setup), -1));
        }
        (known.isPresent() ? more : setups).forEach(setup -> add(sums, terms.apply(setup), 1));
        return sums;
    }

    private static void add(double[] sums, double[] row, int sign) {
        for (int i = 0; i < sums.length; i++) {
            sums[i] += sign * row[i];
        }
    }
}
