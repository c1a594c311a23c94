package overturn.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.catalogue.ProcedureCatalogue;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Split;
import overturn.inference.Split.Outlook;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Verdict.Overturner;
import overturn.verdict.Verdict.StripDown;

/**
 * For each rival of a verdict, the cheapest test that tells the two apart, and the reading that would speak for the
 * rival.
 */
final class Overturners {

    /** Rivals named at most; chosen for the eye. */
    private static final int RIVALS = 3;
    /** Separation in standard deviations that counts as telling apart; chosen. */
    private static final double TELLING = 2;

    /** Suspects that are looked at together at most; chosen. */
    private static final int MOST_IN_GROUP = 3;
    /** By so many minutes another test may take longer than one that would be done again; chosen. */
    private static final double AGAIN_MINUTES = 10;

    private final LayoutModel model;
    private final BeliefHistory history;
    private final Set<String> done;
    /** Tests that can be done here, the soonest done first. */
    private final List<Procedure> tests;

    private final Map<Remedy, Map<String, List<Outlook>>> outlooks = new EnumMap<>(Remedy.class);

    Overturners(BeliefHistory history, Workshop workshop) {
        this.model = history.model();
        this.history = history;
        this.done = history.readings().stream().map(Reading::procedureId).collect(Collectors.toUnmodifiableSet());
        this.tests = model.procedures().all().stream()
                .filter(p -> !ProcedureCatalogue.atIntake(p.id()) && workshop.canDo(p))
                .sorted(Comparator.comparingDouble(
                        (Procedure p) -> p.minutes() + (done.contains(p.id()) ? AGAIN_MINUTES : 0)))
                .toList();
    }

    private List<Outlook> outlooks(Procedure procedure, Remedy remedy) {
        return outlooks.computeIfAbsent(remedy, r -> new HashMap<>())
                .computeIfAbsent(procedure.id(), id -> Split.outlooks(history.now(), procedure, remedy));
    }

    List<Overturner> of(Remedy leader) {
        List<Overturner> all = new ArrayList<>();
        history.now().remedies().entrySet().stream()
                .filter(e -> e.getKey() != leader)
                .sorted(Map.Entry.<Remedy, Double>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .map(rival -> cheapest(leader, rival, true))
                .flatMap(Optional::stream)
                .limit(RIVALS)
                .forEach(all::add);
        return all;
    }

    /** Rivals that no test left here tells from the leader, and the looks at the parts themselves that will. */
    Optional<StripDown> stripDown(Remedy leader, List<Remedy> rivals) {
        if (rivals.size() >= MOST_IN_GROUP || leader == Remedy.LOOK_ELSEWHERE || leader == Remedy.HAND_BACK) {
            return Optional.empty();
        }
        List<Remedy> apart = rivals.stream()
                .filter(r ->
                        r != Remedy.LOOK_ELSEWHERE && cheapest(leader, r, false).isEmpty())
                .toList();
        if (apart.isEmpty()) {
            return Optional.empty();
        }
        List<Suspect> group = Stream.concat(Stream.of(leader), apart.stream())
                .flatMap(this::leading)
                .toList();
        List<String> looks = group.stream()
                .flatMap(s -> model.procedures().all().stream()
                        .filter(p -> p.observes().contains(s.id()))
                        .max(Comparator.comparingDouble(Procedure::minutes))
                        .map(Procedure::id)
                        .stream())
                .distinct()
                .toList();
        return Optional.of(new StripDown(group, looks));
    }

    /** The likeliest suspect of a remedy. */
    private Stream<Suspect> leading(Remedy remedy) {
        return history.now().ranking().stream()
                .filter(s -> s.remedy() == remedy)
                .limit(1);
    }

    private Optional<Overturner> cheapest(Remedy leader, Remedy rival, boolean again) {
        return tests.stream()
                .filter(p -> again || !done.contains(p.id()))
                .map(procedure -> telling(procedure, leader, rival))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private Optional<Overturner> telling(Procedure procedure, Remedy leader, Remedy rival) {
        List<Outlook> ifLeader = outlooks(procedure, leader);
        List<Outlook> ifRival = outlooks(procedure, rival);
        Overturner best = null;
        double widest = TELLING;
        for (int k = 0; k < procedure.width(); k++) {
            Outlook now = ifLeader.get(k);
            Outlook then = ifRival.get(k);
            boolean series = procedure.spec() instanceof Series;
            double apart = Math.abs(then.mean() - now.mean()) / Math.hypot(now.sd(), then.sd());
            boolean speaksForRival = series || then.mean() > 0.3 && then.mean() > 4 * now.mean();
            if (speaksForRival && apart > widest) {
                widest = apart;
                double threshold = (now.mean() * then.sd() + then.mean() * now.sd()) / (now.sd() + then.sd());
                Optional<Figure> figure = series
                        ? Optional.of(((Series) procedure.spec()).figures().get(k))
                        : Optional.empty();
                best = new Overturner(
                        rival,
                        procedure.id(),
                        done.contains(procedure.id()),
                        figure.map(Figure::id),
                        figure.map(Figure::dimension),
                        then.mean() > now.mean(),
                        threshold,
                        series
                                ? Optional.empty()
                                : Optional.of(((Observation) procedure.spec())
                                        .options()
                                        .get(k)));
            }
        }
        return Optional.ofNullable(best);
    }
}
