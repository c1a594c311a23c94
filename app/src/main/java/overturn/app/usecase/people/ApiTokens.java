package overturn.app.usecase.people;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.people.Accounts;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.people.Devices;
import overturn.app.people.Devices.Token;
import overturn.app.usecase.Checks;
import overturn.app.usecase.NotFoundException;

/** What scripts sign in with: named, for one purpose or some, shown once, withdrawn by hand. */
@Component
public class ApiTokens {

    /** What a token opens; nothing else, and nothing to write. */
    public enum Scope {
        /** Vehicles that are to be looked at again, as a calendar. */
        RECHECKS,
        /** Readings of all jobs as they come. */
        READINGS;

        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }

        static List<String> ids() {
            return Arrays.stream(values()).map(Scope::id).toList();
        }
    }

    private static final int MOST_NAME = 40;
    private static final int MOST_TOKENS = 100;

    private final Devices devices;
    private final Accounts accounts;
    private final Secrets secrets;
    private final Clock clock;

    ApiTokens(Devices devices, Accounts accounts, Secrets secrets, Clock clock) {
        this.devices = devices;
        this.accounts = accounts;
        this.secrets = secrets;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<Token> all(Actor actor) {
        actor.require(Act.MANAGE_TOKENS);
        return devices.tokens();
    }

    /** A token that was just made; its text is never to be had again. */
    public record Made(Token token, String text) {}

    @Transactional
    public Made make(Actor actor, String name, List<String> scopes) {
        actor.require(Act.MANAGE_TOKENS);
        String told = name == null ? "" : name.strip();
        List<String> asked =
                scopes == null ? List.of() : scopes.stream().distinct().toList();
        new Checks()
                .text("name", told, MOST_NAME)
                .that(
                        () -> !asked.isEmpty() && Scope.ids().containsAll(asked),
                        "scopes",
                        asked,
                        "one or more of " + Scope.ids())
                .that(
                        () -> devices.tokens().stream()
                                        .filter(t -> !t.withdrawn())
                                        .count()
                                < MOST_TOKENS,
                        "name",
                        told,
                        "at most " + MOST_TOKENS + " tokens in use")
                .orThrow();
        String text = secrets.token();
        Instant now = clock.instant();
        Token token = new Token(UUID.randomUUID(), told, asked, now, actor.personId(), false);
        devices.add(token, Secrets.digest(text));
        accounts.note(now, actor.personId(), "token-made", told + ": " + String.join(", ", asked));
        return new Made(token, text);
    }

    @Transactional
    public void withdraw(Actor actor, UUID id) {
        actor.require(Act.MANAGE_TOKENS);
        Instant now = clock.instant();
        if (!devices.withdrawToken(id, now)) {
            throw new NotFoundException("token", id.toString());
        }
        accounts.note(now, actor.personId(), "token-withdrawn", id.toString());
    }

    /** The token of this text, whatever it opens; empty if there is none or it was withdrawn. */
    @Transactional(readOnly = true)
    public Optional<Token> find(String text) {
        return text == null || text.isEmpty() ? Optional.empty() : devices.token(Secrets.digest(text));
    }
}
