package overturn.app.api;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import overturn.app.usecase.Jobs.Job;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.planning.Proposal;
import overturn.planning.Reason;
import overturn.quantity.Dimension;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Assessment;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;
import overturn.verdict.Verdict.Missing;

/** What follows from the log: suspects with their reasons, how suspicion moved, the tests, the verdict. */
public record AssessmentView(List<SuspicionView> suspects, List<MomentView> river, Optional<ProposalView> next,
                             List<ProposalView> others, VerdictView verdict, Optional<ConflictView> conflict) {

    /** Weights between half and double are noise and not told. */
    private static final double TELLING_FACTOR = 1.5;

    static AssessmentView of(Job job) {
        Assessment assessment = job.assessment();
        BeliefHistory history = assessment.history();
        List<SuspicionView> suspects = history.now().ranking().stream().map(s -> suspicion(s, history)).toList();
        List<MomentView> river = IntStream.rangeClosed(0, history.readings().size()).mapToObj(n -> moment(job, history, n)).toList();
        Optional<ProposalView> next = assessment.next().map(p -> ProposalView.of(p, history.now()));
        List<ProposalView> others = assessment.proposals().stream().skip(next.isPresent() ? 1 : 0)
                .map(p -> ProposalView.of(p, history.now())).toList();
        return new AssessmentView(suspects, river, next, others, VerdictView.of(assessment.verdict()),
                history.oddOneOut().map(r -> new ConflictView(UUID.fromString(r.id()), r.procedureId(), r.rigSetup())));
    }

    private static SuspicionView suspicion(Suspect suspect, BeliefHistory history) {
        List<WeightView> weights = new ArrayList<>();
        for (int i = 0; i < history.readings().size(); i++) {
            double factor = history.oddsFactor(i, suspect.id());
            if (factor > TELLING_FACTOR || factor < 1 / TELLING_FACTOR) {
                weights.add(new WeightView(UUID.fromString(history.readings().get(i).id()), history.readings().get(i).procedureId(), factor));
            }
        }
        weights.sort((a, b) -> Double.compare(Math.abs(Math.log(b.oddsFactor())), Math.abs(Math.log(a.oddsFactor()))));
        return new SuspicionView(suspect.id(), suspect.remedy().id(), history.now().probability(suspect.id()), weights);
    }

    private static MomentView moment(Job job, BeliefHistory history, int count) {
        Belief belief = history.after(count);
        Optional<Reading> reading = count == 0 ? Optional.empty() : Optional.of(history.readings().get(count - 1));
        return new MomentView(reading.map(r -> UUID.fromString(r.id())), reading.map(Reading::procedureId),
                job.model().suspects().stream().map(s -> new ShareView(s.id(), belief.probability(s.id()))).toList());
    }

    /** A suspect now: its probability and the readings for (above 1) and against it, the weightiest first. */
    public record SuspicionView(String suspectId, String remedyId, double probability, List<WeightView> weights) {
    }

    /** How many times one reading raised the odds. */
    public record WeightView(UUID entryId, String procedureId, double oddsFactor) {
    }

    /** What was believed after a reading; the first is before any. */
    public record MomentView(Optional<UUID> entryId, Optional<String> procedureId, List<ShareView> shares) {
    }

    /** Share of one suspect. */
    public record ShareView(String suspectId, double probability) {
    }

    /** The reading that does not fit, to be repeated on another rig. */
    public record ConflictView(UUID entryId, String procedureId, String rigSetup) {
    }

    /**
     * A test that could be done.
     *
     * @param leadingNow   probability of the leading remedy, so the chance that acting now is right
     * @param leadingAfter what it is expected to be after this test
     */
    public record ProposalView(String procedureId, boolean anotherRig, double minutes, double testMinutes, double stateMinutes,
                               double informationNats, double proofChance, double leadingNow, double leadingAfter,
                               TestView.NeedsView needs, ReasonView reason) {

        static ProposalView of(Proposal proposal, Belief now) {
            return new ProposalView(proposal.procedure().id(), proposal.anotherRig(), proposal.minutes(), proposal.procedure().minutes(),
                    proposal.stateMinutes(), proposal.expectation().informationNats(), proposal.expectation().proofChance(),
                    now.probability(now.leadingRemedy()), proposal.expectation().leadingAfter(),
                    TestView.NeedsView.of(proposal.procedure().needs()), ReasonView.of(proposal.reason()));
        }
    }

    /** Why a test is proposed: it tells remedies of one side from those of the other. */
    public record ReasonView(Reason.Kind kind, List<String> oneSide, double oneShare, List<String> otherSide, double otherShare) {

        static ReasonView of(Reason reason) {
            return new ReasonView(reason.kind(), ids(reason.oneSide()), reason.oneShare(), ids(reason.otherSide()), reason.otherShare());
        }

        private static List<String> ids(List<Remedy> remedies) {
            return remedies.stream().map(Remedy::id).toList();
        }
    }

    /** Where it stands. */
    public record VerdictView(String remedyId, String suspectId, double probability, Grade grade, List<UUID> carriers,
                              List<Missing> missing, List<OverturnerView> overturners, double remedyMinutes, double wrongPartMinutes) {

        static VerdictView of(Verdict verdict) {
            return new VerdictView(verdict.remedy().id(), verdict.suspect().id(), verdict.probability(), verdict.grade(),
                    verdict.carriers().stream().map(r -> UUID.fromString(r.id())).toList(), verdict.missing(),
                    verdict.overturners().stream().map(OverturnerView::of).toList(), verdict.remedy().labourMinutes(),
                    (1 - verdict.probability()) * (verdict.remedy().labourMinutes() + verdict.remedy().partsPriceMinutes()));
        }
    }

    /** A reading that would overturn the verdict: a figure above or below a threshold (core unit), or an observation. */
    public record OverturnerView(String rivalRemedyId, String procedureId, boolean anotherRig, Optional<String> figureId,
                                 Optional<Dimension> dimension, boolean above, double threshold, Optional<String> option) {

        static OverturnerView of(Verdict.Overturner o) {
            return new OverturnerView(o.rival().id(), o.procedureId(), o.anotherRig(), o.figureId(), o.dimension(), o.above(), o.threshold(), o.option());
        }
    }
}
