package overturn.inference;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import overturn.forecast.LayoutModel;
import overturn.forecast.Particles;
import overturn.forecast.Predictions;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;

/**
 * How a test divides the live remedies: by the figure (or observation) on which their predictions lie farthest apart.
 *
 * @param figure index of that figure or observation
 * @param low remedies that read low on it
 * @param high remedies that read high on it
 */
public record Split(int figure, List<Remedy> low, List<Remedy> high) {

    /** Share from which on a suspect is told apart; chosen. */
    private static final double LIVE = 0.01;
    /** Of the chance of an observation; estimate. */
    private static final double OBSERVED_NOISE = 0.05;

    public Split {
        low = List.copyOf(low);
        high = List.copyOf(high);
    }

    /** Mean and spread of one predicted number under one remedy, present weights. */
    public record Outlook(double mean, double sd) {}

    /** Prediction of every number of a test under a remedy, reading noise included for figures. */
    public static List<Outlook> outlooks(Belief belief, Procedure procedure, Remedy remedy) {
        LayoutModel model = belief.model();
        Predictions predictions = model.predictions(procedure);
        int width = procedure.width();
        double weights = 0;
        double[] sums = new double[width];
        double[] squares = new double[width];
        for (int s = 0; s < model.suspects().size(); s++) {
            if (model.suspects().get(s).remedy() != remedy) {
                continue;
            }
            double[] weight = belief.foreseen(s);
            float[] values = predictions.foreseen(s);
            for (int i = 0; i < Particles.FORESEEN; i++) {
                weights += weight[i];
                for (int k = 0; k < width; k++) {
                    double value = values[i * width + k];
                    sums[k] += weight[i] * value;
                    squares[k] += weight[i] * value * value;
                }
            }
        }
        boolean series = procedure.spec() instanceof Series;
        List<Outlook> outlooks = new ArrayList<>();
        for (int k = 0; k < width; k++) {
            double mean = sums[k] / weights;
            double noise = series ? predictions.readingSd(k) : OBSERVED_NOISE;
            outlooks.add(new Outlook(mean, Math.sqrt(Math.max(0, squares[k] / weights - mean * mean) + noise * noise)));
        }
        return outlooks;
    }

    /**
     * Divides the live remedies at the widest gap. A fault in no list foretells nothing; only where one remedy is left
     * is it the other side.
     */
    public static Split of(Belief belief, Procedure procedure) {
        List<Remedy> live = belief.remedies().entrySet().stream()
                .filter(e -> e.getValue() >= LIVE && e.getKey() != Remedy.LOOK_ELSEWHERE)
                .map(Map.Entry::getKey)
                .toList();
        Map<Remedy, List<Outlook>> all = new EnumMap<>(Remedy.class);
        live.forEach(remedy -> all.put(remedy, outlooks(belief, procedure, remedy)));
        @Nullable Split best = null;
        double widest = -1;
        for (int figure = 0; figure < procedure.width(); figure++) {
            Map<Remedy, Outlook> outlooks = new EnumMap<>(Remedy.class);
            for (Remedy remedy : live) {
                outlooks.put(remedy, requireNonNull(all.get(remedy)).get(figure));
            }
            List<Remedy> ordered = new ArrayList<>(live);
            ordered.sort(Comparator.comparingDouble(
                    r -> requireNonNull(outlooks.get(r)).mean()));
            for (int cut = 1; cut < ordered.size(); cut++) {
                Outlook below = requireNonNull(outlooks.get(ordered.get(cut - 1)));
                Outlook above = requireNonNull(outlooks.get(ordered.get(cut)));
                double gap = (above.mean() - below.mean()) / Math.hypot(above.sd(), below.sd());
                double balance = Math.min(
                        share(belief, ordered.subList(0, cut)), share(belief, ordered.subList(cut, ordered.size())));
                if (gap * Math.sqrt(balance) > widest) {
                    widest = gap * Math.sqrt(balance);
                    best = new Split(figure, ordered.subList(0, cut), ordered.subList(cut, ordered.size()));
                }
            }
        }
        boolean unlisted = belief.probability(Remedy.LOOK_ELSEWHERE) >= LIVE;
        return best != null ? best : new Split(0, live, unlisted ? List.of(Remedy.LOOK_ELSEWHERE) : List.of());
    }

    /** Probability of some remedies together. */
    public static double share(Belief belief, List<Remedy> remedies) {
        return remedies.stream().mapToDouble(belief::probability).sum();
    }
}
