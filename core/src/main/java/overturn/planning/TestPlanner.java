package overturn.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Foresight;
import overturn.inference.Foresight.Expectation;
import overturn.inference.LayoutModel;
import overturn.inference.Split;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.planning.Reason.Kind;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.ProcedureCatalogue;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.suspect.Remedy;

/** Ranks the tests that can still be done: information per minute, the way there and back counted, gates first. */
public final class TestPlanner {

    /** What a chance of proof is worth beside information, nats; estimate. */
    private static final double PROOF_WORTH_NATS = 0.6;
    /** Share of the leading remedy above which the open question is its proof. */
    private static final double KNOWN = 0.9;

    private final LayoutModel model;

    private TestPlanner(LayoutModel model) {
        this.model = model;
    }

    public static TestPlanner of(LayoutModel model) {
        return new TestPlanner(model);
    }

    /**
     * All tests that can be done now, the best first.
     *
     * @param history  what is believed
     * @param state    how the vehicle stands
     * @param setAside ids of tests that cannot be done here
     */
    public List<Proposal> rank(BeliefHistory history, VehicleNeeds state, Set<String> setAside) {
        Foresight foresight = Foresight.of(history.now());
        List<Proposal> proposals = new ArrayList<>();
        for (Candidate candidate : candidates(history, setAside)) {
            proposals.add(propose(candidate, history.now(), foresight, state));
        }
        proposals.sort(Comparator.comparing((Proposal p) -> p.reason().kind() != Kind.GATE)
                .thenComparing(p -> p.reason().kind() != Kind.CONFLICT)
                .thenComparing(p -> -p.score())
                .thenComparing(p -> p.procedure().id()));
        return proposals;
    }

    private record Candidate(Procedure procedure, boolean anotherRig, boolean mendsConflict) {
    }

    private List<Candidate> candidates(BeliefHistory history, Set<String> setAside) {
        Set<String> done = history.readings().stream().filter(TestPlanner::saysSomething).map(Reading::procedureId)
                .collect(Collectors.toSet());
        Optional<String> odd = history.oddOneOut().map(Reading::procedureId);
        List<Candidate> candidates = new ArrayList<>();
        for (Procedure procedure : model.procedures().all()) {
            boolean repeat = done.contains(procedure.id());
            boolean mends = odd.isPresent() && odd.get().equals(procedure.id());
            boolean repeatable = mends || procedure.nature() != Nature.INDICATING && restsOnOneUnprovenRig(history, procedure);
            if (!setAside.contains(procedure.id()) && !procedure.id().equals(ProcedureCatalogue.CHARACTERISE) && (!repeat || repeatable)) {
                candidates.add(new Candidate(procedure, repeat, mends));
            }
        }
        return candidates;
    }

    /** A test that was not seen may be looked at again as if it had not been done. */
    private static boolean saysSomething(Reading reading) {
        return !(reading.value() instanceof Observed observed && observed.notSeen());
    }

    /** A reading that could carry a proof, had its rig been proven: worth repeating once with another. */
    private static boolean restsOnOneUnprovenRig(BeliefHistory history, Procedure procedure) {
        List<Reading> own = history.readings().stream().filter(r -> r.procedureId().equals(procedure.id())).toList();
        return own.size() == 1 && own.get(0).trust() != RigTrust.PROVEN;
    }

    private Proposal propose(Candidate candidate, Belief belief, Foresight foresight, VehicleNeeds state) {
        Procedure procedure = candidate.procedure();
        double stateMinutes = StateChanges.minutes(state, procedure.needs()) + owedMinutes(procedure, state, belief);
        Expectation expectation = foresight.of(procedure);
        double worth = expectation.informationNats() + PROOF_WORTH_NATS * expectation.proofChance();
        double score = worth * (candidate.anotherRig() ? 0.5 : 1) / (procedure.minutes() + stateMinutes);
        return new Proposal(procedure, candidate.anotherRig(), stateMinutes, expectation, reason(candidate, belief), score);
    }

    /** Closing and bleeding that an opening test makes necessary, less the chance that the remedy opens the circuit anyway. */
    private static double owedMinutes(Procedure procedure, VehicleNeeds state, Belief belief) {
        if (procedure.needs().opened() == state.opened()) {
            return 0;
        }
        double openedAnyway = 0;
        for (Remedy remedy : Remedy.values()) {
            openedAnyway += remedy.opensCircuit() ? belief.probability(remedy) : 0;
        }
        return StateChanges.closingMinutes(procedure.needs()) * (1 - openedAnyway);
    }

    private Reason reason(Candidate candidate, Belief belief) {
        Split split = Split.of(belief, candidate.procedure());
        Kind kind = candidate.mendsConflict() ? Kind.CONFLICT
                : candidate.procedure().gate() && !candidate.anotherRig() ? Kind.GATE
                : belief.probability(belief.leadingRemedy()) >= KNOWN ? Kind.PROOF : Kind.SPLIT;
        return new Reason(kind, split.low(), Split.share(belief, split.low()), split.high(), Split.share(belief, split.high()));
    }
}
