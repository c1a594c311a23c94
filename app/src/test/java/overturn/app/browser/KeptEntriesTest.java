package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import overturn.catalogue.ProcedureCatalogue;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import tools.jackson.databind.JsonNode;

/**
 * What is entered is in the log once, whatever the page, the connection and the other technicians do; nothing is ever
 * dropped silently.
 */
@ExtendWith(OverturnServer.class)
class KeptEntriesTest {

    private static final Procedure RESERVOIR =
            ProcedureCatalogue.of(Presets.TARN_BOX_VAN).find("reservoir").orElseThrow();
    private static final String READINGS = "**/api/jobs/*/readings";
    private static final String BUSY = """
            {"type":"urn:overturn:problem:log-has-grown","status":409,"detail":"the log has grown since entry 2"}""";
    private static final String NO = """
            {"type":"urn:overturn:problem:input-not-allowed","status":422,"detail":"observed: this cannot be taken"}""";
    private static Browser browser;

    private Screens screens;
    private ApiClient api;
    private String job;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    /** A job on the workspace, the reservoir looked at, the rig sound: one tap before the reading is entered. */
    private Page lookedAtTheReservoir(OverturnServer.Running server, String vehicle) {
        api = new ApiClient(server.address());
        screens = new Screens(browser.device(1280, 800), server.address())
                .open("/")
                .signIn("Tobias Renn")
                .openJob(vehicle, "Long pedal", "long-then-firm", "rod-gap-too-large");
        Page page = screens.page();
        job = page.url().replaceAll(".*/jobs/", "/api/jobs/");
        screens.startProposed(RESERVOIR);
        screens.radio("At its mark, nobody added").click();
        screens.rigIsSound();
        return page;
    }

    private void enterAtOnce() {
        screens.button("Enter the reading").click();
        screens.button("Enter now").click();
    }

    private List<JsonNode> readings() {
        return api.get(job)
                .body()
                .get("entries")
                .valueStream()
                .filter(e ->
                        e.has("procedureId") && e.get("procedureId").asString().equals("reservoir"))
                .toList();
    }

    private void untilInTheLog(int seconds) {
        for (Instant end = Instant.now().plusSeconds(seconds);
                readings().isEmpty();
                screens.page().waitForTimeout(200)) {
            assertTrue(Instant.now().isBefore(end), "the reading is not in the log");
        }
    }

    private static void refuse(Route route, int status, String body) {
        route.fulfill(new Route.FulfillOptions()
                .setStatus(status)
                .setContentType("application/problem+json")
                .setBody(body));
    }

    @Test
    void enteredTwiceWhileTheAnswerIsSlowItIsInTheLogOnce(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 1");
        page.route(READINGS, route -> {
            page.waitForTimeout(1_500);
            route.resume();
        });
        screens.button("Enter the reading").click();
        screens.button("Enter now").dblclick();
        page.waitForTimeout(500);
        screens.heading("What it changed").waitFor();
        page.waitForTimeout(11_000);
        assertEquals(1, readings().size(), "neither the second tap nor the countdown enters it again");
    }

    @Test
    void whoeverWalksAwayWithinTheTenSecondsFindsItInTheLogWithTheTimeOfTheTap(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 2");
        Instant tapped = Instant.now();
        screens.button("Enter the reading").click();
        page.getByText("Reading kept").waitFor();
        screens.open("/");
        screens.heading("In the bay").waitFor();
        assertEquals(
                0,
                page.getByRole(AriaRole.STATUS).getByText("saved").count(),
                "it is not with the server yet, and the strip does not say so");
        untilInTheLog(20);
        page.getByRole(AriaRole.STATUS).getByText("saved").waitFor();
        Instant taken = Instant.parse(readings().get(0).get("takenAt").asString());
        assertTrue(Duration.between(tapped, taken).abs().toSeconds() <= 2, tapped + " " + taken);
        assertEquals(1, readings().size());
    }

    @Test
    void aJobThatIsBusyTakesItInTheEndAndMeanwhileTheStripSaysThatItWaits(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 3");
        AtomicInteger refusals = new AtomicInteger();
        page.route(READINGS, route -> {
            if (refusals.incrementAndGet() <= 7) {
                refuse(route, 409, BUSY);
            } else {
                route.resume();
            }
        });
        enterAtOnce();
        screens.heading("Kept on this device").waitFor();
        screens.button("To the circuit").click();
        page.getByText("kept here, sends itself").waitFor();
        untilInTheLog(30);
        assertEquals(8, refusals.get());
        assertEquals(1, readings().size());
    }

    @Test
    void whatIsRefusedIsShownMendedAndTakenAndHoldsUpNothing(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 4");
        page.route(READINGS, route -> refuse(route, 422, NO));
        enterAtOnce();
        page.getByText("observed: this cannot be taken").waitFor();
        screens.open("/");
        page.getByRole(AriaRole.STATUS).getByText("1 not taken").click();
        page.getByText("Not taken: observed: this cannot be taken").waitFor();
        page.unroute(READINGS);
        screens.button("Mend it").click();
        page.getByText("Is the test itself sound?").waitFor();
        screens.radio("Low, or topped up lately").click();
        enterAtOnce();
        screens.heading("What it changed").waitFor();
        assertEquals("low-or-topped-up", readings().get(0).get("observed").asString());
        assertEquals(1, readings().size());
        screens.toCircuit();
        page.getByRole(AriaRole.STATUS).getByText("saved").waitFor();
    }

    @Test
    void whatIsRefusedCanBeThrownAwayByHandAndNotByATap(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 5");
        page.route(READINGS, route -> refuse(route, 422, NO));
        enterAtOnce();
        page.getByText("observed: this cannot be taken").waitFor();
        screens.open("/");
        page.reload();
        page.getByRole(AriaRole.STATUS).getByText("1 not taken").click();
        screens.button("Throw away").click();
        screens.button("Cancel").click();
        screens.button("Throw away").click();
        screens.button("Yes, throw it away").click();
        page.getByText("Everything entered on this device has reached the server.")
                .waitFor();
        assertEquals(0, readings().size());
    }

    @Test
    void aReadingThatTheServerFailsOnHoldsUpNoOther(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 6");
        page.route(READINGS, route -> {
            if (route.request().postData().contains("\"reservoir\"")) {
                refuse(
                        route,
                        500,
                        "{\"type\":\"urn:overturn:problem:our-own-fault\",\"status\":500,\"detail\":\"Nothing was written.\"}");
            } else {
                route.resume();
            }
        });
        enterAtOnce();
        screens.heading("Kept on this device").waitFor();
        screens.open(job.replace("/api", "") + "/tests/dry-walk");
        ProcedureCatalogue.of(Presets.TARN_BOX_VAN)
                .find("dry-walk")
                .orElseThrow()
                .steps()
                .forEach(step -> screens.button("Go on").click());
        screens.radio("All dry").first().click();
        screens.enter();
        assertEquals(3, api.get(job).body().get("entries").size(), "the later reading is in the log");
        page.unroute(READINGS);
        untilInTheLog(40);
    }

    @Test
    void enteredInTwoTabsItIsInTheLogOnce(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 7");
        Page other = page.context().newPage();
        other.navigate(page.url());
        Screens second = new Screens(other, server.address());
        other.getByText("Is the test itself sound?").waitFor();
        screens.button("Enter the reading").click();
        second.button("Enter now").click();
        screens.heading("What it changed").waitFor();
        second.heading("What it changed").waitFor();
        assertEquals(1, readings().size());
    }

    @Test
    void aJobOpenedWhileTheServerIsAwayOpensByItself(OverturnServer.Running server) {
        screens = new Screens(browser.device(1280, 800), server.address())
                .open("/")
                .signIn("Tobias Renn");
        Page page = screens.page();
        api = new ApiClient(server.address());
        screens.button("Open a job").click();
        page.route("**/api/jobs", Route::abort);
        page.route("**/api/jobs/*", Route::abort);
        screens.fillIntake("Kept 8", "tarn-box-van", "Sinks", "sinks", "primary-piston-cup");
        screens.heading("Kept on this device").waitFor();
        page.getByText("kept here, sends itself").waitFor();
        page.reload();
        screens.heading("Kept on this device").waitFor();
        page.unroute("**/api/jobs");
        page.unroute("**/api/jobs/*");
        screens.heading("Suspects").waitFor();
        assertEquals(1, api.get("/api/jobs?search=kept%208").body().get("found").asInt());
    }

    @Test
    void aVerdictThatMovedWhileItsSheetWasOpenIsShownAnewBeforeItCanBeAccepted(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 9");
        screens.open(job.replace("/api", ""));
        screens.button("Accept the verdict").first().click();
        page.locator("[role=dialog] textarea").fill("ferry leaves at six");
        api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("25", "mm")));
        screens.heading("The verdict has moved").waitFor();
        assertEquals(3, api.get(job).body().get("entries").size(), "nothing was accepted");
        screens.button("Show what stands now").click();
        page.locator("[role=dialog] textarea").fill("ferry leaves at six");
        screens.confirmVerdict();
        page.getByText("decided, waits for the repair").waitFor();
        JsonNode accepted = api.get(job).body().get("accepted");
        assertEquals(api.get(job).body().get("status").get("decided").get("remedyIds"), accepted.get("remedyIds"));
    }

    @Test
    void aVerdictAcceptedOfflineThatIsOfAnotherLogByThenStaysHereAndIsSaidSo(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 10");
        screens.open(job.replace("/api", ""));
        screens.button("Accept the verdict").first().click();
        page.locator("[role=dialog] textarea").fill("ferry leaves at six");
        page.context().setOffline(true);
        screens.confirmVerdict();
        page.getByText("kept here, sends itself").waitFor();
        api.post(job + "/readings", ApiClient.stamped(2, ApiClient.freePlay("25", "mm")));
        page.context().setOffline(false);
        page.getByRole(AriaRole.STATUS).getByText("1 not taken").click();
        page.getByText("look at what stands now").waitFor();
        assertEquals(3, api.get(job).body().get("entries").size());
        assertFalse(api.get(job).body().has("accepted"));
    }

    @Test
    void whatIsEnteredElsewhereIsOnTheOtherPagesWithinTwoSeconds(OverturnServer.Running server) {
        Page page = lookedAtTheReservoir(server, "Kept 11");
        screens.open(job.replace("/api", ""));
        screens.heading("Suspects").waitFor();
        Page other = browser.device(1280, 800);
        Screens elsewhere = new Screens(other, server.address())
                .open(job.replace("/api", ""))
                .signIn("Marit Osei");
        elsewhere.heading("Suspects").waitFor();
        other.waitForTimeout(1_000);
        screens.button("Log").click();
        elsewhere.button("Log").click();
        List<Duration> taken = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Instant posted = Instant.now();
            api.post(
                    job + "/notes",
                    ApiClient.stamped(
                            2, Map.of("text", "seen elsewhere " + i, "calculatorId", "travel", "inputs", List.of())));
            page.getByText("seen elsewhere " + i).waitFor();
            other.getByText("seen elsewhere " + i).waitFor();
            taken.add(Duration.between(posted, Instant.now()));
        }
        assertTrue(Collections.min(taken).toMillis() < 2_000, "on a machine that is busy at times: " + taken);
    }
}
