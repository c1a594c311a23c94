package overturn.app.usecase.people;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.people.Accounts;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.people.Devices;
import overturn.app.people.Devices.Tablet;
import overturn.app.usecase.Checks;
import overturn.app.usecase.NotFoundException;

/** Tablets that people share: enrolled once with a password, handed over by name and PIN, withdrawn when lost. */
@Component
public class ShopTablets {

    private static final int MOST_NAME = 40;

    private final Devices devices;
    private final Accounts accounts;
    private final SignIn signIn;
    private final Secrets secrets;
    private final Clock clock;

    ShopTablets(Devices devices, Accounts accounts, SignIn signIn, Secrets secrets, Clock clock) {
        this.devices = devices;
        this.accounts = accounts;
        this.signIn = signIn;
        this.secrets = secrets;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<Tablet> all(Actor actor) {
        actor.require(Act.SEE_PEOPLE);
        return devices.tablets();
    }

    /**
     * Makes this device a tablet of the workshop, and returns the token that stays on it.
     *
     * @param password of whoever enrols it, once more
     * @throws SignInRefusedException if it does not fit
     */
    @Transactional(noRollbackFor = SignInRefusedException.class)
    public String enrol(Actor actor, String name, String password, String address) {
        actor.require(Act.ENROL_TABLET);
        String told = name == null ? "" : name.strip();
        new Checks().text("name", told, MOST_NAME).orThrow();
        String signInName = accounts.find(actor.personId()).orElseThrow().signInName();
        signIn.byPassword(signInName, password, address, Optional.empty());
        String token = secrets.token();
        Instant now = clock.instant();
        devices.enrol(new Tablet(UUID.randomUUID(), told, now, actor.personId(), false), Secrets.digest(token));
        accounts.note(now, actor.personId(), "tablet-enrolled", told);
        return token;
    }

    /** Nobody can take over on it any more. */
    @Transactional
    public void withdraw(Actor actor, UUID id) {
        actor.require(Act.ENROL_TABLET);
        Instant now = clock.instant();
        if (!devices.withdrawTablet(id, now)) {
            throw new NotFoundException("tablet", id.toString());
        }
        accounts.note(now, actor.personId(), "tablet-withdrawn", id.toString());
    }
}
