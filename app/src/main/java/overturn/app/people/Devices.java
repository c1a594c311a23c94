package overturn.app.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** Where shop tablets, keys of devices and tokens of scripts are kept. */
public interface Devices {

    /** A tablet of the workshop. */
    record Tablet(UUID id, String name, Instant enrolledAt, String enrolledBy, boolean withdrawn) {}

    void enrol(Tablet tablet, String tokenSha256);

    /** The tablet that holds this token, unless it was withdrawn. */
    Optional<Tablet> tablet(String tokenSha256);

    List<Tablet> tablets();

    /** False if there is no such tablet in use. */
    boolean withdrawTablet(UUID id, Instant at);

    /** How often somebody gave a wrong PIN there since the last right one. */
    int wrongPins(UUID tabletId, String personId);

    void wrongPin(UUID tabletId, String personId);

    /** Forgets wrong PINs there. */
    void rightPin(UUID tabletId, String personId);

    /** Forgets wrong PINs of somebody on all tablets. */
    void unlock(String personId);

    /** With what a device signs the entries of one person: {@code secret} is base64 (RFC 4648) of its bytes. */
    record EntryKey(UUID id, String personId, UUID deviceId, String secret) {}

    void add(EntryKey key, Instant at);

    /** A key that was not withdrawn. */
    Optional<EntryKey> entryKey(UUID id);

    /** Withdraws all keys of somebody. */
    void withdrawKeys(String personId, Instant at);

    /** What a script signs in with. */
    record Token(UUID id, String name, List<String> scopes, Instant madeAt, String madeBy, boolean withdrawn) {}

    void add(Token token, String tokenSha256);

    /** The token of this digest, unless it was withdrawn. */
    Optional<Token> token(String tokenSha256);

    List<Token> tokens();

    /** False if there is no such token in use. */
    boolean withdrawToken(UUID id, Instant at);

    /** Notes a password that did not fit; older ones than {@code forgotten} are thrown away. */
    void failed(String name, String address, Instant at, Instant forgotten);

    /** Passwords since then that did not fit. */
    record Failures(int ofNameThere, int ofName, int ofAddress) {}

    Failures failures(String name, String address, Instant since);

    /** A name that was signed in with starts anew from there. */
    void succeeded(String name, String address);
}
