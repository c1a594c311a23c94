package overturn.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.LayoutModel;
import overturn.inference.Split;
import overturn.inference.Split.Outlook;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;
import overturn.verdict.Verdict.Overturner;

/** For each rival of a verdict, the cheapest test that tells the two apart, and the reading that would speak for the rival. */
final class Overturners {

    private static final int RIVALS = 3;
    /** Separation in standard deviations that counts as telling apart. */
    private static final double TELLING = 2;

    private Overturners() {
    }

    static List<Overturner> of(LayoutModel model, BeliefHistory history, Remedy leader) {
        List<Overturner> all = new ArrayList<>();
        history.now().remedies().entrySet().stream()
                .filter(e -> e.getKey() != leader)
                .sorted(Map.Entry.<Remedy, Double>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .map(rival -> cheapest(model, history, leader, rival))
                .flatMap(Optional::stream)
                .limit(RIVALS)
                .forEach(all::add);
        return all;
    }

    private static Optional<Overturner> cheapest(LayoutModel model, BeliefHistory history, Remedy leader, Remedy rival) {
        return model.procedures().all().stream()
                .sorted(Comparator.comparingDouble((Procedure p) -> p.minutes() + (done(history, p) ? 10 : 0)))
                .map(procedure -> telling(history, procedure, leader, rival))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static boolean done(BeliefHistory history, Procedure procedure) {
        return history.readings().stream().anyMatch(r -> r.procedureId().equals(procedure.id()));
    }

    private static Optional<Overturner> telling(BeliefHistory history, Procedure procedure, Remedy leader, Remedy rival) {
        Belief belief = history.now();
        Overturner best = null;
        double widest = TELLING;
        for (int k = 0; k < procedure.width(); k++) {
            Outlook now = Split.outlook(belief, procedure, leader, k);
            Outlook then = Split.outlook(belief, procedure, rival, k);
            boolean series = procedure.spec() instanceof Series;
            double apart = Math.abs(then.mean() - now.mean()) / Math.hypot(now.sd(), then.sd());
            boolean speaksForRival = series || then.mean() > 0.3 && then.mean() > 4 * now.mean();
            if (speaksForRival && apart > widest) {
                widest = apart;
                double threshold = (now.mean() * then.sd() + then.mean() * now.sd()) / (now.sd() + then.sd());
                Optional<Figure> figure = series ? Optional.of(((Series) procedure.spec()).figures().get(k)) : Optional.empty();
                best = new Overturner(rival, procedure.id(), done(history, procedure), figure.map(Figure::id), figure.map(Figure::dimension),
                        then.mean() > now.mean(), threshold,
                        series ? Optional.empty() : Optional.of(((Observation) procedure.spec()).options().get(k)));
            }
        }
        return Optional.ofNullable(best);
    }
}
