package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import overturn.numeric.LogSpace;

/**
 * Which pairs of suspects are carried: a glance at all of them by what each of the two explains alone, a first look at the best with a
 * few particles of both together, and the best of those. All other pairs would change nothing, and time stays bounded.
 */
final class Pairing {

    private static final int GLANCE_PARTICLES = 12;
    private static final int FIRST_LOOK_PARTICLES = 24;
    private static final int LOOKED_AT = 40;
    private static final int CARRIED = 14;

    private Pairing() {
    }

    /** All singles, the pairs worth carrying, none of these. */
    static List<Hypothesis> hypotheses(LayoutModel model, Prior prior, List<SetupLikelihood> setups) {
        List<Hypothesis> all = singles(model);
        all.addAll(pairs(model, prior, setups));
        all.add(Hypothesis.NONE_OF_THESE);
        return List.copyOf(all);
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

    private record Scored(Hypothesis pair, double score) {
    }

    private static List<Hypothesis> best(List<Scored> all, int most) {
        return all.stream().sorted(Comparator.comparingDouble((Scored s) -> -s.score).thenComparing(s -> s.pair.first()).thenComparing(s -> s.pair.second()))
                .limit(most).map(Scored::pair).toList();
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
