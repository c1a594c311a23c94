package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.Device;
import overturn.app.support.FakeInstrument;
import overturn.app.support.OverturnServer;
import overturn.app.support.People;
import overturn.app.support.Screens;
import tools.jackson.databind.JsonNode;

/** The figures of a hold are taken from what a logger wrote down, with decimal commas and a drop-out. */
@ExtendWith(OverturnServer.class)
class TraceFileTest {

    private static Browser browser;

    @BeforeAll
    static void aBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closed() {
        browser.close();
    }

    /**
     * Ten a second: 4 mm at rest, pressed to 34 mm, sinking 0.2 mm a second; nothing from 16 to 20 s after the press.
     */
    private static byte[] logged() {
        StringBuilder table = new StringBuilder("Time;Travel\n");
        for (int i = 0; i <= 680; i++) {
            double t = i / 10.0;
            double mm = t < 4 ? 4 : t < 4.5 ? 4 + 60 * (t - 4) : 34 + 0.2 * (t - 4.5);
            String value = t > 18 && t < 22
                    ? ""
                    : String.format(Locale.ROOT, "%.2f", mm).replace('.', ',');
            table.append(String.format(Locale.ROOT, "%.1f", t).replace('.', ','))
                    .append(';')
                    .append(value)
                    .append('\n');
        }
        return table.toString().getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void marksAreReadOffTheFileAndItsTraceIsKept(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String job = api.openJob("Logged van", "sinks", "primary-piston-cup");
        Screens screens = new Screens(browser.device(820, 1180), server.address())
                .open("/jobs/" + job + "/tests/hold-medium")
                .signIn("Ines Quill");
        Page page = screens.page();
        screens.button("To the figures").click();
        page.getByText("Take the figures from a logger's file").click();
        page.getByLabel("Choose a file (CSV)").first().setInputFiles(new FilePayload("hold.csv", "text/csv", logged()));
        page.getByLabel("Seconds stand in").selectOption("Time");
        page.getByLabel("Values stand in").selectOption("Travel");
        page.getByText("At rest it showed 4 mm").waitFor();
        page.getByLabel("Instrument", new Page.GetByLabelOptions().setExact(true))
                .fill("Logger 7");
        screens.button("Take these figures").click();
        assertEquals("", field(page, "15 s"), "it had dropped out there: nothing is made up");
        assertEquals(31, Double.parseDouble(field(page, "5 s")), 0.3);
        assertEquals(42, Double.parseDouble(field(page, "60 s")), 0.3);
        screens.rigIsSound();
        screens.button("Enter the reading").click();
        screens.button("Enter now").click();
        screens.button("To the circuit").click();
        screens.button("Log").click();
        page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Trace of an instrument"))
                .waitFor();
        page.getByText("Trace · Logger 7").first().waitFor();
        JsonNode entries = api.get("/api/jobs/" + job).body().get("entries");
        JsonNode last = entries.get(entries.size() - 1);
        assertEquals("trace-kept", last.get("kind").asString());
        assertEquals("hold-medium", last.get("told").get("procedureId").asString());
    }

    private static String field(Page page, String label) {
        Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
        return field.inputValue();
    }

    /** Its clock runs ten times as fast as ours; it drops out where the mark at 15 s would be. */
    @Test
    void figuresAreTakenFromAnInstrumentThatIsThere(OverturnServer.Running server) throws Exception {
        ApiClient api = new ApiClient(server.address());
        Device owner = People.owner(server.address(), server.context().getBean(JdbcClient.class));
        String name = "Tape " + UUID.randomUUID().toString().substring(0, 8);
        try (FakeInstrument tape = FakeInstrument.showing(
                10, t -> t > 22 && t < 26 ? null : t < 8 ? 4.0 : t < 8.5 ? 4 + 60 * (t - 8) : 34 + 0.2 * (t - 8.5))) {
            owner.post(
                    "/api/instruments/announcements",
                    Map.of("serial", name, "kind", "travel-tape", "port", tape.port()));
            String job = api.openJob("Measured van", "sinks", "primary-piston-cup");
            owner.post("/api/instruments", Map.of("id", UUID.randomUUID().toString(), "serial", name, "name", name));
            Screens screens = new Screens(browser.device(820, 1180), server.address())
                    .open("/jobs/" + job + "/tests/hold-medium")
                    .signIn("Ines Quill");
            Page page = screens.page();
            screens.button("To the figures").click();
            page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(name))
                    .click();
            for (int tries = 0; tries < 40 && field(page, "60 s").isEmpty(); tries++) {
                screens.button("Take these figures").click();
                page.waitForTimeout(500);
            }
            assertEquals("", field(page, "15 s"), "it had dropped out there: nothing is made up");
            assertEquals(31, Double.parseDouble(field(page, "5 s")), 0.5);
        }
    }
}
