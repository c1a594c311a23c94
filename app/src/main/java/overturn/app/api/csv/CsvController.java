package overturn.app.api.csv;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.FileNames;
import overturn.app.api.workshop.WorkshopView;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.LoggedEntry;
import overturn.app.people.Actor;
import overturn.app.usecase.Checks;
import overturn.app.usecase.job.Jobs;
import overturn.app.usecase.record.SearchRecord;
import overturn.app.usecase.workshop.TellWorkshop;
import overturn.app.usecase.workshop.TellWorkshop.PriceDraft;
import overturn.app.workshop.Staff;
import overturn.app.workshop.WorkshopSettings;
import overturn.words.Words;

/** The readings of a job, the record and the price table of the workshop as comma-separated values. */
@RestController
@RequestMapping("/api")
class CsvController {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);
    private static final Map<String, String> WORDS = Words.all();
    private static final List<String> PRICES = List.of("remedy_id", "remedy", "labour_minutes", "parts_minutes");
    private static final int MOST_PRICES = 500;
    private static final List<String> RECORD = List.of(
            "closed_at",
            "opened_at",
            "vehicle",
            "make",
            "layout_id",
            "complaint",
            "behaviour",
            "hunch",
            "hunch_held",
            "cause",
            "remedies",
            "tried_before",
            "grade",
            "turned_out",
            "stage",
            "came_back_at",
            "opened_by",
            "test_minutes",
            "job_id");

    private final Jobs jobs;
    private final Staff staff;
    private final TellWorkshop workshop;
    private final SearchRecord record;
    private final Clock clock;

    CsvController(Jobs jobs, Staff staff, TellWorkshop workshop, SearchRecord record, Clock clock) {
        this.record = record;
        this.clock = clock;
        this.jobs = jobs;
        this.staff = staff;
        this.workshop = workshop;
    }

    /** Every reading of a job, struck ones too: a row for each figure, as typed and in the core's unit. */
    @GetMapping(value = "/jobs/{id}/readings.csv", produces = "text/csv")
    ResponseEntity<String> readings(@PathVariable UUID id) {
        Jobs.Log log = jobs.read(id);
        Map<String, String> people =
                staff.all().stream().collect(Collectors.toMap(Staff.Person::id, Staff.Person::name));
        List<List<String>> rows = new ArrayList<>();
        for (LoggedEntry logged : log.entries()) {
            if (logged.entry() instanceof ReadingTaken taken) {
                boolean struck = log.state().struckIds().contains(logged.id());
                rows.addAll(ReadingRows.of(
                        logged, taken, people.getOrDefault(logged.personId(), logged.personId()), struck));
            }
        }
        return table(ReadingRows.HEAD, rows, FileNames.of(log.state().opened().vehicle(), "readings", clock, "csv"));
    }

    /** The closed jobs that are looked for, the latest first, 100,000 at most; asked as in {@code /api/record}. */
    @GetMapping(value = "/record.csv", produces = "text/csv")
    ResponseEntity<String> record(@ParameterObject SearchRecord.Asked asked) {
        Map<String, String> people =
                staff.all().stream().collect(Collectors.toMap(Staff.Person::id, Staff.Person::name));
        List<List<String>> rows = record.all(asked).stream()
                .map(line -> List.of(
                        line.closedAt().toString(),
                        line.openedAt().toString(),
                        line.vehicle(),
                        line.make(),
                        line.layoutId(),
                        line.complaint(),
                        WORDS.getOrDefault("option.characterise." + line.behaviour(), line.behaviour()),
                        WORDS.getOrDefault("suspect." + line.hunchId(), line.hunchId()),
                        line.hunchHeld().map(String::valueOf).orElse(""),
                        WORDS.getOrDefault("suspect." + line.causeId(), line.causeId()),
                        remedies(line.remedies()),
                        remedies(line.triedBefore()),
                        line.grade().map(Enum::name).orElse(""),
                        line.turnedOut().map(Enum::name).orElse(""),
                        line.stage().id(),
                        line.cameBackAt().map(Object::toString).orElse(""),
                        people.getOrDefault(line.openedById(), line.openedById()),
                        String.format(Locale.ROOT, "%.0f", line.spentMinutes()),
                        line.jobId().toString()))
                .toList();
        return table(RECORD, rows, "record.csv");
    }

    private static String remedies(List<String> ids) {
        return ids.stream().map(id -> WORDS.getOrDefault("remedy." + id, id)).collect(Collectors.joining("; "));
    }

    /** What remedies cost here, in minutes of labour. */
    @GetMapping(value = "/workshop/prices.csv", produces = "text/csv")
    ResponseEntity<String> prices() {
        WorkshopSettings settings = workshop.latest();
        return table(
                PRICES,
                TellWorkshop.PRICED.stream()
                        .map(remedy -> List.of(
                                remedy.id(),
                                WORDS.get("remedy." + remedy.id()),
                                Double.toString(settings.priceOf(remedy).labourMinutes()),
                                Double.toString(settings.priceOf(remedy).partsMinutes())))
                        .toList(),
                "prices.csv");
    }

    /**
     * Takes a whole price table, as it is given out; a remedy that is left out has its plain price. Everything else of
     * the workshop stays as it is; {@code version} is the last that the sender had seen.
     */
    @PutMapping(value = "/workshop/prices.csv", consumes = "text/csv")
    WorkshopView tellPrices(Actor actor, @RequestParam Integer version, @RequestBody String table) {
        Checks checks = new Checks();
        List<PriceDraft> prices = new ArrayList<>();
        for (List<String> row : Tables.read(table, PRICES, MOST_PRICES)) {
            String at = "row " + (prices.size() + 2) + ", ";
            prices.add(new PriceDraft(
                    row.get(0),
                    minutes(row.get(2), at + PRICES.get(2), checks),
                    minutes(row.get(3), at + PRICES.get(3), checks)));
        }
        checks.orThrow();
        return WorkshopView.of(workshop.tellPrices(version, actor, prices));
    }

    /** Minutes as written, with a point or a comma. */
    private static @Nullable Double minutes(String text, String field, Checks checks) {
        if (text.matches("[0-9]{1,4}([.,][0-9]{1,6})?")) {
            return Double.valueOf(text.replace(',', '.'));
        }
        checks.add(field, text, "0 to 6000 min");
        return null;
    }

    private static ResponseEntity<String> table(List<String> head, List<List<String>> rows, String name) {
        return ResponseEntity.ok()
                .contentType(CSV)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(Tables.write(head, rows));
    }
}
