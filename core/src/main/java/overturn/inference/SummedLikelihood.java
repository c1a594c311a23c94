package overturn.inference;

import java.util.List;
import java.util.Optional;

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

    private SummedLikelihood(int suspects, List<SetupLikelihood> setups, Optional<SummedLikelihood> base) {
        this.setups = List.copyOf(setups);
        this.base = base;
        this.less = base.map(b -> b.setups.stream().filter(s -> !setups.contains(s)).toList()).orElse(List.of());
        this.more = base.map(b -> setups.stream().filter(s -> !b.setups.contains(s)).toList()).orElse(setups);
        this.rows = new Rows(suspects, this::summed);
    }

    static SummedLikelihood of(int suspects, List<SetupLikelihood> setups) {
        return new SummedLikelihood(suspects, setups, Optional.empty());
    }

    /** The sum over these and, behind them, others; the same to the last digit as made anew, so where others come between it is made anew. */
    SummedLikelihood continued(List<SetupLikelihood> all) {
        boolean behind = all.size() >= setups.size() && all.subList(0, setups.size()).equals(setups);
        return new SummedLikelihood(rows.suspects(), all, behind ? Optional.of(this) : Optional.empty());
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

    private double[] summed(Hypothesis hypothesis, int time) {
        Optional<double[]> known = base.flatMap(b -> b.rows.known(hypothesis, time));
        double[] sums = known.map(double[]::clone).orElseGet(() -> new double[Crowd.PARTICLES]);
        if (known.isPresent()) {
            less.forEach(setup -> add(sums, setup.row(hypothesis, time), -1));
        }
        (known.isPresent() ? more : setups).forEach(setup -> add(sums, setup.row(hypothesis, time), 1));
        return sums;
    }

    private static void add(double[] sums, double[] row, int sign) {
        for (int i = 0; i < sums.length; i++) {
            sums[i] += sign * row[i];
        }
    }
}
