package overturn.app.browser;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.support.Browser;
import overturn.app.support.OverturnServer;
import overturn.app.support.Screens;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingValue.Observed;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import overturn.words.Words;

/**
 * A job of a kind through the real screens, from intake to the accepted verdict, on simulated readings: without assist,
 * a clutch, a lever. A vacuum brake is in WholeJobTest; that every family comes to its verdict is in the core's
 * WalksTest.
 */
@ExtendWith(OverturnServer.class)
class EveryFamilyTest {

    private static final int MOST_TESTS = 16;
    private static Browser browser;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "old-bess-tender, excess-shoe-clearance, 7",
        "pellow-saloon-clutch, air-in-high-loop, 2",
        "wisp-courier-brake, hole-clogged, 4"
    })
    void fromIntakeToTheVerdict(String layoutId, String hidden, long seed, OverturnServer.Running server) {
        Layout layout = Presets.layout(layoutId);
        ProcedureCatalogue procedures = ProcedureCatalogue.of(layout);
        Suspect suspect = SuspectCatalogue.of(layout).stream()
                .filter(s -> s.id().equals(hidden))
                .findFirst()
                .orElseThrow();
        SplittableRandom random = new SplittableRandom(seed);
        HiddenVehicle vehicle = HiddenVehicle.of(
                        Simulator.of(layout),
                        VehicleUnknowns.draw(random),
                        suspect.physics().at(0.6, layout, random),
                        1)
                .after(procedures.intake());
        String behaviour = ((Observed) vehicle.read(procedures.intake(), random)).option();
        Screens screens = new Screens(browser.device(1280, 800), server.address())
                .open("/")
                .signIn("Ines Quill")
                .openJob(
                        "Family " + layoutId,
                        layoutId,
                        "It is not as it was before the ferry",
                        behaviour,
                        "nothing-wrong");
        List<String> done = new ArrayList<>();
        while (done.size() < MOST_TESTS && !screens.grade().equals("PROVEN")) {
            Optional<Procedure> next = screens.next(procedures);
            if (next.isEmpty()) {
                break;
            }
            screens.startProposed(next.get())
                    .type(next.get(), vehicle.read(next.get(), random))
                    .enter()
                    .toCircuit();
            done.add(next.get().id());
        }
        assertEquals("PROVEN", screens.grade(), done + " " + screens.verdict());
        assertTrue(
                screens.verdict()
                        .contains(Words.all().get("remedy." + suspect.remedy().id())),
                done + " " + screens.verdict());
        screens.button("Accept the verdict").first().click();
        screens.confirmVerdict();
        screens.page().getByText("decided, waits for the repair").waitFor();
    }
}
