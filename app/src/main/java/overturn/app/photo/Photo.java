package overturn.app.photo;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;

/**
 * A picture as it is kept: a JPEG that was made anew, upright, with nothing in it of where or by what it was taken.
 *
 * @param sha256 digest of the file, hexadecimal
 * @param jpeg the file
 */
public record Photo(String sha256, byte[] jpeg) {

    /** The largest picture taken, bytes. */
    public static final int MOST_BYTES = 10 * 1024 * 1024;

    /** The formats taken. */
    public static final List<String> FORMATS = List.of("JPEG", "PNG", "WebP");

    /** More than any phone takes; a small file that unfolds to more is refused before it is unfolded. */
    private static final long MOST_PIXELS = 50_000_000;

    private static final int LONGEST_SIDE = 1600;
    private static final double QUALITY = 0.82;
    /** Has Thumbnailator read a large picture coarsely where the heap is short. */
    private static final String READ_COARSELY = "thumbnailator.conserveMemoryWorkaround";

    static {
        ImageIO.scanForPlugins();
        System.setProperty(READ_COARSELY, "true");
    }

    /** A picture of which the bytes are known already. */
    public static Photo kept(byte[] jpeg) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(jpeg);
            return new Photo(HexFormat.of().formatHex(digest), jpeg);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible: every Java has SHA-256", e);
        }
    }

    /** Makes a picture anew; empty where the bytes are no picture of {@link #FORMATS}, or one that is too large. */
    public static Optional<Photo> of(byte[] given) {
        return given.length <= MOST_BYTES && fits(given) ? remade(given) : Optional.empty();
    }

    private static boolean fits(byte[] given) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                return false;
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in);
                String format = reader.getFormatName();
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                return pixels <= MOST_PIXELS && FORMATS.stream().anyMatch(f -> f.equalsIgnoreCase(format));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            return false;
        }
    }

    /** One at a time, since a large picture takes some hundred megabytes while it is made anew. */
    private static synchronized Optional<Photo> remade(byte[] given) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            Thumbnails.of(new ByteArrayInputStream(given))
                    .size(LONGEST_SIDE, LONGEST_SIDE)
                    .imageType(BufferedImage.TYPE_INT_RGB)
                    .outputFormat("jpg")
                    .outputQuality(QUALITY)
                    .toOutputStream(out);
            return Optional.of(kept(out.toByteArray()));
        } catch (IOException | RuntimeException e) {
            return Optional.empty();
        }
    }
}
