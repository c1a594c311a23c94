package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.instrument.Instruments;
import overturn.instrument.InstrumentKind;

/** Instruments in PostgreSQL; one of a kind that is not known any more is left out. */
@Repository
class PostgresInstruments implements Instruments {

    private static final String REGISTERED = """
            select id, serial, kind, name, at_rest, registered_at from instrument
             where not exists (select 1 from instrument_retired r where r.instrument_id = instrument.id)""";

    private final JdbcClient jdbc;

    PostgresInstruments(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void announce(Announced instrument) {
        jdbc.sql("""
                        insert into instrument_announced (serial, kind, host, port, seen_at)
                        values (:serial, :kind, :host, :port, :at)
                        on conflict (serial) do update
                           set kind = excluded.kind, host = excluded.host, port = excluded.port, seen_at = excluded.seen_at
                        """)
                .param("serial", instrument.serial())
                .param("kind", instrument.kind().id())
                .param("host", instrument.host())
                .param("port", instrument.port())
                .param("at", instrument.seenAt().atOffset(ZoneOffset.UTC))
                .update();
    }

    @Override
    public List<Announced> announced(Instant since) {
        return jdbc
                .sql("""
                        select serial, kind, host, port, seen_at from instrument_announced where seen_at >= :since order by serial
                        """)
                .param("since", since.atOffset(ZoneOffset.UTC))
                .query((row, n) -> InstrumentKind.find(row.getString("kind")).map(kind -> announced(row, kind)))
                .list()
                .stream()
                .flatMap(Optional::stream)
                .toList();
    }

    private static Announced announced(ResultSet row, InstrumentKind kind) {
        try {
            return new Announced(
                    row.getString("serial"), kind, row.getString("host"), row.getInt("port"), instant(row, "seen_at"));
        } catch (SQLException e) {
            throw new IllegalStateException("Impossible: the columns were asked for", e);
        }
    }

    private static Instant instant(ResultSet row, String column) throws SQLException {
        return row.getObject(column, OffsetDateTime.class).toInstant();
    }

    @Override
    public List<Registered> registered() {
        return jdbc.sql(REGISTERED + " order by name, id").query((row, n) -> registered(row)).list().stream()
                .flatMap(Optional::stream)
                .toList();
    }

    @Override
    public Optional<Registered> find(UUID id) {
        return jdbc.sql(REGISTERED + " and id = :id")
                .param("id", id)
                .query((row, n) -> registered(row))
                .optional()
                .flatMap(found -> found);
    }

    private static Optional<Registered> registered(ResultSet row) throws SQLException {
        Optional<InstrumentKind> kind = InstrumentKind.find(row.getString("kind"));
        return kind.isEmpty()
                ? Optional.empty()
                : Optional.of(new Registered(
                        row.getObject("id", UUID.class),
                        row.getString("serial"),
                        kind.get(),
                        row.getString("name"),
                        row.getDouble("at_rest"),
                        instant(row, "registered_at")));
    }

    @Override
    public void register(Registered instrument, String personId) {
        jdbc.sql("""
                        insert into instrument (id, serial, kind, name, at_rest, registered_at, person_id)
                        values (:id, :serial, :kind, :name, :atRest, :at, :person) on conflict (id) do nothing
                        """)
                .param("id", instrument.id())
                .param("serial", instrument.serial())
                .param("kind", instrument.kind().id())
                .param("name", instrument.name())
                .param("atRest", instrument.atRest())
                .param("at", instrument.registeredAt().atOffset(ZoneOffset.UTC))
                .param("person", personId)
                .update();
    }

    @Override
    public void retire(UUID id, String personId, Instant at) {
        jdbc.sql("""
                        insert into instrument_retired (instrument_id, retired_at, person_id) values (:id, :at, :person)
                        on conflict (instrument_id) do nothing
                        """)
                .param("id", id)
                .param("at", at.atOffset(ZoneOffset.UTC))
                .param("person", personId)
                .update();
    }
}
