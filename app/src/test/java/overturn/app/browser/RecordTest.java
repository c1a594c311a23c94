package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.app.support.Screens;

/** A job is closed, found again, kept under a name, taken out as a table, and said at the next intake. */
@ExtendWith(OverturnServer.class)
class RecordTest {

    private static Browser browser;

    @BeforeAll
    static void aBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void noBrowser() {
        browser.close();
    }

    private static Screens signedIn(OverturnServer.Running server, String person, String path) {
        return new Screens(browser.device(1280, 800), server.address())
                .open(path)
                .signIn(person);
    }

    private static String close(ApiClient api, String vehicle) {
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + api.openJob(vehicle, "sinks", "primary-piston-cup"))
                .done(60)
                .accept();
        assertEquals(
                200, flow.post("notes", Map.of("text", "Groove worn by grit.")).status());
        flow.done(40).releaseConditionally();
        flow.done(0).pass("next-day");
        assertEquals(200, flow.post("release", Map.of("conditional", false)).status());
        flow.now();
        return flow.job();
    }

    @Test
    void aClosedJobIsFoundKeptAndSaidAgain(OverturnServer.Running server) throws IOException {
        ApiClient api = new ApiClient(server.address());
        String path = close(api, "Tarn SK 401");
        close(api, "Tarn SK 401");
        Screens screens = signedIn(server, "Ines Quill", "/");
        Page page = screens.page();
        screens.button("Record").click();
        page.getByLabel("Anything that was said").fill("worn by grit");
        page.waitForURL(url -> url.contains("search=worn"));
        screens.heading("Tarn SK 401").first().waitFor();
        page.getByLabel("Keep this search as").fill("Grit");
        screens.button("Keep").click();
        screens.button("Forget Grit").waitFor();
        Download table = page.waitForDownload(
                () -> page.getByText("All of these as a table (CSV)").click());
        assertTrue(Files.readString(table.path()).contains(path.replace("/api/jobs/", "")));
        page.getByLabel("Anything that was said").fill("nothing like that at all");
        page.getByText("No closed job is like that.").waitFor();
        screens.button("Grit").click();
        screens.heading("Tarn SK 401").first().click();
        page.waitForURL(url -> url.contains("/jobs/"));
        screens.open("/record/learned");
        screens.heading("Saved against replacing the likeliest").waitFor();
        page.getByText("The numbers").first().click();
        page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("In vain by replacing"))
                .waitFor();
        screens.open("/intake");
        page.getByLabel("Vehicle", new Page.GetByLabelOptions().setExact(true)).fill("tarn sk 401");
        page.getByLabel("Circuit", new Page.GetByLabelOptions().setExact(true)).selectOption("tarn-box-van");
        page.getByText("done here more than once, or it did not hold").waitFor();
    }

    @Test
    void whoMayNotTellTheWorkshopSeesTheFrequenciesAndCannotChangeThem(OverturnServer.Running server) {
        Screens screens = signedIn(server, "Juno Vale", "/record/frequencies");
        screens.page().getByText("Before anything is read").waitFor();
        screens.page().getByText("They do").waitFor();
        assertEquals(0, screens.button("Only what ships").count());
        assertEquals(0, screens.button("Take in a file").count());
    }
}
