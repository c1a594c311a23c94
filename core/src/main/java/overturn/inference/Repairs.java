package overturn.inference;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import overturn.forecast.Hypothesis;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.numeric.LogSpace;
import overturn.suspect.Cure;
import overturn.suspect.Repaired;
import overturn.suspect.Suspect;

/**
 * What has been remedied, what that may have brought, and how two faults of which one is gone are tried. That one
 * showed before the repair, the other shows alone after it: so severities of the one that is gone, with their vehicles,
 * are taken the more often the better they fit what was read before, and those of the other the better they fit what
 * was read since; each counts the less the more often it is taken.
 */
final class Repairs {

    static final Repairs NONE =
            new Repairs(Repaired.NONE, List.of(), new double[0][], new Brought.Weights(new double[0], 0), List.of());

    /** Share of the severities that are taken evenly, whatever was read; chosen. */
    private static final double EVENLY = 0.2;
    /** A severity meets other vehicles than its own: so much less than it fits that one is it preferred; chosen. */
    private static final double DAMPED = 0.5;

    /** Meetings of two severities; definition. */
    private static final int PAIRS_OF_SEVERITIES = (Particles.PAIRS_TRIED - 1) * Particles.PARTICLES;
    /**
     * From one meeting to the next the severities of the fault that is left go round by this; prime to the number of
     * pairs; chosen.
     */
    private static final int STRIDE = 187;

    private final Repaired done;
    private final List<Suspect> suspects;
    private final double[][] before;
    private final Brought.Weights brought;
    private final List<ReadingLikelihood> since;
    private final Map<Hypothesis, Weighed> known = new ConcurrentHashMap<>();

    /**
     * Pairs of severities that stand for all pairs of two faults.
     *
     * @param logWeights what each counts
     */
    record Weighed(PairedSeverities pairs, double[] logWeights) {}

    private Repairs(
            Repaired done,
            List<Suspect> suspects,
            double[][] before,
            Brought.Weights brought,
            List<ReadingLikelihood> since) {
        this.done = done;
        this.suspects = suspects;
        this.before = before;
        this.brought = brought;
        this.since = since;
    }

    /**
     * One more repair, after these readings.
     *
     * @param brought what it may have left behind
     */
    Repairs and(Cure cure, List<Suspect> suspects, SummedLikelihood read, Brought.Weights brought) {
        Repaired all = done.and(cure);
        double[][] before = new double[suspects.size()][];
        for (int s = 0; s < before.length; s++) {
            if (all.settles(suspects.get(s).remedy())) {
                before[s] = preferred(read.row(Hypothesis.single(s), 0));
            }
        }
        return new Repairs(all, suspects, before, brought, List.of());
    }

    /** The same with these readings, of which those since the last repair tell of what is left. */
    Repairs with(List<ReadingLikelihood> readings) {
        return new Repairs(done, suspects, before, brought, sinceLast(readings));
    }

    /** Those of these readings that were taken after the last repair. */
    List<ReadingLikelihood> sinceLast(List<ReadingLikelihood> readings) {
        return readings.stream().filter(r -> r.reading().after().equals(done)).toList();
    }

    /** Log of how likely it was, before anything was read since, that the repair left this suspect behind. */
    double logBrought(int suspect) {
        return brought.logs()[suspect];
    }

    /** Log of how likely all was that was read before the repair; not normalised, as the weights of what it brought. */
    double logReadBefore() {
        return brought.logRead();
    }

    /** What the last repair may have left behind. */
    List<Hypothesis> brought() {
        return IntStream.range(0, brought.logs().length)
                .filter(s -> brought.logs()[s] > Double.NEGATIVE_INFINITY)
                .mapToObj(Hypothesis::brought)
                .toList();
    }

    private static double[] preferred(double[] row) {
        double[] shares =
                LogSpace.normalised(Arrays.stream(row).map(log -> DAMPED * log).toArray());
        for (int i = 0; i < shares.length; i++) {
            shares[i] = EVENLY / shares.length + (1 - EVENLY) * shares[i];
        }
        return shares;
    }

    Repaired done() {
        return done;
    }

    /** How a pair is tried of which one part is gone, once something has been read since; empty for all others. */
    Optional<Weighed> tried(Hypothesis pair) {
        if (!pair.isPair() || done.isEmpty() || since.isEmpty() || gone(pair.first()) == gone(pair.second())) {
            return Optional.empty();
        }
        return Optional.of(known.computeIfAbsent(
                pair, p -> gone(p.first()) ? weighed(p, p.first(), p.second()) : weighed(p, p.second(), p.first())));
    }

    private boolean gone(int suspect) {
        return done.settles(suspects.get(suspect).remedy());
    }

    private Weighed weighed(Hypothesis pair, int host, int guest) {
        double[] sums = new double[Particles.PARTICLES];
        for (ReadingLikelihood reading : since) {
            double[] row = reading.row(Hypothesis.single(guest), 0);
            for (int i = 0; i < sums.length; i++) {
                sums[i] += row[i];
            }
        }
        double[] left = preferred(sums);
        int[] hosts = taken(before[host]);
        int[] guests = taken(left);
        int[] paired = new int[PAIRS_OF_SEVERITIES];
        double[] logWeights = new double[PAIRS_OF_SEVERITIES];
        for (int n = 0; n < PAIRS_OF_SEVERITIES; n++) {
            paired[n] = guests[n * STRIDE % PAIRS_OF_SEVERITIES];
            logWeights[n] = -Math.log(Particles.PARTICLES * before[host][hosts[n]])
                    - Math.log(Particles.PARTICLES * left[paired[n]]);
        }
        return new Weighed(new PairedSeverities(pair, host, hosts, paired), logWeights);
    }

    /** Particles by their shares, in their order. */
    private static int[] taken(double[] shares) {
        int[] taken = new int[PAIRS_OF_SEVERITIES];
        int particle = 0;
        double cumulated = shares[0];
        for (int n = 0; n < PAIRS_OF_SEVERITIES; n++) {
            while (particle < shares.length - 1 && cumulated * PAIRS_OF_SEVERITIES < n + 0.5) {
                particle++;
                cumulated += shares[particle];
            }
            taken[n] = particle;
        }
        return taken;
    }
}
