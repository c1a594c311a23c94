package overturn.app.api.job;

import overturn.app.job.Entry.JobOpened;

/** One piece of work done before: where, what, and whether it was bled afterwards, by stable ids. */
public record WorkView(String area, String kind, String bled) {

    static WorkView of(JobOpened.Work work) {
        return new WorkView(work.area(), work.kind(), work.bled());
    }

    JobOpened.Work work() {
        return new JobOpened.Work(area, kind, bled);
    }
}
