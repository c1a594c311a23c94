package overturn.layoutfile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.CutSet;
import overturn.circuit.CutSets;
import overturn.circuit.End;
import overturn.circuit.Family;
import overturn.circuit.Joint;
import overturn.circuit.Layout;

class LayoutFilesTest {

    private static final String TARN =
            LayoutFiles.write(Presets.find("tarn-box-van").orElseThrow());

    static List<LayoutFile> presets() {
        return Presets.files();
    }

    private static List<RefusedLayoutException.Refusal> refusals(String json) {
        return assertThrows(RefusedLayoutException.class, () -> LayoutFiles.read(json))
                .refusals();
    }

    @ParameterizedTest
    @MethodSource("presets")
    void whatIsWrittenReadsBackEqual(LayoutFile preset) {
        assertEquals(preset, LayoutFiles.read(LayoutFiles.write(preset)));
    }

    @Test
    void thereIsAPresetForEveryFamilyAndEverySplit() {
        assertTrue(Presets.all().size() >= 9);
        assertEquals(
                Set.of(Family.values()),
                Presets.all().stream().map(Layout::family).collect(Collectors.toSet()));
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
    @CsvSource(
            delimiter = '|',
            value = {
                "\"boreMm\":23.81 | \"boreMm\":90 | boreMm | 90 | 60",
                "\"ratio\":4.0 | \"ratio\":-1 | ratio | -1 | 1.5",
                "\"pistonMm\":54.0 | \"pistonMm\":\"wide\" | pistonMm | wide | number",
                "\"family\":\"vacuum-brake\" | \"family\":\"rocket\" | family | rocket | vacuum-brake",
                "\"kind\":\"pedal\" | \"kind\":\"saddle\" | kind | saddle | pedal"
            })
    void aFieldOutOfRangeIsNamedWithWhatWasGivenAndWhatIsAllowed(
            String from, String to, String field, String given, String allowed) {
        assertTrue(TARN.contains(from), TARN);
        List<RefusedLayoutException.Refusal> all = refusals(TARN.replaceFirst(java.util.regex.Pattern.quote(from), to));
        assertTrue(
                all.stream()
                        .anyMatch(r -> r.field().endsWith(field)
                                && r.given().equals(given)
                                && r.why().contains(allowed)),
                all.toString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"to\":\"modulator\" | \"to\":\"nowhere\" | leads to nowhere",
                "\"family\":\"vacuum-brake\" | \"family\":\"lever-clutch\" | does not fit",
                "\"from\":\"master\",\"to\":\"front-pipe\" | \"from\":\"front-pipe\",\"to\":\"front-pipe\" | is not joined to the master's side"
            })
    void aCircuitThatCannotBeIsToldInWords(String from, String to, String why) {
        assertTrue(TARN.contains(from), TARN);
        List<RefusedLayoutException.Refusal> all = refusals(TARN.replaceFirst(java.util.regex.Pattern.quote(from), to));
        assertTrue(all.stream().anyMatch(r -> r.why().contains(why)), all.toString());
    }

    @Test
    void twoInputsAndTextThatIsNoJsonAreRefused() {
        String second =
                "{\"kind\":\"lever\",\"id\":\"lever\",\"ratioAtRest\":6,\"ratioAtGrip\":6,\"travelToGripMm\":70,\"freePlayMm\":3},{\"kind\":\"pedal\"";
        assertTrue(
                refusals(TARN.replaceFirst("\\{\"kind\":\"pedal\"", java.util.regex.Matcher.quoteReplacement(second)))
                        .stream()
                        .anyMatch(r -> r.why().contains("exactly one")));
        assertTrue(refusals("oil").get(0).why().contains(LayoutFile.FORMAT));
        assertTrue(refusals("[]").size() >= 1);
        assertTrue(refusals("{}").stream().anyMatch(r -> r.why().contains("components")));
    }

    /** A layout with more ends and pipes than the preset: some at the modulator, a chain before it. */
    static String grown(int moreEnds, int chain) {
        LayoutFile tarn = Presets.find("tarn-box-van").orElseThrow();
        List<Component> parts = new ArrayList<>(tarn.components());
        List<Joint> joints = new ArrayList<>(tarn.joints());
        for (int i = 0; i < moreEnds; i++) {
            parts.add(new Component.Hose("more-hose-" + i, Component.HoseKind.RUBBER, 0.35, 0.01));
            parts.add(new End.DiscEnd("more-" + i, End.Axle.FRONT, End.Side.LEFT, 54, 1, 0.08, 0.013, 0.006, 110));
            joints.add(new Joint("more-" + i + "-outlet", "modulator", "more-hose-" + i, Chamber.PRIMARY));
            joints.add(new Joint("more-" + i + "-inlet", "more-hose-" + i, "more-" + i, Chamber.PRIMARY));
        }
        String last = "front-pipe";
        Joint into = joints.stream()
                .filter(j -> j.from().equals("front-pipe"))
                .findFirst()
                .orElseThrow();
        for (int i = 0; i < chain; i++) {
            parts.add(new Component.Pipe("chain-" + i, 5, false));
            joints.add(new Joint("chain-" + i + "-inlet", last, "chain-" + i, Chamber.PRIMARY));
            last = "chain-" + i;
        }
        joints.set(joints.indexOf(into), new Joint(into.id(), last, into.to(), into.chamber()));
        return LayoutFiles.write(new LayoutFile(
                tarn.format(), "grown", "Grown", tarn.about(), tarn.startedFrom(), tarn.family(), parts, joints));
    }

    @Test
    void theLargestLayoutAllowedIsReadAndDividedAndALargerOneIsRefused() {
        Layout largest = LayoutFiles.read(grown(8, 25)).layout();
        assertEquals(
                List.of(60, 12),
                List.of(largest.components().size(), largest.ends().size()));
        int ways = CutSets.of(largest, List.of()).size();
        assertTrue(ways > 400 && ways <= CutSets.MOST_WAYS, ways + " ways");
        assertTrue(refusals(grown(8, 26)).stream()
                .anyMatch(r -> r.field().equals("components") && r.why().contains("60")));
        assertTrue(refusals(grown(9, 0)).stream()
                .anyMatch(r -> r.given().equals("13 ends") && r.why().contains("at most 12")));
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e308", "1e400", "-1e12", "99999999999999999999999999"})
    void aNumberThatNoVehicleHasIsNamed(String number) {
        List<RefusedLayoutException.Refusal> all =
                refusals(TARN.replaceFirst("\"pistonsPerSide\":1", "\"pistonsPerSide\":" + number));
        assertTrue(
                all.stream()
                        .anyMatch(r ->
                                r.field().endsWith("pistonsPerSide") && r.why().contains("1000000000")),
                all.toString());
    }

    @Test
    void textThatCannotBeKeptIsNamed() {
        for (String text : List.of("\\u0000", "\\ud800")) {
            List<RefusedLayoutException.Refusal> all =
                    refusals(TARN.replace("\"Tarn box van\"", "\"Tarn" + text + "\""));
            assertEquals(
                    List.of("name"),
                    all.stream().map(RefusedLayoutException.Refusal::field).toList());
        }
    }

    @Test
    void aFileFromBeforeEndsToldTheirPlaceIsReadAsItWasMeant() {
        String old = TARN.replaceAll("\"axle\":\"[a-z]+\",\"side\":\"[a-z]+\",", "");
        assertTrue(!old.contains("axle"), old);
        assertEquals(LayoutFiles.read(TARN), LayoutFiles.read(old));
        assertEquals(
                List.of("axle"),
                refusals(TARN.replaceFirst("\"axle\":\"front\"", "\"axle\":\"middle\"")).stream()
                        .map(r -> r.field().replaceAll(".*\\.", ""))
                        .toList());
    }
}
