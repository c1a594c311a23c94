package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.app.support.Screens;

/**
 * Every view at every width, in the units that take more room: nothing is cut, runs off the screen or out of its
 * drawing, and what is to be tapped is large enough. A window of 1280 px at 200 % zoom is one of 640.
 */
@ExtendWith(OverturnServer.class)
class EveryWidthTest {

    private static final int TARGET_PX = 44;
    private static final int TARGET_OF_A_TEST_PX = 64;
    private static final int[][] SIZES = {{390, 844}, {640, 400}, {820, 1180}, {1920, 1080}, {1280, 800}};
    private static final int DRAWN_MILLIS = 120;
    private static final String LAST = "Is the test itself sound?";

    private static Browser browser;
    private static String look;

    @BeforeAll
    static void openBrowser() throws IOException {
        browser = new Browser();
        try (var in = EveryWidthTest.class.getResourceAsStream("/overturn/browser/cut-or-small.js")) {
            look = new String(in.readAllBytes(), StandardCharsets.UTF_8).strip().replaceAll(";$", "");
        }
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    @Test
    void nothingIsCutAndEverythingCanBeTapped(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String traced = api.openJob("Tarn SK 640", "sinks", "second-piston-front-cup");
        String repaired = api.openJob("Tarn SK 641", "sinks", "primary-piston-cup");
        new RepairFlow(api, "/api/jobs/" + repaired).accept().post("work-steps", Map.of("key", "cap-pipes@master"));
        Page page = browser.device(1280, 800);
        page.addInitScript("localStorage.setItem('overturn-settings', JSON.stringify({theme: 'light', units: 'us'}))");
        Screens screens = new Screens(page, server.address()).open("/").signIn("Ines Quill");
        List<String> found = new ArrayList<>();
        List<String> views = new ArrayList<>(List.of(
                "/",
                "/intake",
                "/bench",
                "/workshop",
                "/people",
                "/catalogue",
                "/layouts",
                "/layouts/new?from=ardle-mail-trike"));
        views.addAll(List.of("/jobs/" + traced, "/jobs/" + traced + "/bench"));
        List.of("work", "bleed", "proving", "card").forEach(view -> views.add("/jobs/" + repaired + "/" + view));
        String lesson =
                new ExerciseFlow(api, "ines-quill", "hold-off-and-on").open().id();
        String ended = new ExerciseFlow(api, "ines-quill", "hold-off-and-on")
                .open()
                .test("hold-medium")
                .sure("renew-master", 70)
                .end()
                .id();
        views.addAll(List.of(
                "/record",
                "/record/learned",
                "/record/frequencies",
                "/practice",
                "/intake?exercise=" + new ExerciseFlow(api, "ines-quill", "clutch-stroke").id(),
                "/practice/" + lesson,
                "/jobs/" + lesson,
                "/practice/" + lesson + "/debrief",
                "/practice/" + ended + "/debrief"));
        for (String view : views) {
            screens.open(view);
            found.addAll(looked(page, view, TARGET_PX));
        }
        screens.open("/").heading("Tarn SK 14").click();
        screens.heading("Suspects").waitFor();
        found.addAll(looked(page, "a job with readings", TARGET_PX));
        screens.open("/jobs/" + traced + "/walk");
        found.addAll(looked(page, "walk", TARGET_OF_A_TEST_PX));
        for (String test : List.of("port-plugs", "hold-medium")) {
            screens.open("/jobs/" + traced + "/tests/" + test);
            page.getByText("step 1 of").waitFor();
            for (int step = 1; page.getByText(LAST).count() == 0; step++) {
                page.getByText(Pattern.compile("step " + step + " of|" + Pattern.quote(LAST)))
                        .first()
                        .waitFor();
                found.addAll(looked(page, test + ", step " + step, TARGET_OF_A_TEST_PX));
                screens.button("Go on").click();
            }
            page.getByText(LAST).waitFor();
            found.addAll(looked(page, test + ", figures", TARGET_OF_A_TEST_PX));
        }
        assertEquals(List.of(), found);
    }

    /**
     * A view is opened once and drawn at every width: a phone, half a screen at 200 %, a tablet, a bench, a large
     * screen.
     */
    private static List<String> looked(Page page, String view, int targetPx) {
        page.locator("main:not([aria-busy=true])").first().waitFor();
        page.evaluate("() => document.fonts.ready");
        List<String> found = new ArrayList<>();
        for (int[] size : SIZES) {
            page.setViewportSize(size[0], size[1]);
            page.waitForTimeout(DRAWN_MILLIS);
            ((List<?>) page.evaluate(look, targetPx))
                    .forEach(one -> found.add(view + " at " + size[0] + " px: " + one));
        }
        return found;
    }
}
