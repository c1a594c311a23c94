package overturn.app.api.people;

import static overturn.app.api.Optionals.orNull;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Account;
import overturn.app.people.Act;
import overturn.app.people.Devices.EntryKey;
import overturn.app.people.Devices.Tablet;
import overturn.app.usecase.people.ManagePeople;
import overturn.app.usecase.people.SignIn;
import overturn.app.usecase.people.SignInRefusedException;

/** Signing in, handing a tablet over, and signing out. Open to whoever is not signed in yet. */
@RestController
@RequestMapping("/api/session")
class SessionController {

    private final SignIn signIn;
    private final ManagePeople people;
    private final SignedInSession session;
    private final int idleLockMinutes;

    SessionController(
            SignIn signIn,
            ManagePeople people,
            SignedInSession session,
            @Value("${overturn.idle-lock-minutes}") int idleLockMinutes) {
        this.signIn = signIn;
        this.people = people;
        this.session = session;
        this.idleLockMinutes = idleLockMinutes;
    }

    /** Whoever is signed in, and what this person may do here. */
    record SignedInView(String id, String name, String role, boolean qualified, boolean hasPin, List<Act> may) {

        static SignedInView of(Account account) {
            return new SignedInView(
                    account.personId(),
                    account.name(),
                    account.role().id(),
                    account.qualified(),
                    account.pinHash().isPresent(),
                    account.actor().acts());
        }
    }

    /** Somebody who can take a tablet over: without a PIN, or locked, by password only. */
    record HandOverView(String id, String name, boolean hasPin, boolean locked) {}

    /** A tablet of the workshop and who can take it over. */
    record SharedTabletView(String name, List<HandOverView> people) {}

    /** With what this device signs what is entered from now on: {@code secret} is base64url. */
    record EntryKeyView(UUID id, String secret) {}

    /**
     * Who is signed in on this device, if anybody.
     *
     * @param tablet where this device is one of the workshop's
     * @param ownerMissing whether nobody owns the workshop yet
     * @param idleLockMinutes after which a shared tablet asks who is there
     * @param entryKey only in the answer to a sign-in
     */
    record SessionView(
            Optional<SignedInView> person,
            Optional<SharedTabletView> tablet,
            boolean ownerMissing,
            int idleLockMinutes,
            Optional<EntryKeyView> entryKey) {}

    /** Name and password. */
    record SignInRequest(String name, String password) {}

    /** Who takes over, and the PIN. */
    record HandOverRequest(String personId, String pin) {}

    /** A link, the name of the first owner where it is theirs, and the new password. */
    record WelcomeRequest(String token, Optional<String> name, Optional<String> password) {}

    /** Whose the link is; without a name it makes the first owner. */
    record WelcomeView(Optional<String> name) {}

    /** The present password, and a new PIN or password. */
    record SecretRequest(String password, Optional<String> newPassword, Optional<String> newPin) {}

    @GetMapping
    SessionView session() {
        return view(session.person(), Optional.empty());
    }

    private SessionView view(Optional<Account> person, Optional<EntryKey> key) {
        return new SessionView(
                person.map(SignedInView::of),
                session.tablet().map(this::shared),
                people.ownerMissing(),
                idleLockMinutes,
                key.map(made -> new EntryKeyView(made.id(), made.secret())));
    }

    private SharedTabletView shared(Tablet tablet) {
        return new SharedTabletView(
                tablet.name(),
                signIn.takers(tablet).stream()
                        .map(taker -> new HandOverView(
                                taker.account().personId(),
                                taker.account().name(),
                                taker.account().pinHash().isPresent(),
                                taker.locked()))
                        .toList());
    }

    @PostMapping
    SessionView signIn(@RequestBody SignInRequest request) {
        return begun(signIn.byPassword(request.name(), request.password(), session.address(), session.tablet()));
    }

    @PostMapping("/hand-over")
    SessionView handOver(@RequestBody HandOverRequest request) {
        return begun(signIn.byPin(session.tablet(), request.personId(), request.pin()));
    }

    private SessionView begun(Account account) {
        EntryKey key = signIn.newKey(account, session.device());
        session.begin(account);
        return view(Optional.of(account), Optional.of(key));
    }

    /** Nobody is signed in any more; a shared tablet asks who is there. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end() {
        session.end();
    }

    /** Whose a link is, before a password is set by it. */
    @PostMapping("/welcome")
    WelcomeView welcome(@RequestBody WelcomeRequest request) {
        return new WelcomeView(signIn.welcome(request.token()).person().map(Account::name));
    }

    /** Sets the password by a link, once, and signs in. */
    @PostMapping("/password")
    SessionView accept(@RequestBody WelcomeRequest request) {
        return begun(signIn.accept(request.token(), orNull(request.name()), orNull(request.password())));
    }

    /** Sets one's own PIN, or another password. */
    @PostMapping("/secrets")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void secrets(@RequestBody SecretRequest request) {
        Account person = session.person().orElseThrow(SignInRefusedException::notSignedIn);
        signIn.change(
                person.actor(),
                request.password(),
                orNull(request.newPassword()),
                orNull(request.newPin()),
                session.address());
    }
}
