package overturn.bench.hidden;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import overturn.planning.Proposal;
import overturn.procedure.Procedure;

/**
 * Who decides what to do next. All stop at a proof, and when no test is worth its minutes; they differ in what they
 * choose until then.
 */
enum Policy {
    OVERTURN("overturn") {
        @Override
        Optional<Step> next(Position at) {
            return at.proposals().stream()
                    .findFirst()
                    .filter(Proposal::worthDoing)
                    .map(Step::of);
        }
    },
    /** Replaces by likelihood until cured. */
    LIKELIHOOD("likelihood") {
        @Override
        Optional<Step> next(Position at) {
            return Optional.empty();
        }
    },
    /**
     * A fixed chart per family and behaviour; after a repair it is followed again until the vehicle is probably sound.
     */
    CHART("chart") {
        @Override
        Optional<Step> next(Position at) {
            return at.chart().stream()
                    .filter(p -> !at.done(p))
                    .findFirst()
                    .map(p -> new Step(p, false))
                    .filter(step -> !at.repaired() || !at.clear());
        }
    },
    INFORMATION_PER_MINUTE("informationPerMinute") {
        @Override
        Optional<Step> next(Position at) {
            return best(at, Comparator.comparingDouble(p -> p.gain().informationNats() / p.minutesBorne()));
        }
    },
    INFORMATION_ONLY("informationOnly") {
        @Override
        Optional<Step> next(Position at) {
            return best(at, Comparator.comparingDouble(p -> p.gain().informationNats()));
        }
    },
    /**
     * Every test of the catalogue, whatever its minutes: not a policy that anybody could pay for, but the bound of what
     * can be read.
     */
    EVERYTHING("everything") {
        @Override
        Optional<Step> next(Position at) {
            throw new IllegalStateException("Impossible: it leaves nothing to choose");
        }
    };

    /** Those that are driven side by side. */
    static final List<Policy> COMPARED = List.of(OVERTURN, LIKELIHOOD, CHART, INFORMATION_PER_MINUTE, INFORMATION_ONLY);

    private final String id;

    Policy(String id) {
        this.id = id;
    }

    String id() {
        return id;
    }

    /** The next test; empty to act on what is believed. */
    abstract Optional<Step> next(Position at);

    /** Where a policy stands. */
    interface Position {

        /** All tests that can be done, weighed, in the planner's order. */
        List<Proposal> proposals();

        List<Procedure> chart();

        boolean done(Procedure procedure);

        /** Whether something has been remedied already. */
        boolean repaired();

        /** Whether a verdict may be acted on without asking further: 80 % and more. */
        boolean clear();
    }

    /** A test, the first time or once more with another rig. */
    record Step(Procedure procedure, boolean again) {

        static Step of(Proposal proposal) {
            return new Step(proposal.procedure(), proposal.anotherRig());
        }
    }

    /** Gates come first for everybody; then the best of all tests by this order, as long as any is worth doing. */
    private static Optional<Step> best(Position at, Comparator<Proposal> order) {
        Optional<Proposal> gate = at.proposals().stream()
                .filter(p -> p.kind() == Proposal.Kind.GATE)
                .findFirst();
        boolean goesOn = at.proposals().stream().anyMatch(Proposal::worthDoing);
        return gate.or(() -> at.proposals().stream().filter(p -> goesOn).max(order))
                .map(Step::of);
    }
}
