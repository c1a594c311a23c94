package overturn.app.usecase.people;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.people.Account;
import overturn.app.people.Accounts;
import overturn.app.people.Devices;

/**
 * Whose an entry is that waited on a device: it was signed when it was written, with a key that the device had from the
 * server while that person was signed in on it and threw away afterwards (HMAC with SHA-256, RFC 2104).
 */
@Component
public class SignedEntries {

    private static final String ALGORITHM = "HmacSHA256";

    private final Devices devices;
    private final Accounts accounts;

    SignedEntries(Devices devices, Accounts accounts) {
        this.devices = devices;
        this.accounts = accounts;
    }

    /**
     * Who signed this text.
     *
     * @param deviceId the device that sends it
     * @param signature base64url (RFC 4648) of the HMAC
     * @return empty if the key is not one of this device, was withdrawn, or the text is not the one that was signed
     */
    @Transactional(readOnly = true)
    public Optional<Account> signer(UUID keyId, UUID deviceId, String text, String signature) {
        return devices.entryKey(keyId)
                .filter(key -> key.deviceId().equals(deviceId))
                .filter(key -> fits(key.secret(), text, signature))
                .flatMap(key -> accounts.find(key.personId()))
                .filter(Account::active);
    }

    private static boolean fits(String secret, String text, String signature) {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(new SecretKeySpec(Base64.getUrlDecoder().decode(secret), ALGORITHM));
            byte[] own = mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
            return MessageDigest.isEqual(own, Base64.getUrlDecoder().decode(signature));
        } catch (IllegalArgumentException e) {
            return false;
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible: every Java has " + ALGORITHM, e);
        }
    }
}
