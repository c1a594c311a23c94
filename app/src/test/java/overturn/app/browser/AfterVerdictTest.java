package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.ApiClient.Answer;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.RepairFlow;
import overturn.app.support.RepairScreens;
import overturn.app.support.Screens;
import overturn.layoutfile.Presets;

/** Whole jobs of other families from the verdict to the release, on the screens. */
@ExtendWith(OverturnServer.class)
class AfterVerdictTest {

    private static final String SIGNS = "Tobias Renn";
    private static Browser browser;

    private ApiClient api;
    private Screens screens;
    private String job;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    /** A job with a few looks taken, and the workspace of whoever repairs it. */
    private RepairScreens traced(
            OverturnServer.Running server, String layoutId, String behaviour, Map<String, String> looks) {
        api = new ApiClient(server.address());
        Map<String, Object> intake = ApiClient.intake("Quay " + layoutId, behaviour, "nothing-wrong");
        intake.put("layoutId", layoutId);
        assertEquals(201, api.post("/api/jobs", intake).status());
        job = "/jobs/" + intake.get("jobId");
        looks.forEach((test, option) -> read(test, Map.of("observed", option, "figures", List.of())));
        screens = new Screens(browser.device(1280, 800), server.address())
                .open("/")
                .signIn(SIGNS);
        return new RepairScreens(screens, job);
    }

    private void read(String test, Map<String, Object> value) {
        Map<String, Object> fields = new HashMap<>(value);
        fields.put("procedureId", test);
        fields.put("rigCheck", "sound");
        fields.put("anotherRig", false);
        Answer answer = new RepairFlow(api, "/api" + job).post("readings", fields);
        assertEquals(200, answer.status(), () -> answer.body().toString());
    }

    /** Through the API: the screens of it are worked in other jobs. */
    private void proveAndRelease() {
        new RepairFlow(api, "/api" + job).proveAndRelease();
        assertEquals("released-conditionally", stage());
    }

    private String stage() {
        return api.get("/api" + job).body().get("stage").asString();
    }

    private static void holds(List<String> steps, String part) {
        assertTrue(steps.stream().anyMatch(s -> s.contains(part)), part + " is not among " + steps);
    }

    @Test
    void aConcentricSlaveIsRenewedAndBledUntilNoBubbleComesAfterTheRest(OverturnServer.Running server) {
        RepairScreens repair =
                traced(server, "pellow-saloon-clutch", "level-falls", Map.of("housing-drain", "clutch-fluid"));
        holds(repair.accept().plan(), "cap");
        new RepairFlow(api, "/api" + job).tickAll();
        screens.open(job + "/bleed");
        assertTrue(repair.bleed().contains("rest"), "left alone once");
        proveAndRelease();
    }

    @Test
    void aLeversCaliperIsResealedByItsMeasuredBore(OverturnServer.Running server) {
        RepairScreens repair = traced(server, "wisp-courier-brake", "level-falls", Map.of("ends-papered", "wet"));
        List<String> steps = repair.accept().plan();
        holds(steps, "seal");
        assertTrue(steps.stream().noneMatch(s -> s.contains("pedal")), "nobody reads of a pedal: " + steps);
        RepairFlow flow = new RepairFlow(api, "/api" + job);
        flow.tickAll();
        flow.bleed();
        screens.open(job + "/proving");
        repair.prove(Presets.layout("wisp-courier-brake"), test -> flow.soundFigures(test, 0))
                .release(SIGNS);
        assertEquals("released-conditionally", stage());
    }

    @Test
    void aHydraulicAssistIsResealedAndNothingOfTheBrakesIsBled(OverturnServer.Running server) {
        RepairScreens repair = traced(
                server,
                "corvane-flatbed",
                "hard",
                Map.of("footwell-papered", "wet", "steering-fluid-look", "wet-in-footwell"));
        List<String> steps = repair.accept().plan();
        assertTrue(steps.stream().noneMatch(s -> s.contains("Bleed")), "nothing is bled: " + steps);
        new RepairFlow(api, "/api" + job).tickAll();
        proveAndRelease();
    }

    @Test
    void aDragIsCuredByTheRod(OverturnServer.Running server) {
        RepairScreens repair = traced(server, "tarn-box-van", "stays-on", Map.of());
        read(
                "toe-lift",
                Map.of(
                        "figures",
                        List.of(
                                Map.of("id", "before", "text", "150", "unit", "Nm"),
                                Map.of("id", "after", "text", "5", "unit", "Nm"))));
        read("free-play", Map.of("figures", List.of(Map.of("id", "play", "text", "0", "unit", "mm"))));
        repair.accept();
        new RepairFlow(api, "/api" + job).tickAll();
        proveAndRelease();
    }

    @Test
    void theGateStaysShutWhileTheParkingCableIsSlack(OverturnServer.Running server) {
        RepairScreens repair = traced(server, "tarn-box-van", "stays-on", Map.of("cable-slackened", "frees"));
        repair.accept();
        RepairFlow flow = new RepairFlow(api, "/api" + job);
        flow.now().get("repair").get("steps").forEach(step -> {
            if (step.get("id").asString().equals("cable-slack")) {
                flow.post("work-steps", Map.of("key", step.get("key").asString()));
            }
        });
        screens.open(job + "/proving");
        Page page = screens.page();
        page.getByText("parking cable slack", new Page.GetByTextOptions().setExact(false))
                .first()
                .waitFor();
        assertEquals(0, page.getByText("looked at, as they should be").count(), "nothing can be checked before");
        page.locator("#chocks")
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("parking cable slack"))
                .getByText("by a step of the plan")
                .waitFor();
    }

    @Test
    void anOldPartThatIsWholeOverturnsTheVerdictBeforeTheNewOneGoesOn(OverturnServer.Running server) {
        RepairScreens repair = traced(server, "tarn-box-van", "sinks", Map.of());
        repair.accept();
        read("master-stripped", Map.of("observed", "sound", "figures", List.of()));
        screens.open(job + "/work");
        screens.page().getByText("Stop before the new part goes on").first().waitFor();
    }

    @Test
    void aReleasedVehicleComesBackAsAJobThatBeginsWithItsEvidence(OverturnServer.Running server) {
        traced(server, "tarn-box-van", "sinks", Map.of());
        RepairFlow flow = new RepairFlow(api, "/api" + job).accept();
        flow.releaseConditionally();
        screens.open(job + "/proving");
        Page page = screens.page();
        page.getByText("It came back").click();
        screens.fillIntake("Quay tarn-box-van", "tarn-box-van", "Sinks again", "sinks", "nothing-wrong");
        page.getByText("This vehicle came back after a release.").waitFor();
        assertEquals("comeback", stage());
    }

    @Test
    void aJobIsGivenUpWithItsReasonAndTakenUpAgainFromItsLog(OverturnServer.Running server) {
        traced(server, "tarn-box-van", "sinks", Map.of());
        screens.open(job).heading("Suspects").waitFor();
        Page page = screens.page();
        screens.button("Quay tarn-box-van").click();
        page.getByLabel("Why it is given up").fill("went back to the mainland");
        screens.button("Give the job up").click();
        screens.heading("went back to the mainland").waitFor();
        assertEquals("given-up", stage());
        screens.button("Log").click();
        Locator entry = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Given up"));
        entry.getByRole(AriaRole.BUTTON).click();
        page.getByLabel("Why does it not count?").fill("it stayed");
        entry.getByRole(AriaRole.BUTTON).click();
        screens.button("Start test").waitFor();
        assertEquals("tracing", stage());
    }
}
