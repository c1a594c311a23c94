package overturn.app.usecase.people;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import overturn.app.usecase.Checks;

/** Passwords, PINs and tokens: what they may be, how they are made and compared. Only digests are ever kept. */
@Component
class Secrets {

    static final int LEAST_PASSWORD = 10;
    /** bcrypt reads no more than 72 bytes. */
    static final int MOST_PASSWORD_BYTES = 72;

    static final int LEAST_PIN = 4;
    static final int MOST_PIN = 8;
    private static final int TOKEN_BYTES = 32;
    /** From here on a password takes more than a million guesses by the estimate of zxcvbn. */
    private static final int LEAST_SCORE = 2;

    private final PasswordEncoder encoder;
    private final Zxcvbn strength = new Zxcvbn();
    private final SecureRandom random = new SecureRandom();
    /** Compared with where there is no account, so that the time an answer takes tells nothing. */
    private final String nobodys;

    Secrets(PasswordEncoder encoder) {
        this.encoder = encoder;
        this.nobodys = encoder.encode(token());
    }

    String hash(String secret) {
        return encoder.encode(secret);
    }

    /** Whether it is the secret of this digest; takes as long where there is none. */
    boolean fits(String given, Optional<String> hash) {
        boolean tooLong = given == null || given.getBytes(StandardCharsets.UTF_8).length > MOST_PASSWORD_BYTES;
        boolean same = encoder.matches(tooLong ? "" : given, hash.orElse(nobodys));
        return same && hash.isPresent() && !tooLong;
    }

    /** @param about words that are easy to guess for this person, such as the name */
    void checkPassword(@Nullable String given, List<String> about, Checks checks) {
        boolean fits = given != null
                && given.length() >= LEAST_PASSWORD
                && given.getBytes(StandardCharsets.UTF_8).length <= MOST_PASSWORD_BYTES;
        checks.that(
                () -> fits && strength.measure(given, about).getScore() >= LEAST_SCORE,
                "password",
                given == null ? null : given.length() + " characters",
                LEAST_PASSWORD + " characters or more (at most " + MOST_PASSWORD_BYTES
                        + " bytes) that are hard to guess: no name, no common word, no row of keys");
    }

    static void checkPin(@Nullable String given, Checks checks) {
        checks.that(
                () -> given != null
                        && given.matches("[0-9]{" + LEAST_PIN + "," + MOST_PIN + "}")
                        && given.chars().distinct().count() > 1
                        && !"01234567890".contains(given)
                        && !"09876543210".contains(given),
                "pin",
                given == null ? null : given.length() + " characters",
                LEAST_PIN + " to " + MOST_PIN + " digits, not all the same and not in a row");
    }

    /** One that nobody guesses: 256 random bits. */
    String token() {
        byte[] bytes = new byte[TOKEN_BYTES];
        random.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    /** SHA-256 of a token, hexadecimal: a token has too many bits to be found from it. */
    static String digest(String token) {
        try {
            MessageDigest sha256 = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(sha256.digest(String.valueOf(token).getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible: every Java has SHA-256", e);
        }
    }
}
