package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import tools.jackson.databind.JsonNode;

/** The first walk on one screen: what is tapped wet becomes a reading, and suspicion goes to where it was. */
@ExtendWith(OverturnServer.class)
class WalkTest {

    private static Browser browser;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    private static Locator part(Page page, String name) {
        return page.locator("svg")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    private static List<String> read(JsonNode job) {
        return job.get("entries")
                .valueStream()
                .filter(e -> e.get("kind").asString().equals("reading-taken"))
                .map(e -> e.get("procedureId").asString() + " "
                        + e.get("observed").asString())
                .toList();
    }

    private static double share(JsonNode job, String component) {
        return job.get("assessment")
                .get("components")
                .valueStream()
                .filter(c -> c.get("componentId").asString().equals(component))
                .findFirst()
                .orElseThrow()
                .get("probability")
                .asDouble();
    }

    @Test
    void aWetHoseTappedOnAPhoneIsAReadingAndSuspicionGoesThere(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 62", "level-falls", "hose-weeping");
        Screens screens = new Screens(browser.device(390, 844), server.address())
                .open("/")
                .signIn("Tobias Renn")
                .open("/jobs/" + id);
        Page page = screens.page();
        screens.heading("First walk").waitFor();
        screens.button("Start test").click();
        page.getByText("Nothing looked at").waitFor();
        assertFalse(screens.button("Enter the walk").isEnabled(), "nothing was looked at yet");
        part(page, "Front left hose").focus();
        page.keyboard().press("Enter");
        page.getByText("Front left hose: wet").waitFor();
        screens.button("All the rest looked at, and dry").click();
        screens.radio("Low, or topped up lately").click();
        screens.button("Enter the walk").click();
        screens.heading("Suspects").waitFor();
        JsonNode job = api.get("/api/jobs/" + id).body();
        assertEquals(List.of("characterise level-falls", "reservoir low-or-topped-up", "dry-walk wet"), read(job));
        assertTrue(
                share(job, "front-left-hose") > 10 * share(job, "front-right-hose"),
                "the hose that was wet before the one that was dry");
        screens.button("Log").click();
        page.getByText("Front left hose: wet").waitFor();
    }

    @Test
    void whatIsLeftOutClearsNothingAndTheSameWalkTwiceIsThereOnce(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String job = "/api/jobs/" + api.openJob("Tarn SK 62", "level-falls", "hose-weeping");
        var walk = ApiClient.stamped(
                2,
                Map.of(
                        "looks",
                        List.of(Map.of("procedureId", "fluid-look", "option", "dark")),
                        "spots",
                        List.of(
                                Map.of("componentId", "master", "state", "wet"),
                                Map.of("componentId", "rear-left", "state", "damp"),
                                Map.of("componentId", "front-left", "state", "wet")),
                        "restDry",
                        false));
        JsonNode once = api.post(job + "/walks", walk).body();
        JsonNode again = api.post(job + "/walks", walk).body();
        assertEquals(once.get("entries"), again.get("entries"));
        assertEquals(
                List.of("characterise level-falls", "fluid-look dark", "dry-walk wet-at-master-face", "dry-walk wet"),
                read(once));
        for (String wrong : List.of("moon", "pedal")) {
            api.post(
                            job + "/walks",
                            ApiClient.stamped(
                                    9,
                                    Map.of(
                                            "spots",
                                            List.of(Map.of("componentId", wrong, "state", "wet")),
                                            "restDry",
                                            false)))
                    .assertRefused(422, "input-not-allowed");
        }
        api.post(job + "/walks", ApiClient.stamped(9, Map.of("restDry", false)))
                .assertRefused(422, "input-not-allowed");
        JsonNode onlyOne = api.post(
                        "/api/jobs/" + api.openJob("Tarn SK 62", "sinks", "hose-weeping") + "/walks",
                        ApiClient.stamped(
                                2,
                                Map.of(
                                        "spots",
                                        List.of(Map.of("componentId", "master", "state", "dry")),
                                        "restDry",
                                        false)))
                .body();
        assertEquals(List.of("characterise sinks"), read(onlyOne), "one dry part is not all dry");
    }
}
