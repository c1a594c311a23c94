package overturn.app.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.people.Account;
import overturn.app.people.Accounts;
import overturn.app.people.Role;

/** Accounts in PostgreSQL. */
@Repository
class PostgresAccounts implements Accounts {

    private static final String ACCOUNT = """
            select a.person_id, a.sign_in_name, p.name, a.role, a.may_release, a.active, a.password_hash, a.pin_hash
              from account a join person p on p.id = a.person_id
            """;

    private final JdbcClient jdbc;

    PostgresAccounts(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public List<Account> all() {
        return jdbc.sql(ACCOUNT
                        + " order by a.active desc, a.role <> 'owner', a.role <> 'lead', a.role = 'apprentice', p.name")
                .query((row, n) -> account(row))
                .list();
    }

    @Override
    public Optional<Account> find(String personId) {
        return jdbc.sql(ACCOUNT + " where a.person_id = :id")
                .param("id", personId)
                .query((row, n) -> account(row))
                .optional();
    }

    private static Account account(ResultSet row) throws SQLException {
        return new Account(
                row.getString("person_id"),
                row.getString("sign_in_name"),
                row.getString("name"),
                Role.find(row.getString("role")).orElseThrow(),
                row.getBoolean("may_release"),
                row.getBoolean("active"),
                Optional.ofNullable(row.getString("password_hash")),
                Optional.ofNullable(row.getString("pin_hash")));
    }

    @Override
    public void add(Account account, Instant at) {
        jdbc.sql("insert into person (id, name, role) values (:id, :name, :role) on conflict (id) do nothing")
                .param("id", account.personId())
                .param("name", account.name())
                .param("role", account.role().id())
                .update();
        jdbc.sql("""
                        insert into account (person_id, sign_in_name, role, may_release, active, password_hash, pin_hash)
                        values (:id, :signInName, :role, :release, :active, :password, :pin)
                        """)
                .param("id", account.personId())
                .param("signInName", account.signInName())
                .param("role", account.role().id())
                .param("release", account.qualified())
                .param("active", account.active())
                .param("password", account.passwordHash().orElse(null))
                .param("pin", account.pinHash().orElse(null))
                .update();
    }

    @Override
    public Optional<Account> bySignInName(String signInName) {
        return jdbc.sql(ACCOUNT + " where a.sign_in_name = :name")
                .param("name", signInName)
                .query((row, n) -> account(row))
                .optional();
    }

    @Override
    public void eraseName(String personId, String instead) {
        jdbc.sql("update person set name = :instead where id = :id")
                .param("instead", instead)
                .param("id", personId)
                .update();
        jdbc.sql("update account set sign_in_name = person_id where person_id = :id")
                .param("id", personId)
                .update();
    }

    @Override
    public void change(Account account) {
        int rows = jdbc.sql("""
                        update account
                           set role = :role, may_release = :release, active = :active, password_hash = :password, pin_hash = :pin
                         where person_id = :id
                        """)
                .param("id", account.personId())
                .param("role", account.role().id())
                .param("release", account.qualified())
                .param("active", account.active())
                .param("password", account.passwordHash().orElse(null))
                .param("pin", account.pinHash().orElse(null))
                .update();
        if (rows != 1) {
            throw new IllegalStateException("Impossible: " + rows + " accounts of " + account.personId());
        }
    }

    @Override
    public void note(Instant at, @Nullable String byId, String what, String about) {
        jdbc.sql("""
                        insert into people_entry (log_entered_at, person_id, what, about)
                        values (:at, :by, :what, :about)
                        """)
                .param("at", at.atOffset(ZoneOffset.UTC))
                .param("by", byId)
                .param("what", what)
                .param("about", about)
                .update();
    }

    @Override
    public List<Note> notes(int most) {
        return jdbc.sql("select log_entered_at, person_id, what, about from people_entry order by id desc limit :most")
                .param("most", most)
                .query((row, n) -> new Note(
                        row.getObject("log_entered_at", OffsetDateTime.class).toInstant(),
                        Optional.ofNullable(row.getString("person_id")),
                        row.getString("what"),
                        row.getString("about")))
                .list();
    }

    @Override
    public void invite(Invitation invitation, Instant at) {
        jdbc.sql("""
                        insert into invitation (token_sha256, person_id, made_at, ends_at)
                        values (:token, :person, :at, :ends)
                        """)
                .param("token", invitation.tokenSha256())
                .param("person", invitation.personId().orElse(null))
                .param("at", at.atOffset(ZoneOffset.UTC))
                .param("ends", invitation.endsAt().atOffset(ZoneOffset.UTC))
                .update();
    }

    @Override
    public Optional<Invitation> invitation(String tokenSha256, Instant now) {
        return jdbc.sql("""
                        select token_sha256, person_id, ends_at from invitation
                         where token_sha256 = :token and used_at is null and ends_at > :now
                        """)
                .param("token", tokenSha256)
                .param("now", now.atOffset(ZoneOffset.UTC))
                .query((row, n) -> new Invitation(
                        row.getString("token_sha256"),
                        Optional.ofNullable(row.getString("person_id")),
                        row.getObject("ends_at", OffsetDateTime.class).toInstant()))
                .optional();
    }

    @Override
    public boolean use(String tokenSha256, Instant at) {
        return jdbc.sql("update invitation set used_at = :at where token_sha256 = :token and used_at is null")
                        .param("token", tokenSha256)
                        .param("at", at.atOffset(ZoneOffset.UTC))
                        .update()
                == 1;
    }

    @Override
    public void endInvitations(Optional<String> personId, Instant at) {
        jdbc.sql("""
                        update invitation set ends_at = :at
                         where used_at is null and ends_at > :at and person_id is not distinct from :person::text
                        """)
                .param("person", personId.orElse(null))
                .param("at", at.atOffset(ZoneOffset.UTC))
                .update();
    }
}
