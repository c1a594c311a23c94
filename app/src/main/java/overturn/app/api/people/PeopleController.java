package overturn.app.api.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Account;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.people.Role;
import overturn.app.usecase.people.ApiTokens;
import overturn.app.usecase.people.ManagePeople;
import overturn.app.usecase.people.ShopTablets;

/** Who works here, the tablets they share, and what scripts sign in with. */
@RestController
@RequestMapping("/api")
class PeopleController {

    private final ManagePeople people;
    private final ShopTablets tablets;
    private final ApiTokens tokens;
    private final SignedInSession session;

    PeopleController(ManagePeople people, ShopTablets tablets, ApiTokens tokens, SignedInSession session) {
        this.people = people;
        this.tablets = tablets;
        this.tokens = tokens;
        this.session = session;
    }

    /** A person of the workshop; {@code active} is false of one who works here no more. */
    record AccountView(
            String id,
            String name,
            String role,
            boolean qualified,
            boolean active,
            boolean hasPassword,
            boolean hasPin) {

        static AccountView of(Account account) {
            return new AccountView(
                    account.personId(),
                    account.name(),
                    account.role().id(),
                    account.qualified(),
                    account.active(),
                    account.passwordHash().isPresent(),
                    account.pinHash().isPresent());
        }
    }

    /** What may be done from which role on. */
    record RoleActView(Act id, String from) {}

    /** Everybody, and what the roles may. */
    record PeopleView(List<AccountView> people, List<String> roles, List<RoleActView> acts) {}

    /** Somebody new. */
    record AddPersonRequest(String name, String role, Boolean qualified) {}

    /** The path of the page on which a password is set, good once and for a week. */
    record LinkView(String path) {

        static LinkView of(String token) {
            return new LinkView("/welcome#" + token);
        }
    }

    /** A new person and the link for that person. */
    record AddedView(AccountView person, LinkView link) {}

    /** All marks of a person. */
    record ChangePersonRequest(String role, Boolean qualified, Boolean active) {}

    /** A change about people, tablets or tokens. */
    record PeopleNoteView(Instant at, Optional<String> byId, String what, String about) {}

    /** A tablet of the workshop. */
    record TabletView(UUID id, String name, Instant enrolledAt, String enrolledById, boolean withdrawn) {}

    /** What the tablet is called, and the password of whoever enrols it. */
    record EnrolRequest(String name, String password) {}

    /** What a script signs in with, without the secret. */
    record TokenView(UUID id, String name, List<String> scopes, Instant madeAt, String madeById, boolean withdrawn) {

        static TokenView of(overturn.app.people.Devices.Token token) {
            return new TokenView(
                    token.id(), token.name(), token.scopes(), token.madeAt(), token.madeBy(), token.withdrawn());
        }
    }

    /** A token to be made: what it is for, and what it opens (rechecks, readings). */
    record TokenRequest(String name, List<String> scopes) {}

    /** A token that was just made; {@code text} is not to be had again. */
    record MadeTokenView(TokenView token, String text) {}

    @GetMapping("/people")
    PeopleView people(Actor actor) {
        return new PeopleView(
                people.all(actor).stream().map(AccountView::of).toList(),
                List.of(Role.values()).stream().map(Role::id).toList(),
                List.of(Act.values()).stream()
                        .map(act -> new RoleActView(act, act.from().id()))
                        .toList());
    }

    @PostMapping("/people")
    @ResponseStatus(HttpStatus.CREATED)
    AddedView add(Actor actor, @RequestBody AddPersonRequest request) {
        ManagePeople.Added added =
                people.add(actor, request.name(), request.role(), Boolean.TRUE.equals(request.qualified()));
        return new AddedView(AccountView.of(added.account()), LinkView.of(added.linkToken()));
    }

    @PutMapping("/people/{id}")
    AccountView change(Actor actor, @PathVariable String id, @RequestBody ChangePersonRequest request) {
        return AccountView.of(people.change(actor, id, request.role(), request.qualified(), request.active()));
    }

    @PostMapping("/people/{id}/link")
    LinkView link(Actor actor, @PathVariable String id) {
        return LinkView.of(people.link(actor, id));
    }

    @DeleteMapping("/people/{id}/pin")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void resetPin(Actor actor, @PathVariable String id) {
        people.resetPin(actor, id);
    }

    /** Erases the name of somebody who works here no more. */
    @DeleteMapping("/people/{id}/name")
    AccountView eraseName(Actor actor, @PathVariable String id) {
        return AccountView.of(people.eraseName(actor, id));
    }

    @GetMapping("/people-log")
    List<PeopleNoteView> notes(Actor actor) {
        return people.notes(actor).stream()
                .map(note -> new PeopleNoteView(note.at(), note.byId(), note.what(), note.about()))
                .toList();
    }

    @GetMapping("/tablets")
    List<TabletView> tablets(Actor actor) {
        return tablets.all(actor).stream()
                .map(t -> new TabletView(t.id(), t.name(), t.enrolledAt(), t.enrolledBy(), t.withdrawn()))
                .toList();
    }

    /** Makes the device that asks a tablet of the workshop. */
    @PostMapping("/tablets")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void enrol(Actor actor, @RequestBody EnrolRequest request) {
        session.becomeTablet(tablets.enrol(actor, request.name(), request.password(), session.address()));
    }

    @DeleteMapping("/tablets/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdrawTablet(Actor actor, @PathVariable UUID id) {
        tablets.withdraw(actor, id);
    }

    @GetMapping("/tokens")
    List<TokenView> tokens(Actor actor) {
        return tokens.all(actor).stream().map(TokenView::of).toList();
    }

    @PostMapping("/tokens")
    @ResponseStatus(HttpStatus.CREATED)
    MadeTokenView make(Actor actor, @RequestBody TokenRequest request) {
        ApiTokens.Made made = tokens.make(actor, request.name(), request.scopes());
        return new MadeTokenView(TokenView.of(made.token()), made.text());
    }

    @DeleteMapping("/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdrawToken(Actor actor, @PathVariable UUID id) {
        tokens.withdraw(actor, id);
    }
}
