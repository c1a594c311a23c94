package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.practice.Exercises;
import overturn.app.practice.Noted;
import overturn.app.practice.NotedEntry;
import overturn.app.practice.RigActWords;
import overturn.app.practice.SetExercise;
import overturn.practice.Exercise;
import overturn.practice.ExerciseKind;
import overturn.practice.ExerciseLevel;
import tools.jackson.databind.json.JsonMapper;

/** Exercises in PostgreSQL. */
@Repository
class PostgresExercises implements Exercises {

    private static final String COLUMNS = """
            id, person_id, set_at, set_by_id, kind, level, layout_id, suspect_ids, seed, lesson_id, from_job_id""";

    private static final Map<String, Class<? extends Noted>> KINDS = Map.of(
            Noted.Tested.KIND, Noted.Tested.class,
            Noted.Helped.KIND, Noted.Helped.class,
            Noted.Sure.KIND, Noted.Sure.class,
            Noted.Ended.KIND, Noted.Ended.class);

    private final JdbcClient jdbc;
    private final JsonMapper mapper = JsonMapper.builder().build();

    PostgresExercises(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void add(SetExercise set) {
        jdbc.sql("""
                        insert into exercise (id, person_id, set_at, set_by_id, kind, level, layout_id, suspect_ids, seed,
                                              lesson_id, from_job_id)
                        values (:id, :person, :at, :by, :kind, :level, :layout, :suspects, :seed, :lesson, :job)
                        on conflict (id) do nothing
                        """)
                .param("id", set.id())
                .param("person", set.personId())
                .param("at", set.setAt().atOffset(ZoneOffset.UTC))
                .param("by", set.setById())
                .param("kind", set.exercise().kind().id())
                .param("level", set.exercise().level().id())
                .param("layout", set.layoutId())
                .param("suspects", set.exercise().suspectIds().toArray(String[]::new))
                .param("seed", set.exercise().seed())
                .param("lesson", set.lessonId().orElse(null))
                .param("job", set.fromJobId().orElse(null))
                .update();
    }

    @Override
    public Optional<SetExercise> find(UUID id) {
        return jdbc.sql("select " + COLUMNS + " from exercise where id = :id")
                .param("id", id)
                .query((row, n) -> exercise(row))
                .optional();
    }

    @Override
    public List<SetExercise> latest(Optional<String> personId, int most) {
        JdbcClient.StatementSpec asked = jdbc.sql("select " + COLUMNS + " from exercise"
                        + (personId.isPresent() ? " where person_id = :person" : "")
                        + " order by set_at desc, id limit :most")
                .param("most", most);
        personId.ifPresent(id -> asked.param("person", id));
        return asked.query((row, n) -> exercise(row)).list();
    }

    private static SetExercise exercise(ResultSet row) throws SQLException {
        return new SetExercise(
                row.getObject("id", UUID.class),
                row.getString("person_id"),
                row.getObject("set_at", OffsetDateTime.class).toInstant(),
                row.getString("set_by_id"),
                row.getString("layout_id"),
                new Exercise(
                        ExerciseKind.find(row.getString("kind")).orElseThrow(),
                        ExerciseLevel.find(row.getString("level")).orElseThrow(),
                        List.of((String[]) row.getArray("suspect_ids").getArray()),
                        row.getLong("seed")),
                Optional.ofNullable(row.getString("lesson_id")),
                Optional.ofNullable(row.getObject("from_job_id", UUID.class)));
    }

    @Override
    public int lastSequence(UUID exerciseId) {
        return jdbc.sql("select coalesce(max(sequence), 0) from exercise_entry where exercise_id = :id")
                .param("id", exerciseId)
                .query(Integer.class)
                .single();
    }

    @Override
    public List<NotedEntry> noted(UUID exerciseId) {
        return jdbc.sql("""
                        select id, sequence, log_entered_at, tick, kind, body from exercise_entry
                         where exercise_id = :exercise order by sequence
                        """)
                .param("exercise", exerciseId)
                .query((row, n) -> new NotedEntry(
                        row.getObject("id", UUID.class),
                        row.getInt("sequence"),
                        row.getObject("log_entered_at", OffsetDateTime.class).toInstant(),
                        row.getLong("tick"),
                        read(row.getString("kind"), row.getString("body"))))
                .list();
    }

    @Override
    public List<EndedExercise> ended(List<UUID> exerciseIds) {
        return jdbc.sql("""
                        select exercise_id, body from exercise_entry where kind = :kind and exercise_id = any(:ids)
                        """)
                .param("kind", Noted.Ended.KIND)
                .param("ids", exerciseIds.toArray(UUID[]::new))
                .query((row, n) -> new EndedExercise(
                        row.getObject("exercise_id", UUID.class),
                        mapper.readValue(row.getString("body"), Noted.Ended.class)))
                .list();
    }

    @Override
    public boolean note(UUID exerciseId, NotedEntry entry) {
        return jdbc.sql("""
                        insert into exercise_entry (id, exercise_id, sequence, log_entered_at, tick, kind, body)
                        values (:id, :exercise, :sequence, :at, :tick, :kind, :body::jsonb)
                        on conflict do nothing
                        """)
                        .param("id", entry.id())
                        .param("exercise", exerciseId)
                        .param("sequence", entry.sequence())
                        .param("at", entry.at().atOffset(ZoneOffset.UTC))
                        .param("tick", entry.tick())
                        .param("kind", kind(entry.noted()))
                        .param("body", body(entry.noted()))
                        .update()
                == 1;
    }

    private static String kind(Noted noted) {
        return noted instanceof Noted.Acted
                ? Noted.Acted.KIND
                : KINDS.entrySet().stream()
                        .filter(k -> k.getValue() == noted.getClass())
                        .findFirst()
                        .orElseThrow()
                        .getKey();
    }

    private String body(Noted noted) {
        return mapper.writeValueAsString(noted instanceof Noted.Acted acted ? RigActWords.of(acted.act()) : noted);
    }

    private Noted read(String kind, String body) {
        return Noted.Acted.KIND.equals(kind)
                ? new Noted.Acted(mapper.readValue(body, RigActWords.class).meant())
                : mapper.readValue(body, KINDS.get(kind));
    }
}
