package overturn.app.usecase.job;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairState;
import overturn.app.usecase.job.Jobs.Log;
import overturn.course.Measured;
import overturn.inference.Belief;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.procedure.Procedure;
import overturn.proving.Check;
import overturn.proving.Gate;

/** Judges readings by which a check passes or fails. */
@Component
class Judge {

    /** The check on release with whose reading that of the next day is compared. */
    private static final String TRAVEL_ON_RELEASE = "travel-again";

    private final Assessor assessor;

    Judge(Assessor assessor) {
        this.assessor = assessor;
    }

    /**
     * Judges a reading by that of a sound vehicle and, the next day, by what it was on release.
     *
     * @return empty where it lacks its last figure, or is none of figures
     */
    Optional<Measured> judged(Log read, JobState state, Check check, LoggedEntry reading) {
        Procedure test =
                read.sheet().procedures().find(check.testId().orElseThrow()).orElseThrow();
        if (!canJudge(state, reading.id()) || !(state.values().get(reading.id()) instanceof Figures figures)) {
            return Optional.empty();
        }
        Belief belief = assessor.believedWithout(state, reading.id().toString());
        Measured measured = Measured.of(belief, test, figures);
        return Optional.of(
                check.gate() == Gate.NEXT_DAY
                        ? onRelease(state)
                                .map(then -> measured.sameAs((Series) test.spec(), then))
                                .orElse(measured)
                        : measured);
    }

    /** Whether a reading has what it is judged by: its last figure. */
    static boolean canJudge(JobState state, UUID readingId) {
        return state.values().get(readingId) instanceof Figures figures
                && figures.taken().get(figures.taken().size() - 1).isPresent();
    }

    private static Optional<Figures> onRelease(JobState state) {
        return state.repair()
                .map(RepairState::outcomes)
                .flatMap(outcomes -> Optional.ofNullable(outcomes.get(TRAVEL_ON_RELEASE)))
                .map(logged -> ((CheckDone) logged.entry()).readingId())
                .flatMap(id -> state.values().entrySet().stream()
                        .filter(value -> value.getKey().toString().equals(id))
                        .findFirst())
                .flatMap(
                        value -> value.getValue() instanceof Figures figures ? Optional.of(figures) : Optional.empty());
    }
}
