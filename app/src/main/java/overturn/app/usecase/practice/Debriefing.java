package overturn.app.usecase.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.people.Actor;
import overturn.app.practice.Exercises;
import overturn.app.practice.Noted;
import overturn.app.practice.NotedEntry;
import overturn.app.usecase.Checks;
import overturn.app.usecase.job.Jobs;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.planning.Workshop;
import overturn.practice.Debrief;
import overturn.practice.HiddenTruth;
import overturn.practice.RigState;
import overturn.practice.Route;
import overturn.practice.Score;
import overturn.practice.Trainee;
import overturn.procedure.Procedure;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;

/** Ends an exercise and tells what was hidden, how it was found, and how others would have found it. */
@Component
public class Debriefing {

    /** Minutes that asking takes; chosen. */
    private static final double HELP_MINUTES = 5;

    private static final int MOST_KEPT = 200;

    private final Practise practise;
    private final Exercises exercises;
    private final LiveRigs rigs;
    private final Jobs jobs;
    private final Cache<UUID, Map<Trainee, Route>> others =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Debriefing(Practise practise, Exercises exercises, LiveRigs rigs, Jobs jobs) {
        this.practise = practise;
        this.exercises = exercises;
        this.rigs = rigs;
        this.jobs = jobs;
    }

    /**
     * What is told afterwards.
     *
     * @param truth what was hidden
     * @param steps reading by reading
     * @param own the way of whoever practised
     * @param named whether anything was named or fitted
     * @param others how planner and chart went on the same vehicle
     * @param helps how often the program was asked
     * @param sures what was claimed after readings, and whether that remedy was needed
     */
    public record Told(
            HiddenTruth truth,
            Debrief steps,
            Route own,
            boolean named,
            Map<Trainee, Route> others,
            RigState rig,
            int helps,
            List<Claim> sures,
            int points) {}

    /** How sure somebody was, per cent, of something that was needed or not; and how sure the planner then was. */
    public record Claim(UUID readingId, Remedy remedy, int percent, boolean needed, double planner) {}

    /** Ends it, the first time it is asked for, and tells. */
    public Told end(UUID id, Actor actor, UUID entryId) {
        practise.told(id, actor);
        Told told = told(id);
        practise.end(
                id,
                actor,
                entryId,
                () -> new Noted.Ended(
                        told.points(),
                        told.own().right(),
                        told.sures().stream()
                                .map(c -> new Noted.Ended.Claim(c.percent(), c.needed(), c.planner()))
                                .toList()));
        return told;
    }

    /** Tells of one that is over. */
    public Told told(UUID id, Actor actor) {
        Practise.Told now = practise.told(id, actor);
        new Checks()
                .that(() -> now.ended().isPresent(), "exercise", "not over yet", "one that is over")
                .orThrow();
        return told(id);
    }

    private Told told(UUID id) {
        LiveRig rig = rigs.of(id);
        Jobs.Job job = jobs.find(id);
        List<NotedEntry> noted = exercises.noted(id);
        HiddenTruth truth = rig.hidden().truth();
        int helps = (int)
                noted.stream().filter(e -> e.noted() instanceof Noted.Helped).count();
        Workshop workshop = job.planning();
        Route own = own(job, rig, noted, truth, workshop);
        Map<Trainee, Route> compared = others.get(id, key -> compared(rig, job, workshop));
        Set<String> misread = misread(job, noted);
        return new Told(
                truth,
                Debrief.of(beforeRepair(job), truth.cure(), misread),
                own,
                named(job, rig.state()).length > 0,
                compared,
                rig.state(),
                helps,
                claims(noted, job, truth),
                Score.points(
                        own,
                        Objects.requireNonNull(compared.get(Trainee.PLANNER)),
                        helps,
                        rig.state().mishaps().size(),
                        rig.state().stopped().isPresent()));
    }

    private static BeliefHistory beforeRepair(Jobs.Job job) {
        return BeliefHistory.of(
                job.assessment().history().model(),
                job.intake(),
                job.state().readings().stream().filter(r -> r.after().isEmpty()).toList());
    }

    private static Map<Trainee, Route> compared(LiveRig rig, Jobs.Job job, Workshop workshop) {
        LayoutModel model = job.assessment().history().model();
        Map<Trainee, Route> all = new LinkedHashMap<>();
        for (Trainee trainee : List.of(Trainee.PLANNER, Trainee.CHART)) {
            all.put(
                    trainee,
                    trainee.drive(
                            model,
                            rig.hidden(),
                            job.intake(),
                            workshop,
                            rig.set().exercise().seed()));
        }
        return all;
    }

    /** The way to what was decided first: what came after it is repair and proving, which is no way to a verdict. */
    private static Route own(Jobs.Job job, LiveRig rig, List<NotedEntry> noted, HiddenTruth truth, Workshop workshop) {
        Instant decided = decidedAt(job);
        List<NotedEntry> before =
                noted.stream().filter(entry -> entry.at().isBefore(decided)).toList();
        RigState then = RigState.untouched(rig.layout());
        VehicleNeeds state = VehicleNeeds.SEAT;
        double minutes = 0;
        List<String> tests = new ArrayList<>();
        for (NotedEntry entry : before) {
            if (entry.noted() instanceof Noted.Acted acted) {
                then = then.after(acted.act(), rig.layout());
            } else if (entry.noted() instanceof Noted.Helped) {
                minutes += HELP_MINUTES;
            } else if (entry.noted() instanceof Noted.Tested tested) {
                Optional<Procedure> test = job.model().procedures().find(tested.procedureId());
                minutes += test.map(Procedure::minutes).orElse(0.0);
                if (test.isPresent()) {
                    minutes += StateChanges.minutes(
                            StateChanges.closed(state),
                            StateChanges.closed(test.get().needs()));
                    state = test.get().needsFrom(state);
                }
                tests.add(tested.procedureId());
            }
        }
        minutes += then.minutes() - fitting(then);
        JobState log = job.state();
        Remedy[] named = named(job, rig.state());
        Grade grade = log.accepted().map(v -> v.grade()).orElse(Grade.OPEN);
        Cure cure = named.length == 0 ? Cure.HAND_BACK : Cure.of(named);
        Route route = Route.of(tests, minutes, cure, grade, truth.cure(), workshop.prices(), 0);
        return named.length == 0 && route.right() ? new Route(tests, minutes, cure, grade, 0, minutes, false) : route;
    }

    private static Instant decidedAt(Jobs.Job job) {
        return job.state().log().stream()
                .filter(logged -> logged.entry() instanceof Entry.VerdictAccepted)
                .map(LoggedEntry::at)
                .findFirst()
                .orElse(Instant.MAX);
    }

    /**
     * Labour of what was fitted from the shelf, min: the way of every trainee ends at what it names, and what was
     * fitted for nothing is priced apart.
     */
    private static double fitting(RigState rig) {
        return rig.replaced().cures().stream()
                .flatMap(cure -> cure.remedies().stream())
                .mapToDouble(Remedy::labourMinutes)
                .sum();
    }

    /** What was accepted, done by the plan, or fitted from the shelf. */
    private static Remedy[] named(Jobs.Job job, RigState rig) {
        Stream<Remedy> accepted = job.state().accepted().stream()
                .flatMap(verdict -> verdict.remedyIds().stream())
                .flatMap(id -> Remedy.find(id).stream());
        Stream<Remedy> done = Stream.concat(job.state().remedied().cures().stream(), rig.replaced().cures().stream())
                .flatMap(cure -> cure.remedies().stream());
        return Stream.concat(accepted, done).distinct().toArray(Remedy[]::new);
    }

    /** Readings that were entered otherwise than the vehicle showed. */
    private static Set<String> misread(Jobs.Job job, List<NotedEntry> noted) {
        Map<String, List<String>> shown = new LinkedHashMap<>();
        noted.forEach(entry -> {
            if (entry.noted() instanceof Noted.Tested tested) {
                shown.computeIfAbsent(tested.procedureId(), key -> new ArrayList<>())
                        .add(tested.shown());
            }
        });
        Set<String> misread = new HashSet<>();
        for (Reading reading : job.state().readings()) {
            List<String> of = shown.getOrDefault(reading.procedureId(), List.of());
            Optional<Procedure> test = job.model().procedures().find(reading.procedureId());
            if (!of.isEmpty()
                    && test.isPresent()
                    && of.stream().noneMatch(text -> agree(test.get(), text, reading.value()))) {
                misread.add(reading.id());
            }
        }
        return misread;
    }

    /** Whether a figure is as shown, within what its instrument can tell. */
    private static boolean agree(Procedure test, String shown, ReadingValue entered) {
        if (!(entered instanceof Figures figures) || !(test.spec() instanceof Series series)) {
            return Practise.text(entered).equals(shown);
        }
        String[] texts = shown.split(" ");
        for (int k = 0; k < Math.min(texts.length, figures.taken().size()); k++) {
            double noise = series.figures().get(k).noiseSd();
            String text = texts[k];
            boolean apart = figures.taken()
                    .get(k)
                    .filter(q -> !text.equals("-") && Math.abs(q.coreValue() - Double.parseDouble(text)) > 2 * noise)
                    .isPresent();
            if (apart) {
                return false;
            }
        }
        return true;
    }

    private static List<Claim> claims(List<NotedEntry> noted, Jobs.Job job, HiddenTruth truth) {
        List<Claim> claims = new ArrayList<>();
        List<Reading> readings = job.state().readings();
        for (NotedEntry entry : noted) {
            if (entry.noted() instanceof Noted.Sure sure) {
                Remedy remedy = Remedy.find(sure.remedyId()).orElseThrow();
                int after = 1
                        + readings.stream()
                                .map(Reading::id)
                                .toList()
                                .indexOf(sure.readingId().toString());
                claims.add(new Claim(
                        sure.readingId(),
                        remedy,
                        sure.percent(),
                        truth.cure().has(remedy),
                        job.assessment().history().after(after).probability(remedy)));
            }
        }
        return claims;
    }
}
