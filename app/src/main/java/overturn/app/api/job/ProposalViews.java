package overturn.app.api.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.usecase.job.Jobs.Job;
import overturn.inference.Belief;
import overturn.planning.Proposal;
import overturn.planning.Reason;
import overturn.planning.Round;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.suspect.Remedy;

/** Tests that could be done, those that are left out, and what another test is worth. */
public final class ProposalViews {

    private ProposalViews() {}

    /**
     * A test that is proposed in no case here.
     *
     * @param why TOOL where the workshop lacks its tool, HELPER where it takes two people, STAYS where the vehicle may
     *     not be moved
     */
    public record LeftOutView(String procedureId, Why why, String rigKind) {

        /** What keeps it from being proposed. */
        public enum Why {
            TOOL,
            HELPER,
            STAYS
        }

        static List<LeftOutView> all(Job job) {
            Workshop workshop = job.planning();
            return job.model().procedures().all().stream()
                    .flatMap(test -> why(test, workshop, job.state().opened().mayBeMoved())
                            .map(why -> new LeftOutView(
                                    test.id(), why, test.rigKind().id()))
                            .stream())
                    .toList();
        }

        private static Optional<Why> why(Procedure test, Workshop workshop, boolean mayBeMoved) {
            if (workshop.lacks().contains(test.rigKind()) && !test.rigKind().dispensable()) {
                return Optional.of(Why.TOOL);
            }
            if (!workshop.canDo(test)) {
                return Optional.of(Why.HELPER);
            }
            return test.movesVehicle() && !mayBeMoved ? Optional.of(Why.STAYS) : Optional.empty();
        }
    }

    /** The reading that does not fit, and the cheapest repeat with another rig, where one is left. */
    public record ConflictView(UUID entryId, String procedureId, String rigSetup, Optional<RepeatView> repeat) {}

    /** A test to repeat and its minutes. */
    public record RepeatView(String procedureId, double minutes) {}

    /** Tests worth doing in one state of the vehicle: minutes there and back once, minutes in all. */
    public record RoundView(TestView.NeedsView needs, double wayMinutes, double minutes, List<String> procedureIds) {

        static RoundView of(Round round) {
            return new RoundView(
                    TestView.NeedsView.of(round.needs()),
                    round.wayMinutes(),
                    round.minutes(),
                    round.proposals().stream().map(p -> p.procedure().id()).toList());
        }
    }

    /**
     * Stop or test in the workshop's money, where it has told its rate: what acting now would waste, and what the next
     * test costs.
     */
    public record MoneyView(String currency, double actNow, Optional<Double> nextTest) {}

    /**
     * A test that could be done.
     *
     * @param testMinutes what the test itself takes here; {@code estimatedMinutes} is what it is estimated at
     * @param wasteMinutes expected fall of what acting would waste
     * @param savedMinutes minutes that it is expected to save in all, doubt and proof counted
     * @param worthDoing whether that is more than it costs
     * @param leadingNow probability of the leading cure, so the chance that acting now is right
     * @param leadingAfter what it is expected to be after this test
     */
    public record ProposalView(
            String procedureId,
            boolean anotherRig,
            double minutes,
            double testMinutes,
            double estimatedMinutes,
            double stateMinutes,
            double informationNats,
            double wasteMinutes,
            double savedMinutes,
            boolean worthDoing,
            double proofChance,
            double leadingNow,
            double leadingAfter,
            TestView.NeedsView needs,
            ReasonView reason) {

        static ProposalView of(Proposal proposal, Belief now) {
            return of(proposal, now, ReasonView.of(proposal.reason(now)));
        }

        static ProposalView unexplained(Proposal proposal, Belief now) {
            return of(proposal, now, new ReasonView(proposal.kind(), List.of(), 0, List.of(), 0));
        }

        private static ProposalView of(Proposal proposal, Belief now, ReasonView reason) {
            return new ProposalView(
                    proposal.procedure().id(),
                    proposal.anotherRig(),
                    proposal.minutes(),
                    proposal.testMinutes(),
                    proposal.procedure().minutes(),
                    proposal.stateMinutes(),
                    proposal.gain().informationNats(),
                    proposal.gain().wasteMinutes(),
                    proposal.savedMinutes(),
                    proposal.worthDoing(),
                    proposal.proofChance(),
                    now.probability(now.leadingCure()),
                    proposal.gain().leadingAfter(),
                    TestView.NeedsView.of(proposal.procedure().needs()),
                    reason);
        }
    }

    /** Why a test is proposed: it tells remedies of one side from those of the other. */
    public record ReasonView(
            Proposal.Kind kind, List<String> oneSide, double oneShare, List<String> otherSide, double otherShare) {

        static ReasonView of(Reason reason) {
            return new ReasonView(
                    reason.kind(),
                    ids(reason.oneSide()),
                    reason.oneShare(),
                    ids(reason.otherSide()),
                    reason.otherShare());
        }

        private static List<String> ids(List<Remedy> remedies) {
            return remedies.stream().map(Remedy::id).toList();
        }
    }
}
