package overturn.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import overturn.catalogue.ProcedureCatalogue;
import overturn.catalogue.QuickFirst;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.forecast.Predictions;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Foresight;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.planning.Proposal.Kind;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Stand;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * Ranks the tests that can still be done: minutes saved per minute spent, the way there and back counted, gates first.
 */
public final class TestPlanner {

    /** From so long on a vehicle has stood for a night; chosen. */
    private static final double A_NIGHT_SECONDS = 4 * 3600;

    /** Share from which on what it is is known and only proof is wanted; chosen. */
    private static final double KNOWN = 0.9;
    /** Chance of a proof from which on a test is done for it; chosen. */
    private static final double LEAST_PROOF = 0.05;
    /** A repeat on another rig shares the vehicle, the hand and the eye with the first; estimate. */
    private static final double REPEAT_WORTH = 0.35;
    /**
     * A rig that may have lied is worth another from this probability on; no test is done more often than this; chosen.
     */
    private static final double SUSPICIOUS = 0.15;

    /** An answer that a suspect gives more seldom than this was a mistake, if it is that suspect; chosen. */
    private static final double HARDLY_SEEN = 0.03;

    /** Readings of one test at most; chosen. */
    private static final int MOST_READINGS = 2;
    /** What a round brings is less than the sum of its tests, which partly tell the same; estimate. */
    private static final double ROUND_OVERLAP = 1.6;

    /** Least saving of a round that is divided by, minutes; chosen. */
    private static final double LEAST_SAVED = 1e-6;
    /** Share from which on what an isolation would change is worth isolating; chosen. */
    private static final double ISOLATED_SHARE = 0.02;
    /**
     * Share of a way back that is taken as saved when a test leads it anyway: something may lead there again; estimate.
     */
    private static final double WAY_BACK_CREDIT = 0.5;

    /** What is short whatever it comes before, the way there included; chosen. */
    private static final double SHORT_MINUTES = 15;

    private final LayoutModel model;
    private final Workshop workshop;
    private final Prices prices;

    private TestPlanner(LayoutModel model, Workshop workshop) {
        this.model = model;
        this.workshop = workshop;
        this.prices = workshop.prices();
    }

    public static TestPlanner of(LayoutModel model, Workshop workshop) {
        return new TestPlanner(model, workshop);
    }

    /**
     * All tests that can be done now, the best first.
     *
     * @param history what is believed
     * @param state how the vehicle stands
     * @param setAside ids of tests that cannot be done here
     */
    public List<Proposal> rank(BeliefHistory history, VehicleNeeds state, Set<String> setAside) {
        Foresight foresight = Foresight.of(history);
        List<Proposal> proposals = new ArrayList<>();
        double[] shares = foresight.shares();
        CostToCome cost = CostToCome.of(prices, foresight.cures(), shares);
        Optional<Cure> carried = carried(history);
        for (Candidate candidate : candidates(history, setAside)) {
            proposals.add(propose(candidate, history, foresight, shares, cost, state, carried));
        }
        shareWays(proposals);
        proposals.sort(Comparator.comparing((Proposal p) -> p.kind() != Kind.GATE)
                .thenComparing(p -> p.kind() != Kind.CONFLICT)
                .thenComparing(p -> -p.score())
                .thenComparing(p -> p.procedure().id()));
        return quickFirst(proposals);
    }

    /** The same order, but where a dearer test is worth doing the short ones that come before it stand ahead of it. */
    private static List<Proposal> quickFirst(List<Proposal> ranked) {
        Map<String, Proposal> left = new LinkedHashMap<>();
        ranked.forEach(proposal -> left.put(proposal.procedure().id(), proposal));
        List<Proposal> ordered = new ArrayList<>();
        for (Proposal proposal : ranked) {
            if (left.remove(proposal.procedure().id()) == null) {
                continue;
            }
            if (proposal.worthDoing()) {
                for (String quick : QuickFirst.before(proposal.procedure().id())) {
                    Proposal before = left.get(quick);
                    if (before != null
                            && !before.anotherRig()
                            && before.minutes() <= Math.max(SHORT_MINUTES, proposal.minutes())) {
                        ordered.add(left.remove(quick).leading());
                    }
                }
            }
            ordered.add(proposal);
        }
        return ordered;
    }

    /**
     * Tests that share a state of the vehicle are one round: each bears the way there and back by its part of what the
     * round brings. So a vehicle is raised when several tests together are worth it, though none alone is.
     */
    private static void shareWays(List<Proposal> proposals) {
        Map<VehicleNeeds, Double> rounds = new HashMap<>();
        proposals.forEach(p -> rounds.merge(p.procedure().needs(), p.savedMinutes(), Double::sum));
        proposals.replaceAll(p -> {
            double part = p.savedMinutes()
                    / Math.max(LEAST_SAVED, rounds.getOrDefault(p.procedure().needs(), 0.0));
            return p.bearing(Math.min(1, part * ROUND_OVERLAP));
        });
    }

    private record Candidate(Procedure procedure, Repeat repeat, boolean mendsConflict, boolean afterRepair) {}

    private List<Candidate> candidates(BeliefHistory history, Set<String> setAside) {
        Set<String> done = history.readings().stream()
                .filter(r -> r.after().equals(history.done()))
                .filter(TestPlanner::saysSomething)
                .map(Reading::procedureId)
                .collect(Collectors.toSet());
        Optional<String> odd = history.oddOneOut().map(Reading::procedureId);
        List<Candidate> candidates = new ArrayList<>();
        List<Procedure> known = Stream.concat(
                        model.procedures().all().stream(), CutSetChoice.of(history, workshop, setAside).stream())
                .toList();
        for (Procedure procedure : known) {
            boolean mends = odd.isPresent()
                    && odd.get().equals(procedure.id())
                    && own(history, procedure).size() < MOST_READINGS;
            Repeat repeat = !done.contains(procedure.id()) ? Repeat.FIRST : repeat(history, procedure);
            if (workshop.canDo(procedure)
                    && !unseenAsItStands(history, procedure)
                    && !setAside.contains(procedure.id())
                    && !ProcedureCatalogue.atIntake(procedure.id())
                    && (repeat != Repeat.NO || mends)
                    && isolatesSomething(history.now(), procedure)) {
                candidates.add(
                        new Candidate(procedure, repeat, mends, !history.done().isEmpty()));
            }
        }
        return candidates;
    }

    /**
     * Whether what is taken out would change the figure under anything still suspected. Where it would not, a test that
     * reads before and after tells no more than the plain test of that figure, and looks silly.
     */
    private boolean isolatesSomething(Belief belief, Procedure procedure) {
        OptionalDouble change = procedure.tellableChange();
        if (change.isEmpty()) {
            return true;
        }
        Predictions predictions = model.predictions(procedure);
        double changing = 0;
        for (Suspect suspect : belief.ranking()) {
            int s = model.indexOf(suspect.id());
            boolean changes =
                    Math.abs(predictions.foreseenMean(s, 1) - predictions.foreseenMean(s, 0)) >= change.getAsDouble();
            changing += changes ? belief.probability(suspect.id()) : 0;
        }
        return changing >= ISOLATED_SHARE;
    }

    /** Whether, and why, a test is done once more. */
    private enum Repeat {
        FIRST(1),
        NO(REPEAT_WORTH),
        /** The fault comes and goes: the next look tells as much as the first. */
        SOMETIMES(1),
        /** The rig may have lied: the repeat tells most of what the first would have; estimate. */
        ANEW(0.6),
        /** A reading that could carry a proof, had its rig been proven. */
        FOR_PROOF(REPEAT_WORTH);

        private final double worth;

        Repeat(double worth) {
            this.worth = worth;
        }
    }

    private Repeat repeat(BeliefHistory history, Procedure procedure) {
        List<Reading> own = own(history, procedure);
        if (own.size() >= MOST_READINGS) {
            return Repeat.NO;
        }
        if (history.intake().sometimes()) {
            return Repeat.SOMETIMES;
        }
        if (own.stream().anyMatch(r -> history.now().lyingProbability(r.rigSetup()) >= SUSPICIOUS)) {
            return Repeat.ANEW;
        }
        if (own.size() == 1 && mistaken(history.now(), procedure, own.get(0)) >= SUSPICIOUS) {
            return Repeat.ANEW;
        }
        boolean unproven = own.stream().noneMatch(r -> r.trust() == RigTrust.PROVEN);
        return procedure.nature() != Nature.INDICATING && own.size() == 1 && unproven ? Repeat.FOR_PROOF : Repeat.NO;
    }

    /** How likely what was seen is not so: the wrong part was looked at, or a wrong word entered. */
    private double mistaken(Belief belief, Procedure procedure, Reading look) {
        if (!(look.value() instanceof Observed)) {
            return 0;
        }
        Predictions predictions = model.predictions(procedure);
        double[] seen = predictions.encode(look.value());
        return seen.length == 0
                ? 0
                : IntStream.range(0, model.suspects().size())
                        .filter(s -> predictions.foreseenMean(s, (int) seen[0]) < HARDLY_SEEN)
                        .mapToDouble(belief::probability)
                        .sum();
    }

    /**
     * What could not be seen will not be seen at once either: it is looked at again when the vehicle has stood
     * otherwise meanwhile.
     */
    private boolean unseenAsItStands(BeliefHistory history, Procedure procedure) {
        List<Reading> readings = history.readings();
        for (int i = readings.size() - 1; i >= 0; i--) {
            if (readings.get(i).procedureId().equals(procedure.id())) {
                return !saysSomething(readings.get(i));
            }
            boolean stoodOtherwise = model.procedures()
                    .find(readings.get(i).procedureId())
                    .map(Procedure::needs)
                    .filter(other -> other.raised() != procedure.needs().raised()
                            || other.opened() != procedure.needs().opened())
                    .isPresent();
            if (stoodOtherwise) {
                return false;
            }
        }
        return false;
    }

    /** A test that was not seen may be looked at again as if it had not been done. */
    private static boolean saysSomething(Reading reading) {
        return !(reading.value() instanceof Observed observed && observed.notSeen());
    }

    /** Readings of this test in the present state of repair. */
    private static List<Reading> own(BeliefHistory history, Procedure procedure) {
        return history.readings().stream()
                .filter(r -> r.procedureId().equals(procedure.id()) && r.after().equals(history.done()))
                .toList();
    }

    private Proposal propose(
            Candidate candidate,
            BeliefHistory history,
            Foresight foresight,
            double[] now,
            CostToCome cost,
            VehicleNeeds state,
            Optional<Cure> carried) {
        Procedure procedure = candidate.procedure();
        double[][] outcomes = foresight.outcomes(procedure);
        double share = candidate.repeat().worth;
        CostToCome.Gain gain = cost.gain(now, outcomes).times(share);
        double chance = share * proofChance(history, procedure, now, outcomes, foresight, carried);
        double stateMinutes = stateMinutes(procedure, state, history.now()) + standingMinutes(procedure, history);
        return new Proposal(
                procedure,
                workshop.minutes(procedure),
                candidate.repeat() != Repeat.FIRST,
                stateMinutes,
                1,
                gain,
                chance,
                prices.proofMinutes(),
                DirectLooks.worth(history.now(), procedure),
                kind(candidate, history.now(), stateMinutes, chance),
                false);
    }

    /** The leading cure, where it is known and only what else it may be has to be ruled out. */
    private static Optional<Cure> carried(BeliefHistory history) {
        Cure leading = history.now().leadingCure();
        return Optional.of(leading).filter(c -> history.now().probability(c) >= KNOWN && Proof.carried(history, c));
    }

    /** Chance that a cure is then proven: belief leaves nothing to ask, and this test or an earlier one carries it. */
    private static double proofChance(
            BeliefHistory history,
            Procedure procedure,
            double[] now,
            double[][] outcomes,
            Foresight foresight,
            Optional<Cure> carried) {
        List<Cure> cures = foresight.cures();
        double rise = history.now().untemperedRise();
        double[] overall = foresight.overall(procedure);
        double chance = 0;
        for (int m = 0; m < outcomes.length; m++) {
            double[] outcome = outcomes[m];
            int top = 0;
            double total = 0;
            for (int c = 0; c < outcome.length; c++) {
                top = outcome[c] > outcome[top] ? c : top;
                total += outcome[c];
            }
            boolean moved = outcome[top] >= Proof.CARRYING_FACTOR * now[top] * overall[m];
            boolean carries = carried.filter(cures.get(top)::equals).isPresent()
                    || moved && Proof.canCarry(history, procedure, cures.get(top));
            if (carries
                    && Proof.claim(cures, Proof.untempered(cures, outcome, rise), cures.get(top))
                            .holds()) {
                chance += total;
            }
        }
        return chance;
    }

    /**
     * What is read after a night is read at once while nobody has pressed; afterwards the night has to be waited for.
     */
    private double standingMinutes(Procedure procedure, BeliefHistory history) {
        double stoodSeconds = procedure.protocol().acts().stream()
                .filter(Stand.class::isInstance)
                .mapToDouble(act -> ((Stand) act).seconds())
                .filter(seconds -> seconds >= A_NIGHT_SECONDS)
                .sum();
        boolean pressed = history.readings().stream()
                .map(Reading::procedureId)
                .filter(id -> !ProcedureCatalogue.atIntake(id))
                .flatMap(id -> model.procedures().find(id).stream())
                .anyMatch(done -> done.protocol().acts().stream().anyMatch(Press.class::isInstance));
        return pressed ? stoodSeconds / 60 : 0;
    }

    /** The way there and what it adds to the way back, with credit for what the likely remedy opens anyway. */
    private double stateMinutes(Procedure procedure, VehicleNeeds state, Belief belief) {
        VehicleNeeds needs = procedure.needsFrom(state);
        double there = way(StateChanges.closed(state), StateChanges.closed(needs));
        double back =
                way(StateChanges.closed(needs), VehicleNeeds.SEAT) - way(StateChanges.closed(state), VehicleNeeds.SEAT);
        double openedAnyway = 0;
        for (Remedy remedy : Remedy.values()) {
            openedAnyway = Math.max(openedAnyway, remedy.opensCircuit() ? belief.probability(remedy) : 0);
        }
        double closing = 0;
        if (needs.opened() != state.opened()) {
            closing = StateChanges.closingMinutes(needs) * (1 - openedAnyway) + StateChanges.closingMinutes(state);
        }
        return there + (back < 0 ? WAY_BACK_CREDIT * back : back) + closing;
    }

    private double way(VehicleNeeds from, VehicleNeeds to) {
        return StateChanges.minutes(from, to, workshop.raisingMinutes());
    }

    private Kind kind(Candidate candidate, Belief belief, double stateMinutes, double proofChance) {
        boolean first = candidate.repeat() == Repeat.FIRST && !candidate.afterRepair();
        Procedure procedure = candidate.procedure();
        if (candidate.mendsConflict()) {
            return Kind.CONFLICT;
        }
        if (procedure.gate() && first) {
            return Kind.GATE;
        }
        if (first && DirectLooks.due(belief, procedure, workshop.minutes(procedure) + Math.max(0, stateMinutes))) {
            return Kind.LAST_LOOK;
        }
        if (belief.probability(belief.leadingRemedy()) < KNOWN) {
            return Kind.SPLIT;
        }
        return proofChance >= LEAST_PROOF ? Kind.PROOF : Kind.BESIDE;
    }
}
