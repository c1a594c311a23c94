package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.JobLog;
import overturn.app.job.LoggedEntry;
import overturn.app.job.StaleLogException;
import overturn.app.job.StoredEntry;
import tools.jackson.databind.PropertyNamingStrategies;
import tools.jackson.databind.annotation.JsonNaming;
import tools.jackson.databind.json.JsonMapper;

/** The job log in PostgreSQL. */
@Repository
class PostgresJobLog implements JobLog {

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    /** Entries with what lies beside the chain put back in its place; where it was erased that is said. */
    private static final String WHOLE = """
            select job_id, id, sequence, log_taken_at, log_entered_at, person_id, spent_minutes, catalogue_version,
                   kind, body_version,
                   case when e.body -> 'beside' is null then e.body
                        else (e.body - 'beside') || coalesce(b.body, '{"vehicle": "(erased)", "about": {}}') end as body
              from log_entry e left join entry_beside b on b.entry_id = e.id
            """;

    private final JdbcClient jdbc;
    private final EntryJson json;

    PostgresJobLog(JdbcClient jdbc, EntryJson json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    @Override
    public boolean isEmpty() {
        return jdbc.sql("select not exists (select 1 from job)")
                .query(Boolean.class)
                .single();
    }

    @Override
    public List<LoggedEntry> entries(UUID jobId) {
        return understood(stored(jobId));
    }

    @Override
    public List<LoggedEntry> understood(List<StoredEntry> entries) {
        return entries.stream().map(this::understood).toList();
    }

    @Override
    public boolean isAsWritten(StoredEntry entry) {
        return json.isAsWritten(entry.kind(), entry.bodyVersion(), entry.body());
    }

    private LoggedEntry understood(StoredEntry entry) {
        return new LoggedEntry(
                entry.id(),
                entry.sequence(),
                entry.takenAt(),
                entry.enteredAt(),
                entry.personId(),
                entry.spentMinutes(),
                entry.catalogueVersion(),
                json.read(entry.kind(), entry.bodyVersion(), entry.body()));
    }

    @Override
    public List<StoredEntry> stored(UUID jobId) {
        return jdbc.sql(WHOLE + " where job_id = :job order by sequence")
                .param("job", jobId)
                .query((row, n) -> stored(row))
                .list();
    }

    @Override
    public List<Arrived> readingsAfter(Instant moment, int most) {
        return jdbc.sql(WHOLE + """
                         where kind = :kind and log_entered_at > :moment
                           and not exists (select 1 from exercise x where x.id = e.job_id)
                         order by log_entered_at, job_id, sequence
                         limit :most
                        """)
                .param("kind", ReadingTaken.KIND)
                .param("moment", moment.atOffset(ZoneOffset.UTC))
                .param("most", most)
                .query((row, n) -> new Arrived(row.getObject("job_id", UUID.class), understood(stored(row))))
                .list();
    }

    @Override
    public void eraseBeside(UUID jobId) {
        jdbc.sql("delete from entry_beside b using log_entry e where e.id = b.entry_id and e.job_id = :job")
                .param("job", jobId)
                .update();
    }

    private static StoredEntry stored(ResultSet row) throws SQLException {
        Instant entered = at(row, "log_entered_at").orElseThrow();
        return new StoredEntry(
                row.getObject("id", UUID.class),
                row.getObject("sequence", Integer.class),
                at(row, "log_taken_at").orElse(entered),
                entered,
                row.getString("person_id"),
                Optional.ofNullable(row.getObject("spent_minutes", Double.class)),
                row.getString("catalogue_version"),
                row.getString("kind"),
                row.getObject("body_version", Integer.class),
                row.getString("body"));
    }

    private static Optional<Instant> at(ResultSet row, String column) throws SQLException {
        return Optional.ofNullable(row.getObject(column, OffsetDateTime.class)).map(OffsetDateTime::toInstant);
    }

    @Override
    public boolean isThere(UUID jobId) {
        return jdbc.sql("select exists (select 1 from job where id = :id)")
                .param("id", jobId)
                .query(Boolean.class)
                .single();
    }

    @Override
    public boolean holds(UUID entryId) {
        return jdbc.sql("select exists (select 1 from log_entry where id = :id)")
                .param("id", entryId)
                .query(Boolean.class)
                .single();
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
        takeOver(
                jobId,
                List.of(new StoredEntry(
                        entry.id(),
                        entry.sequence(),
                        entry.takenAt(),
                        entry.at(),
                        entry.personId(),
                        entry.spentMinutes(),
                        entry.catalogueVersion(),
                        entry.entry().kind(),
                        json.version(entry.entry().kind()),
                        json.write(entry.entry()))));
    }

    @Override
    public void takeOver(UUID jobId, List<StoredEntry> entries) {
        try {
            int rows = jdbc.sql("""
                            insert into log_entry (id, job_id, sequence, log_taken_at, log_entered_at, person_id, spent_minutes,
                                                   catalogue_version, kind, body_version, body)
                            select id, :job, sequence, taken_at, entered_at, person_id, spent_minutes,
                                   catalogue_version, kind, body_version, body::jsonb
                              from jsonb_to_recordset(:rows::jsonb)
                                   as new (id uuid, sequence integer, taken_at timestamptz, entered_at timestamptz,
                                           person_id text, spent_minutes double precision, catalogue_version text,
                                           kind text, body_version integer, body text)
                            """)
                    .param("job", jobId)
                    .param(
                            "rows",
                            MAPPER.writeValueAsString(
                                    entries.stream().map(Row::of).toList()))
                    .update();
            if (rows != entries.size()) {
                throw new IllegalStateException("Impossible: " + rows + " rows appended");
            }
        } catch (DuplicateKeyException e) {
            throw new StaleLogException(entries.get(0).sequence() - 1);
        }
    }

    /** A row of the log as it is sent. */
    @JsonNaming(PropertyNamingStrategies.SnakeCaseStrategy.class)
    private record Row(
            UUID id,
            int sequence,
            String takenAt,
            String enteredAt,
            String personId,
            @Nullable Double spentMinutes,
            String catalogueVersion,
            String kind,
            int bodyVersion,
            String body) {

        static Row of(StoredEntry entry) {
            return new Row(
                    entry.id(),
                    entry.sequence(),
                    entry.takenAt().toString(),
                    entry.enteredAt().toString(),
                    entry.personId(),
                    entry.spentMinutes().orElse(null),
                    entry.catalogueVersion(),
                    entry.kind(),
                    entry.bodyVersion(),
                    entry.body());
        }
    }
}
