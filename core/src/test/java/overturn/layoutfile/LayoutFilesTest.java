package overturn.layoutfile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import overturn.circuit.CutSet;
import overturn.circuit.Family;
import overturn.circuit.Layout;

class LayoutFilesTest {

    private static final String TARN = LayoutFiles.write(Presets.find("tarn-box-van").orElseThrow());

    static List<LayoutFile> presets() {
        return Presets.files();
    }

    private static List<RefusedLayoutException.Refusal> refusals(String json) {
        return assertThrows(RefusedLayoutException.class, () -> LayoutFiles.read(json)).refusals();
    }

    @ParameterizedTest
    @MethodSource("presets")
    void whatIsWrittenReadsBackEqual(LayoutFile preset) {
        assertEquals(preset, LayoutFiles.read(LayoutFiles.write(preset)));
    }

    @Test
    void thereIsAPresetForEveryFamilyAndEverySplit() {
        assertTrue(Presets.all().size() >= 9);
        assertEquals(Set.of(Family.values()), Presets.all().stream().map(Layout::family).collect(Collectors.toSet()));
        Layout diagonal = Presets.layout("pellow-saloon");
        assertEquals(diagonal.chamberOf("front-left"), diagonal.chamberOf("rear-right"));
        assertEquals(1, Presets.layout("old-bess-tender").chambers().size());
    }

    @ParameterizedTest
    @MethodSource("presets")
    void everyCutLeavesTheMasterAndNothingBeyondIt(LayoutFile preset) {
        Layout layout = preset.layout();
        layout.joints().forEach(joint -> {
            Set<String> kept = layout.connected(joint.chamber(), CutSet.of(joint.id()));
            assertTrue(kept.contains(layout.master().id()), joint.id());
            layout.beyond(joint.id()).forEach(id -> assertTrue(!kept.contains(id), joint.id() + " leaves " + id));
        });
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"boreMm\":23.81 | \"boreMm\":90 | boreMm | 90 | 60",
        "\"ratio\":4.0 | \"ratio\":-1 | ratio | -1 | 1.5",
        "\"pistonMm\":54.0 | \"pistonMm\":\"wide\" | pistonMm | wide | number",
        "\"family\":\"vacuum-brake\" | \"family\":\"rocket\" | family | rocket | vacuum-brake",
        "\"kind\":\"pedal\" | \"kind\":\"saddle\" | kind | saddle | pedal"})
    void aFieldOutOfRangeIsNamedWithWhatWasGivenAndWhatIsAllowed(String from, String to, String field, String given, String allowed) {
        assertTrue(TARN.contains(from), TARN);
        List<RefusedLayoutException.Refusal> all = refusals(TARN.replaceFirst(java.util.regex.Pattern.quote(from), to));
        assertTrue(all.stream().anyMatch(r -> r.field().endsWith(field) && r.given().equals(given) && r.why().contains(allowed)), all.toString());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "\"to\":\"modulator\" | \"to\":\"nowhere\" | leads to nowhere",
        "\"family\":\"vacuum-brake\" | \"family\":\"lever-clutch\" | does not fit",
        "\"from\":\"master\",\"to\":\"front-pipe\" | \"from\":\"front-pipe\",\"to\":\"front-pipe\" | is not joined to the master's side"})
    void aCircuitThatCannotBeIsToldInWords(String from, String to, String why) {
        assertTrue(TARN.contains(from), TARN);
        List<RefusedLayoutException.Refusal> all = refusals(TARN.replaceFirst(java.util.regex.Pattern.quote(from), to));
        assertTrue(all.stream().anyMatch(r -> r.why().contains(why)), all.toString());
    }

    @Test
    void twoInputsAndTextThatIsNoJsonAreRefused() {
        String second = "{\"kind\":\"lever\",\"id\":\"lever\",\"ratioAtRest\":6,\"ratioAtGrip\":6,\"travelToGripMm\":70,\"freePlayMm\":3},{\"kind\":\"pedal\"";
        assertTrue(refusals(TARN.replaceFirst("\\{\"kind\":\"pedal\"", java.util.regex.Matcher.quoteReplacement(second))).stream()
                .anyMatch(r -> r.why().contains("exactly one")));
        assertTrue(refusals("oil").get(0).why().contains(LayoutFile.FORMAT));
        assertTrue(refusals("[]").size() >= 1);
        assertTrue(refusals("{}").stream().anyMatch(r -> r.why().contains("components")));
    }
}
