package overturn.app.people;

import java.util.Optional;

/**
 * What a person of the workshop may do here, and what shows that it is this person.
 *
 * @param personId stands on entries for ever, so it says nothing of the name
 * @param signInName the name in small letters with hyphens
 * @param qualified whether this person may release vehicles
 * @param active whether this person still works here
 * @param passwordHash empty until the person has set one
 * @param pinHash of the short number for shop tablets; empty where there is none
 */
public record Account(
        String personId,
        String signInName,
        String name,
        Role role,
        boolean qualified,
        boolean active,
        Optional<String> passwordHash,
        Optional<String> pinHash) {

    public Actor actor() {
        return new Actor(personId, role, qualified);
    }

    /** The same with another password. */
    public Account withPassword(String hash) {
        return new Account(personId, signInName, name, role, qualified, active, Optional.of(hash), pinHash);
    }

    /** The same with another PIN, or none. */
    public Account withPin(Optional<String> hash) {
        return new Account(personId, signInName, name, role, qualified, active, passwordHash, hash);
    }
}
