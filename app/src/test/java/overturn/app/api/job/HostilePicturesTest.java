package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Base64;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.photo.PictureShrinker;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.ForeignFile;
import overturn.app.support.OverturnServer;

/** Small files that unfold to more than any picture: they take a process of their own and nothing of the server's. */
@ExtendWith(OverturnServer.class)
class HostilePicturesTest {

    private static final int PICTURES = Integer.getInteger("hostile.pictures", 16);
    private static final long SEED = Long.getLong("hostile.seed", 20261129);
    /** Bytes before the first chunk that may be anything: signature and header. */
    private static final int HEADER = 33;

    private ApiClient api;
    private String job;

    @BeforeEach
    void opened(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        job = "/api/jobs/" + api.openJob("Tarn SK 91", "sinks", "primary-piston-cup");
    }

    private Answer take(byte[] picture) {
        return api.post(
                job + "/photos",
                ApiClient.stamped(
                        api.get(job).body().get("sequence").asInt(),
                        Map.of("image", Base64.getEncoder().encodeToString(picture))));
    }

    private BufferedImage shown(Answer taken) throws IOException {
        var entries = taken.body().get("entries");
        String digest =
                entries.get(entries.size() - 1).get("told").get("sha256").asString();
        return ImageIO.read(new java.io.ByteArrayInputStream(
                api.bytes("/api/photos/" + digest).body()));
    }

    private static byte[] png() {
        return Base64.getDecoder().decode(ForeignFile.picture("png"));
    }

    private static byte[] chunk(String name, byte[] body) {
        ByteBuffer chunk = ByteBuffer.allocate(12 + body.length);
        chunk.putInt(body.length)
                .put(name.getBytes(java.nio.charset.StandardCharsets.US_ASCII))
                .put(body);
        CRC32 sum = new CRC32();
        sum.update(chunk.array(), 4, 4 + body.length);
        return chunk.putInt((int) sum.getValue()).array();
    }

    /** As much of the same as fits into some bytes when it is deflated. */
    private static byte[] deflated(byte[] before, long bytes) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(before);
        try (DeflaterOutputStream deflating = new DeflaterOutputStream(out)) {
            byte[] same = new byte[1 << 16];
            for (long left = bytes; left > 0; left -= same.length) {
                deflating.write(same);
            }
        }
        return out.toByteArray();
    }

    private static byte[] withChunk(byte[] chunk) {
        byte[] png = png();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(png, 0, HEADER);
        out.writeBytes(chunk);
        out.write(png, HEADER, png.length - HEADER);
        return out.toByteArray();
    }

    @Test
    void aTextThatUnfoldsToAQuarterOfAGigabyteIsLeftFolded() throws IOException {
        byte[] text = deflated("Comment\0\0".getBytes(java.nio.charset.StandardCharsets.US_ASCII), 1L << 28);
        Answer taken = take(withChunk(chunk("zTXt", text)));
        assertEquals(200, taken.status(), taken.raw().body());
        assertEquals(3, shown(taken).getWidth());
    }

    @Test
    void aPictureOfMorePixelsThanAnyIsMadeSmallOrRefusedAndTheServerGoesOn() throws IOException {
        byte[] png = png();
        ByteBuffer header = ByteBuffer.wrap(Arrays.copyOfRange(png, 16, 29));
        header.putInt(12_000).putInt(12_000);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(png, 0, 8);
        out.writeBytes(chunk("IHDR", header.array()));
        out.writeBytes(chunk("IDAT", deflated(new byte[0], 12_000L * (3 * 12_000L + 1))));
        out.writeBytes(chunk("IEND", new byte[0]));
        long from = System.nanoTime();
        Answer answer = take(out.toByteArray());
        assertTrue(
                answer.status() == 200 || answer.status() == 422, answer.raw().body());
        assertTrue(System.nanoTime() - from < 60e9, "within its own time");
        assertEquals(200, api.get(job).status());
    }

    /** A picture may come inside a file, where no limit of a request stands before it. */
    @Test
    void aPictureOfMoreBytesThanAnyIsNotDecoded() throws IOException {
        byte[] filling = new byte[PictureShrinker.MOST_BYTES];
        byte[] large = withChunk(chunk("prVt", filling));
        PictureShrinker shrinker = new PictureShrinker();
        assertTrue(shrinker.shrunk(large).isEmpty(), large.length + " bytes");
        assertTrue(shrinker.shrunk(withChunk(chunk("prVt", Arrays.copyOf(filling, 1000))))
                .isPresent());
    }

    @Test
    void anInterlacedPictureIsAPictureAndASmallOneIsNotBlownUp() throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        ImageWriteParam interlaced = writer.getDefaultWriteParam();
        interlaced.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream to = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(to);
            writer.write(
                    null, new IIOImage(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), null, null), interlaced);
        }
        BufferedImage shown = shown(take(out.toByteArray()));
        assertEquals(40, shown.getWidth());
        assertEquals(30, shown.getHeight());
    }

    /** Twenty by ten pixels of one colour, WebP without loss. */
    @Test
    void aWebpWithoutLossIsAPicture() throws IOException {
        byte[] webp = Base64.getDecoder()
                .decode(
                        "UklGRu4AAABXRUJQVlA4WAoAAAAIAAAAEwAACQAAVlA4TA4AAAAvE0ACAAcQEf0PRET/A0VYSUa6AAAARXhpZgAASUkqAAgAAAAGABIBAwABAAAAAQAAABoBBQABAAAAVgAAABsBBQABAAAAXgAAACgBAwABAAAAAgAAABMCAwABAAAAAQAAAGmHBAABAAAAZgAAAAAAAAA4YwAA6AMAADhjAADoAwAABgAAkAcABAAAADAyMTABkQcABAAAAAECAwAAoAcABAAAADAxMDABoAMAAQAAAP//AAACoAQAAQAAABQAAAADoAQAAQAAAAoAAAAAAAAA");
        assertEquals(20, shown(take(webp)).getWidth());
    }

    @Test
    void spoiltPicturesAreTakenOrRefusedAndNeverAFault() {
        SplittableRandom random = new SplittableRandom(SEED);
        for (int n = 0; n < PICTURES; n++) {
            byte[] picture = n % 2 == 0 ? png() : Base64.getDecoder().decode(ForeignFile.picture("jpg"));
            for (int k = 0; k <= random.nextInt(4); k++) {
                picture[random.nextInt(picture.length)] = (byte) random.nextInt(256);
            }
            Answer answer =
                    take(random.nextInt(3) == 0 ? Arrays.copyOf(picture, random.nextInt(picture.length)) : picture);
            assertTrue(
                    answer.status() == 200 || answer.status() == 422,
                    answer.raw().body());
        }
    }
}
