package overturn.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
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

    private static final double LIVE = 0.01;

    public Split {
        low = List.copyOf(low);
        high = List.copyOf(high);
    }

    /** Mean and spread of one predicted number under one remedy, present weights. */
    public record Outlook(double mean, double sd) {}

    /** Prediction of one number of a test under a remedy, reading noise included for figures. */
    public static Outlook outlook(Belief belief, Procedure procedure, Remedy remedy, int figure) {
        LayoutModel model = belief.model();
        Predictions predictions = model.predictions(procedure);
        double weights = 0;
        double sum = 0;
        double squares = 0;
        for (int s = 0; s < model.suspects().size(); s++) {
            if (model.suspects().get(s).remedy() != remedy) {
                continue;
            }
            double[] foreseen = belief.foreseen(s);
            for (int i = 0; i < Particles.FORESEEN; i++) {
                double weight = foreseen[i];
                double value = predictions.foreseen(s, i, figure);
                weights += weight;
                sum += weight * value;
                squares += weight * value * value;
            }
        }
        double mean = sum / weights;
        double noise = procedure.spec() instanceof Series ? predictions.readingSd(figure) : 0.05;
        return new Outlook(mean, Math.sqrt(Math.max(0, squares / weights - mean * mean) + noise * noise));
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
        Split best = null;
        double widest = -1;
        for (int figure = 0; figure < procedure.width(); figure++) {
            Map<Remedy, Outlook> outlooks = new EnumMap<>(Remedy.class);
            for (Remedy remedy : live) {
                outlooks.put(remedy, outlook(belief, procedure, remedy, figure));
            }
            List<Remedy> ordered = new ArrayList<>(live);
            ordered.sort(Comparator.comparingDouble(r -> outlooks.get(r).mean()));
            for (int cut = 1; cut < ordered.size(); cut++) {
                Outlook below = outlooks.get(ordered.get(cut - 1));
                Outlook above = outlooks.get(ordered.get(cut));
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
