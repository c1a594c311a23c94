package overturn.course;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.bleeding.BleedSheet;
import overturn.proving.Proving;
import overturn.proving.Proving.State;
import overturn.repair.WorkStep;

/**
 * The one thing that is done next in a job.
 *
 * @param subject id of the test, key of the step, name of the part, id of the end, item, id of the check or of the job,
 *     as the kind asks; empty where it asks for none
 */
public record NextAct(Kind kind, String subject) {

    /** What is done. */
    public enum Kind {
        TEST,
        /** A verdict can be accepted, or no test is left that is worth its minutes. */
        DECIDE,
        /** A part was ordered and has not come. */
        WAIT_FOR_PART,
        STEP,
        BLEED,
        /** The level has to be brought to its mark before the next stroke. */
        LEVEL,
        REST,
        /** Something is still on, off or moved that no step of the plan sets back. */
        SET_BACK,
        CHECK,
        SIGN_CONDITIONALLY,
        /** The vehicle is out and comes back for the checks of the next day. */
        NEXT_DAY,
        SIGN,
        /** It came back: another job goes on. */
        CAME_BACK,
        NOTHING
    }

    /** What follows while no verdict is accepted. */
    static NextAct tracing(Optional<String> nextTest) {
        return nextTest.map(id -> new NextAct(Kind.TEST, id)).orElse(new NextAct(Kind.DECIDE, ""));
    }

    /** What follows once one is. */
    static NextAct after(JobStage stage, Progress progress, Optional<String> waitsForPart, Set<String> onOffMoved) {
        return switch (stage) {
            case GIVEN_UP, RELEASED -> new NextAct(Kind.NOTHING, "");
            case COMEBACK -> new NextAct(Kind.CAME_BACK, progress.cameBackAs().orElse(""));
            case WAITING -> new NextAct(Kind.WAIT_FOR_PART, waitsForPart.orElse(""));
            case RELEASED_CONDITIONALLY ->
                progress.proving().mayBeReleased() ? new NextAct(Kind.SIGN, "") : new NextAct(Kind.NEXT_DAY, "");
            default -> work(progress).or(() -> setBack(onOffMoved)).orElseGet(() -> prove(progress.proving()));
        };
    }

    private static Optional<NextAct> work(Progress progress) {
        Optional<NextAct> bleeding = progress.sheet().filter(s -> !s.done()).map(NextAct::bleed);
        List<WorkStep> open = bleeding.isEmpty() ? progress.open() : progress.openBeforeBled();
        return open.stream()
                .findFirst()
                .map(step -> new NextAct(Kind.STEP, step.key()))
                .or(() -> bleeding);
    }

    private static NextAct bleed(BleedSheet sheet) {
        if (sheet.reservoir().topUpNow()) {
            return new NextAct(Kind.LEVEL, "");
        }
        return sheet.restFirst()
                ? new NextAct(Kind.REST, "")
                : new NextAct(Kind.BLEED, sheet.next().orElse(""));
    }

    private static Optional<NextAct> setBack(Set<String> onOffMoved) {
        return onOffMoved.stream().sorted().findFirst().map(item -> new NextAct(Kind.SET_BACK, item));
    }

    private static NextAct prove(Proving proving) {
        return proving.gates().stream()
                .filter(gate -> gate.state() != State.PASSED && gate.state() != State.SHUT)
                .findFirst()
                .filter(gate -> !proving.mayBeReleasedConditionally())
                .map(gate -> new NextAct(
                        Kind.CHECK,
                        gate.failed().isEmpty()
                                ? gate.missing().get(0)
                                : gate.failed().get(0)))
                .orElse(new NextAct(Kind.SIGN_CONDITIONALLY, ""));
    }
}
