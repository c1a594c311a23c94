package overturn.app.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Where accounts are kept, the links by which they begin, and what was changed about them. */
public interface Accounts {

    /** Everybody who has or had an account, in the order of the list. */
    List<Account> all();

    Optional<Account> find(String personId);

    Optional<Account> bySignInName(String signInName);

    /** Puts another name in the place of one that is erased, and frees the name that was signed in with. */
    void eraseName(String personId, String instead);

    /** Adds somebody with an account; the id is not in use. */
    void add(Account account, Instant at);

    /** Writes role, marks and secrets of an account that is there. */
    void change(Account account);

    /** Notes what was changed; {@code byId} is null where nobody was signed in. */
    void note(Instant at, @Nullable String byId, String what, String about);

    /** The latest notes, the newest first. */
    List<Note> notes(int most);

    /** What was changed about people, tablets or tokens. */
    record Note(Instant at, Optional<String> byId, String what, String about) {}

    /** A link that was handed out; {@code personId} is empty for the one that makes the first owner. */
    record Invitation(String tokenSha256, Optional<String> personId, Instant endsAt) {}

    void invite(Invitation invitation, Instant at);

    /** A link that has neither been used nor ended. */
    Optional<Invitation> invitation(String tokenSha256, Instant now);

    /** Marks a link as used; false if it was used meanwhile. */
    boolean use(String tokenSha256, Instant at);

    /** Ends the links of a person that were not used; those that make the first owner where it is empty. */
    void endInvitations(Optional<String> personId, Instant at);
}
