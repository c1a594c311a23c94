package overturn.app.support;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.regex.Pattern;
import overturn.circuit.Layout;
import overturn.proving.Check;
import overturn.proving.Checks;
import overturn.proving.Gate;

/** The half of a job after the verdict, done as a technician does it: on the screens. */
public final class RepairScreens {

    private static final int MOST_CLICKS = 140;
    private static final Pattern DONE = Pattern.compile("^Done");
    private static final Pattern LOOKED_AT = Pattern.compile("looked at, as they should be|Looked at, as it should be");

    /** What shows that a page is there. */
    private static final Map<String, String> SHOWN =
            Map.of("Work plan", "aside button > span.figures", "Bleed sheet", "main table", "Proving", "#chocks");

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

    /** Accepts the verdict on the workspace, with a reason where it asks for one. */
    public RepairScreens accept() {
        screens.open(job).heading("Suspects").waitFor();
        return acceptHere();
    }

    /** The same from the workspace that is open. */
    public RepairScreens acceptHere() {
        page.getByText("Accept the verdict").first().click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.waitFor();
        if (dialog.locator("textarea").count() > 0) {
            dialog.locator("textarea").last().fill("the boat leaves at six");
        }
        screens.choosePlaces();
        dialog.getByRole(AriaRole.BUTTON).last().click();
        next().getByText("Work plan").waitFor();
        return this;
    }

    /** Every step of the plan, as it is listed. */
    public List<String> plan() {
        screens.open(job + "/work");
        next().getByRole(AriaRole.HEADING).first().waitFor();
        return page.locator("aside button > span").allInnerTexts();
    }

    /** Goes to the page on which the next act is done, by the one button of the strip. */
    public RepairScreens goOn(String label) {
        next().getByRole(
                        AriaRole.LINK,
                        new Locator.GetByRoleOptions().setName(label).setExact(true))
                .click();
        page.locator(SHOWN.get(label)).first().waitFor();
        return this;
    }

    private Locator done() {
        return next().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(DONE));
    }

    /**
     * Does the plan place by place, figures as listed, until it goes on elsewhere.
     *
     * @return what each place said
     */
    public List<String> work() {
        List<String> places = new ArrayList<>();
        next().getByRole(AriaRole.HEADING).first().waitFor();
        for (int n = 0; n < MOST_CLICKS && done().count() > 0; n++) {
            String visit = next().getAttribute("data-visit");
            places.add(next().innerText());
            for (Locator field :
                    next().locator("label:has(input[inputmode=decimal])").all()) {
                String listed = field.innerText().replaceAll("(?s).*listed ([\\d.]+) mm.*", "$1");
                field.locator("input").fill(listed.matches("[\\d.]+") ? listed : "7");
            }
            done().click();
            page.waitForCondition(() -> elsewhere(visit));
        }
        return places;
    }

    private boolean elsewhere(String visit) {
        String now = next().getAttribute("data-visit");
        return now == null || !now.equals(visit) && !now.equals("sending");
    }

    /**
     * Obeys the bleed sheet with a circuit that runs clear at once.
     *
     * @return what it asked for besides strokes
     */
    public Set<String> bleed() {
        next().getByRole(AriaRole.HEADING).waitFor();
        Set<String> asked = new TreeSet<>();
        for (int n = 0; n < MOST_CLICKS; n++) {
            String shown = page.locator("main").innerText();
            if (shown.contains("no bubble came after the rest")) {
                return asked;
            } else if (next().getByText("Top up now").count() > 0) {
                asked.add("top up");
                next().getByText("Filled to the upper mark").click();
            } else if (next().getByText("It has stood that long already").count() > 0) {
                asked.add("rest");
                next().getByText("It has stood that long already").click();
            } else {
                next().getByText("No bubbles").click();
            }
            page.waitForCondition(() -> !page.locator("main").innerText().equals(shown));
        }
        throw new IllegalStateException("Not bled after " + MOST_CLICKS + " entries");
    }

    /**
     * Passes every check of the gates up to the road: looks together, measurements by what is read.
     *
     * @param reads what a test reads, figure by figure
     */
    public RepairScreens prove(Layout layout, Function<String, List<Map<String, Object>>> reads) {
        for (Gate gate : List.of(Gate.CHOCKS, Gate.YARD, Gate.ROAD)) {
            Locator section = page.locator("#" + gate.id());
            section.and(page.locator("[data-gate=OPEN]")).waitFor();
            Locator looks = section.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(LOOKED_AT));
            if (looks.count() > 0) {
                looks.click();
                looks.waitFor(new Locator.WaitForOptions()
                        .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
            }
            for (Check check : Checks.of(layout)) {
                if (check.gate() == gate && check.testId().isPresent()) {
                    measure(section, check, reads.apply(check.testId().get()));
                }
            }
        }
        return this;
    }

    private static void measure(Locator section, Check check, List<Map<String, Object>> figures) {
        Locator row = section.locator("[data-check=" + check.id() + "]");
        row.locator("input[inputmode=decimal]").first().waitFor();
        List<Locator> fields = row.locator("input[inputmode=decimal]").all();
        for (int k = 0; k < figures.size(); k++) {
            fields.get(k).fill(String.valueOf(figures.get(k).get("text")));
        }
        row.getByText("Enter the reading").click();
        row.getByText("passed", new Locator.GetByTextOptions().setExact(false))
                .first()
                .waitFor();
    }

    /** Signs for the release until the next day. */
    public RepairScreens release(String signs) {
        page.getByText("Release conditionally, signed " + signs).click();
        page.getByText("Released conditionally, to be looked at again").waitFor();
        return this;
    }

    /** All of it as the strip says, from the accepted verdict on the workspace to the release. */
    public RepairScreens toRelease(Layout layout, Function<String, List<Map<String, Object>>> reads, String signs) {
        goOn("Work plan").work();
        if (next().getByText("Bleed sheet").count() > 0) {
            goOn("Bleed sheet").bleed();
            goOn("Work plan").work();
        }
        return goOn("Proving").prove(layout, reads).release(signs);
    }
}
