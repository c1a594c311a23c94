package overturn.app.support;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import overturn.catalogue.CutSetProcedure;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleWords;
import overturn.words.Words;

/** A technician at the screens: sees only what is shown, by role and name, and touches only what can be touched. */
public final class Screens {

    private static final Map<String, String> WORDS = Words.all();

    private final Page page;
    /** The circuit of the job that was opened here; of a van where it was opened otherwise. */
    private Layout layout = Presets.TARN_BOX_VAN;

    private final String address;

    public Screens(Page page, String address) {
        this.page = page;
        this.address = address;
    }

    public Page page() {
        return page;
    }

    public Screens open(String path) {
        page.navigate(address + path);
        return this;
    }

    /** By name and password, as people do; goes on where it was. */
    public Screens signIn(String name) {
        Locator form = page.locator("form");
        form.getByLabel("Name").fill(name);
        form.getByLabel("Password").fill(ApiClient.PASSWORD);
        button("Sign in").click();
        form.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
        return this;
    }

    public Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    public Locator button(Pattern name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    public Locator radio(String name) {
        return page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(name));
    }

    public Locator heading(String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    /** Opens a job on the first circuit and stays on its workspace. */
    public Screens openJob(String vehicle, String complaint, String behaviour, String hunchId) {
        return openJob(vehicle, "tarn-box-van", complaint, behaviour, hunchId);
    }

    /** Opens a job on a circuit and stays on its workspace. */
    public Screens openJob(String vehicle, String layoutId, String complaint, String behaviour, String hunchId) {
        button("Open a job").click();
        fillIntake(vehicle, layoutId, complaint, behaviour, hunchId);
        heading(vehicle).waitFor();
        return this;
    }

    /** Fills the form of a new job and opens it. */
    public void fillIntake(String vehicle, String layoutId, String complaint, String behaviour, String hunchId) {
        page.locator("#intake-layoutId").selectOption(layoutId);
        page.getByLabel("What the driver says, in the driver’s words").fill(complaint);
        layout = Presets.layout(layoutId);
        radio(word("option.characterise." + behaviour)).click();
        page.getByLabel("Vehicle", new Page.GetByLabelOptions().setExact(true)).fill(vehicle);
        radio("no, it stays where it is").click();
        page.getByLabel("Your hunch, if you have one: what would you bet on now?")
                .selectOption(hunchId);
        button("Open the job").click();
    }

    /** The test that the workspace proposes, if it proposes one; the level where it proposes the first walk. */
    public Optional<Procedure> next(ProcedureCatalogue procedures) {
        Locator strip = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Next"));
        Locator further = further();
        String title = further.count() == 0
                ? strip.getByRole(AriaRole.HEADING).textContent()
                : further.textContent().replaceAll("^Test on: |, [^,]+ min$", "");
        if (title.equals("First walk")) {
            return procedures.find("reservoir");
        }
        return Stream.concat(
                        procedures.all().stream(), procedures.cutSets().stream().map(CutSetProcedure::procedure))
                .filter(p ->
                        title.replace(", again, set up or looked at anew", "").equals(name(p)))
                .findFirst();
    }

    /** The way to test on where a probable verdict waits for a decision. */
    private Locator further() {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Test on: ")));
    }

    /** What the pages call a test; one that is derived from the layout names its joints. */
    private String name(Procedure procedure) {
        String places = procedure
                .id()
                .substring(procedure.id().indexOf(Procedure.PLACES) + 1)
                .replace("+", ", ")
                .replace('-', ' ');
        return word("test." + procedure.wordId()).replace("{places}", places);
    }

    /** A word as it is said of the vehicle of this job. */
    private String word(String id) {
        return WORDS.get(VehicleWords.key(id, layout));
    }

    /** Grade in the verdict panel: OPEN, PROBABLE or PROVEN. */
    public String grade() {
        return page.locator("[data-grade]").getAttribute("data-grade");
    }

    /** Everything the verdict panel says. */
    public String verdict() {
        return page.locator("[data-grade]").innerText();
    }

    /** Starts the proposed test and walks its steps to the page of figures; a look of the first walk by itself. */
    public Screens startProposed(Procedure procedure) {
        Locator further = further();
        (further.count() == 0 ? button("Start test") : further).click();
        page.waitForURL(Pattern.compile(".*/(walk|tests/[^/]+)$"));
        if (page.url().endsWith("/walk")) {
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name(procedure)))
                    .click();
        }
        return walk(procedure);
    }

    /** Walks the steps of a test that was started. */
    public Screens walk(Procedure procedure) {
        heading(name(procedure)).waitFor();
        for (int step = 0; step < procedure.steps().size(); step++) {
            page.getByText("step " + (step + 1) + " of").waitFor();
            button("Go on").click();
        }
        page.getByText("Is the test itself sound?").waitFor();
        return this;
    }

    /** Types what was read. */
    public Screens type(Procedure procedure, ReadingValue value) {
        if (value instanceof Observed observed) {
            page.getByRole(
                            AriaRole.RADIO,
                            new Page.GetByRoleOptions()
                                    .setName(word("option." + procedure.id() + "." + observed.option()))
                                    .setExact(true))
                    .click();
        } else {
            Series series = (Series) procedure.spec();
            for (int k = 0; k < series.figures().size(); k++) {
                String id = series.figures().get(k).id();
                page.locator("[id='figure-" + id + "']")
                        .fill(((Figures) value).taken().get(k).orElseThrow().text());
            }
        }
        return this;
    }

    /** Answers the rig check. */
    public void rigIsSound() {
        page.getByRole(
                        AriaRole.RADIO,
                        new Page.GetByRoleOptions()
                                .setName(WORDS.get("rig.sound"))
                                .setExact(true))
                .click();
    }

    /** Confirms the rig and enters the reading at once; ends on what it changed. */
    public Screens enter() {
        rigIsSound();
        button("Enter the reading").click();
        button("Enter now").click();
        heading("What it changed").waitFor();
        return this;
    }

    public Screens toCircuit() {
        button("To the circuit").click();
        heading("Suspects").waitFor();
        return this;
    }

    /** Says, where the readings leave it open, at which part: the likeliest. */
    public Screens choosePlaces() {
        for (Locator where : page().getByRole(AriaRole.DIALOG).locator("select").all()) {
            if (where.inputValue().isEmpty()) {
                where.selectOption(new SelectOption().setIndex(1));
            }
        }
        return this;
    }

    /** Accepts the verdict of the sheet that is open. */
    public void confirmVerdict() {
        choosePlaces()
                .page()
                .getByRole(AriaRole.DIALOG)
                .getByText("Accept the verdict")
                .click();
    }
}
