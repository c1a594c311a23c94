package overturn.app.usecase.people;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.job.Entry.DataErased;
import overturn.app.people.Account;
import overturn.app.people.Accounts;
import overturn.app.people.Accounts.Invitation;
import overturn.app.people.Accounts.Note;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.people.Devices;
import overturn.app.people.Role;
import overturn.app.people.Sessions;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;

/** The owner looks after who works here. People are set aside, never deleted: their names stand on entries. */
@Component
public class ManagePeople {

    private static final Duration LINK_HOLDS = Duration.ofDays(7);
    private static final int MOST_PEOPLE = 500;
    private static final int MOST_NOTES = 100;

    private final Accounts accounts;
    private final Devices devices;
    private final Sessions sessions;
    private final Secrets secrets;
    private final Clock clock;

    ManagePeople(Accounts accounts, Devices devices, Sessions sessions, Secrets secrets, Clock clock) {
        this.accounts = accounts;
        this.devices = devices;
        this.sessions = sessions;
        this.secrets = secrets;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<Account> all(Actor actor) {
        actor.require(Act.SEE_PEOPLE);
        return accounts.all();
    }

    /** What was changed about people, tablets and tokens lately, the newest first. */
    @Transactional(readOnly = true)
    public List<Note> notes(Actor actor) {
        actor.require(Act.MANAGE_PEOPLE);
        return accounts.notes(MOST_NOTES);
    }

    /** Somebody new, and the token of the link by which that person sets a password. */
    public record Added(Account account, String linkToken) {}

    /** @throws InvalidInputException naming every field that is wrong */
    @Transactional
    public Added add(Actor actor, String name, String roleId, boolean qualified) {
        actor.require(Act.MANAGE_PEOPLE);
        Checks checks = new Checks();
        String told = name == null ? "" : name.strip();
        SignIn.checkName(told, accounts, checks);
        Optional<Role> role = role(roleId, checks);
        checks.that(() -> accounts.all().size() < MOST_PEOPLE, "name", told, "at most " + MOST_PEOPLE + " people")
                .orThrow();
        Account account = new Account(
                SignIn.newId(),
                SignIn.idOf(told),
                told,
                role.orElseThrow(),
                qualified,
                true,
                Optional.empty(),
                Optional.empty());
        Instant now = clock.instant();
        accounts.add(account, now);
        accounts.note(now, actor.personId(), "person-added", account.personId() + " as " + roleId);
        return new Added(account, invite(Optional.of(account.personId()), now));
    }

    private static Optional<Role> role(String roleId, Checks checks) {
        Optional<Role> role = Role.find(roleId == null ? "" : roleId);
        checks.that(
                role::isPresent,
                "role",
                roleId,
                "one of " + Stream.of(Role.values()).map(Role::id).toList());
        return role;
    }

    private String invite(Optional<String> personId, Instant now) {
        String token = secrets.token();
        accounts.endInvitations(personId, now);
        accounts.invite(new Invitation(Secrets.digest(token), personId, now.plus(LINK_HOLDS)), now);
        return token;
    }

    /** A new link for somebody who has none or forgot the password; an earlier one ends. */
    @Transactional
    public String link(Actor actor, String personId) {
        actor.require(Act.MANAGE_PEOPLE);
        Account account = find(personId);
        new Checks()
                .that(account::active, "personId", personId, "somebody who works here")
                .orThrow();
        Instant now = clock.instant();
        accounts.note(now, actor.personId(), "link-made", personId);
        return invite(Optional.of(personId), now);
    }

    /**
     * Changes role and marks. Whoever is set aside is signed out everywhere, and what waits on devices under that name
     * is no longer taken.
     *
     * @throws InvalidInputException if nobody who owns the workshop would be left
     */
    @Transactional
    public Account change(Actor actor, String personId, String roleId, Boolean qualified, Boolean active) {
        actor.require(Act.MANAGE_PEOPLE);
        Account before = find(personId);
        Checks checks = new Checks();
        Optional<Role> role = role(roleId, checks);
        checks.that(() -> qualified != null, "qualified", qualified, "true or false")
                .that(() -> active != null, "active", active, "true or false")
                .orThrow();
        Account after = new Account(
                personId,
                before.signInName(),
                before.name(),
                role.orElseThrow(),
                qualified,
                active,
                before.passwordHash(),
                before.pinHash());
        boolean ownerLeft = Stream.concat(
                        accounts.all().stream().filter(a -> !a.personId().equals(personId)), Stream.of(after))
                .anyMatch(a -> a.active()
                        && a.role() == Role.OWNER
                        && (a.passwordHash().isPresent() || a.personId().equals(actor.personId())));
        new Checks()
                .that(() -> ownerLeft, "role", roleId, "a change that leaves an owner who can sign in")
                .orThrow();
        if (after.equals(before)) {
            return before;
        }
        Instant now = clock.instant();
        accounts.change(after);
        accounts.note(
                now,
                actor.personId(),
                "person-changed",
                "%s: %s%s%s"
                        .formatted(
                                personId,
                                roleId,
                                qualified ? ", may release" : "",
                                active ? "" : ", works here no more"));
        if (!active) {
            devices.withdrawKeys(personId, now);
            accounts.endInvitations(Optional.of(personId), now);
            sessions.endAllOf(personId);
        }
        return after;
    }

    /** Takes somebody's PIN away and unlocks the name on all tablets; a new one is set with the password. */
    @Transactional
    public void resetPin(Actor actor, String personId) {
        actor.require(Act.MANAGE_PEOPLE);
        accounts.change(find(personId).withPin(Optional.empty()));
        devices.unlock(personId);
        accounts.note(clock.instant(), actor.personId(), "pin-reset", personId);
    }

    /**
     * Erases the name of somebody who works here no more; entries keep the id, which says nothing.
     *
     * @throws InvalidInputException if the person still works here
     */
    @Transactional
    public Account eraseName(Actor actor, String personId) {
        actor.require(Act.ERASE_DATA);
        Account account = find(personId);
        new Checks()
                .that(() -> !account.active(), "personId", personId, "somebody who works here no more")
                .orThrow();
        accounts.eraseName(personId, DataErased.INSTEAD);
        accounts.note(clock.instant(), actor.personId(), "name-erased", personId);
        return find(personId);
    }

    private Account find(String personId) {
        return accounts.find(personId).orElseThrow(() -> new NotFoundException("person", personId));
    }

    /** The link by which the first owner comes in; empty once there is one who can sign in. */
    @Transactional
    public Optional<String> firstOwnerLink() {
        boolean there = accounts.all().stream()
                .anyMatch(a ->
                        a.active() && a.role() == Role.OWNER && a.passwordHash().isPresent());
        return there ? Optional.empty() : Optional.of(invite(Optional.empty(), clock.instant()));
    }

    /** A link for one more owner, whoever there is: for a workshop whose owner is gone or forgot the password. */
    @Transactional
    public String anotherOwnerLink() {
        Instant now = clock.instant();
        accounts.note(now, null, "owner-link-made", "by a command of the machine");
        return invite(Optional.empty(), now);
    }

    /** Whether nobody owns the workshop yet. */
    @Transactional(readOnly = true)
    public boolean ownerMissing() {
        return accounts.all().stream()
                .noneMatch(a ->
                        a.active() && a.role() == Role.OWNER && a.passwordHash().isPresent());
    }
}
