package overturn.app.api.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import overturn.app.api.job.ProposalViews.ConflictView;
import overturn.app.api.job.ProposalViews.LeftOutView;
import overturn.app.api.job.ProposalViews.MoneyView;
import overturn.app.api.job.ProposalViews.ProposalView;
import overturn.app.api.job.ProposalViews.RepeatView;
import overturn.app.api.job.ProposalViews.RoundView;
import overturn.app.api.job.SuspicionViews.MomentView;
import overturn.app.api.job.SuspicionViews.PairView;
import overturn.app.api.job.SuspicionViews.ShareView;
import overturn.app.api.job.SuspicionViews.SuspectedPartView;
import overturn.app.api.job.SuspicionViews.SuspectedSegmentView;
import overturn.app.api.job.SuspicionViews.SuspicionView;
import overturn.app.api.job.SuspicionViews.WeightView;
import overturn.app.api.job.VerdictViews.VerdictView;
import overturn.app.usecase.job.Jobs.Job;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.planning.Proposal;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Assessment;
import overturn.verdict.Standing;
import overturn.verdict.Verdict;

/**
 * What follows from the log: suspects with their reasons, how suspicion moved, the tests, the verdict.
 *
 * @param next the best test that is left, also where the verdict waits for its decision and it is one to test on with;
 *     what is done next tells the status
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
                history.now().ranking().stream().map(s -> suspicion(s, job)).toList());
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
                history.now().places().segments().entrySet().stream()
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

    /** Suspects of the verdict that sit in a part renewed just before: compared before it is bought again. */
    private static List<String> justRenewed(Job job) {
        return job.assessment().verdict().suspects().stream()
                .filter(s -> job.state().intake().work().stream()
                        .anyMatch(w -> w.justRenewed(s, job.model().layout())))
                .map(Suspect::id)
                .toList();
    }

    private static SuspicionView suspicion(Suspect suspect, Job job) {
        BeliefHistory history = job.assessment().history();
        Standing standing = Standing.of(history, suspect, job.assessment().verdict());
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
}
