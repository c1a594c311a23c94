package overturn.app.api.job;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.OverturnServer;

/** Who looks at a job, over HTTP against the real database. */
@ExtendWith(OverturnServer.class)
class PresenceApiTest {

    private ApiClient api;
    private String job;

    @BeforeEach
    void opened(OverturnServer.Running server) {
        api = new ApiClient(server.address());
        job = "/api/jobs/" + api.openJob("Tarn SK 91", "sinks", "primary-piston-cup");
    }

    private Answer tell(String device, String person, String doing) {
        Map<String, Object> body = new HashMap<>(Map.of("deviceId", device, "personId", person));
        if (doing != null) {
            body.put("doing", doing);
        }
        return api.put(job + "/presence", body);
    }

    @Test
    void twoDevicesSeeEachOtherAndWhatIsDoneThere() {
        String one = UUID.randomUUID().toString();
        String two = UUID.randomUUID().toString();
        assertEquals(0, tell(one, "juno-vale", "dry-walk").body().size());
        Answer seen = tell(two, "marit-osei", null);
        assertEquals("juno-vale", seen.body().get(0).get("personId").asString());
        assertEquals("dry-walk", seen.body().get(0).get("doing").asString());
        Answer back = tell(one, "juno-vale", null);
        assertEquals(1, back.body().size());
        assertEquals("marit-osei", back.body().get(0).get("personId").asString());
        assertEquals(2, api.get(job).body().get("entries").size(), "nothing of it is in the log");
    }

    @Test
    void whatIsNoJobIsRefused() {
        job = "/api/jobs/" + UUID.randomUUID();
        tell(UUID.randomUUID().toString(), "juno-vale", null).assertRefused(404, "not-found");
    }
}
