package overturn.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hipparchus.distribution.continuous.NormalDistribution;
import overturn.forecast.Predictions;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.suspect.SuspectCatalogue;

/** Where a figure of a test would lie on this vehicle if it were sound, and under each live suspect. */
public final class RulerBands {

    /** Suspects below this share are not drawn; chosen. */
    private static final double LIVE = 0.02;

    /** Suspects drawn on a ruler at most; chosen for the eye. */
    private static final int MOST_SUSPECTS = 3;
    /** On either side of a band; chosen. */
    private static final double TAIL = 0.05;

    /** Particles that a band has to rest on; chosen. */
    private static final double LEAST_EFFECTIVE = 15;
    /** Power to which weights are softened at least; chosen. */
    private static final double LEAST_POWER = 0.02;
    /** Weight that is left out of a band; chosen. */
    private static final double NEGLIGIBLE = 1e-3;
    /** How far from the mean a bound is looked for, standard deviations; chosen. */
    private static final double FARTHEST = 4;
    /** Halvings until a bound is found: a four-thousandth of the way; chosen. */
    private static final int HALVINGS = 12;
    /** Step in which a band is told, standard deviations; chosen. */
    private static final double GRID = 0.02;
    /** The normal distribution on that grid; definition. */
    private static final double[] BELOW = normalBelow();

    private RulerBands() {}

    private static double[] normalBelow() {
        NormalDistribution normal = new NormalDistribution();
        return IntStream.rangeClosed(0, 1 + (int) Math.round(2 * FARTHEST / GRID))
                .mapToDouble(i -> normal.cumulativeProbability(i * GRID - FARTHEST))
                .toArray();
    }

    /** A band on the ruler of one figure, core units. */
    public record Band(String suspectId, double low, double high) {}

    /** The bands of one figure: sound first, then live suspects by weight. */
    public record FigureBands(String figureId, List<Band> bands) {

        public FigureBands {
            bands = List.copyOf(bands);
        }
    }

    /** Bands for every figure of a test; none for observations. */
    public static List<FigureBands> of(Belief belief, Procedure procedure) {
        if (!(procedure.spec() instanceof Series series)) {
            return List.of();
        }
        List<String> drawn = new ArrayList<>(List.of(SuspectCatalogue.NOTHING_WRONG));
        belief.ranking().stream()
                .map(s -> s.id())
                .filter(id -> !drawn.contains(id))
                .filter(id -> belief.probability(id) >= LIVE)
                .limit(MOST_SUSPECTS)
                .forEach(drawn::add);
        Predictions predictions = belief.model().predictions(procedure);
        Map<String, double[]> weights = drawn.stream()
                .collect(
                        Collectors.toMap(id -> id, id -> tempered(belief, id), (one, same) -> one, LinkedHashMap::new));
        List<FigureBands> all = new ArrayList<>();
        for (int k = 0; k < series.figures().size(); k++) {
            Figure figure = series.figures().get(k);
            int index = k;
            all.add(new FigureBands(
                    figure.id(),
                    weights.entrySet().stream()
                            .map(own -> band(belief, predictions, own.getKey(), own.getValue(), index))
                            .toList()));
        }
        return all;
    }

    /** The bands of one suspect, figure by figure; none for observations. */
    public static List<Band> of(Belief belief, Procedure procedure, String suspectId) {
        if (!(procedure.spec() instanceof Series series)) {
            return List.of();
        }
        Predictions predictions = belief.model().predictions(procedure);
        double[] weights = tempered(belief, suspectId);
        return IntStream.range(0, series.figures().size())
                .mapToObj(k -> band(belief, predictions, suspectId, weights, k))
                .toList();
    }

    /**
     * Where the difference of two figures of one reading lies, the later less the earlier: what they share, tape and
     * datum, is not in it.
     */
    public static Band ofDifference(Belief belief, Procedure procedure, String suspectId, int earlier, int later) {
        Predictions predictions = belief.model().predictions(procedure);
        List<Figure> figures = ((Series) procedure.spec()).figures();
        int s = belief.model().indexOf(suspectId);
        return band(
                suspectId,
                tempered(belief, suspectId),
                i -> predictions.foreseen(s, i, later) - predictions.foreseen(s, i, earlier),
                Math.hypot(figures.get(earlier).noiseSd(), figures.get(later).noiseSd()));
    }

    private static Band band(Belief belief, Predictions predictions, String suspectId, double[] weights, int figure) {
        int s = belief.model().indexOf(suspectId);
        return band(suspectId, weights, i -> predictions.foreseen(s, i, figure), predictions.readingSd(figure));
    }

    /** Where nine of ten readings of a suspect lie: its particles, each with the whole spread of a reading. */
    private static Band band(String suspectId, double[] weights, IntToDoubleFunction value, double sd) {
        double most = Arrays.stream(weights).max().orElse(0);
        int[] counted = IntStream.range(0, weights.length)
                .filter(i -> weights[i] > NEGLIGIBLE * most)
                .toArray();
        double[] values = new double[counted.length];
        double[] shares = new double[counted.length];
        double total = 0;
        for (int n = 0; n < counted.length; n++) {
            values[n] = value.applyAsDouble(counted[n]);
            shares[n] = weights[counted[n]];
            total += shares[n];
        }
        return new Band(
                suspectId,
                quantile(values, shares, sd, TAIL * total),
                quantile(values, shares, sd, (1 - TAIL) * total));
    }

    /**
     * Weights flattened until enough particles count: where one imagined vehicle is left, the band would be that
     * vehicle's, and no vehicle is just like it.
     */
    private static double[] tempered(Belief belief, String suspectId) {
        double[] weights = belief.leftAs(belief.model().indexOf(suspectId));
        double power = 1;
        double[] flat = weights;
        while (effective(flat) < LEAST_EFFECTIVE && power > LEAST_POWER) {
            power *= 0.7;
            double exponent = power;
            flat = Arrays.stream(weights).map(w -> Math.pow(w, exponent)).toArray();
        }
        return flat;
    }

    /** How many particles of one weight would be worth as much (Kish). */
    private static double effective(double[] weights) {
        double sum = Arrays.stream(weights).sum();
        double squares = Arrays.stream(weights).map(w -> w * w).sum();
        return squares == 0 ? 0 : sum * sum / squares;
    }

    /** Share of a normal distribution below a point, in standard deviations from its mean; to the fourth digit. */
    private static double below(double point) {
        if (point <= -FARTHEST || point >= FARTHEST) {
            return point < 0 ? 0 : 1;
        }
        double at = (point + FARTHEST) / GRID;
        int left = (int) at;
        return BELOW[left] + (at - left) * (BELOW[left + 1] - BELOW[left]);
    }

    private static double quantile(double[] values, double[] weights, double sd, double at) {
        double low = Arrays.stream(values).min().orElseThrow() - FARTHEST * sd;
        double high = Arrays.stream(values).max().orElseThrow() + FARTHEST * sd;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            double below = 0;
            for (int n = 0; n < values.length; n++) {
                below += weights[n] * below((middle - values[n]) / sd);
            }
            if (below < at) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }
}
