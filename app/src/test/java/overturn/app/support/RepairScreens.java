package overturn.app.support;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** The half of a job after the verdict, done as a technician does it: on the screens. */
public final class RepairScreens {

    private static final int MOST_CLICKS = 140;

    private final Screens screens;
    private final Page page;
    private final String job;

    /** @param job path of the job's page */
    public RepairScreens(Screens screens, String job) {
        this.screens = screens;
        this.page = screens.page();
        this.job = job;
    }

    /** The strip with the one thing to do now. */
    public Locator next() {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Next").setExact(true));
    }

    private Locator exactly(String text) {
        return next().getByText(text, new Locator.GetByTextOptions().setExact(true));
    }

    /** Accepts the verdict on the workspace, with a reason where it asks for one. */
    public RepairScreens accept() {
        screens.open(job).heading("Suspects").waitFor();
        page.getByText("Accept the verdict").first().click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.waitFor();
        if (dialog.locator("input, textarea").count() > 0) {
            dialog.locator("input, textarea").last().fill("the boat leaves at six");
        }
        dialog.getByRole(AriaRole.BUTTON).last().click();
        page.getByText("Work plan").waitFor();
        return this;
    }

    /** Every step of the plan, as it is listed. */
    public List<String> plan() {
        screens.open(job + "/work");
        next().getByRole(AriaRole.HEADING).waitFor();
        return page.locator("aside li").allInnerTexts();
    }

    /**
     * Ticks the whole plan, figures as listed.
     *
     * @return the headings of the steps in their order
     */
    public List<String> tickAll() {
        screens.open(job + "/work");
        Set<String> steps = new LinkedHashSet<>();
        next().getByRole(AriaRole.HEADING).waitFor();
        for (int n = 0; n < MOST_CLICKS && exactly("Done").count() > 0; n++) {
            steps.add(tick());
        }
        return List.copyOf(steps);
    }

    /** Ticks the step that is shown and returns its heading. */
    public String tick() {
        Locator step = next();
        String shown = step.getByRole(AriaRole.HEADING).innerText();
        for (Locator field : step.locator("label").all()) {
            String listed = field.innerText().replaceAll("(?s).*listed ([\\d.]+) mm.*", "$1");
            field.locator("input").fill(listed.matches("[\\d.]+") ? listed : "7");
        }
        exactly("Done").click();
        page.waitForCondition(
                () -> !step.getByRole(AriaRole.HEADING).innerText().equals(shown));
        return shown;
    }

    /**
     * Obeys the bleed sheet with a circuit that runs clear at once.
     *
     * @return what it asked for besides strokes
     */
    public Set<String> bleed() {
        screens.open(job + "/bleed");
        next().getByRole(AriaRole.HEADING).waitFor();
        Set<String> asked = new TreeSet<>();
        for (int n = 0; n < MOST_CLICKS; n++) {
            String shown = page.locator("main").innerText();
            if (shown.contains("too little to be felt")) {
                return asked;
            } else if (next().getByText("Top up now").count() > 0) {
                asked.add("top up");
                next().getByText("Filled to the upper mark").click();
            } else if (next().getByText("Ten minutes have passed").count() > 0) {
                asked.add("rest");
                next().getByText("Ten minutes have passed").click();
            } else {
                next().getByText("No bubbles").click();
                exactly("Enter").click();
            }
            page.waitForCondition(() -> !page.locator("main").innerText().equals(shown));
        }
        throw new IllegalStateException("Not bled after " + MOST_CLICKS + " entries");
    }

    /** Passes every check of the gates up to the road, and releases conditionally. */
    public RepairScreens proveAndRelease(String signs) {
        screens.open(job + "/proving");
        for (String gate : List.of("On the chocks", "In the yard", "On a quiet road")) {
            Locator section = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(gate));
            Locator open = section.locator("button:not([disabled])", new Locator.LocatorOptions().setHasText("Passed"));
            open.first().waitFor();
            for (int left = open.count(); left > 0; left--) {
                int before = left;
                open.first().click();
                page.waitForCondition(() -> open.count() < before);
            }
        }
        page.getByText("Release conditionally, signed " + signs).click();
        page.getByText("Released conditionally, to be looked at again").waitFor();
        return this;
    }
}
