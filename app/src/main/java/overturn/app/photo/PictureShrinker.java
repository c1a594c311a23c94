package overturn.app.photo;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.springframework.stereotype.Component;

/**
 * Makes pictures anew, small and upright. A picture of somebody else's is decoded by libvips in a process of its own,
 * whose memory, time and output are limited by the system, so that nothing in it can end the server; one at a time.
 */
@Component
public class PictureShrinker {

    /** The largest picture taken, bytes. */
    public static final int MOST_BYTES = 10 * 1024 * 1024;

    /** The formats taken. */
    public static final List<String> FORMATS = List.of("JPEG", "PNG", "WebP");

    private static final String QUALITY = "82";
    /** A progressive JPEG of 50 million pixels takes 140 MB of it. */
    private static final long MOST_MEMORY_BYTES = 512L * 1024 * 1024;

    private static final int MOST_SECONDS = 15;
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};
    private static final byte[] JPEG = {(byte) 0xff, (byte) 0xd8, (byte) 0xff};
    private static final byte[] RIFF = "RIFF".getBytes(StandardCharsets.US_ASCII);
    private static final byte[] WEBP = "WEBP".getBytes(StandardCharsets.US_ASCII);
    private static final int WEBP_AT = 8;

    /**
     * The picture as it is kept; empty where the bytes are no whole picture of {@link #FORMATS}, or more than
     * {@link #MOST_BYTES}, or need more memory or time than a picture may.
     */
    public Optional<Photo> shrunk(byte[] given) {
        boolean known = begins(given, 0, JPEG)
                || begins(given, 0, PNG)
                || begins(given, 0, RIFF) && begins(given, WEBP_AT, WEBP);
        return known && given.length <= MOST_BYTES ? remade(given) : Optional.empty();
    }

    /** Whether the bytes are a whole JPEG, no larger than {@link #shrunk} makes one. */
    public boolean isSmall(byte[] given) {
        return begins(given, 0, JPEG)
                && longestSide(given) <= Photo.LONGEST_SIDE
                && shrunk(given).isPresent();
    }

    private static boolean begins(byte[] given, int at, byte[] with) {
        return given.length >= at + with.length && Arrays.equals(given, at, at + with.length, with, 0, with.length);
    }

    /** Read from the header, nothing is decoded. */
    private static int longestSide(byte[] jpeg) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(jpeg))) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("jpeg");
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                return Math.max(reader.getWidth(0), reader.getHeight(0));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            return Integer.MAX_VALUE;
        }
    }

    private synchronized Optional<Photo> remade(byte[] given) {
        try {
            Path folder = Files.createTempDirectory("overturn-picture");
            try {
                return remade(given, folder);
            } finally {
                for (String left : List.of("given", "made.jpg", "said")) {
                    Files.deleteIfExists(folder.resolve(left));
                }
                Files.deleteIfExists(folder);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("No picture can be made small here; is libvips-tools installed?", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }

    private static Optional<Photo> remade(byte[] given, Path folder) throws IOException, InterruptedException {
        Path made = folder.resolve("made.jpg");
        Files.write(folder.resolve("given"), given);
        ProcessBuilder shrinking = new ProcessBuilder(
                        "prlimit",
                        "--as=" + MOST_MEMORY_BYTES,
                        "--cpu=" + MOST_SECONDS,
                        "--fsize=" + MOST_BYTES,
                        "--core=0",
                        "vipsthumbnail",
                        "given",
                        "--size",
                        Photo.LONGEST_SIDE + "x" + Photo.LONGEST_SIDE + ">",
                        "--output",
                        made + "[Q=" + QUALITY + ",strip,background=255]")
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("said").toFile());
        shrinking.environment().put("VIPS_CONCURRENCY", "1");
        shrinking.environment().put("VIPS_BLOCK_UNTRUSTED", "1");
        shrinking.environment().put("MALLOC_ARENA_MAX", "2");
        Process process = shrinking.start();
        if (!process.waitFor(2 * MOST_SECONDS, TimeUnit.SECONDS)) {
            process.destroyForcibly().waitFor();
        }
        return process.exitValue() == 0 && Files.exists(made)
                ? Optional.of(Photo.kept(Files.readAllBytes(made)))
                : Optional.empty();
    }
}
