package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import tools.jackson.databind.JsonNode;

/** Without a line the pages load, the open job can be read, and what is entered is sent once when the line is back. */
@ExtendWith(OverturnServer.class)
class OfflineTest {

    private static final int SENT_WITHIN_SECONDS = 30;
    private static Browser browser;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    private static List<JsonNode> holds(ApiClient api, String job) {
        return api.get("/api/jobs/" + job)
                .body()
                .get("entries")
                .valueStream()
                .filter(e ->
                        e.has("procedureId") && e.get("procedureId").asString().equals("hold-gentle"))
                .toList();
    }

    @Test
    void aTestIsBegunWithoutALineReloadedEnteredAndSentOnceWhenItIsBack(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String job = api.openJob("Tarn SK 61", "sinks", "primary-piston-cup");
        Screens screens = new Screens(browser.keepingDevice(390, 844), server.address())
                .open("/")
                .signIn("Ines Quill");
        Page page = screens.page();
        page.waitForFunction("() => navigator.serviceWorker.controller !== null");
        screens.open("/jobs/" + job).heading("Suspects").waitFor();
        screens.open("/jobs/" + job + "/tests/hold-gentle");
        page.getByText("step 1 of").waitFor();

        page.context().setOffline(true);
        page.reload();
        page.getByText("step 1 of").waitFor();
        for (int step = 0; step < 4; step++) {
            screens.button("Go on").click();
        }
        for (String second : List.of("5 s", "15 s", "30 s", "60 s")) {
            page.getByLabel(second, new Page.GetByLabelOptions().setExact(true)).fill("31");
        }
        page.reload();
        assertEquals(
                "31",
                page.getByLabel("60 s", new Page.GetByLabelOptions().setExact(true))
                        .inputValue(),
                "what was typed is still there");
        screens.rigIsSound();
        screens.button("Enter the reading").click();
        screens.button("Enter now").click();
        page.getByText("Kept on this device").waitFor();
        screens.open("/jobs/" + job).heading("Suspects").waitFor();
        page.getByText("no line, as of").waitFor();
        assertEquals(0, holds(api, job).size());

        page.context().setOffline(false);
        for (Instant end = Instant.now().plusSeconds(SENT_WITHIN_SECONDS);
                holds(api, job).isEmpty();
                page.waitForTimeout(200)) {
            assertTrue(Instant.now().isBefore(end), "the reading is not in the log");
        }
        page.reload();
        page.getByText("saved").first().waitFor();
        assertEquals(0, page.getByText("no line, as of").count());
        assertEquals(1, holds(api, job).size());
    }
}
