package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
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

/** From an accepted verdict to release through the real screens. */
@ExtendWith(OverturnServer.class)
class RepairTest {

    private static final int MOST_CLICKS = 200;
    private static Browser browser;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    private static Screens signedIn(OverturnServer.Running server) {
        return new Screens(browser.device(1280, 800), server.address())
                .open("/")
                .sayWho("Tobias Renn");
    }

    private static Locator next(Page page) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Next").setExact(true));
    }

    /** Ticks the step that is shown, with any figure as it is listed. */
    private static void tick(Page page) {
        Locator step = next(page);
        String shown = step.getByRole(AriaRole.HEADING).innerText();
        for (Locator field : step.locator("label").all()) {
            String listed = field.innerText().replaceAll("(?s).*listed ([\\d.]+) mm.*", "$1");
            field.locator("input").fill(listed.matches("[\\d.]+") ? listed : "7");
        }
        step.getByText("Done", new Locator.GetByTextOptions().setExact(true)).click();
        page.waitForCondition(
                () -> !step.getByRole(AriaRole.HEADING).innerText().equals(shown));
    }

    @Test
    void aMasterIsRenewedBledProvenAndReleased(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 81", "sinks", "primary-piston-cup");
        new RepairFlow(api, "/api/jobs/" + id).accept();
        Screens screens = signedIn(server).open("/jobs/" + id);
        Page page = screens.page();
        page.getByText("Work plan").click();
        next(page)
                .getByText("Done", new Locator.GetByTextOptions().setExact(true))
                .waitFor();
        for (int n = 0;
                n < MOST_CLICKS
                        && next(page)
                                        .getByText("Every step of the plan is done.")
                                        .count()
                                == 0;
                n++) {
            tick(page);
        }
        screens.open("/jobs/" + id + "/proving");
        page.getByText("Bleeding is not done").waitFor();
        screens.open("/jobs/" + id + "/bleed");
        next(page).getByText("strokes at").waitFor();
        boolean topUp = false;
        for (int n = 0; n < MOST_CLICKS; n++) {
            Locator now = next(page);
            String shown = page.locator("main").innerText();
            if (shown.contains("too little to be felt")) {
                break;
            } else if (now.getByText("Top up now").count() > 0) {
                topUp = true;
                now.getByText("Filled to the upper mark").click();
            } else if (now.getByText("Ten minutes have passed").count() > 0) {
                now.getByText("Ten minutes have passed").click();
            } else {
                now.getByText("No bubbles").click();
                now.getByText("Enter", new Locator.GetByTextOptions().setExact(true))
                        .click();
            }
            page.waitForCondition(() -> !page.locator("main").innerText().equals(shown));
        }
        assertTrue(topUp, "the reservoir is topped up in time");
        next(page).getByText("Proving and release").click();
        for (String gate : List.of("On the chocks", "In the yard", "On a quiet road")) {
            Locator section = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(gate));
            Locator open = section.locator("button:not([disabled])", new Locator.LocatorOptions().setHasText("Passed"));
            open.first().waitFor();
            for (int left = open.count(); left > 0; left--) {
                int before = left;
                open.first().click();
                page.waitForCondition(() -> open.count() < before);
            }
        }
        page.getByText("Release conditionally, signed Tobias Renn").click();
        page.getByText("Released conditionally, to be looked at again").waitFor();
        assertEquals(
                200,
                page.request()
                        .get(server.address() + "/api/jobs/" + id + "/report")
                        .status());
        screens.open("/");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Tarn SK 81"))
                .first()
                .waitFor();
    }

    @Test
    void aGateSaysWhatIsStillOnAndAPartThatDiffersStopsThePlan(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 82", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id).accept();
        flow.post("work-steps", Map.of("key", "cap-pipes@master"));
        Screens screens = signedIn(server).open("/jobs/" + id + "/proving");
        Page page = screens.page();
        page.getByText("pipes capped · master").first().waitFor();
        assertEquals(0, screens.button("Passed").count(), "nothing can be checked while it is on");
        screens.open("/jobs/" + id + "/work");
        Locator step = next(page);
        step.getByLabel("Bore, old").fill("23.8");
        step.getByLabel("Bore, new").fill("22.2");
        step.getByText("Done", new Locator.GetByTextOptions().setExact(true)).click();
        step.getByText("is a wrong part: stop, or say why").waitFor();
        screens.open("/jobs/" + id + "/card");
        page.getByText("DO NOT DRIVE", new Page.GetByTextOptions().setExact(true))
                .waitFor();
        page.getByText("pipes capped · master").first().waitFor();
    }

    /** The caller speaks in one order only, and counts. */
    @Test
    void theCallerNeverLetsGoBeforeTheScrewIsClosed(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 83", "sinks", "primary-piston-cup");
        new RepairFlow(api, "/api/jobs/" + id).accept();
        Screens screens = signedIn(server).open("/jobs/" + id + "/bleed");
        Page page = screens.page();
        page.clock().install();
        screens.button("Caller for two").click();
        screens.button("Start").click();
        for (String call : List.of("PRESS", "OPEN", "HOLD", "CLOSE", "RELEASE", "PRESS")) {
            page.getByText(call, new Page.GetByTextOptions().setExact(true)).waitFor();
            page.clock().runFor(2000);
        }
        page.getByText("Stroke 2 of 5").waitFor();
    }
}
