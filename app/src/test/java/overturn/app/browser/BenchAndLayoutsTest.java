package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;

/** The bench, the circuit editor and the workshop through the real screens. */
@ExtendWith(OverturnServer.class)
class BenchAndLayoutsTest {

    /** A circuit that nobody has asked for yet is worked out first, beside whatever else runs. */
    private static final Locator.WaitForOptions COLD_CIRCUIT = new Locator.WaitForOptions().setTimeout(60_000);

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
                .signIn("Ines Quill");
    }

    private static Locator exactly(Page page, String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    private static Locator row(Page page, String name) {
        return page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.ROWHEADER,
                                new Page.GetByRoleOptions().setName(name).setExact(true))));
    }

    @Test
    void aResultOfTheBenchIsNotedAndAnInputEnteredAsAReading(OverturnServer.Running server) {
        Screens screens =
                signedIn(server).openJob("Tarn SK 80", "Long free play", "long-then-firm", "rod-gap-too-large");
        Page page = screens.page();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bench"))
                .click();
        page.getByText("Fed by the figures of this job’s circuit: Tarn box van").waitFor();
        screens.button("Free play and turns").click();
        exactly(page, "Free play measured, As it is").fill("900");
        page.getByText("“900 mm” cannot be: 0 to 80 mm").waitFor();
        exactly(page, "Free play measured, As typed").fill("3/8 in");
        page.getByText("9.52 mm · 0.375 in").waitFor();
        page.getByText("Lengthen the rod: turn it out of its fork.").waitFor();
        assertTrue(
                row(page, "Turns").innerText().contains("1.3"),
                row(page, "Turns").innerText());
        screens.button("Note it in the log").click();
        page.getByText("Noted in the log.").waitFor();
        screens.button("Enter as reading: Free play").click();
        page.getByText("Entered as a reading of Free play.").waitFor();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("To the circuit"))
                .click();
        screens.button("Log").click();
        Locator log = page.getByRole(AriaRole.DIALOG);
        log.getByText("Free play measured 3/8 in").waitFor();
        assertEquals(
                1,
                log.getByText("3/8 in", new Locator.GetByTextOptions().setExact(true))
                        .count(),
                "the reading stands as typed: " + log.innerText());
    }

    @Test
    void whatIfsStandSideBySideWithEffortTravelAndReserve(OverturnServer.Running server) {
        Screens screens = signedIn(server).open("/bench");
        Page page = screens.page();
        exactly(page, "Pressure wanted, As it is").fill("25");
        page.getByText("Marked bores give the pressure at this effort").waitFor();
        screens.button("Add a what-if").click();
        exactly(page, "Bore, What if 1").fill("1 in");
        page.getByText("25.40 mm · 1.000 in").waitFor();
        page.waitForCondition(() -> row(page, "Travel")
                .getByRole(AriaRole.CELL)
                .allInnerTexts()
                .get(1)
                .startsWith("30.7"));
        assertTrue(
                row(page, "Travel")
                        .getByRole(AriaRole.CELL)
                        .allInnerTexts()
                        .get(0)
                        .startsWith("34.7"),
                "more bore, less travel");
        assertTrue(
                row(page, "Pressure")
                        .getByRole(AriaRole.CELL)
                        .allInnerTexts()
                        .get(0)
                        .startsWith("22.5"),
                "and less pressure");
        page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Travel against force"))
                .waitFor();
        exactly(page, "Figures of").selectOption("brack-tug-clutch");
        screens.button("Slave stroke").click();
        page.getByText("Margin right.").waitFor();
    }

    @Test
    void aCircuitIsMadeFromAPresetAndAJobIsOpenedOnIt(OverturnServer.Running server) {
        Screens screens = signedIn(server);
        Page page = screens.page();
        screens.button("Circuits").click();
        page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Tarn box van"))
                .getByText("Start from this one")
                .click();
        page.locator("summary", new Page.LocatorOptions().setHasText("Master"))
                .first()
                .click();
        exactly(page, "Bore").fill("90");
        page.getByText("90 cannot be: 8 – 60 mm").waitFor();
        exactly(page, "Bore").fill("1 in");
        page.getByText("Master 25.4 mm").waitFor();
        page.locator("summary", new Page.LocatorOptions().setHasText("Rear left hose"))
                .click();
        screens.button("Take out rear left hose").click();
        screens.button("Put a hose before rear left").waitFor();
        screens.button("Take the modulator out").click();
        screens.button("Put a modulator in").waitFor();
        screens.button("Add an end").click();
        exactly(page, "Name of the end, for example rear middle").fill("Rear middle");
        page.getByLabel("Kind of end").selectOption("drum");
        page.getByLabel("Joined at").selectOption("1");
        screens.button("Add an end").click();
        Locator circuit = page.locator("svg[aria-label*='Rear middle']");
        circuit.getByText("Rear middle").first().waitFor();
        screens.button("Save the circuit").click();
        page.getByText("This is needed").waitFor();
        exactly(page, "What do you call it?").fill("Tarn with three rear drums");
        screens.button("Save the circuit").click();
        screens.heading("Tarn with three rear drums").waitFor();
        page.getByText("made from tarn-box-van").waitFor();
        screens.open("/intake");
        exactly(page, "Circuit").selectOption("tarn-with-three-rear-drums");
        page.getByLabel("What the driver says, in the driver’s words").fill("Long since the third drum was fitted");
        screens.radio("Long, then firm").click();
        exactly(page, "Vehicle").fill("Tarn SK 81");
        screens.radio("no, it stays where it is").click();
        page.getByLabel("Your hunch, if you have one: what would you bet on now?")
                .selectOption("air-in-rear-end");
        screens.button("Open the job").click();
        screens.heading("Suspects").waitFor(COLD_CIRCUIT);
        Locator drawn = page.locator("svg[aria-label*='Rear middle']");
        drawn.getByText("Rear middle").first().waitFor();
        assertEquals(0, drawn.getByText("Modulator").count());
    }

    @Test
    void whatIsOutOfScopeIsSaidAndOpensNoJob(OverturnServer.Running server) {
        Screens screens = signedIn(server).open("/intake");
        Page page = screens.page();
        exactly(page, "Circuit").selectOption("out-of-scope");
        page.getByText("They are outside this program: maker's procedure only.").waitFor();
        assertTrue(screens.button("Open the job").isDisabled());
        exactly(page, "Circuit").selectOption("not-modelled");
        page.getByText("it would judge another vehicle than this one").waitFor();
        assertTrue(screens.button("Open the job").isDisabled());
        exactly(page, "Circuit").selectOption("wisp-courier-brake");
        page.getByText("Lever brake · Lever brake, one disc, two-piston caliper")
                .waitFor();
        assertTrue(screens.button("Open the job").isEnabled());
    }

    private static void keep(Screens screens) {
        screens.button("Keep it").click();
        screens.page().getByText("Kept. Version").waitFor();
    }

    @Test
    void whatTheWorkshopLacksIsNotProposedAndItsRateIsTold(OverturnServer.Running server) {
        Screens screens = signedIn(server);
        Page page = screens.page();
        screens.button("Workshop").click();
        page.getByLabel("hose clamps").uncheck();
        exactly(page, "Labour rate per hour").fill("90");
        screens.button("Keep it").click();
        page.getByText("currency").first().waitFor();
        exactly(page, "Currency").fill("crowns");
        keep(screens);
        screens.open("/").openJob("Tarn SK 85", "Springy since the hoses were done", "springy", "air-in-front-end");
        assertTrue(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next"))
                .innerText()
                .contains("crowns"));
        screens.button("other tests").click();
        page.getByText("Rounds worth doing").waitFor();
        assertEquals(
                0,
                page.getByRole(
                                AriaRole.HEADING,
                                new Page.GetByRoleOptions().setName("All hoses clamped, then one at a time"))
                        .count());
        screens.open("/workshop");
        page.getByLabel("hose clamps").check();
        exactly(page, "Labour rate per hour").fill("");
        keep(screens);
        screens.open("/").heading("Tarn SK 85").click();
        screens.button("other tests").click();
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("All hoses clamped, then one at a time"))
                .waitFor();
    }
}
