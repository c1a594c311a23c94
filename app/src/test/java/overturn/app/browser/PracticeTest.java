package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.ExerciseFlow;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.VehicleWords;
import overturn.words.Words;

/** Exercises as an apprentice does them: on the screen, with hands on a live vehicle, to what was hidden. */
@ExtendWith(OverturnServer.class)
class PracticeTest {

    /** A circuit that nobody has asked for yet is worked out first, beside whatever else runs. */
    private static final Locator.WaitForOptions COLD_CIRCUIT = new Locator.WaitForOptions().setTimeout(60_000);

    private static final Map<String, String> WORDS = Words.all();
    private static final String JUNO = "juno-vale";
    private static Browser browser;

    @BeforeAll
    static void aBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closed() {
        browser.close();
    }

    private static String set(ApiClient api, String layoutId, String kind) {
        String id = UUID.randomUUID().toString();
        api.post(
                JUNO,
                "/api/practice/exercises",
                Map.of("exerciseId", id, "layoutId", layoutId, "kind", kind, "level", "first-steps"));
        return id;
    }

    private static Screens juno(OverturnServer.Running server, int width, int height) {
        return new Screens(browser.device(width, height), server.address())
                .open("/practice")
                .signIn("Juno Vale");
    }

    private static String word(String id, Layout layout) {
        return WORDS.get(VehicleWords.key(id, layout));
    }

    /** One of each family. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "tarn-box-van",
                "old-bess-tender",
                "corvane-flatbed",
                "brack-tug-clutch",
                "pellow-saloon-clutch",
                "wisp-courier-brake",
                "wisp-courier-clutch"
            })
    void anExerciseOfEachFamilyGoesFromTheDriversWordsToWhatWasHidden(String layoutId, OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        Layout layout = Presets.layout(layoutId);
        String id = set(api, layoutId, "one-fault");
        String felt = api.get(JUNO, "/api/practice/exercises/" + id)
                .body()
                .get("felt")
                .asString();
        Screens screens = juno(server, 1280, 800);
        screens.open("/intake?exercise=" + id);
        Page page = screens.page();
        page.getByText("Practice: a hidden vehicle").waitFor();
        screens.radio(word("option.characterise." + felt, layout)).click();
        screens.radio("no, it stays where it is").click();
        screens.button("Open the job").click();
        screens.heading("What would you test next?").waitFor(COLD_CIRCUIT);
        assertEquals(0, page.getByText("Suspects").count(), "suspicion is hidden");
        screens.button("Choose a test").click();
        page.getByLabel("Search tests").fill(WORDS.get("test.return-time").substring(0, 8));
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(WORDS.get("test.return-time")))
                .first()
                .click();
        screens.button("To the figures").or(screens.button("Go on")).first().click();
        while (screens.button("Have it done on the vehicle").count() == 0) {
            screens.button("Go on").click();
        }
        screens.button("Have it done on the vehicle").click();
        page.getByText("It showed:").waitFor();
        screens.radio("sound").first().click();
        screens.button("Enter the reading").click();
        screens.button("Enter now").click();
        screens.button("To the circuit").click();
        screens.button("What would you do, and why?").click();
        screens.heading("Suspects").waitFor();
        page.getByText("End the exercise").click();
        screens.button("End it and tell me").click();
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Ways through the same vehicle"))
                .waitFor(new Locator.WaitForOptions().setTimeout(150_000));
        page.getByText("nothing was named").waitFor();
        assertEquals(3, page.getByRole(AriaRole.TABLE).getByRole(AriaRole.ROW).count() - 1);
    }

    private static double travel(Page page) {
        return Double.parseDouble(page.locator("[data-instrument=travel-tape]").innerText());
    }

    private static void untilTravel(Page page, String condition) {
        page.waitForFunction(
                "() => { const mm = Number(document.querySelector('[data-instrument=travel-tape]').innerText);"
                        + " return mm " + condition + "; }");
    }

    @Test
    void thePedalIsHeldByKeysAndByTouchAndLetGo(OverturnServer.Running server) {
        String id = set(new ApiClient(server.address()), "tarn-box-van", "nothing-wrong");
        Screens screens = juno(server, 390, 844);
        screens.open("/practice/" + id);
        Page page = screens.page();
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        Locator pedal = page.getByRole(AriaRole.SLIDER);
        pedal.focus();
        for (int i = 0; i < 8; i++) {
            page.keyboard().press("ArrowDown");
        }
        untilTravel(page, "> 8");
        page.keyboard().press("Space");
        untilTravel(page, "< 4");
        page.keyboard().press("Space");
        untilTravel(page, "> 8");
        page.keyboard().press("Escape");
        untilTravel(page, "< 4");
        pedal.scrollIntoViewIfNeeded();
        BoundingBox box = pedal.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height * 0.3);
        page.mouse().down();
        untilTravel(page, "> 5");
        double gentle = travel(page);
        page.mouse().move(box.x + box.width / 2, box.y + box.height * 0.9);
        untilTravel(page, "> " + (gentle + 3));
        page.mouse().up();
        untilTravel(page, "< 4");
    }

    @Test
    void aHoldDoneByHandGivesTheTestItsFiguresFromTheTapeAndKeepsTheTrace(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String id = new ExerciseFlow(api, JUNO, "hold-off-and-on").open().id();
        Screens screens = juno(server, 1280, 800);
        screens.open("/jobs/" + id + "/tests/hold-medium");
        Page page = screens.page();
        screens.button("To the figures").click();
        page.getByText("Do it by hand on the live vehicle").click();
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        screens.button("200 N").click();
        page.getByText("15 s:").waitFor(new Locator.WaitForOptions().setTimeout(30_000));
        screens.button("Enter these marks: " + WORDS.get("test.hold-medium")).click();
        page.getByText("Taken. The trace is kept with the reading.").waitFor();
        assertTrue(Double.parseDouble(page.getByLabel("5 s", new Page.GetByLabelOptions().setExact(true))
                        .inputValue())
                > 5);
        assertEquals(
                "",
                page.getByLabel("60 s", new Page.GetByLabelOptions().setExact(true))
                        .inputValue(),
                "not held so long");
        screens.radio("sound").first().click();
        screens.button("Enter the reading").click();
        screens.button("Enter now").click();
        screens.heading("Entered").waitFor();
        page.waitForCondition(() -> api.get(JUNO, "/api/jobs/" + id)
                .body()
                .get("entries")
                .valueStream()
                .anyMatch(e -> "trace-kept".equals(e.get("kind").asString())));
    }

    @Test
    void aRepairThatGoesWrongIsToldAndAnUnsafeActStopsIt(OverturnServer.Running server) {
        String id = set(new ApiClient(server.address()), "tarn-box-van", "nothing-wrong");
        Screens screens = juno(server, 1280, 800);
        screens.open("/practice/" + id);
        Page page = screens.page();
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        screens.button("200 N").click();
        untilTravel(page, "> 8");
        atPart(screens, "Front left", "Open the bleed screw");
        screens.button("Let go").click();
        page.getByText(WORDS.get("mishap.early-release")).waitFor();
        atPart(screens, "Front left", "Shut the bleed screw");
        screens.button("Shoes set to rub").click();
        screens.button("Drive 10 min").click();
        page.getByText(WORDS.get("mishap.shoes-not-set-back")).waitFor();
        screens.button("Cap is off").click();
        screens.button("50 N").click();
        page.getByText(WORDS.get("mishap.cap-off")).waitFor();
        screens.button("Let go").click();
        atPart(screens, "Rear left", "Fit one size smaller");
        page.getByText(WORDS.get("mishap.wrong-size-fitted")).waitFor();
        atPart(screens, WORDS.get("component.pedal"), "Rod 1.5 mm longer");
        screens.button("Drive 10 min").click();
        page.getByText(WORDS.get("mishap.rod-too-long")).waitFor();
        atPart(screens, "Reservoir", "Fill up: " + WORDS.get("fluid.mineral"));
        screens.heading("Stopped: somebody would have been hurt").waitFor();
        page.getByText(WORDS.get("hazard.fluids-mixed")).waitFor();
        assertTrue(page.getByText("live", new Page.GetByTextOptions().setExact(true))
                .isVisible());
    }

    private static void atPart(Screens screens, String part, String act) {
        screens.button(part).first().click();
        Locator dialog = screens.page().getByRole(AriaRole.DIALOG);
        dialog.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(act).setExact(true))
                .first()
                .click();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close"))
                .click();
    }

    @Test
    void theCourseIsBegunFromItsPageAndTheLeadSetsOneForOthers(OverturnServer.Running server) {
        Screens lead = new Screens(browser.device(1280, 800), server.address())
                .open("/practice")
                .signIn("Ines Quill");
        Page page = lead.page();
        page.getByText("Set an exercise for others").click();
        page.getByLabel("Marit Osei").check();
        lead.button("Set it").click();
        page.getByText("It is set; each finds it under Practice.").waitFor();
        Screens marit = new Screens(browser.device(1280, 800), server.address())
                .open("/practice")
                .signIn("Marit Osei");
        marit.page().getByText("goes on").first().waitFor();
        marit.button("Begin").first().click();
        marit.page().getByText(WORDS.get("lesson.hold-off-and-on.before")).waitFor();
        assertEquals(
                "Practice: Tarn box van",
                marit.page().getByLabel("Vehicle").first().inputValue());
    }
}
