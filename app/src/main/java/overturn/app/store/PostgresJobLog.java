package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.JobLog;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StaleLogException;

/** The job log in PostgreSQL. */
@Repository
class PostgresJobLog implements JobLog {

    private final JdbcClient jdbc;
    private final EntryJson json;

    PostgresJobLog(JdbcClient jdbc, EntryJson json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    @Override
    public List<UUID> jobs() {
        return jdbc.sql("select id from job order by log_opened_at desc, id").query(UUID.class).list();
    }

    @Override
    public List<LoggedEntry> entries(UUID jobId) {
        return jdbc.sql("""
                        select id, sequence, log_entered_at, person_id, kind, body
                          from log_entry
                         where job_id = :job
                         order by sequence
                        """)
                .param("job", jobId)
                .query((row, n) -> entry(row))
                .list();
    }

    private LoggedEntry entry(ResultSet row) throws SQLException {
        return new LoggedEntry(
                row.getObject("id", UUID.class),
                row.getObject("sequence", Integer.class),
                row.getObject("log_entered_at", OffsetDateTime.class).toInstant(),
                row.getString("person_id"),
                json.read(row.getString("kind"), row.getString("body")));
    }

    @Override
    public Optional<UUID> jobOfEntry(UUID entryId) {
        return jdbc.sql("select job_id from log_entry where id = :id").param("id", entryId).query(UUID.class).optional();
    }

    @Override
    public void open(UUID jobId, Instant at) {
        jdbc.sql("""
                        insert into job (id, log_opened_at)
                        values (:id, :at)
                        on conflict (id) do nothing
                        """)
                .param("id", jobId)
                .param("at", at.atOffset(ZoneOffset.UTC))
                .update();
    }

    @Override
    public void append(UUID jobId, LoggedEntry entry) {
        try {
            int rows = jdbc.sql("""
                            insert into log_entry (id, job_id, sequence, log_entered_at, person_id, kind, body)
                            values (:id, :job, :sequence, :at, :person, :kind, :body::jsonb)
                            """)
                    .param("id", entry.id())
                    .param("job", jobId)
                    .param("sequence", entry.sequence())
                    .param("at", entry.at().atOffset(ZoneOffset.UTC))
                    .param("person", entry.personId())
                    .param("kind", entry.entry().kind())
                    .param("body", json.write(entry.entry()))
                    .update();
            if (rows != 1) {
                throw new IllegalStateException("Impossible: " + rows + " rows appended");
            }
        } catch (DuplicateKeyException e) {
            throw new StaleLogException(entry.sequence() - 1);
        }
    }
}
