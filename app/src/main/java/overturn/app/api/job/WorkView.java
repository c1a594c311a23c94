package overturn.app.api.job;

import java.util.Locale;
import overturn.app.job.Entry.JobOpened;
import overturn.inference.WorkDone;

/** One piece of work done before: where, what, and whether it was bled afterwards, by stable ids. */
public record WorkView(String area, String kind, String bled) {

    static WorkView of(JobOpened.Work work) {
        return new WorkView(work.area(), work.kind(), work.bled());
    }

    static WorkView of(WorkDone work) {
        return new WorkView(
                work.area().id(), work.kind().id(), work.bled().name().toLowerCase(Locale.ROOT));
    }

    JobOpened.Work work() {
        return new JobOpened.Work(area, kind, bled);
    }
}
