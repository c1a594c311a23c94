package overturn.app.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.Bleeding;
import overturn.app.job.StaleLogException;
import overturn.app.workshop.WorkshopLog;
import overturn.app.workshop.WorkshopSettings;
import overturn.app.workshop.WorkshopSettings.Learning;
import overturn.app.workshop.WorkshopSettings.Price;
import overturn.app.workshop.WorkshopSettings.Rate;
import overturn.procedure.Procedure.RigKind;
import overturn.repair.WorkSchools;
import overturn.suspect.Remedy;
import tools.jackson.databind.json.JsonMapper;

/**
 * The workshop's settings in PostgreSQL, tools and remedies by their stable ids; what is not known any more is left
 * out.
 */
@Repository
class PostgresWorkshopLog implements WorkshopLog {

    /** Version 1 named tools and remedies by the constants of this program; version 2 did not say how it bleeds. */
    private static final int BODY_VERSION = 5;

    private final JdbcClient jdbc;
    private final JsonMapper mapper = JsonMapper.builder().build();

    PostgresWorkshopLog(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private record Stored(
            int version,
            String name,
            List<String> lacks,
            boolean helper,
            boolean lift,
            Bleeding bleeding,
            Map<String, String> schools,
            Optional<Rate> rate,
            Map<String, Price> prices,
            Learning learning) {}

    @Override
    public WorkshopSettings latest() {
        return jdbc.sql("select body_version, body from workshop_settings order by version desc limit 1")
                .query((row, n) ->
                        settings(mapper.readValue(row.getString("body"), Stored.class), row.getInt("body_version")))
                .optional()
                .orElse(WorkshopSettings.PLAIN);
    }

    private static WorkshopSettings settings(Stored stored, int bodyVersion) {
        Function<RigKind, String> tool = bodyVersion == 1 ? RigKind::name : RigKind::id;
        Function<Remedy, String> remedy = bodyVersion == 1 ? Remedy::name : Remedy::id;
        Set<RigKind> lacks = Stream.of(RigKind.values())
                .filter(kind -> stored.lacks().contains(tool.apply(kind)))
                .collect(Collectors.toSet());
        Map<Remedy, Price> prices = new EnumMap<>(Remedy.class);
        for (Remedy one : Remedy.values()) {
            Optional.ofNullable(stored.prices().get(remedy.apply(one)))
                    .ifPresent(price -> one.today().forEach(now -> prices.putIfAbsent(now, price)));
        }
        return new WorkshopSettings(
                stored.version(),
                stored.name() == null ? "" : stored.name(),
                lacks,
                stored.helper(),
                stored.lift(),
                stored.bleeding() == null ? Bleeding.USUAL : stored.bleeding(),
                stored.schools() == null ? WorkSchools.USUAL : WorkSchools.of(stored.schools()),
                stored.rate(),
                prices,
                stored.learning() == null ? Learning.USUAL : stored.learning());
    }

    @Override
    public void append(WorkshopSettings settings, String personId, Instant at) {
        Map<String, Price> prices = new TreeMap<>();
        settings.prices().forEach((remedy, price) -> prices.put(remedy.id(), price));
        Stored stored = new Stored(
                settings.version(),
                settings.name(),
                settings.lacks().stream().map(RigKind::id).sorted().toList(),
                settings.helper(),
                settings.lift(),
                settings.bleeding(),
                settings.schools().ids(),
                settings.rate(),
                prices,
                settings.learning());
        try {
            jdbc.sql("""
                            insert into workshop_settings (version, told_at, person_id, body_version, body)
                            values (:version, :at, :person, :bodyVersion, cast(:body as jsonb))
                            """)
                    .param("version", settings.version())
                    .param("at", at.atOffset(ZoneOffset.UTC))
                    .param("person", personId)
                    .param("bodyVersion", BODY_VERSION)
                    .param("body", mapper.writeValueAsString(stored))
                    .update();
        } catch (DuplicateKeyException e) {
            throw StaleLogException.ofSettings(settings.version() - 1);
        }
    }
}
