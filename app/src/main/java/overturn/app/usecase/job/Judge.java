package overturn.app.usecase.job;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.CheckDone;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
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

    /** Whether a reading is that of a sound vehicle and, the next day, no longer than it was on release. */
    boolean passes(Log read, JobState state, Check check, LoggedEntry reading) {
        if (!(state.values().get(reading.id()) instanceof Figures figures)) {
            return false;
        }
        Procedure test =
                read.sheet().procedures().find(check.testId().orElseThrow()).orElseThrow();
        Series series = (Series) test.spec();
        boolean whole = figures.taken().get(figures.taken().size() - 1).isPresent();
        Belief belief = assessor.believedWithout(state, reading.id().toString());
        Measured measured = Measured.of(belief, test, figures);
        Optional<Figures> onRelease = check.gate() == Gate.NEXT_DAY ? onRelease(state) : Optional.empty();
        return whole
                && onRelease
                        .map(then -> measured.sameAs(series, then))
                        .orElse(measured)
                        .passes();
    }

    private static Optional<Figures> onRelease(JobState state) {
        return state.repair().map(RepairState::outcomes).map(outcomes -> outcomes.get(TRAVEL_ON_RELEASE)).stream()
                .map(logged -> ((CheckDone) logged.entry()).readingId())
                .flatMap(id -> state.values().entrySet().stream()
                        .filter(value -> value.getKey().toString().equals(id)))
                .map(value -> value.getValue() instanceof Figures figures ? List.of(figures) : List.<Figures>of())
                .flatMap(List::stream)
                .findFirst();
    }
}
