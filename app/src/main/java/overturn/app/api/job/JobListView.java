package overturn.app.api.job;

import java.util.List;
import java.util.Optional;
import overturn.app.job.JobSummaries.Page;
import overturn.app.usecase.bay.Bay;

/**
 * Some lines of the bay.
 *
 * @param found how many there are in all, counted up to 1000
 * @param atLeast whether there are more than were counted
 * @param next to be sent as {@code after} for the lines behind these; absent where there are none
 */
public record JobListView(List<JobSummaryView> jobs, int found, boolean atLeast, Optional<String> next) {

    static JobListView of(Page page) {
        Optional<String> next = Optional.of(page.lines())
                .filter(lines -> page.more())
                .map(lines -> Bay.place(lines.get(lines.size() - 1)));
        return new JobListView(
                page.lines().stream().map(JobSummaryView::of).toList(),
                Math.min(page.found(), Page.MOST_COUNTED),
                page.found() > Page.MOST_COUNTED,
                next);
    }
}
