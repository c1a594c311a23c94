package overturn.app.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.Presence;

/** Who is there, in PostgreSQL, so that every instance of the server knows it. */
@Repository
class PostgresPresence implements Presence {

    private final JdbcClient jdbc;

    PostgresPresence(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void seen(UUID jobId, Present present, Instant at, Instant goneBefore) {
        jdbc.sql("delete from presence where seen_at < :gone")
                .param("gone", goneBefore.atOffset(ZoneOffset.UTC))
                .update();
        jdbc.sql("""
                        insert into presence (job_id, device_id, person_id, doing, seen_at)
                        values (:job, :device, :person, :doing, :at)
                        on conflict (job_id, device_id) do update
                           set person_id = excluded.person_id, doing = excluded.doing, seen_at = excluded.seen_at
                        """)
                .param("job", jobId)
                .param("device", present.deviceId())
                .param("person", present.personId())
                .param("doing", present.doing())
                .param("at", at.atOffset(ZoneOffset.UTC))
                .update();
    }

    @Override
    public List<Present> at(UUID jobId, Instant goneBefore) {
        return jdbc.sql("""
                        select device_id, person_id, doing from presence
                         where job_id = :job and seen_at >= :gone
                         order by person_id, device_id
                        """)
                .param("job", jobId)
                .param("gone", goneBefore.atOffset(ZoneOffset.UTC))
                .query((row, n) -> new Present(
                        row.getObject("device_id", UUID.class), row.getString("person_id"), row.getString("doing")))
                .list();
    }
}
