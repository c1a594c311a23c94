package overturn.app.store;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.SavedLayouts;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;

/** Saved layouts in PostgreSQL, each as the file it would be exchanged as. */
@Repository
class PostgresSavedLayouts implements SavedLayouts {

    private final JdbcClient jdbc;

    PostgresSavedLayouts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public List<LayoutFile> all() {
        return jdbc.sql("select body from saved_layout order by saved_at desc, id")
                .query((row, n) -> LayoutFiles.read(row.getString("body"))).list();
    }

    @Override
    public Optional<LayoutFile> find(String id) {
        return jdbc.sql("select body from saved_layout where id = :id").param("id", id)
                .query((row, n) -> LayoutFiles.read(row.getString("body"))).optional();
    }

    @Override
    public void add(LayoutFile file, String personId, Instant at) {
        jdbc.sql("insert into saved_layout (id, saved_at, person_id, body) values (:id, :at, :person, cast(:body as jsonb))")
                .param("id", file.id()).param("at", Timestamp.from(at)).param("person", personId).param("body", LayoutFiles.write(file)).update();
    }
}
