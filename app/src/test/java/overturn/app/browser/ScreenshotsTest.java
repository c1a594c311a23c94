package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.app.support.Screens;

/** Takes the pictures of the README from the demo jobs into docs/screenshots, when asked to (./overturn shots). */
@ExtendWith(OverturnServer.class)
@EnabledIfSystemProperty(named = "shots.write", matches = "true", disabledReason = "taken by ./overturn shots")
class ScreenshotsTest {

    private static final Path FOLDER = Path.of("../docs/screenshots");
    private static Browser browser;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    private static Screens device(OverturnServer.Running server, int width, int height, String theme) {
        Page page = browser.device(width, height);
        page.addInitScript(
                "localStorage.setItem('overturn-settings', JSON.stringify({theme: '" + theme + "', units: 'metric'}))");
        return new Screens(page, server.address()).open("/").signIn("Tobias Renn");
    }

    /** Of the view itself, not of its loading. */
    private static void shot(Screens screens, String name) {
        screens.page().locator("main:not([aria-busy=true])").first().waitFor();
        screens.page().waitForTimeout(800);
        screens.page()
                .evaluate("() => Promise.all(document.getAnimations().map((a) => a.finished.catch(() => undefined)))");
        Path file = FOLDER.resolve(name + ".png");
        screens.page().screenshot(new Page.ScreenshotOptions().setPath(file));
        assertTrue(Files.exists(file));
    }

    @Test
    void ofEachView(OverturnServer.Running server) {
        Screens wide = device(server, 1280, 800, "light");
        wide.heading("In the bay").waitFor();
        wide.page()
                .waitForCondition(
                        () -> wide.page().getByText("being worked out").count() == 0);
        shot(wide, "bay");
        wide.open("/intake").page().locator("#intake-layoutId").selectOption("tarn-box-van");
        wide.page().getByLabel("What the driver says, in the driver’s words").fill("Sinks to the boards at the ramp");
        wide.radio("Sinks under a steady foot").click();
        shot(wide, "intake");
        wide.open("/").heading("Tarn SK 22").click();
        wide.button("Start test").click();
        for (String tapped : List.of("Front left hose", "Master", "Master")) {
            wide.page()
                    .locator("svg")
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + tapped)))
                    .first()
                    .press("Enter");
        }
        wide.button("All the rest looked at, and dry").click();
        wide.radio("Low, or topped up lately").click();
        shot(wide, "first-walk");
        wide.open("/").heading("Tarn SK 14").click();
        shot(wide, "trace");
        String job = wide.page().url().replace(server.address(), "");

        wide.open(job + "/bench").button("Add a what-if").click();
        wide.page()
                .getByLabel("Bore, What if 1", new Page.GetByLabelOptions().setExact(true))
                .fill("1 in");
        wide.page().getByText("25.40 mm · 1.000 in").waitFor();
        shot(wide, "bench");
        wide.open("/layouts/new?from=ardle-mail-trike")
                .page()
                .locator("summary", new Page.LocatorOptions().setHasText("Master"))
                .first()
                .click();
        wide.page()
                .getByLabel("Bore", new Page.GetByLabelOptions().setExact(true))
                .fill("7/8 in");
        wide.button("Put a modulator in").click();
        shot(wide, "circuit-editor");
        wide.open("/record/learned");
        wide.button("All")
                .or(wide.page().getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("All")))
                .first()
                .click();
        wide.heading("First hunches").waitFor();
        shot(wide, "record-learned");

        ofTheHalfAfterTheVerdict(server);
        ofPeople(server);
        ofPractice(server);

        Screens dark = device(server, 1280, 800, "dark");
        dark.heading("Tarn SK 07").click();
        shot(dark, "verdict-dark");

        Screens tablet = device(server, 820, 1180, "light").open(job);
        tablet.open(job + "/tests/hold-gentle");
        tablet.button("Go on").click();
        tablet.button("Go on").click();
        shot(tablet, "runner-step");
        tablet.button("Go on").click();
        tablet.button("Go on").click();
        tablet.page()
                .getByLabel("5 s", new Page.GetByLabelOptions().setExact(true))
                .fill("26");
        tablet.page()
                .getByLabel("60 s", new Page.GetByLabelOptions().setExact(true))
                .fill("38");
        tablet.rigIsSound();
        shot(tablet, "runner-entry");
        tablet.enter();
        shot(tablet, "runner-outcome");

        Screens phone = device(server, 390, 844, "light").open(job);
        shot(phone, "trace-phone");
    }

    /** A master half way through its plan, then bled in part, then before its gates. */
    private static void ofTheHalfAfterTheVerdict(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 21", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id).accept();
        flow.tickUpTo("nuts-by-hand@master");
        Screens wide = device(server, 1280, 800, "light").open("/jobs/" + id + "/work");
        wide.heading("Tarn SK 21").waitFor();
        shot(wide, "work-plan");
        flow.tickAll();
        flow.post("strokes", Map.of("endId", "rear-left", "count", 5, "bubbles", "many", "colour", "dark"));
        flow.post("strokes", Map.of("endId", "rear-left", "count", 5, "bubbles", "few", "colour", "clear"));
        wide.open("/jobs/" + id + "/bleed").heading("Tarn SK 21").waitFor();
        shot(wide, "bleed-sheet");
        flow.bleed();
        flow.pass("chocks");
        wide.open("/jobs/" + id + "/proving").heading("Tarn SK 21").waitFor();
        shot(wide, "proving");
    }

    /** The live vehicle of the first lesson, pressed; then what was hidden. */
    private static void ofPractice(OverturnServer.Running server) {
        ExerciseFlow lesson =
                new ExerciseFlow(new ApiClient(server.address()), "tobias-renn", "hold-off-and-on").open();
        Screens wide = device(server, 1280, 800, "light").open("/practice/" + lesson.id());
        Page page = wide.page();
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        wide.button("Pressure").click();
        wide.button("200 N").click();
        page.getByText("5 s:").first().waitFor();
        shot(wide, "practice-vehicle");
        wide.button("Let go").click();
        lesson.test("hold-medium")
                .test("return-time")
                .test("hold-gentle")
                .sure("renew-master", 90)
                .end();
        wide.open("/practice/" + lesson.id() + "/debrief")
                .page()
                .getByText("Ways through the same vehicle")
                .waitFor();
        shot(wide, "debrief");
    }

    /** Who works here, and a tablet that is handed over. */
    private static void ofPeople(OverturnServer.Running server) {
        Page page = browser.device(1280, 800);
        page.addInitScript(
                "localStorage.setItem('overturn-settings', JSON.stringify({theme: 'light', units: 'metric'}))");
        Screens wide = new Screens(page, server.address()).open("/people").signIn("Ines Quill");
        wide.heading("Who may do what").waitFor();
        shot(wide, "people");
        page.getByLabel("What this device is called").fill("Bay 2");
        page.getByLabel("Your present password").fill(ApiClient.PASSWORD);
        wide.button("Make this device a shop tablet").click();
        page.getByText("This device is a shop tablet now.").waitFor();
        page.setViewportSize(820, 1180);
        wide.button("Ines Quill").click();
        wide.button("Hand the tablet over").click();
        wide.heading("Who takes over?").waitFor();
        shot(wide, "hand-over");
    }
}
