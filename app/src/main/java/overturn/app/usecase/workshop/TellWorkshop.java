package overturn.app.usecase.workshop;

import java.time.Clock;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.job.Bleeding;
import overturn.app.job.StaleLogException;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.workshop.WorkshopLog;
import overturn.app.workshop.WorkshopSettings;
import overturn.app.workshop.WorkshopSettings.Learning;
import overturn.app.workshop.WorkshopSettings.Price;
import overturn.app.workshop.WorkshopSettings.Rate;
import overturn.bleeding.Schools;
import overturn.procedure.Procedure.RigKind;
import overturn.repair.School;
import overturn.repair.WorkSchools;
import overturn.suspect.Remedy;

/** The workshop tells what tools it has, and what things cost there. */
@Component
public class TellWorkshop {

    /** Longest name of a workshop, characters. */
    private static final int MOST_NAME = 60;

    /** Tools that can be lacking. */
    public static final List<RigKind> TOOLS =
            Arrays.stream(RigKind.values()).filter(RigKind::tool).toList();
    /** Remedies that the workshop does itself, each with its price. */
    public static final List<Remedy> PRICED = Arrays.stream(Remedy.values())
            .filter(r -> r != Remedy.HAND_BACK && r != Remedy.LOOK_ELSEWHERE && r != Remedy.SET_ROD)
            .toList();

    private static final double MOST_MINUTES = 6000;
    private static final double MOST_RATE = 1_000_000;
    private static final int MOST_CURRENCY = 8;

    private final WorkshopLog log;
    private final Clock clock;

    TellWorkshop(WorkshopLog log, Clock clock) {
        this.log = log;
        this.clock = clock;
    }

    /** Settings as sent, unchecked; {@code version} is the last that the sender had seen. */
    public record Draft(
            Integer version,
            Actor actor,
            @Nullable String name,
            List<String> lacks,
            Boolean helper,
            Boolean lift,
            @Nullable String bleedMethod,
            @Nullable String bleedOrder,
            @Nullable Map<String, String> schools,
            @Nullable Double ratePerHour,
            @Nullable String currency,
            List<PriceDraft> prices) {}

    /** A price as sent, unchecked. */
    public record PriceDraft(
            String remedyId,
            @Nullable Double labourMinutes,
            @Nullable Double partsMinutes) {}

    @Transactional(readOnly = true)
    public WorkshopSettings latest() {
        return log.latest();
    }

    /**
     * Tells a new version; sending the latest again changes nothing.
     *
     * @throws InvalidInputException naming every field that is wrong
     * @throws StaleLogException if somebody told another version meanwhile
     */
    @Transactional
    public WorkshopSettings tell(Draft draft) {
        Checks checks = new Checks();
        draft.actor.require(Act.TELL_WORKSHOP);
        checks.that(
                        () -> draft.version != null && draft.version >= 0,
                        "version",
                        draft.version,
                        "the last version seen, 0 or more")
                .that(() -> draft.helper != null, "helper", draft.helper, "true or false")
                .that(() -> draft.lift != null, "lift", draft.lift, "true or false");
        String name = draft.name == null ? "" : draft.name.strip();
        checks.that(() -> name.length() <= MOST_NAME, "name", draft.name, "at most " + MOST_NAME + " characters");
        Set<RigKind> lacks = lacks(draft.lacks, checks);
        Optional<Rate> rate = rate(draft, checks);
        Map<Remedy, Price> prices = prices(draft.prices, checks);
        Bleeding bleeding = bleeding(draft.bleedMethod, draft.bleedOrder, checks);
        WorkSchools schools = schools(draft.schools, checks);
        checks.orThrow();
        WorkshopSettings before = log.latest();
        WorkshopSettings same = new WorkshopSettings(
                before.version(),
                name,
                lacks,
                draft.helper,
                draft.lift,
                bleeding,
                schools,
                rate,
                prices,
                before.learning());
        if (same.equals(before)) {
            return before;
        }
        if (draft.version != before.version()) {
            throw StaleLogException.ofSettings(draft.version);
        }
        WorkshopSettings next = same.next();
        log.append(next, draft.actor.personId(), clock.instant());
        return next;
    }

    /**
     * Tells a new price table; everything else stays as it is.
     *
     * @throws InvalidInputException naming every row that is wrong
     * @throws StaleLogException if somebody told another version meanwhile
     */
    @Transactional
    public WorkshopSettings tellPrices(Integer version, Actor actor, List<PriceDraft> prices) {
        WorkshopSettings now = log.latest();
        return tell(new Draft(
                version,
                actor,
                now.name(),
                now.lacks().stream().map(RigKind::id).toList(),
                now.helper(),
                now.lift(),
                now.bleeding().method(),
                now.bleeding().order(),
                now.schools().ids(),
                now.rate().map(Rate::perHour).orElse(null),
                now.rate().map(Rate::currency).orElse(null),
                prices));
    }

    /**
     * Tells whether closed jobs move the frequencies and what those of others weigh; everything else stays as it is.
     *
     * @param weights 0 to 1, by the id of what was taken from elsewhere
     * @throws InvalidInputException naming every field that is wrong
     * @throws StaleLogException if somebody told another version meanwhile
     */
    @Transactional
    public WorkshopSettings tellLearning(
            Integer version, Actor actor, Boolean on, @Nullable Map<UUID, Double> weights) {
        actor.require(Act.TELL_WORKSHOP);
        Checks checks = new Checks()
                .that(() -> version != null && version >= 0, "version", version, "the last version seen, 0 or more")
                .that(() -> on != null, "on", on, "true or false");
        Map<UUID, Double> told = weights == null ? Map.of() : weights;
        told.forEach((id, weight) ->
                checks.that(() -> weight != null && weight >= 0 && weight <= 1, "weights." + id, weight, "0 to 1"));
        checks.orThrow();
        WorkshopSettings before = log.latest();
        Learning learning = new Learning(on, told);
        if (learning.equals(before.learning())) {
            return before;
        }
        if (version != before.version()) {
            throw StaleLogException.ofSettings(version);
        }
        WorkshopSettings next = before.learning(learning).next();
        log.append(next, actor.personId(), clock.instant());
        return next;
    }

    /** The ways of what was sent; what is left out is done the usual way. */
    private static WorkSchools schools(@Nullable Map<String, String> given, Checks checks) {
        Map<String, String> ways = given == null ? Map.of() : given;
        ways.forEach((id, way) -> way(id, way, "schools." + id, checks));
        return WorkSchools.of(ways);
    }

    /** Notes what is wrong where a school or its way is not known. */
    public static void way(String id, String way, String field, Checks checks) {
        Optional<School> school = School.find(id == null ? "" : id);
        checks.that(
                school::isPresent,
                field,
                id,
                "one of " + Stream.of(School.values()).map(School::id).toList());
        school.ifPresent(known ->
                checks.that(() -> way != null && known.ways().contains(way), field, way, "one of " + known.ways()));
    }

    /** How it is bled, of what was sent; what is left out is the usual. */
    public static Bleeding bleeding(@Nullable String method, @Nullable String order, Checks checks) {
        List<String> methods =
                Arrays.stream(Schools.Method.values()).map(Schools.Method::id).toList();
        List<String> orders =
                Arrays.stream(Schools.Order.values()).map(Schools.Order::id).toList();
        checks.that(() -> method == null || methods.contains(method), "bleedMethod", method, "one of " + methods)
                .that(() -> order == null || orders.contains(order), "bleedOrder", order, "one of " + orders);
        return new Bleeding(
                method == null ? Bleeding.USUAL.method() : method, order == null ? Bleeding.USUAL.order() : order);
    }

    private static Set<RigKind> lacks(List<String> ids, Checks checks) {
        Set<RigKind> lacks = EnumSet.noneOf(RigKind.class);
        List<String> known = TOOLS.stream().map(RigKind::id).toList();
        for (String id : ids == null ? List.<String>of() : ids) {
            checks.that(() -> id != null && known.contains(id), "lacks", id, "one of " + known);
            TOOLS.stream().filter(t -> t.id().equals(id)).forEach(lacks::add);
        }
        return lacks;
    }

    private static Optional<Rate> rate(Draft draft, Checks checks) {
        if (draft.ratePerHour == null) {
            return Optional.empty();
        }
        checks.that(
                        () -> draft.ratePerHour > 0 && draft.ratePerHour <= MOST_RATE,
                        "ratePerHour",
                        draft.ratePerHour,
                        "more than 0, at most 1000000")
                .text("currency", draft.currency, MOST_CURRENCY);
        return Optional.of(new Rate(draft.currency == null ? "" : draft.currency.strip(), draft.ratePerHour));
    }

    private static Map<Remedy, Price> prices(List<PriceDraft> drafts, Checks checks) {
        Map<Remedy, Price> prices = new EnumMap<>(Remedy.class);
        List<String> known = PRICED.stream().map(Remedy::id).toList();
        Set<String> told = new HashSet<>();
        for (PriceDraft draft : drafts == null ? List.<PriceDraft>of() : drafts) {
            @Nullable String id = draft == null ? null : draft.remedyId;
            Optional<Remedy> remedy = Remedy.find(id == null ? "" : id);
            if (remedy.stream().flatMap(r -> r.today().stream()).noneMatch(PRICED::contains)) {
                checks.add("prices.remedyId", id, "one of " + known);
                continue;
            }
            checks.that(() -> told.add(id), "prices.remedyId", id, "each remedy once")
                    .that(
                            () -> minutes(draft.labourMinutes),
                            "prices." + id + ".labourMinutes",
                            draft.labourMinutes,
                            "0 to 6000 min")
                    .that(
                            () -> minutes(draft.partsMinutes),
                            "prices." + id + ".partsMinutes",
                            draft.partsMinutes,
                            "0 to 6000 min");
            Double labour = draft.labourMinutes;
            Double parts = draft.partsMinutes;
            if (labour != null && parts != null && minutes(labour) && minutes(parts)) {
                Price price = new Price(labour, parts);
                remedy.orElseThrow().today().stream()
                        .filter(one -> !price.equals(WorkshopSettings.PLAIN.priceOf(one)))
                        .forEach(one -> prices.put(one, price));
            }
        }
        return prices;
    }

    private static boolean minutes(@Nullable Double value) {
        return value != null && value >= 0 && value <= MOST_MINUTES;
    }
}
