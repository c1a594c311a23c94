package overturn.app.api.job;

import java.util.List;
import java.util.Optional;
import overturn.course.Decided;
import overturn.course.JobStatus;
import overturn.course.MayMove;
import overturn.course.NextAct;
import overturn.suspect.Remedy;
import overturn.verdict.Grade;

/**
 * Where a job stands: what is done next, whether the vehicle may be moved, what is on, off or moved, what was decided.
 */
public record StatusView(
        NextActView next, MayMoveView mayMove, List<String> onOffMoved, Optional<DecidedView> decided) {

    static StatusView of(JobStatus status) {
        return new StatusView(
                NextActView.of(status.next()),
                MayMoveView.of(status.mayMove()),
                status.onOffMoved(),
                status.decided().map(DecidedView::of));
    }

    /** What is done next, and what it is about. */
    public record NextActView(NextAct.Kind kind, String subject) {

        static NextActView of(NextAct next) {
            return new NextActView(next.kind(), next.subject());
        }
    }

    /** Whether the vehicle may be moved, and what stands against it. */
    public record MayMoveView(MayMove.Answer answer, List<StandsAgainstView> because) {

        static MayMoveView of(MayMove mayMove) {
            return new MayMoveView(
                    mayMove.answer(),
                    mayMove.because().stream()
                            .map(reason -> new StandsAgainstView(reason.kind(), reason.subject()))
                            .toList());
        }
    }

    /** One thing that stands against moving it; {@code subject} is an id where the kind asks for one. */
    public record StandsAgainstView(MayMove.Reason.Kind kind, String subject) {}

    /** What was decided, and whether it was ever proven. */
    public record DecidedView(List<String> remedyIds, Grade grade, Decided.TurnedOut turnedOut) {

        static DecidedView of(Decided decided) {
            return new DecidedView(
                    decided.remedies().stream().map(Remedy::id).toList(), decided.grade(), decided.turnedOut());
        }
    }
}
