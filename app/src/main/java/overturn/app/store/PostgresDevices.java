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
import overturn.app.people.Devices;

/** Tablets, keys and tokens in PostgreSQL; tokens as digests. */
@Repository
class PostgresDevices implements Devices {

    private static final String TABLET = "select id, name, enrolled_at, enrolled_by, withdrawn_at from tablet";
    private static final String TOKEN = "select id, name, scopes, made_at, made_by, withdrawn_at from api_token";

    private final JdbcClient jdbc;

    PostgresDevices(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void enrol(Tablet tablet, String tokenSha256) {
        jdbc.sql("""
                        insert into tablet (id, name, token_sha256, enrolled_at, enrolled_by)
                        values (:id, :name, :token, :at, :by)
                        """)
                .param("id", tablet.id())
                .param("name", tablet.name())
                .param("token", tokenSha256)
                .param("at", at(tablet.enrolledAt()))
                .param("by", tablet.enrolledBy())
                .update();
    }

    @Override
    public Optional<Tablet> tablet(String tokenSha256) {
        return jdbc.sql(TABLET + " where token_sha256 = :token and withdrawn_at is null")
                .param("token", tokenSha256)
                .query((row, n) -> tablet(row))
                .optional();
    }

    @Override
    public List<Tablet> tablets() {
        return jdbc.sql(TABLET + " order by withdrawn_at is not null, name, id")
                .query((row, n) -> tablet(row))
                .list();
    }

    private static Tablet tablet(ResultSet row) throws SQLException {
        return new Tablet(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getObject("enrolled_at", OffsetDateTime.class).toInstant(),
                row.getString("enrolled_by"),
                row.getObject("withdrawn_at") != null);
    }

    @Override
    public boolean withdrawTablet(UUID id, Instant at) {
        return jdbc.sql("update tablet set withdrawn_at = :at where id = :id and withdrawn_at is null")
                        .param("id", id)
                        .param("at", at(at))
                        .update()
                == 1;
    }

    @Override
    public int wrongPins(UUID tabletId, String personId) {
        return jdbc.sql(
                        "select coalesce(max(times), 0) from wrong_pin where tablet_id = :tablet and person_id = :person")
                .param("tablet", tabletId)
                .param("person", personId)
                .query(Integer.class)
                .single();
    }

    @Override
    public void wrongPin(UUID tabletId, String personId) {
        jdbc.sql("""
                        insert into wrong_pin (tablet_id, person_id, times) values (:tablet, :person, 1)
                        on conflict (tablet_id, person_id) do update set times = wrong_pin.times + 1
                        """).param("tablet", tabletId).param("person", personId).update();
    }

    @Override
    public void rightPin(UUID tabletId, String personId) {
        jdbc.sql("delete from wrong_pin where tablet_id = :tablet and person_id = :person")
                .param("tablet", tabletId)
                .param("person", personId)
                .update();
    }

    @Override
    public void unlock(String personId) {
        jdbc.sql("delete from wrong_pin where person_id = :person")
                .param("person", personId)
                .update();
    }

    @Override
    public void add(EntryKey key, Instant at) {
        jdbc.sql("""
                        insert into entry_key (id, person_id, device_id, secret, made_at)
                        values (:id, :person, :device, :secret, :at)
                        """)
                .param("id", key.id())
                .param("person", key.personId())
                .param("device", key.deviceId())
                .param("secret", key.secret())
                .param("at", at(at))
                .update();
    }

    @Override
    public Optional<EntryKey> entryKey(UUID id) {
        return jdbc.sql(
                        "select id, person_id, device_id, secret from entry_key where id = :id and withdrawn_at is null")
                .param("id", id)
                .query((row, n) -> new EntryKey(
                        row.getObject("id", UUID.class),
                        row.getString("person_id"),
                        row.getObject("device_id", UUID.class),
                        row.getString("secret")))
                .optional();
    }

    @Override
    public void withdrawKeys(String personId, Instant at) {
        jdbc.sql("update entry_key set withdrawn_at = :at where person_id = :person and withdrawn_at is null")
                .param("person", personId)
                .param("at", at(at))
                .update();
    }

    @Override
    public void add(Token token, String tokenSha256) {
        jdbc.sql("""
                        insert into api_token (id, name, scopes, token_sha256, made_at, made_by)
                        values (:id, :name, string_to_array(:scopes, ' '), :token, :at, :by)
                        """)
                .param("id", token.id())
                .param("name", token.name())
                .param("scopes", String.join(" ", token.scopes()))
                .param("token", tokenSha256)
                .param("at", at(token.madeAt()))
                .param("by", token.madeBy())
                .update();
    }

    @Override
    public Optional<Token> token(String tokenSha256) {
        return jdbc.sql(TOKEN + " where token_sha256 = :token and withdrawn_at is null")
                .param("token", tokenSha256)
                .query((row, n) -> token(row))
                .optional();
    }

    @Override
    public List<Token> tokens() {
        return jdbc.sql(TOKEN + " order by withdrawn_at is not null, name, id")
                .query((row, n) -> token(row))
                .list();
    }

    private static Token token(ResultSet row) throws SQLException {
        return new Token(
                row.getObject("id", UUID.class),
                row.getString("name"),
                List.of((String[]) row.getArray("scopes").getArray()),
                row.getObject("made_at", OffsetDateTime.class).toInstant(),
                row.getString("made_by"),
                row.getObject("withdrawn_at") != null);
    }

    @Override
    public boolean withdrawToken(UUID id, Instant at) {
        return jdbc.sql("update api_token set withdrawn_at = :at where id = :id and withdrawn_at is null")
                        .param("id", id)
                        .param("at", at(at))
                        .update()
                == 1;
    }

    @Override
    public void failed(String name, String address, Instant at, Instant forgotten) {
        jdbc.sql("delete from failed_sign_in where at < :forgotten")
                .param("forgotten", at(forgotten))
                .update();
        jdbc.sql("insert into failed_sign_in (name, address, at) values (:name, :address, :at)")
                .param("name", name)
                .param("address", address)
                .param("at", at(at))
                .update();
    }

    @Override
    public Failures failures(String name, String address, Instant since) {
        return jdbc.sql("""
                        select count(*) filter (where name = :name and address = :address) as of_name_there,
                               count(*) filter (where name = :name) as of_name,
                               count(*) filter (where address = :address) as of_address
                          from failed_sign_in
                         where at >= :since and (name = :name or address = :address)
                        """)
                .param("name", name)
                .param("address", address)
                .param("since", at(since))
                .query((row, n) ->
                        new Failures(row.getInt("of_name_there"), row.getInt("of_name"), row.getInt("of_address")))
                .single();
    }

    @Override
    public void succeeded(String name, String address) {
        jdbc.sql("delete from failed_sign_in where name = :name and address = :address")
                .param("name", name)
                .param("address", address)
                .update();
    }

    private static OffsetDateTime at(Instant at) {
        return at.atOffset(ZoneOffset.UTC);
    }
}
