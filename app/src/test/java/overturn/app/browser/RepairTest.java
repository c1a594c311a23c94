package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.app.support.RepairScreens;
import overturn.app.support.Screens;
import overturn.layoutfile.Presets;

/** From an accepted verdict to release through the real screens. */
@ExtendWith(OverturnServer.class)
class RepairTest {

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
                .signIn("Tobias Renn");
    }

    private static Locator next(Page page) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Next").setExact(true));
    }

    @Test
    void aMasterIsRenewedBledProvenAndReleased(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 81", "sinks", "primary-piston-cup");
        Screens screens = signedIn(server);
        Page page = screens.page();
        RepairScreens repair = new RepairScreens(screens, "/jobs/" + id).accept();
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id);
        List<String> steps = repair.goOn("Work plan").work();
        assertTrue(steps.stream().anyMatch(step -> step.contains("soft jaws")), "bench bled: " + steps);
        screens.open("/jobs/" + id + "/proving");
        page.getByText("Bleeding is not done").waitFor();
        page.locator("#chocks").getByText("Bleed sheet").click();
        assertTrue(repair.bleed().contains("top up"), "the reservoir is topped up in time");
        repair.goOn("Work plan").work();
        repair.goOn("Proving")
                .prove(Presets.TARN_BOX_VAN, test -> flow.soundFigures(test, 0))
                .release("Tobias Renn");
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
        page.getByText("pipes capped, master").first().waitFor();
        assertEquals(
                0, page.getByText("looked at, as they should be").count(), "nothing can be checked while it is on");
        screens.open("/jobs/" + id + "/work?step=compare-bore@master");
        Locator step = next(page);
        step.getByLabel("Bore, old").fill("23.8");
        step.getByLabel("Bore, new").fill("22.2");
        step.getByText("is a wrong part: stop, or say why").waitFor();
        Locator done =
                step.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Done")));
        done.click();
        page.waitForCondition(() -> flow.now().toString().contains("\"mismatched\":true"));
        page.waitForCondition(
                () -> { // the page begins the step anew once it hears of it
                    step.getByLabel("Bore, new").fill("23.81");
                    step.getByLabel("Bore, old").fill("23.8");
                    return done.isEnabled();
                });
        done.click();
        page.waitForCondition(() -> !flow.now().toString().contains("\"mismatched\":true"));
        screens.open("/jobs/" + id + "/card");
        page.getByText("DO NOT DRIVE", new Page.GetByTextOptions().setExact(true))
                .waitFor();
        page.getByText("pipes capped, master").first().waitFor();
    }

    /** On a slow line somebody has gone on before the server has said that the step is in the log. */
    @Test
    void whoHasGoneElsewhereMeanwhileIsNotThrownBack(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 84", "sinks", "primary-piston-cup");
        new RepairFlow(api, "/api/jobs/" + id).accept();
        Screens screens = signedIn(server).open("/jobs/" + id + "/work");
        Page page = screens.page();
        AtomicReference<Route> held = new AtomicReference<>();
        page.route("**/work-steps", held::set);
        next(page)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Done")))
                .click();
        page.waitForCondition(() -> held.get() != null);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Hand-over"))
                .click();
        page.waitForURL("**/card");
        page.waitForResponse("**/api/jobs/" + id, () -> held.get().resume());
        page.waitForTimeout(500);
        assertTrue(page.url().endsWith("/card"), page.url());
    }

    /** The caller speaks in one order only, and counts. */
    @Test
    void theCallerNeverLetsGoBeforeTheScrewIsClosed(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 83", "sinks", "primary-piston-cup");
        new RepairFlow(api, "/api/jobs/" + id).accept();
        Screens screens = signedIn(server).open("/jobs/" + id + "/bleed");
        Page page = screens.page();
        Page other = new Screens(browser.device(390, 844), server.address())
                .open("/")
                .signIn("Marit Osei")
                .open("/jobs/" + id + "/bleed")
                .page();
        next(other).getByText("strokes at").waitFor();
        page.clock().install();
        screens.button("Caller for two").click();
        screens.button("Start").click();
        for (String call : List.of("PRESS", "OPEN", "HOLD", "CLOSE", "RELEASE", "PRESS")) {
            page.getByText(call, new Page.GetByTextOptions().setExact(true)).waitFor();
            other.getByRole(AriaRole.ALERT).getByText(call).waitFor();
            page.clock().runFor(2000);
        }
        page.getByText("Stroke 2 of 4").waitFor();
    }
}
