package overturn.course;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.circuit.Layout;
import overturn.course.Decided.TurnedOut;
import overturn.course.MayMove.Answer;
import overturn.course.MayMove.Reason;
import overturn.course.MayMove.Told;
import overturn.course.NextAct.Kind;
import overturn.course.Progress.Release;
import overturn.layoutfile.Presets;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.proving.Proving.Blocker;
import overturn.proving.Proving.Outcome;
import overturn.repair.WorkPlan;
import overturn.repair.WorkStep;
import overturn.suspect.Hazard;
import overturn.suspect.Remedy;
import overturn.verdict.Driving;
import overturn.verdict.Grade;

/** Where a job stands, walked from its intake to its release as the hand that does it would. */
class JobStatusTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final WorkPlan WHOLE = WorkPlan.of(TARN, List.of(Remedy.RENEW_MASTER), Map.of());
    private static final List<WorkStep> PLAN = asked(WHOLE.steps());
    private static final List<WorkStep> PLAN_BEFORE_BLED = asked(WHOLE.beforeBled());
    private static final Told NOTHING_TOLD = new Told(false, Set.of());
    private static final Driving CALM = new Driving(Hazard.UNTIL_RECHECK, List.of());

    private static List<WorkStep> asked(List<WorkStep> steps) {
        return steps.stream()
                .filter(step -> !step.optional() && !step.bleedsAnEnd())
                .toList();
    }

    private static BleedSheet sheet(List<BleedEvent> events) {
        return BleedSheet.of(TARN, List.of("rear-left"), Schools.USUAL, false, events);
    }

    private static BleedSheet bled() {
        return sheet(List.of(strokes(4), new BleedEvent.Rest(), strokes(16), new BleedEvent.Level(50)));
    }

    private static BleedEvent strokes(int count) {
        return new BleedEvent.Strokes(
                "rear-left", count, BleedEvent.Bubbles.NONE, BleedEvent.Colour.CLEAR, Schools.Method.TWO_PEOPLE);
    }

    private static Proving proving(List<WorkStep> open, boolean bled, Set<String> items, Gate passedTo, String failed) {
        List<Blocker> blockers = new ArrayList<>();
        open.forEach(step -> blockers.add(new Blocker(Blocker.Kind.STEP_OPEN, step.key())));
        items.forEach(item -> blockers.add(new Blocker(Blocker.Kind.ON_VEHICLE, item)));
        if (!bled) {
            blockers.add(new Blocker(Blocker.Kind.BLEEDING, ""));
        }
        Map<String, Outcome> outcomes = new HashMap<>();
        Checks.of(TARN).stream()
                .filter(check -> passedTo != null && check.gate().compareTo(passedTo) <= 0)
                .map(Check::id)
                .forEach(id -> outcomes.put(id, id.equals(failed) ? Outcome.FAILED : Outcome.PASSED));
        return Proving.of(Checks.of(TARN), outcomes, blockers);
    }

    private static Progress progress(List<WorkStep> open, BleedSheet sheet, Proving proving) {
        return new Progress(
                open,
                open.stream().filter(PLAN_BEFORE_BLED::contains).toList(),
                open.size() < PLAN.size(),
                Optional.of(sheet),
                proving,
                Optional.empty(),
                false,
                Optional.empty());
    }

    private static JobStatus status(Optional<Progress> progress, Set<String> items, Told told, Driving belief) {
        return JobStatus.of(
                new JobStatus.Log(false, progress, Optional.empty(), items, told, false),
                Optional.of("hold-medium"),
                belief,
                Optional.empty());
    }

    private static JobStatus proved(Gate passedTo, String failed) {
        return status(
                Optional.of(progress(List.of(), bled(), proving(List.of(), true, Set.of(), passedTo, failed))),
                Set.of(),
                NOTHING_TOLD,
                CALM);
    }

    @Test
    void oneThingIsNextFromTheFirstTestToTheSignature() {
        JobStatus tracing = status(Optional.empty(), Set.of(), NOTHING_TOLD, CALM);
        assertEquals(JobStage.TRACING, tracing.stage());
        assertEquals(new NextAct(Kind.TEST, "hold-medium"), tracing.next());
        BleedSheet fresh = sheet(List.of());
        JobStatus accepted = status(
                Optional.of(progress(PLAN, fresh, proving(PLAN, false, Set.of(), null, ""))),
                Set.of(),
                NOTHING_TOLD,
                CALM);
        assertEquals(JobStage.ACCEPTED, accepted.stage());
        assertEquals(new NextAct(Kind.STEP, PLAN.get(0).key()), accepted.next());
        List<WorkStep> close =
                PLAN.stream().filter(step -> !PLAN_BEFORE_BLED.contains(step)).toList();
        JobStatus bleeding = status(
                Optional.of(progress(close, fresh, proving(close, false, Set.of(), null, ""))),
                Set.of(),
                NOTHING_TOLD,
                CALM);
        assertEquals(JobStage.UNDER_REPAIR, bleeding.stage());
        assertEquals(new NextAct(Kind.BLEED, "rear-left"), bleeding.next(), "bled before it is closed");
        BleedSheet clear = sheet(List.of(strokes(4)));
        assertEquals(
                Kind.REST,
                status(
                                Optional.of(progress(close, clear, proving(close, false, Set.of(), null, ""))),
                                Set.of(),
                                NOTHING_TOLD,
                                CALM)
                        .next()
                        .kind());
        JobStatus closing = status(
                Optional.of(progress(close, bled(), proving(close, true, Set.of(), null, ""))),
                Set.of(),
                NOTHING_TOLD,
                CALM);
        assertEquals(new NextAct(Kind.STEP, close.get(0).key()), closing.next());
        Set<String> plug = Set.of("plug@front-port");
        assertEquals(
                new NextAct(Kind.SET_BACK, "plug@front-port"),
                status(
                                Optional.of(progress(List.of(), bled(), proving(List.of(), true, plug, null, ""))),
                                plug,
                                NOTHING_TOLD,
                                CALM)
                        .next());
        assertEquals(
                new NextAct(Kind.CHECK, "parking-brake-proven"),
                proved(null, "").next());
        assertEquals(
                new NextAct(Kind.CHECK, "creep-and-stop"),
                proved(Gate.CHOCKS, "").next());
        assertEquals(
                new NextAct(Kind.CHECK, "progressive-stops"),
                proved(Gate.YARD, "").next());
        assertEquals(Kind.SIGN_CONDITIONALLY, proved(Gate.ROAD, "").next().kind());
    }

    @Test
    void aFailedCheckIsTheNextThingAndNothingMoves() {
        JobStatus failed = proved(Gate.CHOCKS, "hard-press");
        assertEquals(new NextAct(Kind.CHECK, "hard-press"), failed.next());
        assertEquals(Answer.NOT_AT_ALL, failed.mayMove().answer());
        assertTrue(failed.mayMove().because().contains(new Reason(Reason.Kind.CHECK, "hard-press")));
    }

    @Test
    void ofAVehicleThatCameBackTheLaterJobSaysHowFar() {
        MayMove said = MayMove.of(
                JobStage.COMEBACK, Optional.empty(), Set.of(), new Told(true, Set.of("barely-stops")), false, CALM);
        assertEquals(Answer.SAID_BY_THE_LATER_JOB, said.answer());
        assertEquals(List.of(new Reason(Reason.Kind.CAME_BACK, "")), said.because());
    }

    @Test
    void itMovesAsFarAsItIsProved() {
        assertEquals(Answer.NOT_AT_ALL, proved(null, "").mayMove().answer());
        assertEquals(Answer.IN_THE_YARD, proved(Gate.CHOCKS, "").mayMove().answer());
        assertEquals(Answer.TO_BE_PROVED, proved(Gate.YARD, "").mayMove().answer());
    }

    @ParameterizedTest
    @EnumSource(Release.class)
    void aReleasedVehicleIsReleasedWhateverItsReadingsSay(Release release) {
        Progress progress = new Progress(
                List.of(),
                List.of(),
                true,
                Optional.of(bled()),
                proving(List.of(), true, Set.of(), Gate.ROAD, ""),
                Optional.of(release),
                false,
                Optional.empty());
        JobStatus status = status(
                Optional.of(progress),
                Set.of(),
                new Told(true, Set.of("to-the-floor")),
                new Driving(Hazard.NOT_AT_ALL, List.of()));
        boolean conditional = release == Release.CONDITIONAL;
        assertEquals(
                conditional ? Answer.UNTIL_RECHECK : Answer.RELEASED,
                status.mayMove().answer());
        assertEquals(conditional ? Kind.NEXT_DAY : Kind.NOTHING, status.next().kind());
        assertTrue(status.mayMove().because().isEmpty());
    }

    /** What was told at intake is not softened by what the readings say; only proving lifts it. */
    @Test
    void whatWasToldAtIntakeStandsUntilItIsProved() {
        for (Told told : List.of(
                new Told(true, Set.of()),
                new Told(false, Set.of("barely-stops")),
                new Told(false, Set.of("to-the-floor")))) {
            for (Hazard belief : Hazard.values()) {
                JobStatus status = status(Optional.empty(), Set.of(), told, new Driving(belief, List.of()));
                assertEquals(Answer.NOT_AT_ALL, status.mayMove().answer(), told + " " + belief);
            }
        }
        JobStatus clutch = JobStatus.of(
                new JobStatus.Log(
                        false,
                        Optional.empty(),
                        Optional.empty(),
                        Set.of(),
                        new Told(false, Set.of("to-the-floor")),
                        true),
                Optional.empty(),
                CALM,
                Optional.empty());
        assertEquals(Answer.TO_THE_WORKSHOP, clutch.mayMove().answer(), "a clutch takes no brakes");
    }

    @Test
    void whatIsOnOffOrMovedKeepsItThere() {
        JobStatus status = status(Optional.empty(), Set.of("vacuum-tee"), NOTHING_TOLD, CALM);
        assertEquals(Answer.NOT_AT_ALL, status.mayMove().answer());
        assertEquals(
                List.of(new Reason(Reason.Kind.ITEM, "vacuum-tee")),
                status.mayMove().because());
        assertEquals(List.of("vacuum-tee"), status.onOffMoved());
    }

    @Test
    void onePutOnByATestIsTakenOffByThePlanAndTheTagByTheReleaseAlone() {
        OnVehicle on = OnVehicle.NOTHING
                .with(List.of("pedal-block", "plug@front-port", "do-not-drive-tag@pedal"))
                .with(List.of("pedal-block@pedal"));
        assertEquals(3, on.items().size(), "the block is one");
        assertEquals(Set.of("pedal-block", "plug@front-port"), on.toSetBack());
        assertEquals(
                Set.of("plug@front-port"),
                on.without(List.of("pedal-block@pedal")).toSetBack());
        assertEquals(on.items(), on.without(List.of("plug@rear-port")).items(), "another port");
        assertEquals(Set.of("pedal-block", "plug@front-port"), on.released().items());
        assertTrue(on.does(List.of("pedal-block@pedal")));
        assertTrue(!on.does(List.of()), "a step that puts nothing on is done by nothing");
    }

    @Test
    void anAssumptionIsToldAsOneUntilItIsProven() {
        assertEquals(TurnedOut.PROVEN, TurnedOut.of(Grade.PROVEN, Grade.OPEN, true));
        assertEquals(TurnedOut.ASSUMED, TurnedOut.of(Grade.PROBABLE, Grade.PROBABLE, false));
        assertEquals(TurnedOut.ASSUMED_THEN_PROVEN, TurnedOut.of(Grade.PROBABLE, Grade.PROVEN, false));
        assertEquals(TurnedOut.ASSUMED_THEN_PROVEN, TurnedOut.of(Grade.OPEN, Grade.PROVEN, true));
        assertEquals(TurnedOut.ASSUMED_NEVER_PROVEN, TurnedOut.of(Grade.PROBABLE, Grade.PROBABLE, true));
    }

    @Test
    void aJobThatWaitsForItsPartSaysForWhich() {
        JobStatus waits = JobStatus.of(
                new JobStatus.Log(
                        false,
                        Optional.of(progress(PLAN, sheet(List.of()), proving(PLAN, false, Set.of(), null, ""))),
                        Optional.of("Master, 23.81 mm"),
                        Set.of(),
                        NOTHING_TOLD,
                        false),
                Optional.empty(),
                CALM,
                Optional.empty());
        assertEquals(JobStage.WAITING, waits.stage());
        assertEquals(new NextAct(Kind.WAIT_FOR_PART, "Master, 23.81 mm"), waits.next());
    }
}
