package overturn.app.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.layout.SavedLayouts;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.RefusedLayoutException;

/** Saved layouts in PostgreSQL, each as the file it would be exchanged as. */
@Repository
class PostgresSavedLayouts implements SavedLayouts {

    private static final Logger LOG = LoggerFactory.getLogger(PostgresSavedLayouts.class);

    private final JdbcClient jdbc;

    PostgresSavedLayouts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public List<Listed> list() {
        return jdbc.sql("""
                        select l.id, w.layout_id is not null as withdrawn
                          from saved_layout l left join layout_withdrawal w on w.layout_id = l.id
                         order by l.saved_at desc, l.id
                        """)
                .query((row, n) -> new Listed(row.getString("id"), row.getBoolean("withdrawn")))
                .list();
    }

    @Override
    public Optional<LayoutFile> find(String id) {
        return jdbc.sql("select body from saved_layout where id = :id")
                .param("id", id)
                .query(String.class)
                .optional()
                .flatMap(body -> read(id, body));
    }

    private static Optional<LayoutFile> read(String id, String body) {
        try {
            return Optional.of(LayoutFiles.read(body));
        } catch (RefusedLayoutException e) {
            LOG.warn("The saved layout {} cannot be read by this version: {}", id, e.getMessage());
            return Optional.empty();
        }
    }

    @Override
    public boolean holds(String id) {
        return jdbc.sql("select exists (select 1 from saved_layout where id = :id)")
                .param("id", id)
                .query(Boolean.class)
                .single();
    }

    @Override
    public void add(LayoutFile file, String personId, Instant at) {
        jdbc.sql(
                        "insert into saved_layout (id, saved_at, person_id, body) values (:id, :at, :person, cast(:body as jsonb))")
                .param("id", file.id())
                .param("at", at.atOffset(ZoneOffset.UTC))
                .param("person", personId)
                .param("body", LayoutFiles.write(file))
                .update();
    }

    @Override
    public void withdraw(String id, String personId, Instant at) {
        jdbc.sql(
                        "insert into layout_withdrawal (layout_id, withdrawn_at, person_id) values (:id, :at, :person) on conflict (layout_id) do nothing")
                .param("id", id)
                .param("at", at.atOffset(ZoneOffset.UTC))
                .param("person", personId)
                .update();
    }
}
