package overturn.app.api.csv;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.RecheckCalendar;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobSummary;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.Checks;
import overturn.app.usecase.job.Feeds;
import overturn.app.workshop.Staff;

/** What scripts and calendars read with a token: re-checks as a calendar, readings as a table. */
@RestController
@RequestMapping("/api/feeds")
class FeedController {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final Feeds feeds;
    private final Staff staff;

    FeedController(Feeds feeds, Staff staff) {
        this.feeds = feeds;
        this.staff = staff;
    }

    /** A day for each vehicle that was released until it is looked at again. */
    @GetMapping(value = "/rechecks.ics", produces = "text/calendar")
    ResponseEntity<byte[]> rechecks() {
        RecheckCalendar calendar = new RecheckCalendar();
        for (JobSummary job : feeds.rechecks()) {
            job.recheckOn().ifPresent(day -> calendar.with(job.jobId(), job.vehicle(), day));
        }
        return ResponseEntity.ok().contentType(RecheckCalendar.TYPE).body(calendar.bytes());
    }

    /**
     * Readings of all jobs in the order in which they arrived, 500 at most; {@code after} is the {@code arrived_at} of
     * the last one seen.
     */
    @GetMapping(value = "/readings", produces = "text/csv")
    ResponseEntity<String> readings(@RequestParam(required = false) String after) {
        Map<String, String> people =
                staff.all().stream().collect(Collectors.toMap(Staff.Person::id, Staff.Person::name));
        List<String> head = new ArrayList<>(List.of("job", "arrived_at"));
        head.addAll(ReadingRows.HEAD);
        List<List<String>> rows = new ArrayList<>();
        for (Feeds.Told told : feeds.readings(moment(after))) {
            LoggedEntry logged = told.reading().entry();
            String person = people.getOrDefault(logged.personId(), logged.personId());
            if (logged.entry() instanceof ReadingTaken taken) {
                for (List<String> row : ReadingRows.of(logged, taken, person, told.struck())) {
                    List<String> whole = new ArrayList<>(List.of(
                            told.reading().jobId().toString(), logged.at().toString()));
                    whole.addAll(row);
                    rows.add(whole);
                }
            }
        }
        return ResponseEntity.ok().contentType(CSV).body(Tables.write(head, rows));
    }

    private static Instant moment(String after) {
        Checks checks = new Checks();
        try {
            return after == null ? Instant.EPOCH : Instant.parse(after);
        } catch (DateTimeParseException e) {
            checks.add("after", after, "a moment such as 2026-11-30T08:00:00Z, or left out");
            checks.orThrow();
            throw new IllegalStateException("Impossible: a finding was added", e);
        }
    }
}
