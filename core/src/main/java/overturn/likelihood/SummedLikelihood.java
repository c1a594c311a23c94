package overturn.likelihood;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import overturn.forecast.Hypothesis;
import overturn.forecast.Leeway;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.forecast.Rows;
import overturn.numeric.LogSpace;

/**
 * Log likelihood per particle of everything read, over all rig set-ups. One set-up more, or one changed, costs one
 * addition where the sum without the change is known already.
 */
public final class SummedLikelihood {

    /** Set-ups that were summed up before, and as much of their sum as was asked for. */
    private record Before(List<SetupLikelihood> setups, Rows rows) {}

    private final List<SetupLikelihood> setups;
    private final Optional<Before> before;
    private final List<SetupLikelihood> less;
    private final List<SetupLikelihood> more;
    private final Rows rows;
    private final Map<Hypothesis, Double> evidence = new ConcurrentHashMap<>();
    private final List<Repeats> repeats;
    private final Rows together;
    private final SummedLeeway leeway;
    private final double logAllHonest;

    private SummedLikelihood(int suspects, RigSetups told, Optional<Before> before, SummedLeeway leeway) {
        this.setups = List.copyOf(told.all());
        this.before = before;
        this.less = before.map(
                        b -> b.setups.stream().filter(s -> !setups.contains(s)).toList())
                .orElse(List.of());
        this.more = before.map(
                        b -> setups.stream().filter(s -> !b.setups.contains(s)).toList())
                .orElse(setups);
        this.rows = new Rows(suspects, this::summed);
        this.repeats = Repeats.among(setups);
        this.together = new Rows(suspects, this::together);
        this.leeway = leeway;
        this.logAllHonest = told.logAllHonest();
    }

    public static SummedLikelihood of(int suspects, RigSetups told) {
        return new SummedLikelihood(suspects, told, Optional.empty(), SummedLeeway.of(told.terms()));
    }

    /**
     * The sum over these and, behind them, others; the same to the last digit as made anew, so where others come
     * between it is made anew.
     */
    public SummedLikelihood continued(RigSetups told) {
        boolean behind = told.all().size() >= setups.size()
                && told.all().subList(0, setups.size()).equals(setups);
        return new SummedLikelihood(
                rows.suspects(),
                told,
                behind ? Optional.of(new Before(setups, rows.known())) : Optional.empty(),
                leeway.continued(told.terms()));
    }

    /** The sum without a reading or two of one set-up. */
    public SummedLikelihood without(RigSetups rest) {
        return new SummedLikelihood(
                rows.suspects(), rest, Optional.of(new Before(setups, rows)), leeway.without(rest.terms()));
    }

    public List<SetupLikelihood> setups() {
        return setups;
    }

    /** Log likelihood per particle; not to be written to. */
    public double[] row(Hypothesis hypothesis, int time) {
        return (hypothesis.isNoneOfThese() && !repeats.isEmpty() ? together : rows).of(hypothesis, time);
    }

    /** Log of the likelihoods summed over the particles, each on its own vehicle; worked out once. */
    public double evidence(Hypothesis hypothesis) {
        Double known = evidence.get(hypothesis);
        if (known == null) {
            known = LogSpace.roughSum(row(hypothesis, 0));
            evidence.put(hypothesis, known);
        }
        return known;
    }

    private double[] together(Hypothesis hypothesis, int time) {
        double[] sums = rows.of(hypothesis, time).clone();
        repeats.forEach(both -> add(sums, both.together(hypothesis, time), 1));
        return sums;
    }

    /** Log likelihood per particle, each with some leeway where every rig told the truth. */
    public double[] withLeeway(Hypothesis hypothesis, Particles particles) {
        Leeway summed = leeway.of(hypothesis);
        double[] logs = summed.logs(particles);
        double[] row = row(hypothesis, 0);
        double[] honest = new double[logs.length];
        for (int i = 0; i < logs.length; i++) {
            honest[i] = Math.max(0, row[i] - logAllHonest - summed.log(i));
        }
        LogSpace.expOfMinus(honest);
        for (int i = 0; i < logs.length; i++) {
            logs[i] = LogSpace.add(logAllHonest + logs[i], row[i] + Math.log(1 - honest[i]));
        }
        return logs;
    }

    /** Log likelihood of some pairs of two faults, one after another. */
    public double[] paired(PairedSeverities pairs) {
        double[] sums = new double[pairs.count()];
        setups.forEach(setup -> add(sums, setup.paired(pairs), 1));
        return sums;
    }

    private double[] summed(Hypothesis hypothesis, int time) {
        Optional<double[]> known = before.flatMap(b -> b.rows.known(hypothesis, time));
        double[] sums = known.map(double[]::clone).orElseGet(() -> new double[Particles.PARTICLES]);
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
