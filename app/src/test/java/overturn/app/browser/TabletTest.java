package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import overturn.app.support.ServerProcess;
import overturn.app.support.Shell;
import tools.jackson.databind.JsonNode;

/** A tablet in the bay: over TLS on another address, shared by PIN, cut off in between. */
@ExtendWith(OverturnServer.class)
class TabletTest {

    private static final String ADDRESS = "127.0.0.2";

    private static Browser browser;
    private static ServerProcess server;

    @TempDir
    static Path var;

    @BeforeAll
    static void aServerWithACertificateMadeHere() throws Exception {
        browser = new Browser();
        assertEquals(
                0, new Shell(var).run("make_certificate $VAR/tls " + ADDRESS).code());
        server = ServerProcess.begin(
                ADDRESS,
                "tls-server.log",
                Map.of(
                        "SERVER_SSL_KEY_STORE_PASSWORD",
                        Files.readString(var.resolve("tls/password")).strip()),
                "--server.address=" + ADDRESS,
                "--overturn.names=" + ADDRESS,
                "--server.ssl.enabled=true",
                "--server.ssl.key-alias=server",
                "--server.ssl.key-store=" + var.resolve("tls/server.p12"));
        assertTrue(server.isUp(), "see target/tls-server.log");
    }

    @AfterAll
    static void closed() {
        browser.close();
        server.close();
    }

    private static void takeOver(Screens tablet, String name) {
        tablet.button(Pattern.compile("^" + name)).click();
        for (char digit : ApiClient.PIN.toCharArray()) {
            tablet.button(Character.toString(digit)).click();
        }
        tablet.button("Go").click();
        tablet.page().getByRole(AriaRole.STATUS).first().waitFor();
        tablet.button("Back one").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    }

    @Test
    void aJobIsDoneThereAndWhatWasWrittenWithoutALineIsItsWritersOwn(OverturnServer.Running plain) {
        ApiClient api = new ApiClient(plain.address());
        String id = api.openJob("Tablet van", "sinks", "primary-piston-cup");
        Page page = browser.trustingDevice(820, 1180);
        Screens tablet = new Screens(page, "https://" + ADDRESS + ":" + server.port());
        tablet.open("/people").signIn("Ines Quill");
        page.getByLabel("What this device is called").fill("Bay tablet");
        page.getByLabel("Your present password").fill(ApiClient.PASSWORD);
        tablet.button("Make this device a shop tablet").click();
        page.getByText("This device is a shop tablet now.").waitFor();
        tablet.button("Ines Quill").click();
        tablet.button("Hand the tablet over").click();
        tablet.heading("Who takes over?").waitFor();
        takeOver(tablet, "Juno Vale");

        tablet.open("/jobs/" + id).heading("Tablet van").waitFor();
        tablet.button("Log").click();
        page.getByLabel("Write a note").waitFor();
        page.context().setOffline(true);
        page.getByLabel("Write a note").fill("Fluid on the bulkhead");
        tablet.button("Into the log").click();
        page.getByText("kept here, sends itself").waitFor();
        page.route("**/notes", Route::abort);
        page.context().setOffline(false);
        tablet.button("Juno Vale").click();
        tablet.button("Hand the tablet over").click();
        tablet.heading("Who takes over?").waitFor();
        takeOver(tablet, "Marit Osei");
        assertEquals(2, api.get("/api/jobs/" + id).body().get("entries").size(), "it still waits");
        page.unroute("**/notes");
        page.getByRole(AriaRole.STATUS).getByText("saved").waitFor();
        JsonNode entries = api.get("/api/jobs/" + id).body().get("entries");
        assertEquals(
                "juno-vale", entries.get(entries.size() - 1).get("personId").asString());
    }
}
