package overturn.app.store;

import java.time.Instant;
import java.time.ZoneOffset;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.StaleLogException;
import overturn.app.job.WorkshopLog;
import overturn.app.job.WorkshopSettings;
import tools.jackson.databind.json.JsonMapper;

/** The workshop's settings in PostgreSQL. */
@Repository
class PostgresWorkshopLog implements WorkshopLog {

    private final JdbcClient jdbc;
    private final JsonMapper mapper = JsonMapper.builder().build();

    PostgresWorkshopLog(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public WorkshopSettings latest() {
        return jdbc.sql("select body from workshop_settings order by version desc limit 1")
                .query((row, n) -> mapper.readValue(row.getString("body"), WorkshopSettings.class)).optional().orElse(WorkshopSettings.PLAIN);
    }

    @Override
    public void append(WorkshopSettings settings, String personId, Instant at) {
        try {
            jdbc.sql("insert into workshop_settings (version, told_at, person_id, body) values (:version, :at, :person, cast(:body as jsonb))")
                    .param("version", settings.version()).param("at", at.atOffset(ZoneOffset.UTC)).param("person", personId)
                    .param("body", mapper.writeValueAsString(settings)).update();
        } catch (DuplicateKeyException e) {
            throw StaleLogException.ofSettings(settings.version() - 1);
        }
    }
}
