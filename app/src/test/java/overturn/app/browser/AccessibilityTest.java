package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.app.support.Screens;

/** Every view under axe (WCAG 2.2 AA) at three widths, light and dark; keyboard; the empty and the failed state. */
@ExtendWith(OverturnServer.class)
class AccessibilityTest {

    private static Browser browser;
    private static String axe;

    @BeforeAll
    static void openBrowser() throws IOException {
        browser = new Browser();
        axe = Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js"));
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    private Screens signedIn(OverturnServer.Running server, int width, int height, String theme) {
        Page page = browser.device(width, height);
        page.addInitScript(
                "localStorage.getItem('overturn-settings') || localStorage.setItem('overturn-settings', JSON.stringify({theme: '"
                        + theme + "', units: 'metric'}))");
        return new Screens(page, server.address()).open("/").signIn("Ines Quill");
    }

    /**
     * Colours and roles hang on the theme, not on the width: axe runs once in each theme, EveryWidthTest looks at
     * sizes.
     */
    private static void assertClean(Page page, String view) {
        Map<?, ?> size =
                (Map<?, ?>) page.evaluate("() => ({wide: document.documentElement.scrollWidth, window: innerWidth})");
        assertEquals(size.get("window"), size.get("wide"), view + " does not scroll sideways");
        assertEquals(
                List.of(),
                Pattern.compile(
                                "\\b(test|figure|option|suspect|remedy|component|fact|caution|repair|check)\\.[a-z-]+[.a-z-]*")
                        .matcher(page.locator("body").innerText())
                        .results()
                        .map(MatchResult::group)
                        .toList(),
                view + " shows words, and no keys of words");
        page.evaluate(axe);
        Object found = page.evaluate(
                "async () => (await axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']}))"
                        + ".violations.map((v) => v.id + ': ' + v.nodes.map((n) => n.html).slice(0, 3).join(' | '))");
        assertEquals(List.of(), found, view);
    }

    @ParameterizedTest
    @CsvSource({"1280, 800, light", "390, 844, dark"})
    void theHalfAfterTheVerdictIsAccessible(int width, int height, String theme, OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = api.openJob("Tarn SK 85", "sinks", "primary-piston-cup");
        RepairFlow flow = new RepairFlow(api, "/api/jobs/" + id).accept();
        flow.post("work-steps", Map.of("key", "cap-pipes@master"));
        Screens screens = signedIn(server, width, height, theme);
        Page page = screens.page();
        for (String view : List.of("work", "bleed", "proving", "card")) {
            screens.open("/jobs/" + id + "/" + view)
                    .heading("Tarn SK 85")
                    .first()
                    .waitFor();
            page.locator("main").first().waitFor();
            assertClean(page, view);
        }
        screens.open("/jobs/" + id + "/bleed").button("Caller for two").click();
        page.getByText("READY").waitFor();
        assertClean(page, "caller");
    }

    @ParameterizedTest
    @CsvSource({"1280, 800, light", "390, 844, dark"})
    void everyViewIsAccessible(int width, int height, String theme, OverturnServer.Running server) {
        Screens screens = signedIn(server, width, height, theme).open("/");
        Page page = screens.page();
        screens.heading("In the bay").waitFor();
        assertClean(page, "bay");

        screens.open("/intake").heading("Open a job").waitFor();
        screens.button("Open the job").click();
        page.getByText("This is needed").first().waitFor();
        assertClean(page, "intake with what is missing");

        screens.open("/bench").button("Add a what-if").click();
        page.getByLabel("Bore, What if 1", new Page.GetByLabelOptions().setExact(true))
                .fill("900");
        page.getByText("cannot be:").waitFor();
        assertClean(page, "bench with an input that cannot be");
        page.getByLabel("Bore, 900", new Page.GetByLabelOptions().setExact(true))
                .fill("1 in");
        page.getByText("25.40 mm · 1.000 in").waitFor();
        assertClean(page, "bench with a what-if");

        screens.open("/workshop").heading("Tools").waitFor();
        page.getByLabel("Master, reseal or renew, labour, min").fill("an hour");
        page.getByText("a number of minutes, 0 or more").waitFor();
        assertClean(page, "workshop with a figure that cannot be read");

        screens.open("/catalogue#test.port-plugs")
                .heading("Plugs in the master ports")
                .waitFor();
        assertClean(page, "catalogue");

        screens.open("/layouts").heading("Old Bess, pump tender").waitFor();
        assertClean(page, "circuits");

        screens.open("/layouts/new?from=ardle-mail-trike")
                .heading("Different from Ardle mail trike")
                .waitFor();
        page.locator("summary", new Page.LocatorOptions().setHasText("Master"))
                .first()
                .click();
        page.getByLabel("Bore", new Page.GetByLabelOptions().setExact(true)).fill("90");
        page.getByText("cannot be:").waitFor();
        assertClean(page, "circuit editor with a bore that cannot be");

        screens.open("/").heading("Tarn SK 14").click();
        screens.heading("Suspects").waitFor();
        assertClean(page, "trace");
        page.locator("svg")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Master")))
                .press("Enter");
        page.getByRole(AriaRole.DIALOG).getByText("Tests that look at it").waitFor();
        assertClean(page, "part of the circuit");
        page.keyboard().press("Escape");
        for (String sheet : List.of("other tests", "cannot be done here", "Log")) {
            screens.button(sheet).click();
            page.getByRole(AriaRole.DIALOG).waitFor();
            assertClean(page, sheet);
            page.keyboard().press("Escape");
        }
        screens.button("Start test").click();
        page.getByText("step 1 of").waitFor();
        assertClean(page, "runner step");
        screens.open(page.url().replace(server.address(), "").replaceAll("/tests/.*", "/walk"))
                .heading("First walk")
                .waitFor();
        assertClean(page, "first walk");
        screens.open(page.url().replace(server.address(), "").replaceAll("/walk$", "/tests/hold-medium"));
        for (int i = 0; i < 4; i++) {
            screens.button("Go on").click();
        }
        page.getByLabel("60 s", new Page.GetByLabelOptions().setExact(true)).fill("900");
        page.getByText("is not possible here").waitFor();
        assertClean(page, "runner entry with a figure that cannot be");
    }

    /** The live vehicle, its parts, the tests to choose from, and what was hidden. */
    @Test
    void recordAndPractice(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String lesson =
                new ExerciseFlow(api, "ines-quill", "hold-off-and-on").open().id();
        String ended = new ExerciseFlow(api, "ines-quill", "where-it-is-trapped")
                .open()
                .test("return-time")
                .sure("set-output-rod", 70)
                .end()
                .id();
        for (String theme : List.of("light", "dark")) {
            Screens screens = signedIn(server, 1280, 800, theme).open("/record?search=nothing");
            Page page = screens.page();
            page.getByText("No closed job is like that.").waitFor();
            assertClean(page, "record, " + theme);
            screens.open("/record/frequencies");
            page.getByText("Before anything is read").waitFor();
            assertClean(page, "frequencies, " + theme);
            screens.open("/practice");
            screens.heading("The course").waitFor();
            assertClean(page, "practice, " + theme);
            screens.open("/practice/" + lesson);
            page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
            assertClean(page, "live vehicle, " + theme);
            screens.button("Front left").first().click();
            page.getByRole(AriaRole.DIALOG).waitFor();
            assertClean(page, "part of the live vehicle, " + theme);
            screens.open("/jobs/" + lesson).heading("What would you test next?").waitFor();
            assertClean(page, "exercise, " + theme);
            screens.button("Choose a test").click();
            page.getByRole(AriaRole.DIALOG).waitFor();
            assertClean(page, "tests to choose from, " + theme);
            screens.open("/practice/" + ended + "/debrief")
                    .heading("Ways through the same vehicle")
                    .waitFor();
            assertClean(page, "what was hidden, " + theme);
        }
    }

    /** Before anybody is signed in, and where people are looked after. */
    @Test
    void doorsAndPeople(OverturnServer.Running server) {
        for (String theme : List.of("light", "dark")) {
            Page page = browser.device(390, 844);
            page.addInitScript("localStorage.setItem('overturn-settings', JSON.stringify({theme: '" + theme
                    + "', units: 'metric'}))");
            Screens screens = new Screens(page, server.address()).open("/people");
            screens.heading("Sign in").waitFor();
            assertClean(page, "sign-in, " + theme);
            screens.signIn("Ines Quill").heading("Who may do what").waitFor();
            assertClean(page, "people, " + theme);
            page.getByLabel("What this device is called").fill("Bay " + theme);
            page.getByLabel("Your present password").fill(ApiClient.PASSWORD);
            screens.button("Make this device a shop tablet").click();
            page.getByText("This device is a shop tablet now.").waitFor();
            screens.button("Ines Quill").click();
            screens.button("PIN and password").click();
            page.getByRole(AriaRole.DIALOG).waitFor();
            assertClean(page, "PIN and password, " + theme);
            screens.button("Close").click();
            screens.button("Ines Quill").click();
            screens.button("Hand the tablet over").click();
            screens.heading("Who takes over?").waitFor();
            assertClean(page, "hand-over, " + theme);
            screens.button("Juno Vale").click();
            assertClean(page, "PIN, " + theme);
            page.keyboard().type(ApiClient.PIN);
            page.keyboard().press("Enter");
            screens.button("Juno Vale").waitFor();
        }
    }

    @Test
    void theWorkspaceIsWorkedByKeys(OverturnServer.Running server) {
        Screens screens = signedIn(server, 1280, 800, "light").open("/");
        Page page = screens.page();
        screens.heading("Tarn SK 14").click();
        screens.heading("Suspects").waitFor();
        page.keyboard().press("ArrowLeft");
        page.getByText("Back to now").waitFor();
        for (int i = 0; i < 12; i++) {
            page.keyboard().press("ArrowLeft");
        }
        assertEquals("before any reading", page.getByRole(AriaRole.SLIDER).getAttribute("aria-valuetext"));
        page.keyboard().press("?");
        page.getByRole(AriaRole.DIALOG).getByText("start the next test").waitFor();
        page.keyboard().press("Escape");
        page.keyboard().press("n");
        page.getByText("step 1 of").waitFor();
    }

    @Test
    void unitsAreSwitchedAnywhereAndFiguresStayAsTyped(OverturnServer.Running server) {
        Screens screens = signedIn(server, 1280, 800, "light").open("/");
        screens.openJob("Tarn SK 70", "Long free play", "long-then-firm", "rod-gap-too-large");
        Page page = screens.page();
        String job = page.url().replace(server.address(), "");
        screens.button("Ines Quill").click();
        screens.radio("US").click();
        page.keyboard().press("Escape");
        page.getByText("Master 0.94 in").waitFor();
        screens.open(job + "/tests/free-play");
        for (int step = 0; step < 3; step++) {
            screens.button("Go on").click();
        }
        page.getByLabel("free play", new Page.GetByLabelOptions().setExact(true))
                .fill("3/4");
        screens.enter().toCircuit();
        screens.button("Log").click();
        page.getByText("3/4 in").waitFor();
    }

    @Test
    void anEmptyBayAndASilentServerAreSaidSo(OverturnServer.Running server) {
        Screens screens = signedIn(server, 390, 844, "light");
        Page page = screens.page();
        page.route(
                "**/api/jobs?*",
                route -> route.fulfill(new Route.FulfillOptions()
                        .setContentType("application/json")
                        .setBody("{\"jobs\":[],\"found\":0,\"atLeast\":false}")));
        screens.open("/");
        page.getByText("No vehicle is in.").waitFor();
        assertClean(page, "empty bay");
        page.unroute("**/api/jobs?*");
        page.route("**/api/jobs?*", route -> route.abort());
        screens.open("/");
        page.getByText("That did not come through").waitFor();
        assertClean(page, "failed bay");
        page.unroute("**/api/jobs?*");
        screens.button("Try again").click();
        screens.heading("In the bay").waitFor();
    }
}
