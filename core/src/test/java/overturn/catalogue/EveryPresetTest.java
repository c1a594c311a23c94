package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.CutSet;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Act;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** What holds for the tests of every preset. */
class EveryPresetTest {

    private static Set<String> tests(String preset) {
        return ProcedureCatalogue.of(Presets.layout(preset)).all().stream()
                .map(Procedure::id)
                .collect(Collectors.toSet());
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void everyFigureIsReadAtExactlyOneStep(Layout layout) {
        for (Procedure procedure : ProcedureCatalogue.of(layout).all()) {
            if (procedure.spec() instanceof Series series) {
                List<String> read = procedure.steps().stream()
                        .flatMap(s -> s.figures().stream())
                        .toList();
                assertEquals(
                        series.figures().stream().map(f -> f.id()).toList(), read, layout.id() + " " + procedure.id());
            } else {
                assertTrue(procedure.steps().stream().allMatch(s -> s.figures().isEmpty()), procedure.id());
            }
        }
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void idsAreUniqueAndObservedSuspectsAreKnownSomewhere(Layout layout) {
        List<Procedure> all = ProcedureCatalogue.of(layout).all();
        assertEquals(all.size(), all.stream().map(Procedure::id).distinct().count(), layout.id());
        Set<String> known = Presets.all().stream()
                .flatMap(l -> SuspectCatalogue.of(l).stream())
                .map(Suspect::id)
                .collect(Collectors.toSet());
        all.forEach(p -> assertTrue(known.containsAll(p.observes()), p.id() + " observes " + p.observes()));
    }

    /**
     * An isolating test takes something out: it starts cut, cuts on the way, or uses parking brake or engine to do so.
     */
    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void whatIsolatesTakesSomethingOut(Layout layout) {
        for (Procedure procedure : ProcedureCatalogue.of(layout).all()) {
            boolean takes = !procedure.protocol().cuts().equals(CutSet.NONE)
                    || procedure.protocol().acts().stream()
                            .anyMatch(a -> a instanceof Act.Recut
                                    || a instanceof Act.ParkingBrake
                                    || a instanceof Act.StartEngine);
            if (procedure.nature() == Nature.ISOLATING) {
                assertTrue(takes, layout.id() + " " + procedure.id());
            }
        }
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void whateverOpensTheCircuitShowsACautionAndIsPutOnTheList(Layout layout) {
        ProcedureCatalogue.of(layout).all().stream()
                .filter(p -> p.needs().opened() != Opened.NOTHING)
                .forEach(p -> {
                    assertTrue(p.steps().stream().anyMatch(s -> s.cautionId().isPresent()), layout.id() + " " + p.id());
                    boolean oneScrew = p.needs().opened() == Opened.ONE_END;
                    assertTrue(
                            oneScrew
                                    || p.steps().stream()
                                            .anyMatch(s -> !s.fits().isEmpty()),
                            layout.id() + " " + p.id());
                });
    }

    /** No clamp on braided or plastic hose, no assist tests without assist, no wheel where nothing turns. */
    @Test
    void onlyTestsThatALayoutAllowsAreOffered() {
        assertFalse(tests("wisp-courier-clutch").contains("hoses-clamped"));
        assertFalse(tests("pellow-saloon-clutch").contains("hoses-clamped"));
        assertTrue(tests("brack-tug-clutch").contains("hoses-clamped"));
        assertFalse(tests("old-bess-tender").contains("assist-drop"));
        assertFalse(tests("old-bess-tender").contains("outlet-plugs"));
        assertFalse(tests("old-bess-tender").contains("one-chamber-open"));
        assertTrue(tests("corvane-flatbed").contains("pump-gauge")
                && !tests("corvane-flatbed").contains("vacuum-tee"));
        assertFalse(tests("brack-tug-clutch").contains("wheel-drag"));
        assertFalse(tests("corvane-flatbed").contains("parking-brake"), "no drums");
        assertFalse(tests("pellow-saloon").contains("spout"), "a centre-valve master does not spout");
        assertTrue(tests("pellow-saloon-clutch").contains("loop-lifted")
                && !tests("brack-tug-clutch").contains("loop-lifted"));
        assertTrue(tests("ardle-mail-trike").contains("gauge-at-ends")
                && tests("tarn-box-van").contains("gauge-at-ends")
                && !tests("wisp-courier-brake").contains("gauge-at-ends"));
        assertTrue(tests("wisp-courier-brake").contains("rock-lever")
                && !tests("tarn-box-van").contains("rock-lever"));
    }

    @Test
    void suspectsFollowTheParts() {
        Set<String> bess = SuspectCatalogue.of(Presets.layout("old-bess-tender")).stream()
                .map(Suspect::id)
                .collect(Collectors.toSet());
        assertFalse(bess.contains("second-piston-front-cup")
                || bess.contains("low-assist-supply")
                || bess.contains("slides-seized")
                || bess.contains("air-in-modulator"));
        assertTrue(bess.containsAll(List.of("residual-valve-missing", "excess-shoe-clearance", "drain-back")));
        Set<String> tug = SuspectCatalogue.of(Presets.layout("brack-tug-clutch")).stream()
                .map(Suspect::id)
                .collect(Collectors.toSet());
        assertTrue(tug.containsAll(List.of("slave-seal-weeping", "clutch-mechanical", "fork-worn", "hole-clogged")));
        assertFalse(
                tug.contains("piston-seized") || tug.contains("lamp-switch-wrong") || tug.contains("air-in-high-loop"));
    }
}
