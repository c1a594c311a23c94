package overturn.app.store;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.record.SavedFilters;

/** Searches of the record under a name, in PostgreSQL. */
@Repository
class PostgresSavedFilters implements SavedFilters {

    private final JdbcClient jdbc;

    PostgresSavedFilters(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public List<SavedFilter> of(String personId) {
        return jdbc.sql("select name, query from saved_filter where person_id = :person order by name")
                .param("person", personId)
                .query((row, n) -> new SavedFilter(row.getString("name"), row.getString("query")))
                .list();
    }

    @Override
    public void keep(String personId, SavedFilter filter, Instant at) {
        jdbc.sql("""
                        insert into saved_filter (person_id, name, query, saved_at) values (:person, :name, :query, :at)
                        on conflict (person_id, name) do update set query = excluded.query, saved_at = excluded.saved_at
                        """)
                .param("person", personId)
                .param("name", filter.name())
                .param("query", filter.query())
                .param("at", at.atOffset(ZoneOffset.UTC))
                .update();
    }

    @Override
    public void drop(String personId, String name) {
        jdbc.sql("delete from saved_filter where person_id = :person and name = :name")
                .param("person", personId)
                .param("name", name)
                .update();
    }
}
