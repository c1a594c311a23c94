package overturn.app.usecase.practice;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import overturn.app.job.JobLog;
import overturn.app.job.JobState;
import overturn.app.job.RepairState;
import overturn.app.job.StaleLogException;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.practice.Exercises;
import overturn.app.practice.Noted;
import overturn.app.practice.NotedEntry;
import overturn.app.practice.RigActWords;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.job.Jobs;
import overturn.bleeding.BleedSheet;
import overturn.catalogue.ProcedureCatalogue;
import overturn.evidence.Reading;
import overturn.instrument.InstrumentKind;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.practice.HiddenRig;
import overturn.practice.RigAct;
import overturn.practice.RigState;
import overturn.procedure.Procedure;
import overturn.secondworld.LiveVehicle;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** Works on the hidden vehicle of an exercise: with hands, by tests, with help. */
@Component
public class Practise {

    /** Entries of one exercise; a foot on the pedal makes many. */
    private static final int MOST_NOTED = 20_000;

    private final Exercises exercises;
    private final LiveRigs rigs;
    private final Jobs jobs;
    private final JobLog log;
    private final Clock clock;

    Practise(Exercises exercises, LiveRigs rigs, Jobs jobs, JobLog log, Clock clock) {
        this.exercises = exercises;
        this.rigs = rigs;
        this.jobs = jobs;
        this.log = log;
        this.clock = clock;
    }

    /**
     * An exercise as whoever practises sees it.
     *
     * @param opened whether its job is open
     * @param felt what the driver tells, as a behaviour of the intake
     * @param sometimes whether the driver says that it comes and goes
     * @param travelToStopMm travel of pedal or lever tip to floor or grip
     * @param ended how it ended, if it did
     */
    public record Told(
            SetExercise set,
            boolean opened,
            String felt,
            boolean sometimes,
            double travelToStopMm,
            RigState rig,
            Optional<Noted.Ended> ended) {}

    /** @throws NotFoundException if there is none, or none that this person may see */
    public Told told(UUID id, Actor actor) {
        SetExercise set = seen(id, actor);
        LiveRig rig = rigs.of(id);
        List<NotedEntry> noted = exercises.noted(id);
        return new Told(
                set,
                log.isThere(id),
                felt(rig),
                rig.hidden().truth().shownShare() < 1,
                rig.layout().input().travelToStopMm(),
                rig.state(),
                ended(noted));
    }

    /** That a job is an exercise. */
    public record Marked(String personId, Optional<String> lessonId, boolean helped, boolean ended) {}

    /** Whether a job is an exercise, with its log at this sequence. */
    public Optional<Marked> marked(UUID jobId, int sequence) {
        return exercises.find(jobId).map(set -> {
            List<NotedEntry> noted = exercises.noted(jobId);
            boolean helped = noted.stream()
                    .anyMatch(e -> e.noted() instanceof Noted.Helped help && help.jobSequence() == sequence);
            return new Marked(
                    set.personId(), set.lessonId(), helped, ended(noted).isPresent());
        });
    }

    private static Optional<Noted.Ended> ended(List<NotedEntry> noted) {
        return noted.stream()
                .map(NotedEntry::noted)
                .filter(Noted.Ended.class::isInstance)
                .map(Noted.Ended.class::cast)
                .findFirst();
    }

    private SetExercise seen(UUID id, Actor actor) {
        return exercises
                .find(id)
                .filter(set -> set.personId().equals(actor.personId()) || actor.may(Act.SET_EXERCISE))
                .orElseThrow(() -> new NotFoundException("exercise", id.toString()));
    }

    /** The exercise of this person, which is not over. */
    private void going(UUID id, Actor actor) {
        own(id, actor);
        new Checks()
                .that(() -> ended(exercises.noted(id)).isEmpty(), "exercise", "over", "one that goes on")
                .orThrow();
    }

    private SetExercise own(UUID id, Actor actor) {
        return exercises
                .find(id)
                .filter(set -> set.personId().equals(actor.personId()))
                .orElseThrow(() -> new NotFoundException("exercise of " + actor.personId(), id.toString()));
    }

    /** What the driver told when it came. */
    private static String felt(LiveRig rig) {
        Procedure intake = ProcedureCatalogue.of(rig.layout()).intake();
        return ((Observed) rig.hidden().read(intake, 0, 0).value()).option();
    }

    /**
     * Does something with hands.
     *
     * @throws InvalidInputException if there is no such act, or it cannot be done so
     */
    public RigState act(UUID id, Actor actor, UUID entryId, RigActWords words) {
        going(id, actor);
        LiveRig rig = rigs.of(id);
        worked(id, rig);
        note(id, rig, entryId, () -> {
            try {
                RigAct act = words.meant();
                rig.does(act);
                return new Noted.Acted(act);
            } catch (IllegalArgumentException e) {
                throw Checks.refusal("act", words.act(), String.valueOf(e.getMessage()));
            }
        });
        return rig.state();
    }

    /** Brings what the plan of the job has done to the vehicle; where its lines were opened for it, air got in. */
    private void worked(UUID id, LiveRig rig) {
        if (!log.isThere(id)) {
            return;
        }
        JobState state = jobs.read(id).state();
        List<Cure> cures = state.remedied().cures();
        boolean opened = state.repairedSinceAccepted()
                && cures.get(cures.size() - 1).remedies().stream()
                        .anyMatch(remedy -> remedy.opensCircuit() && !remedy.isStrokesAtEnds());
        if (opened && ended(exercises.noted(id)).isEmpty()) {
            List<BleedSheet.End> ends = state.repair()
                    .flatMap(RepairState::sheet)
                    .map(BleedSheet::ends)
                    .orElse(List.of());
            for (BleedSheet.End end : ends) {
                UUID once = UUID.nameUUIDFromBytes((cures.size() + end.id()).getBytes(StandardCharsets.UTF_8));
                RigAct act = new RigAct.Opened(end.id());
                note(id, rig, once, () -> {
                    rig.does(act);
                    return new Noted.Acted(act);
                });
            }
        }
        rig.repairedBy(state.remedied());
    }

    /**
     * Notes what is done, once for each id; where another process went on meanwhile the rig is rebuilt and asked anew.
     */
    private void note(UUID id, LiveRig rig, UUID entryId, Supplier<Noted> done) {
        synchronized (rig) {
            new Checks()
                    .that(() -> entryId != null, "entryId", entryId, "a UUID made by the client")
                    .that(
                            () -> rig.nextSequence() <= MOST_NOTED,
                            "exercise",
                            rig.nextSequence(),
                            "at most " + MOST_NOTED + " entries")
                    .orThrow();
            if (rig.knows(entryId)) {
                return;
            }
            long tick = rig.tick();
            Noted noted = done.get();
            NotedEntry entry = new NotedEntry(
                    entryId, rig.nextSequence(), clock.instant().truncatedTo(ChronoUnit.MICROS), tick, noted);
            if (!exercises.note(id, entry)) {
                rigs.forget(id);
                throw new StaleLogException(entry.sequence() - 1);
            }
            rig.noted(entry);
        }
    }

    /**
     * What a test showed that was done as its steps say.
     *
     * @param doubtful whether the check of its rig showed that it lies
     */
    public record Shown(Procedure test, ReadingValue value, boolean doubtful) {}

    /**
     * Does a test as its steps say.
     *
     * @param anotherRig whether its rig is set up anew before
     * @throws InvalidInputException if this circuit has no such test
     */
    public Shown test(UUID id, Actor actor, UUID entryId, String procedureId, boolean anotherRig) {
        going(id, actor);
        LiveRig rig = rigs.of(id);
        worked(id, rig);
        ProcedureCatalogue procedures = ProcedureCatalogue.of(rig.layout());
        Optional<Procedure> found = Optional.ofNullable(procedureId).flatMap(procedures::find);
        new Checks()
                .that(found::isPresent, "procedureId", procedureId, "a test of this circuit")
                .that(() -> entryId != null, "entryId", entryId, "a UUID made by the client")
                .orThrow();
        Procedure test = found.get();
        List<Noted.Tested> before = new ArrayList<>();
        for (NotedEntry entry : exercises.noted(id)) {
            if (entry.id().equals(entryId)) {
                break;
            }
            if (entry.noted() instanceof Noted.Tested tested) {
                before.add(tested);
            }
        }
        int inUse = before.stream()
                .filter(t -> procedures
                        .find(t.procedureId())
                        .filter(p -> p.rigSetup().equals(test.rigSetup()))
                        .isPresent())
                .mapToInt(Noted.Tested::setUp)
                .max()
                .orElse(0);
        int setUp = anotherRig ? inUse + 1 : inUse;
        int time = (int) before.stream()
                .filter(t -> t.procedureId().equals(test.id()) && t.setUp() == setUp)
                .count();
        HiddenRig.Shown shown = rig.hidden().read(test, setUp, time, rig.done(), rig.state());
        note(id, rig, entryId, () -> new Noted.Tested(test.id(), setUp, text(shown.value())));
        return new Shown(test, shown.value(), shown.doubtful());
    }

    /** A reading in a line: the option seen, or the figures in the core's unit. */
    static String text(ReadingValue value) {
        return value instanceof Observed observed
                ? observed.option()
                : ((Figures) value)
                        .taken().stream()
                                .map(figure -> figure.map(q -> Double.toString(q.coreValue()))
                                        .orElse("-"))
                                .collect(Collectors.joining(" "));
    }

    /** Asks the program what it would do, as the job stands; that costs points. */
    public void help(UUID id, Actor actor, UUID entryId) {
        going(id, actor);
        int sequence = jobs.read(id).state().sequence();
        note(id, rigs.of(id), entryId, () -> new Noted.Helped(sequence));
    }

    /**
     * Notes how sure somebody is of a remedy after the latest reading.
     *
     * @throws InvalidInputException if there is no such remedy or it is no per cent
     */
    public void sure(UUID id, Actor actor, UUID entryId, String remedyId, Integer percent) {
        going(id, actor);
        List<Reading> readings = jobs.read(id).state().readings();
        new Checks()
                .that(() -> remedyId != null && Remedy.find(remedyId).isPresent(), "remedyId", remedyId, "a remedy")
                .that(() -> percent != null && percent >= 0 && percent <= 100, "percent", percent, "0 to 100 %")
                .that(() -> !readings.isEmpty(), "job", "no reading", "at least one reading")
                .orThrow();
        UUID last = UUID.fromString(readings.get(readings.size() - 1).id());
        note(id, rigs.of(id), entryId, () -> new Noted.Sure(last, remedyId, percent));
    }

    /** Notes that it is over. */
    void end(UUID id, Actor actor, UUID entryId, Supplier<Noted.Ended> judged) {
        own(id, actor);
        if (ended(exercises.noted(id)).isEmpty()) {
            note(id, rigs.of(id), entryId, judged::get);
        }
    }

    /** What is felt of the complaint when the vehicle is driven now, as an option of the test {@code driven}. */
    public String feltNow(UUID id, Actor actor) {
        seen(id, actor);
        LiveRig rig = rigs.of(id);
        worked(id, rig);
        Procedure driven = ProcedureCatalogue.of(rig.layout()).find("driven").orElseThrow();
        int time = rig.done().cures().size();
        return ((Observed) rig.hidden()
                        .read(driven, 0, time, rig.done(), rig.state())
                        .value())
                .option();
    }

    /** One moment of a live vehicle; an instrument that dropped out shows nothing. */
    public record Moment(
            long tick, boolean rests, LiveVehicle.Shown shown, RigState state, Map<InstrumentKind, Double> read) {}

    /** A vehicle to look at: each call goes on by one tick. */
    public Supplier<Moment> watch(UUID id, Actor actor) {
        seen(id, actor);
        worked(id, rigs.of(id));
        return () -> {
            LiveRig.Sample sample = rigs.of(id).next();
            return new Moment(sample.tick(), sample.rests(), sample.shown(), sample.state(), sample.read());
        };
    }

    /** Exercises that this person may see, the newest first, and how they ended. */
    public List<Line> lines(Actor actor) {
        return lines(actor, MOST_LINES);
    }

    List<Line> lines(Actor actor, int most) {
        List<SetExercise> all =
                exercises.latest(actor.may(Act.SET_EXERCISE) ? Optional.empty() : Optional.of(actor.personId()), most);
        var ended = exercises.ended(all.stream().map(SetExercise::id).toList()).stream()
                .collect(Collectors.toMap(e -> e.exerciseId(), e -> e.end(), (one, other) -> one));
        return all.stream()
                .map(set -> new Line(set, log.isThere(set.id()), Optional.ofNullable(ended.get(set.id()))))
                .toList();
    }

    private static final int MOST_LINES = 200;

    /** An exercise in the list. */
    public record Line(SetExercise set, boolean opened, Optional<Noted.Ended> ended) {}
}
