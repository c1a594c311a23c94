package overturn.app.usecase.job;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.Entry.NoteWritten;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.record.RecordLine;
import overturn.app.record.RecordLine.StepTaken;
import overturn.app.record.ShopRecord;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.learning.LearnedFrequencies;
import overturn.catalogue.ProcedureCatalogue;
import overturn.course.Decided;
import overturn.course.JobStage;
import overturn.evidence.Reading;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.learning.CauseShares;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.words.Words;

/** Writes a job into the record once it is closed or came back, and takes it out while it is open. */
@Component
class RecordJob {

    /** Entries further apart say nothing of how long a test took: somebody did something else. Chosen. */
    private static final Duration LONGEST_TEST = Duration.ofMinutes(90);
    /** Entries closer together were entered afterwards. Chosen. */
    private static final Duration SHORTEST_TEST = Duration.ofSeconds(20);

    private static final double SECONDS_IN_A_MINUTE = 60;
    private static final Map<String, String> WORDS = Words.all();

    private final ShopRecord record;
    private final LearnedFrequencies frequencies;

    RecordJob(ShopRecord record, LearnedFrequencies frequencies) {
        this.record = record;
        this.frequencies = frequencies;
    }

    void keep(Job job) {
        Optional<Instant> closed = closedAt(job.state());
        if (closed.isPresent()) {
            record.keep(line(job, closed.get()));
            frequencies.forget();
        } else {
            record.drop(job.id());
        }
    }

    /** When it was given up, or released for good; one that came back was closed when it was last released. */
    private static Optional<Instant> closedAt(JobState state) {
        JobStage stage = state.stage();
        if (stage.open()) {
            return Optional.empty();
        }
        return state.log().stream()
                .filter(logged -> !state.struckIds().contains(logged.id()))
                .filter(logged -> stage == JobStage.GIVEN_UP
                        ? logged.entry() instanceof JobWithdrawn
                        : state.releases().contains(logged.id()))
                .map(LoggedEntry::takenAt)
                .reduce((before, last) -> last)
                .or(() -> Optional.of(state.log().get(state.log().size() - 1).takenAt()));
    }

    private static RecordLine line(Job job, Instant closedAt) {
        JobState state = job.state();
        JobOpened opened = state.opened();
        Optional<Cure> done = state.stage() == JobStage.GIVEN_UP ? Optional.empty() : done(job);
        List<Cure> cures = state.remedied().cures();
        List<String> before = cures.size() < 2
                ? List.of()
                : cures.subList(0, cures.size() - 1).stream()
                        .flatMap(cure -> cure.remedies().stream())
                        .map(Remedy::id)
                        .distinct()
                        .toList();
        Map<String, Double> shares = CauseShares.of(
                beliefBeforeRepair(job),
                job.model().suspects(),
                done.map(last -> state.remedied().all().orElse(last)));
        String cause = done.map(last -> likeliest(job, last)).orElse("");
        List<StepTaken> steps = steps(job);
        double tried = before.stream()
                .flatMap(id -> Remedy.find(id).stream())
                .mapToDouble(remedy -> price(job, remedy))
                .sum();
        return new RecordLine(
                job.id(),
                state.sequence(),
                opened.vehicleId(),
                opened.vehicle(),
                opened.layoutId(),
                state.layout().family(),
                opened.about().getOrDefault("make", ""),
                opened.complaint(),
                behaviour(state),
                opened.hunchId(),
                done.filter(cure -> !opened.hunchId().isEmpty()).map(cure -> held(job, opened.hunchId(), cure)),
                state.log().get(0).personId(),
                state.log().stream().map(LoggedEntry::personId).distinct().toList(),
                state.log().get(0).at(),
                closedAt,
                state.stage(),
                done.map(cure -> cure.remedies().stream().map(Remedy::id).toList())
                        .orElse(List.of()),
                before,
                cause,
                job.status().decided().map(Decided::grade),
                job.status().decided().filter(d -> done.isPresent()).map(Decided::turnedOut),
                cameBack(state, true).map(LoggedEntry::takenAt),
                state.comesBackFrom(),
                shares,
                steps,
                steps.stream().mapToDouble(StepTaken::estimatedMinutes).sum() + tried,
                done.map(cure -> inVainByLikelihood(job, cure)),
                told(job, done, cause));
    }

    /** The suspect that was most believed of those that the last remedies mend; empty where they mend none. */
    private static String likeliest(Job job, Cure last) {
        return CauseShares.of(beliefBeforeRepair(job), job.model().suspects(), Optional.of(last)).entrySet().stream()
                .max(Map.Entry.<String, Double>comparingByValue().thenComparing(Map.Entry::getKey))
                .map(Map.Entry::getKey)
                .orElse("");
    }

    /** What was remedied last; where nothing was, what was decided, such as to hand it back. */
    private static Optional<Cure> done(Job job) {
        List<Cure> cures = job.state().remedied().cures();
        if (!cures.isEmpty()) {
            return Optional.of(cures.get(cures.size() - 1));
        }
        List<Remedy> decided = job.status().decided().map(Decided::remedies).orElse(List.of());
        return decided.isEmpty() ? Optional.empty() : Optional.of(Cure.of(decided.toArray(Remedy[]::new)));
    }

    private static Belief beliefBeforeRepair(Job job) {
        List<BeliefHistory.Moment> moments = job.assessment().history().moments();
        for (int m = 0; m < moments.size(); m++) {
            if (moments.get(m).repaired().isPresent()) {
                return moments.get(m - 1).belief();
            }
        }
        return moments.get(moments.size() - 1).belief();
    }

    private static boolean held(Job job, String hunchId, Cure done) {
        return job.model().suspects().stream()
                .filter(suspect -> suspect.id().equals(hunchId))
                .map(Suspect::remedy)
                .anyMatch(done::settles);
    }

    private static String behaviour(JobState state) {
        return standing(state)
                .filter(logged -> logged.entry() instanceof ReadingTaken)
                .map(logged -> (ReadingTaken) logged.entry())
                .filter(reading -> reading.procedureId().equals(ProcedureCatalogue.CHARACTERISE))
                .map(ReadingTaken::value)
                .filter(Observed.class::isInstance)
                .map(value -> ((Observed) value).option())
                .findFirst()
                .orElse("");
    }

    private static Optional<LoggedEntry> cameBack(JobState state, boolean followsIt) {
        return standing(state)
                .filter(logged -> logged.entry() instanceof CameBack back && back.followsIt() == followsIt)
                .findFirst();
    }

    private static Stream<LoggedEntry> standing(JobState state) {
        return state.log().stream().filter(logged -> !state.struckIds().contains(logged.id()));
    }

    /** Each test with how long it took, as far as the same person's entry before it tells. */
    private static List<StepTaken> steps(Job job) {
        Set<String> read = job.state().readings().stream().map(Reading::id).collect(Collectors.toSet());
        Map<String, Instant> last = new HashMap<>();
        List<StepTaken> steps = new ArrayList<>();
        for (LoggedEntry logged : job.state().log()) {
            Optional<Instant> before = Optional.ofNullable(last.put(logged.personId(), logged.takenAt()));
            if (logged.entry() instanceof ReadingTaken taken
                    && read.contains(logged.id().toString())
                    && !taken.procedureId().equals(ProcedureCatalogue.CHARACTERISE)) {
                Optional<Procedure> test = job.model().procedures().find(taken.procedureId());
                Optional<Double> took = before.map(at -> Duration.between(at, logged.takenAt()))
                        .filter(d -> d.compareTo(SHORTEST_TEST) >= 0 && d.compareTo(LONGEST_TEST) <= 0)
                        .map(d -> d.toSeconds() / SECONDS_IN_A_MINUTE);
                test.ifPresent(t -> steps.add(new StepTaken(t.id(), t.minutes(), took)));
            }
        }
        return steps;
    }

    /** What would have been spent in vain by replacing what was likeliest by the complaint, until it is cured. */
    private static double inVainByLikelihood(Job job, Cure needed) {
        BeliefHistory history = job.assessment().history();
        List<BeliefHistory.Moment> moments = history.moments();
        Belief first = moments.get(Math.min(1, moments.size() - 1)).belief();
        List<Cure> order = first.cures().entrySet().stream()
                .sorted(Map.Entry.<Cure, Double>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(e -> e.getKey().mask()))
                .map(Map.Entry::getKey)
                .filter(cure -> !cure.equals(Cure.HAND_BACK) && !cure.equals(Cure.LOOK_ELSEWHERE))
                .toList();
        Set<Remedy> fitted = new LinkedHashSet<>();
        for (Cure cure : order) {
            fitted.addAll(cure.remedies());
            if (Cure.of(fitted.toArray(Remedy[]::new)).cures(needed)) {
                break;
            }
        }
        return fitted.stream()
                .filter(remedy -> !needed.settles(remedy))
                .mapToDouble(remedy -> price(job, remedy))
                .sum();
    }

    private static double price(Job job, Remedy remedy) {
        return job.workshop().priceOf(remedy).labourMinutes()
                + job.workshop().priceOf(remedy).partsMinutes();
    }

    /** Everything that somebody may look for: what was said, written and done, in words. */
    private static String told(Job job, Optional<Cure> done, String cause) {
        JobState state = job.state();
        Stream<String> about = state.opened().about().values().stream();
        Stream<String> written = standing(state).map(LoggedEntry::entry).map(RecordJob::text);
        Stream<String> named = done.stream()
                .flatMap(cure -> cure.remedies().stream())
                .map(remedy -> WORDS.get("remedy." + remedy.id()));
        return Stream.of(
                        Stream.of(
                                state.opened().vehicle(),
                                state.opened().complaint(),
                                state.layout().id().replace('-', ' '),
                                WORDS.getOrDefault("suspect." + cause, "")),
                        about,
                        written,
                        named)
                .flatMap(text -> text)
                .filter(Objects::nonNull)
                .filter(text -> !text.isBlank())
                .collect(Collectors.joining("\n"));
    }

    private static String text(Entry entry) {
        if (entry instanceof NoteWritten note) {
            return note.text();
        }
        if (entry instanceof VerdictAccepted accepted) {
            return accepted.why();
        }
        return entry instanceof JobWithdrawn gone ? gone.why() : "";
    }
}
