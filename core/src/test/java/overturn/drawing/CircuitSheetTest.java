package overturn.drawing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.End.Axle;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.Side;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.drawing.CircuitSheet.PlacedEnd;
import overturn.drawing.CircuitSheet.PlugPlace;
import overturn.drawing.CircuitSheet.Stretch;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;

class CircuitSheetTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;

    private static Stream<Layout> presets() {
        return Presets.files().stream().map(LayoutFile::layout);
    }

    private static List<PlugPlace> plugs(CircuitSheet sheet) {
        return sheet.stretches().stream().flatMap(s -> s.plugs().stream()).toList();
    }

    @Test
    void theEndsStandOneBelowTheOtherInTheOrderOfTheLayout() {
        CircuitSheet sheet = CircuitSheet.of(TARN);
        assertEquals(
                List.of("front-left", "front-right", "rear-left", "rear-right"),
                sheet.ends().stream().map(PlacedEnd::id).toList());
        List<Double> ys = sheet.ends().stream().map(e -> e.at().y()).toList();
        assertEquals(ys.stream().sorted().toList(), ys);
    }

    @ParameterizedTest
    @MethodSource("presets")
    void everyJointIsCutAtOnePlaceAndNoTwoPlugsLieOverOneAnother(Layout layout) {
        List<PlugPlace> plugs = plugs(CircuitSheet.of(layout));
        assertEquals(
                layout.joints().stream().map(Joint::id).sorted().toList(),
                plugs.stream().map(PlugPlace::jointId).sorted().toList());
        List<String> near = new ArrayList<>();
        for (PlugPlace one : plugs) {
            for (PlugPlace other : plugs) {
                double apart = Math.hypot(
                        one.at().x() - other.at().x(), one.at().y() - other.at().y());
                if (one.jointId().compareTo(other.jointId()) < 0 && apart < 12) {
                    near.add(one.jointId() + " on " + other.jointId());
                }
            }
        }
        assertEquals(List.of(), near);
    }

    @ParameterizedTest
    @MethodSource("presets")
    void everyEndIsReachedInsideTheSheetAndHubsStandClearOfTheMaster(Layout layout) {
        CircuitSheet sheet = CircuitSheet.of(layout);
        for (PlacedEnd end : sheet.ends()) {
            assertTrue(end.at().y() >= sheet.endRadius() && end.at().y() <= sheet.height() - sheet.endRadius());
            String y = Long.toString(Math.round(end.at().y()));
            assertTrue(
                    sheet.stretches().stream()
                            .anyMatch(
                                    s -> Math.abs(arrivesAt(s, sheet) - end.at().y()) < 0.1),
                    end.id() + " at " + y);
        }
        double right = sheet.master().x() + sheet.master().width();
        assertTrue(sheet.hubs().stream().allMatch(h -> h.at().x() > right));
        assertTrue(sheet.stretches().stream().noneMatch(s -> s.path().contains("NaN")));
    }

    /** Height at which a stretch arrives: that of its last level run. */
    private static double arrivesAt(Stretch stretch, CircuitSheet sheet) {
        if (stretch.hose()) {
            return stretch.from().y();
        }
        String[] runs = stretch.path().split("(?=[VH])");
        return IntStream.iterate(runs.length - 1, i -> i >= 0, i -> i - 1)
                .mapToObj(i -> runs[i])
                .filter(run -> run.startsWith("V"))
                .findFirst()
                .map(run -> Double.parseDouble(run.substring(1)))
                .orElse(stretch.from().y());
    }

    @Test
    void aPluggedModulatorHasItsOutletsOnThisSideOfTheLineBehindWhichNothingIsUnderTest() {
        CircuitSheet sheet = CircuitSheet.of(TARN);
        Map<String, Double> x = plugs(sheet).stream().collect(Collectors.toMap(PlugPlace::jointId, p -> p.at().x()));
        List<Joint> outlets = TARN.leaving("modulator");
        assertEquals(4, outlets.size());
        outlets.forEach(outlet -> assertTrue(x.get(outlet.id()) < sheet.underTestX()));
    }

    @Test
    void manyEndsHaveRoom() {
        List<Component> components = new ArrayList<>(TARN.components());
        List<Joint> joints = new ArrayList<>(TARN.joints());
        for (int i = 0; i < 8; i++) {
            components.add(new DiscEnd("extra-" + i, Axle.FRONT, Side.LEFT, 54, 1, 0.3, 0.01, 0.005, 120));
            joints.add(new Joint("extra-outlet-" + i, "modulator", "extra-" + i, Chamber.PRIMARY));
        }
        CircuitSheet sheet = CircuitSheet.of(new Layout("many", TARN.family(), components, joints));
        double[] ys = sheet.ends().stream().mapToDouble(e -> e.at().y()).toArray();
        assertFalse(IntStream.range(1, ys.length).anyMatch(i -> ys[i] - ys[i - 1] <= 2 * sheet.endRadius()));
    }

    /** The worked place of one pipe: from the front port down, across below the master and up to the modulator. */
    @Test
    void aPipeRunsFromItsPortToTheModulator() {
        Stretch front = CircuitSheet.of(TARN).stretches().get(0);
        assertEquals("M286 166V282H500", front.path());
        assertEquals(new CircuitSheet.Point(286, 200), front.plugs().get(0).at());
    }
}
