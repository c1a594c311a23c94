package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.record.RecordLine;
import overturn.app.record.RecordLine.StepTaken;
import overturn.app.record.ShopRecord;
import overturn.circuit.Family;
import overturn.course.Decided.TurnedOut;
import overturn.course.JobStage;
import overturn.learning.LearnedCounts;
import overturn.learning.LearnedMinutes;
import overturn.learning.LearnedMinutes.Timed;
import overturn.verdict.Grade;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The record in PostgreSQL. */
@Repository
class PostgresShopRecord implements ShopRecord {

    private static final String COLUMNS = """
            job_id, sequence, vehicle_id, vehicle, layout_id, family, make, complaint, behaviour, hunch_id, hunch_held,
            opened_by_id, people, log_opened_at, log_closed_at, stage, remedies, tried_before, cause_id, grade, turned_out,
            came_back_at, comes_back_from, shares, steps, spent_minutes, by_likelihood_minutes, told""";

    private static final TypeReference<Map<String, Double>> SHARES = new TypeReference<>() {};
    private static final double SECONDS_IN_A_YEAR = 365.25 * 24 * 3600;
    private static final TypeReference<List<StepTaken>> STEPS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final JsonMapper mapper = JsonMapper.builder().build();

    PostgresShopRecord(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void keep(RecordLine line) {
        jdbc.sql("insert into closed_job (" + COLUMNS + """
                        )
                        select :job, :sequence, :vehicleId, :vehicle, :layout, :family, :make, :complaint, :behaviour, :hunch, :hunchHeld,
                               :openedBy, :people, :openedAt, :closedAt, :stage, :remedies, :triedBefore, :cause, :grade, :turnedOut,
                               :cameBackAt, :comesBackFrom, cast(:shares as jsonb), cast(:steps as jsonb), :spent, :byLikelihood, :told
                         where not exists (select 1 from exercise where id = :job)
                        on conflict (job_id) do update
                           set (""" + COLUMNS + ") = (" + excluded() + """
                        )
                         where closed_job.sequence <= excluded.sequence
                        """)
                .param("job", line.jobId())
                .param("sequence", line.sequence())
                .param("vehicleId", line.vehicleId())
                .param("vehicle", line.vehicle())
                .param("layout", line.layoutId())
                .param("family", line.family().id())
                .param("make", line.make())
                .param("complaint", line.complaint())
                .param("behaviour", line.behaviour())
                .param("hunch", line.hunchId())
                .param("hunchHeld", line.hunchHeld().orElse(null), Types.BOOLEAN)
                .param("openedBy", line.openedById())
                .param("people", line.people().toArray(String[]::new))
                .param("openedAt", line.openedAt().atOffset(ZoneOffset.UTC))
                .param("closedAt", line.closedAt().atOffset(ZoneOffset.UTC))
                .param("stage", line.stage().id())
                .param("remedies", line.remedies().toArray(String[]::new))
                .param("triedBefore", line.triedBefore().toArray(String[]::new))
                .param("cause", line.causeId())
                .param("grade", line.grade().map(Enum::name).orElse(null), Types.VARCHAR)
                .param("turnedOut", line.turnedOut().map(Enum::name).orElse(null), Types.VARCHAR)
                .param(
                        "cameBackAt",
                        line.cameBackAt().map(at -> at.atOffset(ZoneOffset.UTC)).orElse(null),
                        Types.TIMESTAMP_WITH_TIMEZONE)
                .param("comesBackFrom", line.comesBackFrom().orElse(null), Types.OTHER)
                .param("shares", mapper.writeValueAsString(line.shares()))
                .param("steps", mapper.writeValueAsString(line.steps()))
                .param("spent", line.spentMinutes())
                .param("byLikelihood", line.byLikelihoodMinutes().orElse(null), Types.DOUBLE)
                .param("told", line.told())
                .update();
    }

    private static String excluded() {
        return "excluded." + COLUMNS.replaceAll("\\s+", "").replace(",", ", excluded.");
    }

    @Override
    public void drop(UUID jobId) {
        jdbc.sql("delete from closed_job where job_id = :job")
                .param("job", jobId)
                .update();
    }

    @Override
    public List<UUID> missing(int most) {
        return jdbc.sql("""
                        select s.job_id from job_summary s left join closed_job c on c.job_id = s.job_id
                         where s.stage in ('released', 'comeback', 'given-up') and c.sequence is distinct from s.sequence
                         order by s.log_opened_at desc limit :most
                        """).param("most", most).query(UUID.class).list();
    }

    @Override
    public void clear() {
        jdbc.sql("delete from closed_job").update();
    }

    @Override
    public Page find(Search search) {
        String where = where(search);
        JdbcClient.StatementSpec lines = asked(
                search,
                "select " + COLUMNS + " from closed_job" + where
                        + (search.after().isPresent() ? " and (log_closed_at, job_id) < (:afterClosed, :afterJob)" : "")
                        + " order by log_closed_at desc, job_id desc limit :most",
                search.most() + 1);
        search.after()
                .ifPresent(place -> lines.param("afterClosed", place.closedAt().atOffset(ZoneOffset.UTC))
                        .param("afterJob", place.jobId()));
        List<RecordLine> found =
                new ArrayList<>(lines.query((row, n) -> line(row)).list());
        int count = asked(
                        search,
                        "select count(*) from (select 1 from closed_job" + where + " limit :most) counted",
                        Page.MOST_COUNTED + 1)
                .query(Integer.class)
                .single();
        boolean more = found.size() > search.most();
        return new Page(more ? found.subList(0, search.most()) : found, count, more);
    }

    @Override
    public List<RecordLine> all(Search search, int most) {
        return asked(
                        search,
                        "select " + COLUMNS + " from closed_job" + where(search)
                                + " order by log_closed_at desc, job_id desc limit :most",
                        most)
                .query((row, n) -> line(row))
                .list();
    }

    private static String where(Search search) {
        return " where true"
                + (search.words().isEmpty()
                        ? ""
                        : " and (words @@ websearch_to_tsquery('english', :words) or lower(vehicle) like :like)")
                + (search.layoutId().isEmpty() ? "" : " and layout_id = :layout")
                + (search.make().isEmpty() ? "" : " and lower(make) = lower(:make)")
                + (search.remedyId().isEmpty() ? "" : " and remedies @> array[:remedy]::text[]")
                + (search.causeId().isEmpty() ? "" : " and cause_id = :cause")
                + (search.behaviour().isEmpty() ? "" : " and behaviour = :behaviour")
                + (search.personId().isEmpty() ? "" : " and :person = any(people)")
                + (search.from().isEmpty() ? "" : " and log_closed_at >= :from")
                + (search.to().isEmpty() ? "" : " and log_closed_at < :to")
                + (search.cameBack() ? " and came_back_at is not null" : "");
    }

    private JdbcClient.StatementSpec asked(Search search, String sql, int most) {
        JdbcClient.StatementSpec asked = jdbc.sql(sql).param("most", most);
        if (!search.words().isEmpty()) {
            asked.param("words", search.words()).param("like", LikePattern.holding(search.words()));
        }
        Map<String, String> texts = new LinkedHashMap<>();
        texts.put("layout", search.layoutId());
        texts.put("make", search.make());
        texts.put("remedy", search.remedyId());
        texts.put("cause", search.causeId());
        texts.put("behaviour", search.behaviour());
        texts.put("person", search.personId());
        texts.forEach((name, text) -> {
            if (!text.isEmpty()) {
                asked.param(name, text);
            }
        });
        search.from().ifPresent(from -> asked.param("from", from.atOffset(ZoneOffset.UTC)));
        search.to().ifPresent(to -> asked.param("to", to.atOffset(ZoneOffset.UTC)));
        return asked;
    }

    @Override
    public List<RecordLine> ofVehicle(UUID vehicleId) {
        return jdbc.sql("select " + COLUMNS
                        + " from closed_job where vehicle_id = :vehicle order by log_closed_at, job_id")
                .param("vehicle", vehicleId)
                .query((row, n) -> line(row))
                .list();
    }

    @Override
    public List<Done> doneOn(String layoutId, Instant since) {
        return jdbc.sql("""
                        select remedy, count(distinct vehicle_id), count(*), count(came_back_at)
                          from closed_job, unnest(remedies) remedy
                         where layout_id = :layout and log_closed_at >= :since and stage <> 'given-up'
                         group by remedy order by count(*) desc, remedy
                        """)
                .param("layout", layoutId)
                .param("since", since.atOffset(ZoneOffset.UTC))
                .query((row, n) -> new Done(row.getString(1), row.getInt(2), row.getInt(3), row.getInt(4)))
                .list();
    }

    @Override
    public List<Learnable> learnable(Family family, Instant at) {
        return jdbc.sql("""
                        select job_id, shares, log_closed_at from closed_job
                         where family = :family and log_closed_at + make_interval(days => :held) <= :at and shares <> '{}'
                           and (came_back_at is null or came_back_at > log_closed_at + make_interval(days => :held))
                         order by log_closed_at, job_id
                        """)
                .param("family", family.id())
                .param("held", LearnedCounts.HELD_DAYS)
                .param("at", at.atOffset(ZoneOffset.UTC))
                .query((row, n) -> new Learnable(
                        row.getObject("job_id", UUID.class),
                        mapper.readValue(row.getString("shares"), SHARES),
                        row.getObject("log_closed_at", OffsetDateTime.class).toInstant()))
                .list();
    }

    @Override
    public List<Timed> timed(Instant before) {
        return jdbc.sql("""
                        select procedure_id, count(*), sum(weight), sum(weight * log_factor) / sum(weight)
                          from (select step ->> 'procedureId' as procedure_id,
                                       power(0.5, extract(epoch from :before - log_closed_at) / :half_life_seconds) as weight,
                                       ln(least(:most, greatest(1 / :most, (step ->> 'tookMinutes')::double precision
                                                                           / (step ->> 'estimatedMinutes')::double precision))) as log_factor
                                  from closed_job, jsonb_array_elements(steps) step
                                 where log_closed_at < :before and (step ->> 'tookMinutes')::double precision > 0
                                   and (step ->> 'estimatedMinutes')::double precision > 0) timed
                         group by procedure_id order by procedure_id
                        """)
                .param("before", before.atOffset(ZoneOffset.UTC))
                .param("half_life_seconds", LearnedCounts.HALF_LIFE_YEARS * SECONDS_IN_A_YEAR)
                .param("most", LearnedMinutes.MOST_FACTOR)
                .query((row, n) -> new Timed(row.getString(1), row.getInt(2), row.getDouble(3), row.getDouble(4)))
                .list();
    }

    @Override
    public Insights insights(Instant since) {
        OffsetDateTime from = since.atOffset(ZoneOffset.UTC);
        List<Hunches> hunches = jdbc.sql("""
                        select behaviour, count(*), count(*) filter (where hunch_held) from closed_job
                         where log_closed_at >= :since and hunch_held is not null group by behaviour order by count(*) desc, behaviour
                        """)
                .param("since", from)
                .query((row, n) -> new Hunches(row.getString(1), row.getInt(2), row.getInt(3)))
                .list();
        List<Verdicts> verdicts = jdbc.sql("""
                        select turned_out, count(*), count(came_back_at), count(*) filter (where tried_before <> '{}') from closed_job
                         where log_closed_at >= :since and turned_out is not null group by turned_out order by turned_out
                        """)
                .param("since", from)
                .query((row, n) -> new Verdicts(row.getString(1), row.getInt(2), row.getInt(3), row.getInt(4)))
                .list();
        List<Steps> steps = jdbc.sql("""
                        select step ->> 'procedureId', count(*),
                               percentile_cont(0.5) within group (order by (step ->> 'estimatedMinutes')::double precision),
                               percentile_cont(0.5) within group (order by (step ->> 'tookMinutes')::double precision)
                          from closed_job, jsonb_array_elements(steps) step
                         where log_closed_at >= :since and step ->> 'tookMinutes' is not null
                         group by step ->> 'procedureId' order by count(*) desc, step ->> 'procedureId'
                        """)
                .param("since", from)
                .query((row, n) -> new Steps(row.getString(1), row.getInt(2), row.getDouble(3), row.getDouble(4)))
                .list();
        List<Month> months = jdbc.sql("""
                        select date_trunc('month', log_closed_at)::date, count(*), count(came_back_at),
                               count(*) filter (where tried_before <> '{}'),
                               coalesce(sum(spent_minutes) filter (where by_likelihood_minutes is not null), 0),
                               coalesce(sum(by_likelihood_minutes), 0)
                          from closed_job where log_closed_at >= :since and stage <> 'given-up' group by 1 order by 1
                        """)
                .param("since", from)
                .query((row, n) -> new Month(
                        row.getObject(1, LocalDate.class),
                        row.getInt(2),
                        row.getInt(3),
                        row.getInt(4),
                        row.getDouble(5),
                        row.getDouble(6)))
                .list();
        List<Done> tried = jdbc.sql("""
                        select remedy, count(distinct vehicle_id), count(*), count(came_back_at)
                          from closed_job, unnest(tried_before) remedy
                         where log_closed_at >= :since group by remedy order by count(*) desc, remedy
                        """)
                .param("since", from)
                .query((row, n) -> new Done(row.getString(1), row.getInt(2), row.getInt(3), row.getInt(4)))
                .list();
        return new Insights(hunches, verdicts, steps, months, tried);
    }

    private RecordLine line(ResultSet row) throws SQLException {
        return new RecordLine(
                row.getObject("job_id", UUID.class),
                row.getInt("sequence"),
                row.getObject("vehicle_id", UUID.class),
                row.getString("vehicle"),
                row.getString("layout_id"),
                Family.find(row.getString("family")).orElseThrow(),
                row.getString("make"),
                row.getString("complaint"),
                row.getString("behaviour"),
                row.getString("hunch_id"),
                Optional.ofNullable(row.getObject("hunch_held", Boolean.class)),
                row.getString("opened_by_id"),
                List.of((String[]) row.getArray("people").getArray()),
                row.getObject("log_opened_at", OffsetDateTime.class).toInstant(),
                row.getObject("log_closed_at", OffsetDateTime.class).toInstant(),
                JobStage.ofId(row.getString("stage")).orElseThrow(),
                List.of((String[]) row.getArray("remedies").getArray()),
                List.of((String[]) row.getArray("tried_before").getArray()),
                row.getString("cause_id"),
                Optional.ofNullable(row.getString("grade")).map(Grade::valueOf),
                Optional.ofNullable(row.getString("turned_out")).map(TurnedOut::valueOf),
                Optional.ofNullable(row.getObject("came_back_at", OffsetDateTime.class))
                        .map(OffsetDateTime::toInstant),
                Optional.ofNullable(row.getObject("comes_back_from", UUID.class)),
                mapper.readValue(row.getString("shares"), SHARES),
                mapper.readValue(row.getString("steps"), STEPS),
                row.getDouble("spent_minutes"),
                Optional.ofNullable(row.getObject("by_likelihood_minutes", Double.class)),
                row.getString("told"));
    }
}
