package overturn.inference;

import java.util.List;
import overturn.circuit.Layout;
import overturn.forecast.Hypothesis;
import overturn.suspect.Suspect;
import overturn.suspect.Suspect.Origin;
import overturn.suspect.SuspectCatalogue;

/**
 * What is believed before any reading: how frequent each suspect is ({@link Frequencies}), moved by the facts of
 * intake.
 */
final class Prior {

    /** Share of vehicles in which two suspects are at fault at once, and after recent work; estimates. */
    private static final double PAIRS = 0.15;

    /** Share of pairs where the system was worked on just before; estimate. */
    private static final double PAIRS_AFTER_WORK = 0.25;
    /** Share of vehicles whose fault is in no list; estimate. */
    private static final double NONE_OF_THESE = 0.08;
    /** Share of those that look sound wherever they do not show; estimate. */
    private static final double LIKE_SOUND = 0.33;
    /**
     * Facts multiply, since each is told for a reason of its own; together they move a suspect by no more than this;
     * chosen.
     */
    private static final double MOST_MOVED = 60;

    private final double[] logShares;
    private final int sound;
    private final double logPairs;

    private Prior(double[] logShares, int sound, double pairs) {
        this.sound = sound;
        this.logShares = logShares;
        this.logPairs = Math.log(pairs);
    }

    static Prior of(Layout layout, List<Suspect> suspects, int sound, Intake intake) {
        double[] shares = Frequencies.of(suspects, intake.closedJobs());
        for (int s = 0; s < shares.length; s++) {
            shares[s] *= factor(suspects.get(s), layout, intake);
        }
        Frequencies.normalise(shares);
        for (int s = 0; s < shares.length; s++) {
            shares[s] = Math.log(shares[s]);
        }
        return new Prior(shares, sound, intake.recentWork() || !intake.work().isEmpty() ? PAIRS_AFTER_WORK : PAIRS);
    }

    private static double factor(Suspect suspect, Layout layout, Intake intake) {
        double told =
                intake.facts().stream().mapToDouble(f -> f.factor(suspect)).reduce(1, (a, b) -> a * b);
        if (!suspect.id().equals(SuspectCatalogue.NOTHING_WRONG)) {
            told *= intake.work().isEmpty() && intake.recentWork()
                    ? suspect.origin().afterWork()
                    : intake.work().stream()
                            .mapToDouble(w -> w.factor(suspect, layout))
                            .reduce(1, (a, b) -> a * b);
            told *= suspect.origin() == Origin.WEAR ? intake.age().wear() : 1;
        }
        return Math.max(1 / MOST_MOVED, Math.min(MOST_MOVED, told));
    }

    /**
     * Log probability of a hypothesis; pairs that are never carried keep theirs, so the sum over those carried is below
     * one.
     */
    double log(Hypothesis hypothesis) {
        double one = logShares[hypothesis.first()];
        if (hypothesis.isNoneOfThese()) {
            return Math.log(NONE_OF_THESE)
                    + (hypothesis.first() == sound ? Math.log(LIKE_SOUND) : Math.log(1 - LIKE_SOUND) + one);
        }
        return hypothesis.isPair()
                ? Math.log(2) + logPairs + one + logShares[hypothesis.second()]
                : Math.log(1 - NONE_OF_THESE - Math.exp(logPairs)) + one;
    }
}
