package overturn.app.store;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.record.FrequenciesTaken;
import overturn.circuit.Family;
import overturn.learning.LearnedCounts;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Counts of other workshops in PostgreSQL, families by their ids; one that is not known any more is left out. */
@Repository
class PostgresFrequenciesTaken implements FrequenciesTaken {

    private static final TypeReference<Map<String, LearnedCounts>> BODY = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final JsonMapper mapper = JsonMapper.builder().build();

    PostgresFrequenciesTaken(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public List<Elsewhere> all() {
        return jdbc.sql("select id, name, taken_at, body from frequencies_taken order by taken_at, id")
                .query((row, n) -> new Elsewhere(
                        row.getObject("id", UUID.class),
                        row.getString("name"),
                        row.getObject("taken_at", OffsetDateTime.class).toInstant(),
                        families(mapper.readValue(row.getString("body"), BODY))))
                .list();
    }

    private static Map<Family, LearnedCounts> families(Map<String, LearnedCounts> byId) {
        Map<Family, LearnedCounts> families = new EnumMap<>(Family.class);
        byId.forEach((id, counts) -> Family.find(id).ifPresent(family -> families.put(family, counts)));
        return families;
    }

    @Override
    public void add(Elsewhere taken, String personId) {
        Map<String, LearnedCounts> byId = new TreeMap<>();
        taken.families().forEach((family, counts) -> byId.put(family.id(), counts));
        jdbc.sql("""
                        insert into frequencies_taken (id, name, taken_at, person_id, body)
                        values (:id, :name, :at, :person, cast(:body as jsonb))
                        on conflict (id) do nothing
                        """)
                .param("id", taken.id())
                .param("name", taken.name())
                .param("at", taken.takenAt().atOffset(ZoneOffset.UTC))
                .param("person", personId)
                .param("body", mapper.writeValueAsString(byId))
                .update();
    }
}
