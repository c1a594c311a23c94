package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import java.util.stream.Stream;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.PairedSeverities;
import overturn.forecast.Particles;
import overturn.likelihood.SetupLikelihood;
import overturn.likelihood.SummedLikelihood;
import overturn.numeric.LogSpace;

/**
 * Which pairs of suspects are carried: all of them are screened by what each of the two explains alone, a first look at
 * the best with their effects added, and the best of those simulated together. All other pairs would change nothing,
 * and time stays bounded. Faults in no list are carried as what they may look like.
 */
final class Pairing {

    /** Pairs that are looked at; chosen for speed (docs/experiments.md). */
    private static final int LOOKED_AT = 20;
    /** Pairs that are carried on; chosen for speed. */
    private static final int CARRIED = 8;
    /** Carried whatever the first look says: it may miss the severities; chosen. */
    private static final int AT_A_GLANCE = 3;

    /** Of pairs with a fault in no list, those looked at; chosen for speed. */
    private static final int UNLISTED_LOOKED_AT = 20;
    /** Of those, the ones carried on; chosen for speed. */
    private static final int UNLISTED_CARRIED = 8;

    private Pairing() {}

    /** All singles, the pairs worth carrying, faults in no list, and what a repair may have brought. */
    static List<Hypothesis> hypotheses(LayoutModel model, Prior prior, Repairs repairs, SummedLikelihood read) {
        List<Hypothesis> all = singles(model);
        all.addAll(pairs(model, prior, repairs, read));
        all.addAll(unlisted(model, prior, read));
        all.addAll(repairs.brought());
        return List.copyOf(all);
    }

    /**
     * What a fault in no list may look like: nothing wrong, and the suspects that fit best once some readings may have
     * gone their own way, looked for among those that do by the cheap estimate.
     */
    private static List<Hypothesis> unlisted(LayoutModel model, Prior prior, SummedLikelihood read) {
        Best screened = new Best(UNLISTED_LOOKED_AT);
        for (int s = 0; s < model.suspects().size(); s++) {
            Hypothesis like = Hypothesis.unlistedLike(s);
            double log = prior.log(like);
            for (SetupLikelihood setup : read.setups()) {
                log += setup.unlistedEstimate(s);
            }
            screened.offer(new Scored(like, s == model.sound() ? Double.POSITIVE_INFINITY : log));
        }
        Best best = new Best(UNLISTED_CARRIED);
        screened.inOrder()
                .forEach(like -> best.offer(new Scored(
                        like,
                        like.first() == model.sound()
                                ? Double.POSITIVE_INFINITY
                                : prior.log(like) - Math.log(Particles.PARTICLES) + read.evidence(like))));
        return best.inOrder();
    }

    /** Every suspect alone, in the order of the suspects. */
    static List<Hypothesis> singles(LayoutModel model) {
        List<Hypothesis> all = new ArrayList<>();
        for (int s = 0; s < model.suspects().size(); s++) {
            all.add(Hypothesis.single(s));
        }
        return all;
    }

    private static List<Hypothesis> pairs(LayoutModel model, Prior prior, Repairs repairs, SummedLikelihood read) {
        PairScreening screening = PairScreening.of(model, prior, repairs.done(), read);
        Best screened = new Best(LOOKED_AT);
        for (int one = 0; one < model.suspects().size(); one++) {
            for (int other = one + 1; other < model.suspects().size(); other++) {
                if (one != model.sound()
                        && other != model.sound()
                        && model.suspects().get(one).remedy()
                                != model.suspects().get(other).remedy()) {
                    Hypothesis pair = Hypothesis.pair(one, other);
                    double log = prior.log(pair);
                    screened.offer(new Scored(pair, log + screening.log(one, other, screened.least() - log)));
                }
            }
        }
        List<Hypothesis> looked = screened.inOrder();
        Best fitting = new Best(CARRIED);
        looked.forEach(pair -> fitting.offer(screened(prior, read.setups(), screening.pairs(pair))));
        return Stream.concat(looked.stream().limit(AT_A_GLANCE), fitting.inOrder().stream())
                .distinct()
                .limit(CARRIED)
                .toList();
    }

    private record Scored(Hypothesis hypothesis, double score) {

        private static final Comparator<Scored> WORST_FIRST = Comparator.comparingDouble(Scored::score)
                .thenComparing(s -> -s.hypothesis.first())
                .thenComparing(s -> -s.hypothesis.second());
    }

    /** The highest scored of many, ties by the order of the suspects. */
    private static final class Best {
        private final int most;
        private final PriorityQueue<Scored> kept = new PriorityQueue<>(Scored.WORST_FIRST);

        private Best(int most) {
            this.most = most;
        }

        /** What a score has to reach to be among them. */
        private double least() {
            return kept.size() < most ? Double.NEGATIVE_INFINITY : kept.element().score;
        }

        private void offer(Scored scored) {
            if (kept.size() < most) {
                kept.add(scored);
            } else if (Scored.WORST_FIRST.compare(scored, kept.element()) > 0) {
                kept.remove();
                kept.add(scored);
            }
        }

        private List<Hypothesis> inOrder() {
            return kept.stream()
                    .sorted(Scored.WORST_FIRST.reversed())
                    .map(Scored::hypothesis)
                    .toList();
        }
    }

    private static Scored screened(Prior prior, List<SetupLikelihood> setups, PairedSeverities picked) {
        Hypothesis pair = picked.pair();
        double[] sums = new double[picked.count()];
        double[] asTheyCome = new double[SetupLikelihood.AS_THEY_COME];
        for (SetupLikelihood setup : setups) {
            add(sums, setup.screened(picked));
            add(asTheyCome, setup.asTheyCome(pair));
        }
        return new Scored(pair, prior.log(pair) + LogSpace.add(LogSpace.sum(sums), LogSpace.sum(asTheyCome)));
    }

    private static void add(double[] sums, double[] terms) {
        for (int n = 0; n < sums.length; n++) {
            sums[n] += terms[n];
        }
    }
}
