package overturn.app.usecase.people;

import java.text.Normalizer;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.people.Account;
import overturn.app.people.Accounts;
import overturn.app.people.Actor;
import overturn.app.people.Devices;
import overturn.app.people.Devices.EntryKey;
import overturn.app.people.Devices.Failures;
import overturn.app.people.Devices.Tablet;
import overturn.app.people.Role;
import overturn.app.people.Sessions;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.people.SignInRefusedException.Reason;

/** Shows that somebody is who they say: by password anywhere, by PIN on a tablet of the workshop, by a link once. */
@Component
public class SignIn {

    private static final Logger LOG = LoggerFactory.getLogger(SignIn.class);

    private static final Duration REMEMBERED = Duration.ofMinutes(15);
    /** Wrong passwords in that time after which one waits: of a name at an address, of a name, of an address. */
    private static final Failures MOST = new Failures(5, 30, 20);

    private static final int MOST_WRONG_PINS = 5;
    private static final int MOST_NAME = 80;

    private final Accounts accounts;
    private final Devices devices;
    private final Sessions sessions;
    private final Secrets secrets;
    private final Clock clock;

    SignIn(Accounts accounts, Devices devices, Sessions sessions, Secrets secrets, Clock clock) {
        this.sessions = sessions;
        this.accounts = accounts;
        this.devices = devices;
        this.secrets = secrets;
        this.clock = clock;
    }

    /** Whoever has this id and still works here. */
    @Transactional(readOnly = true)
    public Optional<Account> working(String personId) {
        return accounts.find(personId).filter(Account::active);
    }

    /**
     * By name and password.
     *
     * @param tablet the tablet on which it is done, where it is one: a password unlocks the PIN there
     * @throws SignInRefusedException if they do not fit, or were wrong too often
     */
    @Transactional(noRollbackFor = SignInRefusedException.class)
    public Account byPassword(String name, String password, String address, Optional<Tablet> tablet) {
        String id = idOf(name == null ? "" : name);
        Instant now = clock.instant();
        Failures before = devices.failures(id, address, now.minus(REMEMBERED));
        if (before.ofNameThere() >= MOST.ofNameThere()
                || before.ofName() >= MOST.ofName()
                || before.ofAddress() >= MOST.ofAddress()) {
            throw new SignInRefusedException(Reason.TOO_OFTEN, (int) REMEMBERED.toSeconds());
        }
        Optional<Account> account = accounts.bySignInName(id).filter(Account::active);
        if (!secrets.fits(password, account.flatMap(Account::passwordHash))) {
            devices.failed(id, address, now, now.minus(REMEMBERED));
            LOG.warn("A password for {} from {} did not fit", id.isEmpty() ? "nobody" : id, address);
            throw new SignInRefusedException(Reason.NAME_OR_PASSWORD);
        }
        devices.succeeded(id, address);
        tablet.ifPresent(
                there -> devices.rightPin(there.id(), account.orElseThrow().personId()));
        return account.orElseThrow();
    }

    /**
     * By name and PIN, on a tablet of the workshop.
     *
     * @throws SignInRefusedException if it is none, the PIN does not fit, or was wrong five times there
     */
    @Transactional(noRollbackFor = SignInRefusedException.class)
    public Account byPin(Optional<Tablet> tablet, String personId, String pin) {
        Tablet there = tablet.orElseThrow(() -> new SignInRefusedException(Reason.NO_TABLET));
        Optional<Account> account =
                accounts.find(personId == null ? "" : personId).filter(Account::active);
        if (account.isPresent() && devices.wrongPins(there.id(), personId) >= MOST_WRONG_PINS) {
            throw new SignInRefusedException(Reason.PIN_LOCKED);
        }
        if (!secrets.fits(pin, account.flatMap(Account::pinHash))) {
            account.filter(known -> known.pinHash().isPresent())
                    .ifPresent(known -> devices.wrongPin(there.id(), known.personId()));
            throw new SignInRefusedException(Reason.PIN);
        }
        devices.rightPin(there.id(), personId);
        return account.orElseThrow();
    }

    /** Somebody who can take a tablet over; locked there, by password only. */
    public record Taker(Account account, boolean locked) {}

    /** Everybody who works here, as they stand on this tablet. */
    @Transactional(readOnly = true)
    public List<Taker> takers(Tablet tablet) {
        return accounts.all().stream()
                .filter(Account::active)
                .map(one -> new Taker(one, devices.wrongPins(tablet.id(), one.personId()) >= MOST_WRONG_PINS))
                .toList();
    }

    /** The tablet that holds this token, unless it was withdrawn. */
    @Transactional(readOnly = true)
    public Optional<Tablet> tablet(@Nullable String token) {
        return token == null ? Optional.empty() : devices.tablet(Secrets.digest(token));
    }

    /** With what this device signs what the person enters from now on. */
    @Transactional
    public EntryKey newKey(Account account, UUID deviceId) {
        EntryKey key = new EntryKey(UUID.randomUUID(), account.personId(), deviceId, secrets.token());
        devices.add(key, clock.instant());
        return key;
    }

    /** Whose link this is; the person is empty for the one that makes the first owner. */
    public record Welcome(Optional<Account> person) {}

    /** @throws SignInRefusedException if it was used or has ended */
    @Transactional(readOnly = true)
    public Welcome welcome(String token) {
        return new Welcome(invitation(token)
                .personId()
                .map(id -> accounts.find(id)
                        .filter(Account::active)
                        .orElseThrow(() -> new SignInRefusedException(Reason.LINK))));
    }

    private Accounts.Invitation invitation(String token) {
        return accounts.invitation(Secrets.digest(token), clock.instant())
                .orElseThrow(() -> new SignInRefusedException(Reason.LINK));
    }

    /**
     * Sets the password by a link, once; makes the first owner by the link of the first start.
     *
     * @param name of the first owner; not asked where the link is somebody's
     * @throws InvalidInputException naming every field that is wrong
     */
    @Transactional
    public Account accept(String token, @Nullable String name, @Nullable String password) {
        Welcome welcome = welcome(token);
        Checks checks = new Checks();
        String told = name == null ? "" : name.strip();
        if (welcome.person().isEmpty()) {
            checkName(told, accounts, checks);
        }
        secrets.checkPassword(
                password, List.of(welcome.person().map(Account::name).orElse(told), "overturn"), checks);
        checks.orThrow();
        String hash = secrets.hash(Objects.requireNonNull(password));
        Instant now = clock.instant();
        if (!accounts.use(Secrets.digest(token), now)) {
            throw new SignInRefusedException(Reason.LINK);
        }
        Account account = welcome.person()
                .map(there -> there.withPassword(hash))
                .orElseGet(() -> new Account(
                        newId(), idOf(told), told, Role.OWNER, false, true, Optional.of(hash), Optional.empty()));
        if (welcome.person().isPresent()) {
            sessions.endAllOf(account.personId());
            accounts.change(account);
        } else {
            accounts.add(account, now);
            accounts.endInvitations(Optional.empty(), now);
        }
        devices.unlock(account.personId());
        accounts.note(now, account.personId(), "password-set", account.personId());
        return account;
    }

    /** Whether a new person can be called so. */
    static void checkName(String name, Accounts accounts, Checks checks) {
        checks.text("name", name, MOST_NAME)
                .that(
                        () -> !idOf(name).isEmpty() && !idOf(name).startsWith("elsewhere"),
                        "name",
                        name,
                        "a name with letters")
                .that(
                        () -> accounts.bySignInName(idOf(name)).isEmpty(),
                        "name",
                        name,
                        "a name that nobody has or had here");
    }

    /**
     * Sets one's own PIN, or another password, which signs one out everywhere.
     *
     * @throws SignInRefusedException if the present password does not fit
     * @throws InvalidInputException if the new one cannot be taken
     */
    @Transactional(noRollbackFor = SignInRefusedException.class)
    public void change(
            Actor actor, String present, @Nullable String newPassword, @Nullable String newPin, String address) {
        String name = accounts.find(actor.personId()).orElseThrow().signInName();
        Account account = byPassword(name, present, address, Optional.empty());
        Checks checks = new Checks();
        if (newPassword != null) {
            secrets.checkPassword(newPassword, List.of(account.name(), "overturn"), checks);
        }
        if (newPin != null) {
            Secrets.checkPin(newPin, checks);
        }
        checks.that(() -> newPassword != null || newPin != null, "pin", null, "a new PIN, or a new password")
                .orThrow();
        Instant now = clock.instant();
        if (newPassword != null) {
            account = account.withPassword(secrets.hash(newPassword));
            sessions.endAllOf(actor.personId());
            accounts.note(now, actor.personId(), "password-set", actor.personId());
        }
        if (newPin != null) {
            account = account.withPin(Optional.of(secrets.hash(newPin)));
            devices.unlock(actor.personId());
            accounts.note(now, actor.personId(), "pin-set", actor.personId());
        }
        accounts.change(account);
    }

    /** An id that says nothing of the name, since it stands on entries for ever. */
    static String newId() {
        return "person-" + UUID.randomUUID().toString().substring(0, 13);
    }

    /** The name as one signs in with it: small letters with hyphens. */
    static String idOf(String name) {
        String plain = Normalizer.normalize(name.strip(), Normalizer.Form.NFD).replaceAll("\\p{M}", "");
        String id =
                plain.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}0-9]+", "-").replaceAll("^-|-$", "");
        return id.substring(0, Math.min(MOST_NAME, id.length()));
    }
}
