package overturn.app.usecase.record;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.people.Actor;
import overturn.app.record.RecordLine;
import overturn.app.record.SavedFilters;
import overturn.app.record.SavedFilters.SavedFilter;
import overturn.app.record.ShopRecord;
import overturn.app.record.ShopRecord.Done;
import overturn.app.record.ShopRecord.Insights;
import overturn.app.record.ShopRecord.Page;
import overturn.app.record.ShopRecord.Place;
import overturn.app.record.ShopRecord.Search;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.vehicle.Vehicle;

/** Looks for closed jobs, and tells at intake what failed before. */
@Component
public class SearchRecord {

    private static final int USUAL_LINES = 50;
    private static final int MOST_LINES = 200;
    private static final int MOST_ROWS = 100_000;
    private static final int MOST_TEXT = 100;
    private static final int MOST_QUERY = 1000;
    private static final int MOST_SAVED = 50;
    /** So far back sisters are looked at; parts and suppliers change. Chosen. */
    private static final Duration SISTERS = Duration.ofDays(2 * 365);
    /** From so many vehicles of one circuit on, a part fails often; chosen. */
    private static final int OFTEN_VEHICLES = 2;

    private final ShopRecord record;
    private final SavedFilters filters;
    private final Clock clock;

    SearchRecord(ShopRecord record, SavedFilters filters, Clock clock) {
        this.record = record;
        this.filters = filters;
        this.clock = clock;
    }

    /**
     * What is looked for, as sent; what is left out is everything.
     *
     * @param search in everything that was said and written: words, “quoted phrases”, or, -not
     * @param from day of the workshop, as {@code to} included
     * @param after the {@code next} of the answer before
     */
    public record Asked(
            String search,
            String layoutId,
            String make,
            String remedyId,
            String causeId,
            String behaviour,
            String personId,
            String from,
            String to,
            Boolean cameBack,
            String after,
            Integer most) {}

    /** @throws InvalidInputException naming every field that cannot be taken */
    public Page find(Asked asked) {
        return record.find(search(asked));
    }

    /** Everything that is looked for, 100,000 lines at most. */
    public List<RecordLine> all(Asked asked) {
        return record.all(search(asked), MOST_ROWS);
    }

    private static Search search(Asked asked) {
        Checks checks = new Checks();
        Map<String, String> texts = new HashMap<>();
        texts.put("search", asked.search);
        texts.put("layoutId", asked.layoutId);
        texts.put("make", asked.make);
        texts.put("remedyId", asked.remedyId);
        texts.put("causeId", asked.causeId);
        texts.put("behaviour", asked.behaviour);
        texts.put("personId", asked.personId);
        texts.forEach((field, text) -> checks.that(
                () -> text == null || text.length() <= MOST_TEXT, field, text, "at most " + MOST_TEXT + " characters"));
        Optional<LocalDate> from = day(asked.from, "from", checks);
        Optional<LocalDate> to = day(asked.to, "to", checks);
        Optional<Place> after = asked.after == null || asked.after.isEmpty() ? Optional.empty() : placed(asked.after);
        checks.that(
                        () -> asked.after == null || asked.after.isEmpty() || after.isPresent(),
                        "after",
                        asked.after,
                        "the “next” of an earlier answer")
                .that(
                        () -> asked.most == null || asked.most >= 1 && asked.most <= MOST_LINES,
                        "most",
                        asked.most,
                        "1 to " + MOST_LINES)
                .orThrow();
        return new Search(
                text(asked.search),
                text(asked.layoutId),
                text(asked.make),
                text(asked.remedyId),
                text(asked.causeId),
                text(asked.behaviour),
                text(asked.personId),
                from.map(SearchRecord::begins),
                to.map(day -> begins(day.plusDays(1))),
                Boolean.TRUE.equals(asked.cameBack),
                after,
                asked.most == null ? USUAL_LINES : asked.most);
    }

    private static String text(String given) {
        return given == null ? "" : given.strip();
    }

    private static Instant begins(LocalDate day) {
        return day.atStartOfDay(ZoneId.systemDefault()).toInstant();
    }

    private static Optional<LocalDate> day(String text, String field, Checks checks) {
        if (text == null || text.isBlank()) {
            return Optional.empty();
        }
        try {
            LocalDate day = LocalDate.parse(text.strip());
            boolean sane = day.getYear() >= 1900 && day.getYear() <= 9999;
            checks.that(() -> sane, field, text, "a day of the years 1900 to 9999");
            return sane ? Optional.of(day) : Optional.empty();
        } catch (DateTimeException e) {
            checks.add(field, text, "a day as 2026-11-30, or left out");
            return Optional.empty();
        }
    }

    /** A place in the list as text. */
    public static String place(RecordLine line) {
        return line.closedAt() + "_" + line.jobId();
    }

    private static Optional<Place> placed(String text) {
        String[] parts = text.split("_", 2);
        try {
            return parts.length == 2
                    ? Optional.of(new Place(Instant.parse(parts[0]), UUID.fromString(parts[1])))
                    : Optional.empty();
        } catch (DateTimeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /**
     * What was done before.
     *
     * @param own on this vehicle, the first first
     * @param again remedies that were done on it more than once, or came back
     * @param sisters remedies that were done on several vehicles of the same circuit within two years, the most first
     */
    public record Before(List<RecordLine> own, List<String> again, List<Done> sisters) {}

    /**
     * What was done before on a vehicle and its sisters.
     *
     * @param vehicleId null where it is not known
     * @param vehicle how it is called, where its id is not known; null or blank where it is not called anything yet
     * @param layoutId null or blank for no sisters
     */
    public Before before(UUID vehicleId, String vehicle, String layoutId) {
        Optional<UUID> known = Optional.ofNullable(vehicleId)
                .or(() -> Optional.ofNullable(vehicle)
                        .filter(name -> !name.isBlank())
                        .map(Vehicle::idOf));
        List<RecordLine> own = known.map(record::ofVehicle).orElse(List.of());
        Map<String, Integer> times = new HashMap<>();
        List<String> again = new ArrayList<>();
        own.forEach(line -> line.remedies().forEach(remedy -> {
            times.merge(remedy, 1, Integer::sum);
            if (line.cameBackAt().isPresent() && !again.contains(remedy)) {
                again.add(remedy);
            }
        }));
        times.entrySet().stream()
                .filter(e -> e.getValue() > 1 && !again.contains(e.getKey()))
                .sorted(Map.Entry.comparingByKey())
                .forEach(e -> again.add(e.getKey()));
        List<Done> sisters = layoutId == null || layoutId.isBlank()
                ? List.of()
                : record.doneOn(layoutId, clock.instant().minus(SISTERS)).stream()
                        .filter(done -> done.vehicles() >= OFTEN_VEHICLES)
                        .sorted(Comparator.comparingInt(Done::vehicles).reversed())
                        .toList();
        return new Before(own, again, sisters);
    }

    /** Figures of the jobs closed in so many months up to now. */
    public Insights insights(Integer months) {
        new Checks()
                .that(() -> months == null || months >= 1 && months <= 1200, "months", months, "1 to 1200")
                .orThrow();
        Instant since = months == null
                ? Instant.EPOCH
                : LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault())
                        .minusMonths(months)
                        .atStartOfDay(ZoneId.systemDefault())
                        .toInstant();
        return record.insights(since);
    }

    public List<SavedFilter> filters(Actor actor) {
        return filters.of(actor.personId());
    }

    /** Keeps a search under a name; of the same name the later counts. */
    public List<SavedFilter> keep(Actor actor, String name, String query) {
        String called = text(name);
        List<SavedFilter> kept = filters(actor);
        new Checks()
                .text("name", called, MOST_TEXT)
                .that(
                        () -> query != null && query.length() <= MOST_QUERY,
                        "query",
                        query,
                        "at most " + MOST_QUERY + " characters")
                .that(
                        () -> kept.size() < MOST_SAVED
                                || kept.stream()
                                        .anyMatch(filter -> filter.name().equals(called)),
                        "name",
                        "one more",
                        "at most " + MOST_SAVED + " kept searches")
                .orThrow();
        filters.keep(actor.personId(), new SavedFilter(called, query), clock.instant());
        return filters(actor);
    }

    public List<SavedFilter> drop(Actor actor, String name) {
        filters.drop(actor.personId(), text(name));
        return filters(actor);
    }
}
