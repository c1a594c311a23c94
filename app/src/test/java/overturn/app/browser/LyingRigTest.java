package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import overturn.catalogue.ProcedureCatalogue;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingValue.Figures;
import overturn.procedure.Procedure;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;

/** Plugs that weep say that a sound master sinks: the workspace does not believe them until they are fitted anew. */
@ExtendWith(OverturnServer.class)
class LyingRigTest {

    private static final ProcedureCatalogue PROCEDURES = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);
    private static final String NO_FIT = "does not fit the rest";
    private static Browser browser;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    private static void read(Screens screens, String test, boolean checked, double... mm) {
        Procedure procedure = PROCEDURES.find(test).orElseThrow();
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (double value : mm) {
            taken.add(Optional.of(new TypedQuantity(Double.toString(value), MeasureUnit.MILLIMETRE, value)));
        }
        screens.walk(procedure).type(procedure, new Figures(taken));
        if (checked) {
            screens.enter();
        } else {
            screens.radio("not checked").click();
            screens.button("Enter the reading").click();
            screens.button("Enter now").click();
            screens.heading("What it changed").waitFor();
        }
        screens.toCircuit();
    }

    @Test
    void plugsThatWeepAreNotBelievedAndFittedAnewTheySettleIt(OverturnServer.Running server) {
        Screens screens = new Screens(browser.device(1280, 800), server.address())
                .open("/")
                .signIn("Tobias Renn")
                .openJob("Tarn SK 66", "The last shop says it sinks", "sinks", "primary-piston-cup");
        Page page = screens.page();
        String job = page.url().replace(server.address(), "");
        screens.button("Start test").click();
        screens.button("Looked at everything, all dry").click();
        screens.radio("At its mark, nobody added").click();
        screens.button("Enter the walk").click();
        screens.heading("Suspects").waitFor();
        read(screens.open(job + "/tests/port-plugs"), "port-plugs", false, 12, 9, 9, 9, 9, 9);
        read(screens.open(job + "/tests/hold-medium"), "hold-medium", true, 34, 34.5, 35, 35.5);
        read(screens.open(job + "/tests/hold-gentle"), "hold-gentle", true, 24, 24, 24.5, 24.5);
        page.getByRole(AriaRole.ALERT).getByText(NO_FIT).waitFor();
        assertTrue(
                page.getByRole(AriaRole.ALERT).innerText().contains("Plugs in the master ports"),
                "it says which reading");
        assertNotEquals("PROVEN", screens.grade(), "a conflict is never a proof");

        page.getByText("Plugs in the master ports, depth sweep, again, set up or looked at anew")
                .waitFor();
        screens.button("Start test").click();
        read(screens, "port-plugs", true, 12, 0.3, 0.2, 0.2, 0.1, 0.1);
        assertFalse(screens.verdict().contains(NO_FIT), screens.verdict());
        assertFalse(screens.verdict().contains("Master, reseal or renew"), "the master was never it");
    }
}
