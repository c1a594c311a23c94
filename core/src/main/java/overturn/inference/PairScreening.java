package overturn.inference;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.forecast.Rows;
import overturn.likelihood.ReadingLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.numeric.LogSpace;
import overturn.suspect.Repaired;

/**
 * A cheap upper estimate of how well every pair of suspects explains the readings, to choose the few that are worth
 * simulating: it uses the particles of each suspect alone that fit best, and how well they fit each reading. In a test
 * that only one of the two changes, a pair reads like that one; in a test that both change, the pair may read like
 * neither, so that it is assumed to fit almost as well as anything does.
 */
final class PairScreening {

    /** Partners that are looked at closely for each fault; chosen for speed. */
    private static final int PICKED = 4;
    /**
     * What two faults that both show in a reading may lack to what fits it best, nats; and what a reading that does not
     * fit costs at most; chosen.
     */
    private static final double BENEFIT = 2;

    /** What a pair may lack to the best one before it is dropped, nats; chosen. */
    private static final double MOST_LACKING = 8;

    private final double[] evidence;
    private final int[][] asHost;
    private final int[][] asGuest;
    private final double[][] fits;
    private final boolean[][] moved;
    private final double[] best;
    private final int sound;

    private PairScreening(
            double[] evidence,
            int[][] asHost,
            int[][] asGuest,
            double[][] fits,
            boolean[][] moved,
            double[] best,
            int sound) {
        this.evidence = evidence;
        this.asHost = asHost;
        this.asGuest = asGuest;
        this.fits = fits;
        this.moved = moved;
        this.best = best;
        this.sound = sound;
    }

    static PairScreening of(LayoutModel model, Prior prior, Repaired done, SummedLikelihood read) {
        int suspects = model.suspects().size();
        List<ReadingLikelihood> readings =
                read.setups().stream().flatMap(s -> s.readings().stream()).toList();
        double[] evidence = new double[suspects];
        int[][] asHost = new int[suspects][];
        int[][] asGuest = new int[suspects][];
        double[][] fits = new double[suspects][readings.size()];
        boolean[][] moved = new boolean[suspects][readings.size()];
        List<ReadingLikelihood> since = done.isEmpty()
                ? List.of()
                : readings.stream()
                        .filter(r -> r.reading().after().equals(done))
                        .toList();
        double[] base = read.row(Hypothesis.single(model.sound()), 0);
        for (int s = 0; s < suspects; s++) {
            Hypothesis alone = Hypothesis.single(s);
            double[] row = read.row(alone, 0);
            evidence[s] = prior.log(alone) + read.evidence(alone);
            asHost[s] = picked(row);
            asGuest[s] = picked(since.isEmpty() ? beyond(row, base) : read(since, alone));
            for (int t = 0; t < fits[s].length; t++) {
                double[] own = readings.get(t).row(alone, 0);
                fits[s][t] = LogSpace.sum(Rows.at(asHost[s], own));
                moved[s][t] = readings.get(t).moved(s);
            }
        }
        double[] best = IntStream.range(0, readings.size())
                .mapToDouble(t ->
                        Arrays.stream(fits).mapToDouble(own -> own[t]).max().orElseThrow())
                .toArray();
        return new PairScreening(evidence, asHost, asGuest, fits, moved, best, model.sound());
    }

    private static double[] beyond(double[] row, double[] base) {
        double[] apart = new double[row.length];
        for (int i = 0; i < apart.length; i++) {
            apart[i] = row[i] - base[i];
        }
        return apart;
    }

    /** After a repair each fault that is left shows alone. */
    private static double[] read(List<ReadingLikelihood> since, Hypothesis alone) {
        double[] sums = new double[Particles.PARTICLES];
        for (ReadingLikelihood reading : since) {
            double[] row = reading.row(alone, 0);
            for (int i = 0; i < sums.length; i++) {
                sums[i] += row[i];
            }
        }
        return sums;
    }

    /** The particles with the highest figures, the highest first. */
    private static int[] picked(double[] row) {
        int[] best = new int[PICKED];
        int found = 0;
        for (int i = 0; i < row.length; i++) {
            int at = found;
            while (at > 0 && row[best[at - 1]] < row[i]) {
                at--;
            }
            if (at < PICKED) {
                found = Math.min(PICKED, found + 1);
                System.arraycopy(best, at, best, at + 1, found - at - 1);
                best[at] = i;
            }
        }
        return best;
    }

    /**
     * How well two suspects together may fit, against what fits best: 0 or less. Not worked out to the end once it is
     * seen to be less than asked for.
     */
    double log(int one, int other, double least) {
        double sum = 0;
        for (int t = 0; t < best.length && sum >= least; t++) {
            boolean seesOne = moved[one][t];
            boolean seesOther = moved[other][t];
            double fit = seesOne && seesOther
                    ? Math.max(best[t] - BENEFIT, Math.max(fits[one][t], fits[other][t]))
                    : seesOne ? fits[one][t] : seesOther ? fits[other][t] : fits[sound][t];
            sum += Math.max(-MOST_LACKING, fit - best[t]);
        }
        return sum;
    }

    /**
     * Severities to try two suspects with: those of each that fit best alone, all with all, on the vehicles of the
     * suspect that fits better alone.
     */
    PairedSeverities pairs(Hypothesis pair) {
        boolean firstHosts = evidence[pair.first()] >= evidence[pair.second()];
        int host = firstHosts ? pair.first() : pair.second();
        int guest = firstHosts ? pair.second() : pair.first();
        return PairedSeverities.of(host, asHost[host], guest, asGuest[guest]);
    }
}
