package overturn.app.api.job;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.workshop.WorkshopSettings;
import overturn.circuit.Segment;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.PlacesSeen;
import overturn.planning.Proposal;
import overturn.planning.Reason;
import overturn.planning.Round;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.quantity.Dimension;
import overturn.repair.WorkPlan;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Assessment;
import overturn.verdict.Grade;
import overturn.verdict.Standing;
import overturn.verdict.Verdict;
import overturn.verdict.Verdict.Missing;

/**
 * What follows from the log: suspects with their reasons, how suspicion moved, the tests, the verdict.
 *
 * @param verdict absent while what was decided says all
 */
public record AssessmentView(
        List<SuspicionView> suspects,
        List<PairView> pairs,
        List<SuspectedPartView> components,
        List<SuspectedSegmentView> segments,
        List<MomentView> river,
        Optional<ProposalView> next,
        List<ProposalView> others,
        List<LeftOutView> leftOut,
        List<RoundView> rounds,
        boolean anotherTestPays,
        Optional<VerdictView> verdict,
        List<String> justRenewed,
        Optional<ConflictView> conflict,
        Optional<MoneyView> money,
        FrequenciesUsedView frequencies) {

    /**
     * Which frequencies it began with: those that ship, and closed jobs beside them as they were when the job was
     * opened; and how often tests had been timed here by then, whose minutes it counts with.
     */
    public record FrequenciesUsedView(boolean learned, int ownJobs, int elsewhereJobs, int timedTests) {}

    /** Proposals whose reason is worked out; the rest is far from being done next. */
    private static final int EXPLAINED = 12;

    private static final int MOST_PAIRS = 5;
    private static final double LEAST_PAIR = 0.01;

    static AssessmentView of(Job job) {
        Assessment assessment = job.assessment();
        BeliefHistory history = assessment.history();
        List<SuspicionView> suspects = new ArrayList<>(
                history.now().ranking().stream().map(s -> suspicion(s, history)).toList());
        suspects.add(new SuspicionView(
                Verdict.NONE_OF_THESE,
                Remedy.LOOK_ELSEWHERE.id(),
                history.now().noneOfThese(),
                history.now().noneOfThese() < Standing.CLEARED_SHARE,
                false,
                Optional.empty(),
                Optional.empty(),
                List.of()));
        suspects.sort((a, b) -> Double.compare(b.probability(), a.probability()));
        List<MomentView> river =
                history.moments().stream().map(m -> moment(job, history, m)).toList();
        Optional<ProposalView> next = assessment.next().map(p -> ProposalView.of(p, history.now()));
        List<Proposal> rest =
                assessment.proposals().stream().skip(next.isPresent() ? 1 : 0).toList();
        List<ProposalView> others = IntStream.range(0, rest.size())
                .mapToObj(i -> i < EXPLAINED
                        ? ProposalView.of(rest.get(i), history.now())
                        : ProposalView.unexplained(rest.get(i), history.now()))
                .toList();
        List<PairView> pairs = history.now().leadingPairs(MOST_PAIRS).stream()
                .filter(p -> p.probability() >= LEAST_PAIR)
                .map(p -> new PairView(p.one().id(), p.other().id(), p.probability()))
                .toList();
        return new AssessmentView(
                suspects,
                pairs,
                SuspectedPartView.of(history.now(), job.seen()),
                history.now().segments().entrySet().stream()
                        .map(SuspectedSegmentView::of)
                        .toList(),
                river,
                next,
                others,
                LeftOutView.all(job),
                assessment.rounds().stream().map(RoundView::of).toList(),
                assessment.anotherTestPays(),
                job.verdict().map(verdict -> VerdictView.of(verdict, job.workshop(), job)),
                justRenewed(job),
                history.oddOneOut().map(r -> conflict(r, assessment)),
                money(job),
                new FrequenciesUsedView(
                        job.learned().on(),
                        job.learned().own(),
                        job.learned().elsewhere(),
                        job.learned().minutes().done().values().stream()
                                .mapToInt(times -> times)
                                .sum()));
    }

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

        private static List<LeftOutView> all(Job job) {
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

    /** Suspects of the verdict that sit in a part renewed just before: compared before it is bought again. */
    private static List<String> justRenewed(Job job) {
        return job.assessment().verdict().suspects().stream()
                .filter(s -> job.state().intake().work().stream()
                        .anyMatch(w -> w.justRenewed(s, job.model().layout())))
                .map(Suspect::id)
                .toList();
    }

    private static SuspicionView suspicion(Suspect suspect, BeliefHistory history) {
        Standing standing = Standing.of(history, suspect);
        return new SuspicionView(
                suspect.id(),
                suspect.remedy().id(),
                standing.probability(),
                standing.cleared(),
                standing.cleared() && history.done().settles(suspect.remedy()),
                standing.clearedBy().map(WeightView::of),
                standing.heldUpBy().map(WeightView::of),
                standing.weights().stream().map(WeightView::of).toList());
    }

    private static ConflictView conflict(Reading odd, Assessment assessment) {
        return new ConflictView(
                UUID.fromString(odd.id()),
                odd.procedureId(),
                odd.rigSetup(),
                assessment
                        .cheapestRepeat()
                        .map(p -> new RepeatView(p.procedure().id(), p.minutes())));
    }

    private static Optional<MoneyView> money(Job job) {
        return job.workshop()
                .rate()
                .map(rate -> new MoneyView(
                        rate.currency(),
                        rate.of(job.assessment().verdict().wasteMinutes()),
                        job.assessment().next().map(p -> rate.of(p.minutes()))));
    }

    private static MomentView moment(Job job, BeliefHistory history, BeliefHistory.Moment moment) {
        Belief belief = moment.belief();
        Optional<Reading> reading = moment.readings() == 0 || moment.repaired().isPresent()
                ? Optional.empty()
                : Optional.of(history.readings().get(moment.readings() - 1));
        return new MomentView(
                reading.map(r -> UUID.fromString(r.id())),
                reading.map(Reading::procedureId),
                moment.repaired().map(Cure::remedies).orElse(List.of()).stream()
                        .map(Remedy::id)
                        .toList(),
                Stream.concat(
                                job.model().suspects().stream()
                                        .map(s -> new ShareView(s.id(), belief.probability(s.id()))),
                                Stream.of(new ShareView(Verdict.NONE_OF_THESE, belief.noneOfThese())))
                        .toList(),
                SuspectedPartView.of(belief, job.seen()));
    }

    /**
     * A suspect now.
     *
     * @param cleared whether it is below the stated share
     * @param retired whether it was remedied, so that it is suspected no more
     * @param clearedBy the reading that clears it most, where it is cleared
     * @param heldUpBy the reading that keeps it suspected most, where it is not
     * @param weights readings for (above 1) and against it, the weightiest first
     */
    public record SuspicionView(
            String suspectId,
            String remedyId,
            double probability,
            boolean cleared,
            boolean retired,
            Optional<WeightView> clearedBy,
            Optional<WeightView> heldUpBy,
            List<WeightView> weights) {}

    /** Suspicion that falls on one segment of the circuit. */
    public record SuspectedSegmentView(String segmentId, double probability) {

        static SuspectedSegmentView of(Map.Entry<Segment, Double> entry) {
            return new SuspectedSegmentView(entry.getKey().name().toLowerCase(Locale.ROOT), entry.getValue());
        }
    }

    /** Two suspects at fault at once. */
    public record PairView(String oneId, String otherId, double probability) {}

    /** Suspicion that falls on one component of the circuit. */
    public record SuspectedPartView(String componentId, double probability) {

        static List<SuspectedPartView> of(Belief belief, PlacesSeen seen) {
            return belief.components(seen).entrySet().stream()
                    .map(e -> new SuspectedPartView(e.getKey(), e.getValue()))
                    .toList();
        }
    }

    /** How many times one reading raised the odds. */
    public record WeightView(UUID entryId, String procedureId, double oddsFactor) {

        static WeightView of(Standing.Weight weight) {
            return new WeightView(
                    UUID.fromString(weight.reading().id()), weight.reading().procedureId(), weight.oddsFactor());
        }
    }

    /**
     * What was believed after a reading, or after a repair ({@code repaired} names its remedies); the first is before
     * any.
     */
    public record MomentView(
            Optional<UUID> entryId,
            Optional<String> procedureId,
            List<String> repaired,
            List<ShareView> shares,
            List<SuspectedPartView> components) {}

    /** Share of one suspect. */
    public record ShareView(String suspectId, double probability) {}

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

    /**
     * Where it stands.
     *
     * @param remedyIds what will be done: one remedy, or both of a pair; to be named when it is accepted
     * @param alsoRemedyId the second remedy, where two suspects are at fault at once
     * @param enough probability that nothing beyond it is needed
     * @param wrongPartMinutes what acting on it now is expected to waste
     */
    public record VerdictView(
            List<String> remedyIds,
            String remedyId,
            String suspectId,
            Optional<String> alsoRemedyId,
            Optional<String> alsoSuspectId,
            List<PlacesView> places,
            double probability,
            double enough,
            Grade grade,
            List<UUID> carriers,
            List<Missing> missing,
            List<OverturnerView> overturners,
            Optional<StripDownView> stripDown,
            double remedyMinutes,
            double wrongPartMinutes) {

        static VerdictView of(Verdict verdict, WorkshopSettings workshop, Job job) {
            Optional<Suspect> also = verdict.suspects().stream().skip(1).findFirst();
            return new VerdictView(
                    verdict.remedies().stream().map(Remedy::id).toList(),
                    verdict.remedy().id(),
                    verdict.suspectId(),
                    also.map(s -> s.remedy().id()),
                    also.map(Suspect::id),
                    verdict.remedies().stream().map(r -> PlacesView.of(r, job)).toList(),
                    verdict.probability(),
                    verdict.enough(),
                    verdict.grade(),
                    verdict.carriers().stream()
                            .map(r -> UUID.fromString(r.id()))
                            .toList(),
                    verdict.missing(),
                    verdict.overturners().stream().map(OverturnerView::of).toList(),
                    verdict.stripDown().map(StripDownView::of),
                    verdict.cure().remedies().stream()
                            .mapToDouble(r -> workshop.priceOf(r).labourMinutes())
                            .sum(),
                    verdict.wasteMinutes());
        }
    }

    /** Where a remedy of the verdict can be done, the most suspected first. */
    public record PlacesView(String remedyId, List<String> componentIds) {

        static PlacesView of(Remedy remedy, Job job) {
            Map<String, Double> suspected = job.suspectedParts();
            return new PlacesView(
                    remedy.id(),
                    WorkPlan.places(job.model().layout(), remedy).stream()
                            .sorted(Comparator.comparingDouble(id -> -suspected.getOrDefault(id, 0.0)))
                            .toList());
        }
    }

    /** Suspects that no test left here tells apart, and the looks at the parts themselves that will. */
    public record StripDownView(List<String> suspectIds, List<String> procedureIds) {

        static StripDownView of(Verdict.StripDown group) {
            return new StripDownView(group.group().stream().map(Suspect::id).toList(), group.looks());
        }
    }

    /**
     * A reading that would overturn the verdict: a figure above or below a threshold (core unit), or an observation.
     */
    public record OverturnerView(
            String rivalRemedyId,
            String procedureId,
            boolean anotherRig,
            Optional<String> figureId,
            Optional<Dimension> dimension,
            boolean above,
            double threshold,
            Optional<String> option) {

        static OverturnerView of(Verdict.Overturner o) {
            return new OverturnerView(
                    o.rival().id(),
                    o.procedureId(),
                    o.anotherRig(),
                    o.figureId(),
                    o.dimension(),
                    o.above(),
                    o.threshold(),
                    o.option());
        }
    }
}
