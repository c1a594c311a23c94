package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import overturn.forecast.Particles;
import overturn.forecast.Predictions;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.suspect.SuspectCatalogue;

/** Where a figure of a test would lie on this vehicle if it were sound, and under each live suspect. */
public final class RulerBands {

    /** Suspects below this share are not drawn. */
    private static final double LIVE = 0.02;

    private static final int MOST_SUSPECTS = 3;
    private static final double TAIL = 0.08;

    private RulerBands() {}

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
        List<FigureBands> all = new ArrayList<>();
        for (int k = 0; k < series.figures().size(); k++) {
            Figure figure = series.figures().get(k);
            int index = k;
            all.add(new FigureBands(
                    figure.id(),
                    drawn.stream()
                            .map(id -> band(belief, predictions, id, index))
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
        return IntStream.range(0, series.figures().size())
                .mapToObj(k -> band(belief, predictions, suspectId, k))
                .toList();
    }

    /** Weighted quantiles of the predictions, widened by one standard deviation of the reading. */
    private static Band band(Belief belief, Predictions predictions, String suspectId, int figure) {
        int s = belief.model().indexOf(suspectId);
        List<double[]> weighted = new ArrayList<>();
        double total = 0;
        double[] foreseen = belief.foreseen(s);
        for (int i = 0; i < Particles.FORESEEN; i++) {
            double weight = foreseen[i];
            weighted.add(new double[] {predictions.foreseen(s, i, figure), weight});
            total += weight;
        }
        weighted.sort(Comparator.comparingDouble(v -> v[0]));
        double sd = predictions.readingSd(figure);
        return new Band(suspectId, quantile(weighted, TAIL * total) - sd, quantile(weighted, (1 - TAIL) * total) + sd);
    }

    private static double quantile(List<double[]> weighted, double at) {
        double cumulated = 0;
        for (double[] value : weighted) {
            cumulated += value[1];
            if (cumulated >= at) {
                return value[0];
            }
        }
        return weighted.get(weighted.size() - 1)[0];
    }
}
