package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import overturn.numeric.LogSpace;

/**
 * Which pairs of suspects are carried: a glance at all of them by what each of the two explains alone, a first look at the best with their
 * effects added, and the best of those simulated together. All other pairs would change nothing, and time stays bounded. Faults in no
 * list are carried as what they may look like.
 */
final class Pairing {

    private static final int GLANCE_PARTICLES = 12;
    private static final int FIRST_LOOK_PARTICLES = 24;
    private static final int LOOKED_AT = 60;
    private static final int CARRIED = 8;
    private static final int UNLISTED_CARRIED = 8;

    private Pairing() {
    }

    /** All singles, the pairs worth carrying, and faults in no list. */
    static List<Hypothesis> hypotheses(LayoutModel model, Prior prior, List<SetupLikelihood> setups) {
        List<Hypothesis> all = singles(model);
        all.addAll(pairs(model, prior, setups));
        all.addAll(unlisted(model, prior, setups));
        return List.copyOf(all);
    }

    /** What a fault in no list may look like: nothing wrong, and the suspects that fit best once some readings may have gone their own way. */
    private static List<Hypothesis> unlisted(LayoutModel model, Prior prior, List<SetupLikelihood> setups) {
        List<Scored> scored = new ArrayList<>();
        for (int s = 0; s < model.suspects().size(); s++) {
            Hypothesis like = Hypothesis.unlistedLike(s);
            scored.add(new Scored(like, s == model.sound() ? Double.POSITIVE_INFINITY : LogSpace.sum(Belief.logWeights(prior, like, setups, 0))));
        }
        return best(scored, UNLISTED_CARRIED);
    }

    private static List<Hypothesis> singles(LayoutModel model) {
        List<Hypothesis> all = new ArrayList<>();
        for (int s = 0; s < model.suspects().size(); s++) {
            all.add(Hypothesis.single(s));
        }
        return all;
    }

    private static List<Hypothesis> pairs(LayoutModel model, Prior prior, List<SetupLikelihood> setups) {
        List<Scored> glanced = new ArrayList<>();
        double[][] sums = singleSums(model, setups);
        double[] both = new double[GLANCE_PARTICLES];
        for (int one = 0; one < sums.length; one++) {
            for (int other = one + 1; other < sums.length; other++) {
                if (one != model.sound() && other != model.sound() && model.suspects().get(one).remedy() != model.suspects().get(other).remedy()) {
                    for (int i = 0; i < GLANCE_PARTICLES; i++) {
                        both[i] = sums[one][i] + sums[other][i] - sums[model.sound()][i];
                    }
                    Hypothesis pair = Hypothesis.pair(one, other);
                    glanced.add(new Scored(pair, prior.log(pair) + LogSpace.sum(both)));
                }
            }
        }
        return best(best(glanced, LOOKED_AT).stream().map(pair -> firstLook(prior, setups, pair)).toList(), CARRIED);
    }

    private record Scored(Hypothesis hypothesis, double score) {
    }

    private static List<Hypothesis> best(List<Scored> all, int most) {
        return all.stream().sorted(Comparator.comparingDouble((Scored s) -> -s.score).thenComparing(s -> s.hypothesis.first()).thenComparing(s -> s.hypothesis.second()))
                .limit(most).map(Scored::hypothesis).toList();
    }

    /** Log likelihood of everything read, for the first few particles of each single. Two faults that show in different tests add up. */
    private static double[][] singleSums(LayoutModel model, List<SetupLikelihood> setups) {
        double[][] sums = new double[model.suspects().size()][GLANCE_PARTICLES];
        for (int s = 0; s < sums.length; s++) {
            for (SetupLikelihood setup : setups) {
                double[] row = setup.row(Hypothesis.single(s), 0);
                for (int i = 0; i < GLANCE_PARTICLES; i++) {
                    sums[s][i] += row[i];
                }
            }
        }
        return sums;
    }

    private static Scored firstLook(Prior prior, List<SetupLikelihood> setups, Hypothesis pair) {
        double[] sums = new double[FIRST_LOOK_PARTICLES];
        setups.forEach(setup -> setup.addFirstLook(pair, sums));
        return new Scored(pair, prior.log(pair) + LogSpace.sum(sums));
    }
}
