package overturn.course;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.verdict.Driving;

/**
 * Where a job stands: a pure function of its log and of what follows from its readings.
 *
 * @param onOffMoved what is on, off or moved, {@code kind@place} or {@code kind}, sorted
 */
public record JobStatus(
        JobStage stage, NextAct next, MayMove mayMove, List<String> onOffMoved, Optional<Decided> decided) {

    /**
     * What the log tells.
     *
     * @param progress since a verdict was accepted; empty while none is
     * @param waitsForPart a part that was ordered and has not come
     * @param onOffMoved what is on, off or moved; the tag that forbids to drive left out
     * @param clutch whether it is a clutch
     */
    public record Log(
            boolean givenUp,
            Optional<Progress> progress,
            Optional<String> waitsForPart,
            Set<String> onOffMoved,
            MayMove.Told told,
            boolean clutch) {

        public Log {
            onOffMoved = Set.copyOf(onOffMoved);
        }

        /** The stage, which no reading changes. */
        public JobStage stage() {
            return JobStage.of(givenUp, progress, waitsForPart.isPresent());
        }
    }

    public JobStatus {
        onOffMoved = List.copyOf(onOffMoved);
    }

    /**
     * Where it stands.
     *
     * @param nextTest the test to do before anything is decided; empty where there is none
     * @param byBelief what the live suspects say to its being driven
     */
    public static JobStatus of(Log log, Optional<String> nextTest, Driving byBelief, Optional<Decided> decided) {
        JobStage stage = log.stage();
        NextAct next = stage == JobStage.GIVEN_UP
                ? new NextAct(NextAct.Kind.NOTHING, "")
                : log.progress()
                        .map(progress -> NextAct.after(stage, progress, log.waitsForPart(), log.onOffMoved()))
                        .orElseGet(() -> NextAct.tracing(nextTest));
        return new JobStatus(
                stage,
                next,
                MayMove.of(stage, log.progress(), log.onOffMoved(), log.told(), log.clutch(), byBelief),
                log.onOffMoved().stream().sorted().toList(),
                decided);
    }
}
