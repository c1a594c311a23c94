package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Pictures in the log, over HTTP against the real database. */
@ExtendWith(OverturnServer.class)
class PhotoApiTest {

    /** A WebP file of one grey pixel. */
    private static final String WEBP = "UklGRiIAAABXRUJQVlA4IBYAAAAwAQCdASoBAAEADsD+JaQAA3AAAAAA";

    private static final String PLACE = "51.4779 N 0.0015 W";

    private ApiClient api;
    private String job;

    @BeforeEach
    void opened(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        job = "/api/jobs/" + api.openJob("Tarn SK 90", "sinks", "primary-piston-cup");
    }

    private Answer take(Map<String, Object> fields) {
        int sequence = api.get(job).body().get("sequence").asInt();
        return api.post(job + "/photos", ApiClient.stamped(sequence, fields));
    }

    private static BufferedImage picture(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D drawn = image.createGraphics();
        drawn.setColor(Color.ORANGE);
        drawn.fillRect(0, 0, width / 2, height);
        drawn.dispose();
        return image;
    }

    private static byte[] written(BufferedImage image, String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }

    /** A JPEG with a comment segment that tells where it was taken. */
    private static byte[] placed(byte[] jpeg) {
        byte[] comment = PLACE.getBytes(StandardCharsets.US_ASCII);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(0xff);
        out.write(0xfe);
        out.write((comment.length + 2) >> 8);
        out.write(comment.length + 2);
        out.writeBytes(comment);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private static String base64(byte[] bytes) {
        return Base64.getEncoder().encodeToString(bytes);
    }

    private static String digest(JsonNode job) {
        JsonNode entries = job.get("entries");
        JsonNode last = entries.get(entries.size() - 1);
        assertEquals("photo-taken", last.get("kind").asString());
        return last.get("told").get("sha256").asString();
    }

    @Test
    void aPictureIsMadeAnewSmallerAndWithoutWhereItWasTaken() throws IOException {
        byte[] given = placed(written(picture(2400, 1200), "jpg"));
        assertTrue(new String(given, StandardCharsets.ISO_8859_1).contains(PLACE));
        Answer taken = take(Map.of("image", base64(given), "caption", "lip cut", "procedureId", "dry-walk"));
        assertEquals(200, taken.status(), () -> taken.body().toString());
        HttpResponse<byte[]> kept = api.bytes("/api/photos/" + digest(taken.body()));
        assertEquals("image/jpeg", kept.headers().firstValue("Content-Type").orElseThrow());
        BufferedImage shown = ImageIO.read(new ByteArrayInputStream(kept.body()));
        assertEquals(1600, shown.getWidth());
        assertEquals(800, shown.getHeight());
        assertFalse(new String(kept.body(), StandardCharsets.ISO_8859_1).contains(PLACE));
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpg", "png"})
    void thesameOnceHoweverOftenItIsSent(String format) throws IOException {
        Map<String, Object> body = new HashMap<>(Map.of("image", base64(written(picture(60, 40), format))));
        body.put("entryId", UUID.randomUUID().toString());
        body.put("personId", "tobias-renn");
        body.put("sequence", api.get(job).body().get("sequence").asInt());
        JsonNode first = api.post(job + "/photos", body).body();
        JsonNode again = api.post(job + "/photos", body).body();
        assertEquals(first.get("entries"), again.get("entries"));
    }

    @Test
    void aWebpIsTakenToo() {
        Answer taken = take(Map.of("image", WEBP));
        assertEquals(200, taken.status(), () -> taken.body().toString());
        assertEquals(200, api.bytes("/api/photos/" + digest(taken.body())).statusCode());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "no base64!", "R0lGODlhAQABAAAAACw=", "aGVsbG8=", "/9j/4AAQ"})
    void whatIsNoPictureIsRefused(String image) {
        take(Map.of("image", image)).assertRefused(422, "input-not-allowed");
    }

    @Test
    void aBodyOfMoreThanAPictureIsRefused() {
        take(Map.of("image", "A".repeat(15 * 1024 * 1024))).assertRefused(413, "body-too-large");
        assertEquals(404, api.get("/api/photos/" + "0".repeat(64)).status());
    }

    @Test
    void picturesGoAlongInTheJobFileAndIntoTheReport() throws IOException {
        String digest =
                digest(take(Map.of("image", base64(written(picture(90, 60), "png")), "caption", "score in the bore"))
                        .body());
        ObjectNode file = (ObjectNode) JsonMapper.builder()
                .build()
                .readTree(api.get(job + "/file").raw().body());
        JsonNode attached = file.get("attachments").get(0);
        byte[] jpeg = api.bytes("/api/photos/" + digest).body();
        assertEquals(base64(jpeg), attached.get("base64").asString());
        assertEquals(201, api.post("/api/job-files", file).status());
        ((ObjectNode) attached).put("base64", base64(written(picture(9, 9), "jpg")));
        file.put("id", UUID.randomUUID().toString());
        ((ArrayNode) file.get("entries"))
                .forEach(e -> ((ObjectNode) e).put("id", UUID.randomUUID().toString()));
        api.post("/api/job-files", file).assertRefused(422, "input-not-allowed");
        try (PDDocument report = Loader.loadPDF(api.bytes(job + "/report").body())) {
            int pictures = 0;
            for (PDPage page : report.getPages()) {
                for (COSName name : page.getResources().getXObjectNames()) {
                    pictures += page.getResources().isImageXObject(name) ? 1 : 0;
                }
            }
            assertEquals(1, pictures);
        }
    }
}
