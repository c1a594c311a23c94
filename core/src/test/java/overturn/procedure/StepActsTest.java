package overturn.procedure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.catalogue.CutSetProcedure;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Component;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;

/** Every step of every test tells what is done and where, so that it can be drawn. */
class StepActsTest {

    private static Stream<Procedure> tests(Layout layout) {
        ProcedureCatalogue catalogue = ProcedureCatalogue.of(layout);
        return Stream.concat(
                catalogue.all().stream(), catalogue.cutSets().stream().map(CutSetProcedure::procedure));
    }

    private static StepActs.StepAct act(Layout layout, String testId, String stepId) {
        Procedure test = ProcedureCatalogue.of(layout).find(testId).orElseThrow();
        Step step = test.steps().stream()
                .filter(s -> s.id().equals(stepId))
                .findFirst()
                .orElseThrow();
        return StepActs.of(test, step, layout);
    }

    @ParameterizedTest
    @MethodSource("overturn.layoutfile.Presets#all")
    void everyStepHasAnActAtAPlaceOfThisCircuit(Layout layout) {
        Set<String> parts = layout.components().stream().map(Component::id).collect(Collectors.toSet());
        Set<String> joints = layout.joints().stream().map(Joint::id).collect(Collectors.toSet());
        tests(layout)
                .forEach(test -> test.steps().forEach(step -> {
                    StepActs.StepAct act = StepActs.of(test, step, layout);
                    String where = layout.id() + " " + test.id() + "." + step.id();
                    assertTrue(
                            !act.places().isEmpty() && parts.containsAll(act.places()), where + " at " + act.places());
                    assertTrue(joints.containsAll(act.joints()), where + " at " + act.joints());
                }));
    }

    @Test
    void noActIsLeftOver() {
        Set<String> left = new HashSet<>(StepActs.written());
        for (Layout layout : Presets.all()) {
            tests(layout)
                    .forEach(test -> test.steps()
                            .forEach(step ->
                                    left.removeAll(Set.of(test.wordId() + "." + step.id(), "any." + step.id()))));
        }
        assertEquals(Set.of(), left);
    }

    @Test
    void aPlugIsDrawnAtItsPortAndAClampOnItsHoses() {
        Layout tarn = Presets.TARN_BOX_VAN;
        StepActs.StepAct plugged = act(tarn, "port-plugs", "plug");
        assertEquals(Gesture.PLUG, plugged.gesture());
        assertEquals(List.of("front-port", "rear-port"), plugged.joints());
        StepActs.StepAct clamped = act(tarn, "hoses-clamped", "clamp");
        assertEquals(Gesture.CLAMP, clamped.gesture());
        assertEquals(
                List.of("front-left-hose", "front-right-hose", "rear-left-hose", "rear-right-hose"), clamped.places());
        assertEquals(
                List.of("rear-left", "rear-right"),
                act(tarn, "rear-screws", "crack").places());
        assertEquals(
                List.of("front-left", "front-right"),
                act(tarn, "one-chamber-open", "primary").places());
    }
}
