package overturn.inference;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import overturn.circuit.Layout;
import overturn.inference.WorkDone.Area;
import overturn.inference.WorkDone.Bled;
import overturn.inference.WorkDone.Kind;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.suspect.Suspect.Origin;

/**
 * What a repair may leave behind: air, a wrong part, a wrong setting or a joint that weeps, where the hands were
 * (docs/trade-figures.md).
 */
final class Brought {

    /** Share of repairs that leave each behind where the circuit was opened; estimates. */
    private static final double AIR = 0.06;

    /** Chance that work which opened a joint left it weeping; estimate. */
    private static final double JOINT = 0.015;
    /** A wrong part or setting, whether or not the circuit was opened; estimate. */
    private static final double SETTING = 0.03;

    private static final String WEEPING_JOINT = "weeping-joint";

    private Brought() {}

    /**
     * What a repair may have left behind.
     *
     * @param logs for each suspect, log of how likely all was that was read before and that this is left behind; not
     *     normalised
     * @param logRead log of how likely all was that was read before
     */
    record Weights(double[] logs, double logRead) {}

    /** Probability that a repair brings each suspect; zero for what hands do not bring. */
    static double[] shares(Layout layout, List<Suspect> suspects, Cure cure) {
        List<WorkDone> works = cure.remedies().stream()
                .flatMap(remedy -> works(layout, suspects, remedy).stream())
                .toList();
        boolean opened = cure.remedies().stream().anyMatch(Remedy::opensCircuit);
        double[] shares = new double[suspects.size()];
        add(shares, opened ? AIR : 0, suspects, works, layout, s -> s.origin() == Origin.AIR);
        add(shares, opened ? JOINT : 0, suspects, works, layout, s -> s.id().equals(WEEPING_JOINT));
        add(shares, SETTING, suspects, works, layout, s -> s.origin() == Origin.SETTING);
        return shares;
    }

    /** Divides a share among suspects of one kind by what the work adds to the frequency of each. */
    private static void add(
            double[] shares,
            double share,
            List<Suspect> suspects,
            List<WorkDone> works,
            Layout layout,
            Predicate<Suspect> kind) {
        double[] added = suspects.stream()
                .mapToDouble(s -> kind.test(s) ? s.frequency() * Math.max(0, most(s, works, layout) - 1) : 0)
                .toArray();
        double sum = Arrays.stream(added).sum();
        for (int s = 0; s < added.length && sum > 0; s++) {
            shares[s] += share * added[s] / sum;
        }
    }

    private static double most(Suspect suspect, List<WorkDone> works, Layout layout) {
        return works.stream()
                .mapToDouble(work -> work.factor(suspect, layout))
                .max()
                .orElse(1);
    }

    private static List<WorkDone> works(Layout layout, List<Suspect> suspects, Remedy remedy) {
        Kind kind = remedy.opensCircuit() ? Kind.RENEWED : Kind.SET;
        return Arrays.stream(Area.values())
                .filter(area -> suspects.stream()
                        .filter(suspect -> suspect.remedy() == remedy)
                        .anyMatch(suspect -> area.holds(suspect, layout)))
                .map(area -> new WorkDone(area, kind, Bled.YES))
                .toList();
    }
}
