package overturn.app.photo;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/**
 * A picture as it is kept: a JPEG that was made anew, upright, with nothing in it of where or by what it was taken.
 *
 * @param sha256 digest of the file, hexadecimal
 * @param jpeg the file
 */
public record Photo(String sha256, byte[] jpeg) {

    /** The longer side of a picture as it is kept is at most this, pixels. */
    public static final int LONGEST_SIDE = 1600;

    /** A picture of which the bytes are known already. */
    public static Photo kept(byte[] jpeg) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(jpeg);
            return new Photo(HexFormat.of().formatHex(digest), jpeg);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible: every Java has SHA-256", e);
        }
    }
}
