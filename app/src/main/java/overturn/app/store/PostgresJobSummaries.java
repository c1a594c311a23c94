package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.job.JobSummaries;
import overturn.app.job.JobSummary;
import overturn.app.job.JobSummary.Lead;
import overturn.app.job.JobSummary.Moved;
import overturn.app.job.JobSummary.NextTest;
import overturn.app.job.JobSummary.Stands;
import overturn.course.Decided.TurnedOut;
import overturn.course.JobStage;
import overturn.course.MayMove;
import overturn.course.NextAct;
import overturn.verdict.CatalogueVersion;
import overturn.verdict.Grade;

/** The lines of the bay in PostgreSQL. */
@Repository
class PostgresJobSummaries implements JobSummaries {

    /**
     * Texts shorter than this are no part of the index of all texts; they are looked for at the beginnings of words.
     */
    private static final int TRIGRAM = 3;

    private static final String COLUMNS = """
            job_id, sequence, stage, vehicle_id, vehicle, layout_id, complaint, opened_by_id, log_opened_at, readings,
            hunch_id, still_fitted, recheck_on, assessed_sequence, settings_version, lead_suspect_id, lead_remedy_id,
            lead_probability, grade, catalogue_version, next_procedure_id, next_minutes, decided, turned_out, next_kind,
            next_subject, may_move""";

    private final JdbcClient jdbc;

    PostgresJobSummaries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void keep(JobSummary summary) {
        jdbc.sql("""
                        insert into job_summary (job_id, sequence, stage, open, vehicle_id, vehicle, layout_id, complaint,
                                                 opened_by_id, log_opened_at, readings, hunch_id, still_fitted, urgency, recheck_on)
                        select :job, :sequence, :stage, :open, :vehicleId, :vehicle, :layout, :complaint,
                               :openedBy, :openedAt, :readings, :hunch, :stillFitted, :urgency, :recheckOn
                         where not exists (select 1 from exercise where id = :job)
                        on conflict (job_id) do update
                           set sequence = excluded.sequence, stage = excluded.stage, open = excluded.open,
                               vehicle = excluded.vehicle,
                               readings = excluded.readings, still_fitted = excluded.still_fitted,
                               urgency = excluded.urgency, recheck_on = excluded.recheck_on
                         where job_summary.sequence < excluded.sequence
                        """)
                .param("job", summary.jobId())
                .param("sequence", summary.sequence())
                .param("stage", summary.stage().id())
                .param("open", summary.stage().open())
                .param("vehicleId", summary.vehicleId())
                .param("vehicle", summary.vehicle())
                .param("layout", summary.layoutId())
                .param("complaint", summary.complaint())
                .param("openedBy", summary.openedById())
                .param("openedAt", summary.openedAt().atOffset(ZoneOffset.UTC))
                .param("readings", summary.readings())
                .param("hunch", summary.hunchId())
                .param("stillFitted", summary.stillFitted())
                .param("urgency", summary.urgency())
                .param("recheckOn", summary.recheckOn().orElse(null), Types.DATE)
                .update();
    }

    @Override
    public void keep(UUID jobId, Lead lead) {
        jdbc.sql("""
                        update job_summary
                           set moved_from_remedy_id = case when upgraded.moved then lead_remedy_id when assessed_sequence = :sequence then moved_from_remedy_id end,
                               moved_from_grade = case when upgraded.moved then grade when assessed_sequence = :sequence then moved_from_grade end,
                               moved_from_probability = case when upgraded.moved then lead_probability when assessed_sequence = :sequence then moved_from_probability end,
                               moved_from_version = case when upgraded.moved then catalogue_version when assessed_sequence = :sequence then moved_from_version end,
                               catalogue_version = :catalogue, assessed_sequence = :sequence, settings_version = :settings, lead_suspect_id = :suspect, lead_remedy_id = :remedy,
                               lead_probability = :probability, grade = :grade, next_procedure_id = :next, next_minutes = :minutes,
                               decided = :decided, turned_out = :turnedOut, next_kind = :nextKind, next_subject = :nextSubject, may_move = :mayMove
                          from (select coalesce(catalogue_version <> :catalogue and assessed_sequence = :sequence
                                                and (lead_remedy_id, grade) is distinct from (:remedy, :grade), false) as moved
                                  from job_summary where job_id = :job) upgraded
                         where job_id = :job
                           and (assessed_sequence is null or (assessed_sequence, settings_version) <= (:sequence, :settings))
                        """)
                .param("job", jobId)
                .param("sequence", lead.sequence())
                .param("settings", lead.settingsVersion())
                .param("suspect", lead.suspectId())
                .param("catalogue", lead.catalogueVersion())
                .param("remedy", lead.remedyId())
                .param("probability", lead.probability())
                .param("grade", lead.grade().name())
                .param("next", lead.next().map(NextTest::procedureId).orElse(null))
                .param("minutes", lead.next().map(NextTest::minutes).orElse(null))
                .param(
                        "decided",
                        lead.stands().map(Stands::decided).orElse(List.of()).toArray(String[]::new))
                .param(
                        "turnedOut",
                        lead.stands().flatMap(Stands::turnedOut).map(Enum::name).orElse(null))
                .param(
                        "nextKind",
                        lead.stands().map(s -> s.next().kind().name()).orElse(null))
                .param("nextSubject", lead.stands().map(s -> s.next().subject()).orElse(null))
                .param("mayMove", lead.stands().map(s -> s.mayMove().name()).orElse(null))
                .update();
    }

    @Override
    public Optional<Moved> moved(UUID jobId) {
        return jdbc.sql("""
                        select moved_from_remedy_id, moved_from_grade, moved_from_probability, moved_from_version from job_summary
                         where job_id = :job and moved_from_version is not null and assessed_sequence = sequence
                        """)
                .param("job", jobId)
                .query((row, n) -> new Moved(
                        row.getString(1), Grade.valueOf(row.getString(2)), row.getDouble(3), row.getString(4)))
                .optional();
    }

    @Override
    public Page find(Search search) {
        String where = " where true" + (search.open().isPresent() ? " and open = :open" : "")
                + (search.stage().isPresent() ? " and stage = :stage" : "")
                + (search.text().isEmpty()
                        ? ""
                        : search.text().length() < TRIGRAM
                                ? " and search_words @@ to_tsquery('simple', :words)"
                                : " and search_text like :text");
        JdbcClient.StatementSpec lines = asked(
                search,
                "select " + COLUMNS + " from job_summary" + where
                        + (search.after().isPresent()
                                ? " and (urgency, log_opened_at, job_id) < (:urgency, :openedAt, :jobId)"
                                : "")
                        + " order by urgency desc, log_opened_at desc, job_id desc limit :most",
                search.most() + 1);
        search.after()
                .ifPresent(place -> lines.param("urgency", place.urgency())
                        .param("openedAt", place.openedAt().atOffset(ZoneOffset.UTC))
                        .param("jobId", place.jobId()));
        List<JobSummary> found =
                new ArrayList<>(lines.query((row, n) -> summary(row)).list());
        int count = asked(
                        search,
                        "select count(*) from (select 1 from job_summary" + where + " limit :most) counted",
                        Page.MOST_COUNTED + 1)
                .query(Integer.class)
                .single();
        boolean more = found.size() > search.most();
        return new Page(more ? found.subList(0, search.most()) : found, count, more);
    }

    private JdbcClient.StatementSpec asked(Search search, String sql, int most) {
        JdbcClient.StatementSpec asked = jdbc.sql(sql).param("most", most);
        search.open().ifPresent(open -> asked.param("open", open));
        search.stage().ifPresent(stage -> asked.param("stage", stage.id()));
        if (!search.text().isEmpty() && search.text().length() < TRIGRAM) {
            asked.param("words", "'" + search.text().replaceAll("['\\\\]", " ") + "':*");
        } else if (!search.text().isEmpty()) {
            asked.param("text", LikePattern.holding(search.text()));
        }
        return asked;
    }

    @Override
    public List<UUID> missing() {
        return jdbc.sql("""
                        select id from job where not exists (select 1 from job_summary s where s.job_id = job.id)
                           and not exists (select 1 from exercise x where x.id = job.id)
                         order by log_opened_at desc
                        """).query(UUID.class).list();
    }

    @Override
    public List<UUID> behind(int settingsVersion, int most) {
        return jdbc.sql("""
                        select job_id from job_summary
                         where open and (assessed_sequence is distinct from sequence or settings_version is distinct from :settings
                                     or catalogue_version is distinct from :catalogue)
                            or next_kind is null
                         order by log_opened_at desc limit :most
                        """)
                .param("settings", settingsVersion)
                .param("catalogue", CatalogueVersion.CURRENT)
                .param("most", most)
                .query(UUID.class)
                .list();
    }

    @Override
    public List<JobSummary> toBeRechecked(int most) {
        return jdbc.sql("select " + COLUMNS + """
                         from job_summary where recheck_on is not null and open order by recheck_on, job_id limit :most
                        """)
                .param("most", most)
                .query((row, n) -> summary(row))
                .list();
    }

    @Override
    public List<JobSummary> ofVehicles(List<UUID> vehicleIds) {
        return jdbc.sql("select " + COLUMNS + """
                         from job_summary where vehicle_id = any(:vehicles) order by log_opened_at desc, job_id
                        """)
                .param("vehicles", vehicleIds.toArray(UUID[]::new))
                .query((row, n) -> summary(row))
                .list();
    }

    @Override
    public void clear() {
        jdbc.sql("delete from job_summary").update();
    }

    private static JobSummary summary(ResultSet row) throws SQLException {
        return new JobSummary(
                row.getObject("job_id", UUID.class),
                row.getInt("sequence"),
                JobStage.ofId(row.getString("stage")).orElseThrow(),
                row.getObject("vehicle_id", UUID.class),
                row.getString("vehicle"),
                row.getString("layout_id"),
                row.getString("complaint"),
                row.getString("opened_by_id"),
                row.getObject("log_opened_at", OffsetDateTime.class).toInstant(),
                row.getInt("readings"),
                row.getString("hunch_id"),
                row.getInt("still_fitted"),
                Optional.ofNullable(row.getObject("recheck_on", LocalDate.class)),
                lead(row));
    }

    private static Optional<Stands> stands(ResultSet row) throws SQLException {
        String kind = row.getString("next_kind");
        if (kind == null) {
            return Optional.empty();
        }
        String turnedOut = row.getString("turned_out");
        return Optional.of(new Stands(
                List.of((String[]) row.getArray("decided").getArray()),
                Optional.ofNullable(turnedOut).map(TurnedOut::valueOf),
                new NextAct(NextAct.Kind.valueOf(kind), row.getString("next_subject")),
                MayMove.Answer.valueOf(row.getString("may_move"))));
    }

    private static Optional<Lead> lead(ResultSet row) throws SQLException {
        Integer sequence = row.getObject("assessed_sequence", Integer.class);
        if (sequence == null) {
            return Optional.empty();
        }
        String next = row.getString("next_procedure_id");
        return Optional.of(new Lead(
                sequence,
                row.getInt("settings_version"),
                row.getString("lead_suspect_id"),
                row.getString("lead_remedy_id"),
                row.getDouble("lead_probability"),
                Grade.valueOf(row.getString("grade")),
                row.getString("catalogue_version"),
                next == null
                        ? Optional.empty()
                        : Optional.of(new NextTest(next, row.getObject("next_minutes", Double.class))),
                stands(row)));
    }
}
