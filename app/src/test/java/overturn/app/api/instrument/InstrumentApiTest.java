package overturn.app.api.instrument;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.Device;
import overturn.app.support.FakeInstrument;
import overturn.app.support.OverturnServer;
import overturn.app.support.People;
import overturn.instrument.InstrumentKind;
import overturn.secondworld.standin.StandIns;
import tools.jackson.databind.JsonNode;

/** Instruments say that they are there, get a name and a zero check, and are heard from nothing on. */
@ExtendWith(OverturnServer.class)
class InstrumentApiTest {

    private static ApiClient api;
    private static Device owner;

    @BeforeAll
    static void somebodyOwnsTheWorkshop(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        owner = People.owner(server.address(), server.context().getBean(JdbcClient.class));
    }

    private static Answer announced(String serial, int port) {
        return announced(serial, "travel-tape", port);
    }

    private static Answer announced(String serial, String kind, int port) {
        return owner.post("/api/instruments/announcements", Map.of("serial", serial, "kind", kind, "port", port));
    }

    private static List<String> shown(JsonNode instrument, int lines) throws Exception {
        HttpResponse<InputStream> stream = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(api.address() + "/api/instruments/"
                                        + instrument.get("id").asString() + "/stream"))
                                .header("Cookie", api.cookies("juno-vale"))
                                .build(),
                        HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader read = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            return read.lines().limit(lines).toList();
        }
    }

    private static Answer registered(String serial, String name) {
        return owner.post(
                "/api/instruments", Map.of("id", UUID.randomUUID().toString(), "serial", serial, "name", name));
    }

    private static JsonNode named(Answer answer, String name) {
        assertEquals(200, answer.status(), answer.body().toString());
        return answer.body()
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatItShowsAtRestIsTakenOffFromThenOn() throws Exception {
        String name = "Tape " + UUID.randomUUID();
        try (FakeInstrument tape = FakeInstrument.showing(2, t -> t > 3 && t < 4 ? null : 2.5)) {
            assertEquals(204, announced(name, tape.port()).status());
            JsonNode one = named(registered(name, name), name);
            assertEquals(2.5, one.get("atRest").asDouble(), 0.01);
            assertTrue(one.get("there").asBoolean());
            List<String> read = shown(one, 110);
            assertTrue(read.get(0).contains("\"value\":0.0"), read.get(0));
            assertTrue(read.stream().anyMatch(line -> !line.contains("value")), "it dropped out for a second");
            assertTrue(read.stream().noneMatch(line -> line.contains("codes")), "a tape reads no codes");
            assertEquals(4, registered(name, "Another " + name).status() / 100, "one instrument has one name");
            assertEquals(
                    200,
                    owner.delete("/api/instruments/" + one.get("id").asString()).status());
        }
    }

    @Test
    void oneThatIsNotAtRestIsNotRegistered() throws Exception {
        try (FakeInstrument moving = FakeInstrument.showing(1, t -> 20 * t);
                FakeInstrument off = FakeInstrument.showing(1, t -> 60.0);
                FakeInstrument mute = FakeInstrument.showing(1, t -> t > 1 ? 1.0 : null)) {
            for (FakeInstrument one : List.of(moving, off)) {
                String serial = "Restless " + one.port();
                announced(serial, one.port());
                Answer answer = registered(serial, serial);
                answer.assertRefused(422, "input-not-allowed");
                assertTrue(
                        answer.body().toString().contains("at rest"),
                        answer.body().toString());
            }
            String late = "Late " + mute.port();
            announced(late, mute.port());
            named(registered(late, late), late);
        }
    }

    @Test
    void aCodeReaderIsRegisteredWithNoCodeAndShowsWhatItFindsOncePluggedIn() throws Exception {
        String found = "[{\"number\":\"17\",\"text\":\"Sensor, signal lost\",\"often\":\"now\"}]";
        AtomicBoolean pluggedIn = new AtomicBoolean(true);
        try (FakeInstrument reader = new FakeInstrument(
                        n -> "{\"seconds\":" + n / 50.0 + ",\"codes\":" + (pluggedIn.get() ? found : "[]") + "}");
                FakeInstrument gauge = FakeInstrument.showing(1, t -> 0.0)) {
            String name = "Reader " + reader.port();
            announced(name, "code-reader", reader.port());
            Answer answer = registered(name, name);
            answer.assertRefused(422, "input-not-allowed");
            assertTrue(answer.body().toString().contains("17"), answer.body().toString());
            pluggedIn.set(false);
            JsonNode one = named(registered(name, name), name);
            assertTrue(one.get("dimension") == null, "it shows no figure");
            pluggedIn.set(true);
            assertTrue(shown(one, 5).stream().allMatch(line -> line.contains(found)), "as it says it");
            String none = "No reader " + gauge.port();
            announced(none, "code-reader", gauge.port());
            registered(none, none).assertRefused(422, "input-not-allowed");
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "no json",
                "{\"seconds\":\"x\"}",
                "{\"value\":3}",
                "{\"seconds\":1e999,\"value\":1}",
                "{\"seconds\":1,\"codes\":[{\"number\":\"1\"}]}",
                "long"
            })
    void whatSpeaksOtherwiseIsRefusedAndEndsNothing(String said) throws Exception {
        String line = said.equals("long") ? "x".repeat(100_000) : said;
        try (FakeInstrument strange = new FakeInstrument(n -> line)) {
            String serial = "Strange " + strange.port();
            announced(serial, strange.port());
            Answer answer = registered(serial, serial);
            answer.assertRefused(422, "input-not-allowed");
            assertTrue(
                    answer.body().toString().contains("can be read"),
                    answer.body().toString());
        }
    }

    @Test
    void nobodyTypesAnAddressAndOneThatIsAwayIsSaidToBe() {
        registered("never announced", "Ghost").assertRefused(422, "input-not-allowed");
        announced("nowhere", 1);
        registered("nowhere", "Nowhere").assertRefused(422, "input-not-allowed");
        Answer wrong = owner.post(
                "/api/instruments/announcements", Map.of("serial", "", "kind", "crystal-ball", "port", 70_000));
        wrong.assertRefused(422, "input-not-allowed");
        assertEquals(3, wrong.body().get("findings").size());
        assertEquals(
                404,
                api.get("/api/instruments/" + UUID.randomUUID() + "/stream").status());
    }

    @Test
    void theStandInsThatShipAreEachRegisteredAtRest() throws Exception {
        try (StandIns standIns = new StandIns(api.address(), true, 7)) {
            List<String> kinds = List.of();
            for (int tries = 0; tries < 50 && kinds.size() < InstrumentKind.values().length; tries++) {
                Thread.sleep(200);
                kinds = api.get("/api/instruments")
                        .body()
                        .get("announced")
                        .valueStream()
                        .filter(one -> one.get("serial").asString().startsWith("stand-in"))
                        .map(one -> one.get("kind").asString())
                        .toList();
            }
            assertEquals(InstrumentKind.values().length, kinds.size(), standIns + " " + kinds);
            for (String kind : List.of("travel-tape", "pressure-gauge", "thermometer", "torque-wrench")) {
                String name = "Stand-in " + kind + " " + UUID.randomUUID();
                JsonNode one = named(registered("stand-in " + kind, name), name);
                owner.delete("/api/instruments/" + one.get("id").asString());
            }
        }
    }
}
