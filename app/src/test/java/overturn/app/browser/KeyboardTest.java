package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.fail;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;

/** From the intake to an accepted verdict without a pointer: keys alone. */
@ExtendWith(OverturnServer.class)
class KeyboardTest {

    private static final int MOST_TABS = 120;
    private static Browser browser;

    private Screens screens;
    private Page page;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    /** Goes on from field to field until this one has the focus. */
    private void tabTo(Locator wanted) {
        wanted.waitFor();
        for (int n = 0; n < MOST_TABS; n++) {
            if (Boolean.TRUE.equals(wanted.evaluate("el => el === document.activeElement"))) {
                return;
            }
            page.keyboard().press("Tab");
        }
        fail("The keys do not reach " + wanted);
    }

    private void press(Locator button) {
        tabTo(button);
        page.keyboard().press("Enter");
    }

    /** A group of choices is one stop of the Tab key; arrows go through it. */
    private void choose(String group, String option) {
        Locator choices = page.getByRole(
                AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName(group).setExact(true));
        choices.waitFor();
        Locator wanted = choices.getByRole(
                AriaRole.RADIO, new Locator.GetByRoleOptions().setName(option).setExact(true));
        for (int n = 0; n < MOST_TABS; n++) {
            if (Boolean.TRUE.equals(choices.evaluate("el => el.contains(document.activeElement)"))) {
                break;
            }
            page.keyboard().press("Tab");
        }
        for (int n = 0; n < MOST_TABS; n++) {
            if (Boolean.TRUE.equals(wanted.evaluate("el => el === document.activeElement"))) {
                page.keyboard().press(" ");
                return;
            }
            page.keyboard().press("ArrowDown");
        }
        fail("The keys do not reach " + option + " of " + group);
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aJobIsOpenedWalkedReadAndAcceptedByKeysAlone(OverturnServer.Running server) {
        screens = new Screens(browser.device(1280, 800), server.address()).open("/");
        page = screens.page();
        tabTo(page.getByLabel("Name"));
        page.keyboard().type("Tobias Renn");
        tabTo(page.getByLabel("Password"));
        page.keyboard().type(ApiClient.PASSWORD);
        page.keyboard().press("Enter");
        screens.heading("In the bay").waitFor();
        page.keyboard().press("Control+k");
        page.getByRole(AriaRole.COMBOBOX).waitFor();
        page.keyboard().type("open a job");
        page.keyboard().press("Enter");
        tabTo(page.getByLabel("Vehicle", new Page.GetByLabelOptions().setExact(true)));
        page.keyboard().type("Keyed van");
        tabTo(page.getByLabel("Circuit", new Page.GetByLabelOptions().setExact(true)));
        page.keyboard().type("Tarn");
        tabTo(page.getByLabel("What the driver says, in the driver’s words"));
        page.keyboard().type("Sinks while I wait");
        choose("What does it do most?", "Sinks under a steady foot");
        choose("May it be moved?", "no, it stays where it is");
        press(button("Open the job"));
        screens.heading("First walk").waitFor();
        page.keyboard().press("n");
        choose("Reservoir level", "At its mark, nobody added");
        press(button("Looked at everything, all dry"));
        press(button("Enter the walk"));
        screens.heading("Suspects").waitFor();
        String job = page.url().replaceAll(".*/jobs/", "/api/jobs/");
        page.keyboard().press("n");
        page.getByText("step 1 of").waitFor();
        while (page.getByText("Is the test itself sound?").count() == 0) {
            press(button("Go on"));
            page.waitForTimeout(100);
        }
        for (Locator field : page.locator("input[inputmode=decimal]").all()) {
            tabTo(field);
            page.keyboard().type("44");
        }
        choose("Is the test itself sound?", "sound");
        press(button("Enter the reading"));
        press(button("Enter now"));
        press(button("To the circuit"));
        screens.heading("Suspects").waitFor();
        press(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions()
                                .setName("Accept the verdict")
                                .setExact(true))
                .first());
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        tabTo(dialog.locator("input, textarea").last());
        page.keyboard().type("the boat leaves at six");
        Locator where = dialog.locator("select");
        if (where.count() > 0 && where.inputValue().isEmpty()) {
            tabTo(where);
            page.keyboard().press("ArrowDown");
        }
        press(dialog.getByRole(AriaRole.BUTTON).last());
        page.getByText("Work plan").waitFor();
        assertEquals(
                "accepted",
                new ApiClient(server.address()).get(job).body().get("stage").asString());
    }
}
