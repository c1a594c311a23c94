package overturn.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import overturn.circuit.Layout;
import overturn.circuit.Presets;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.procedure.Procedure;
import overturn.procedure.ProcedureCatalogue;
import overturn.procedure.Step;
import overturn.suspect.Remedy;
import overturn.suspect.SuspectCatalogue;

/** Everything that can be shown has its words, and no word is left over. */
class WordsTest {

    private static final Map<String, String> WORDS = Words.all();
    private static final Set<String> FORCES = Set.of("gentle", "easy", "stroke", "medium", "running");

    private static Set<String> needed() {
        Set<String> ids = new TreeSet<>(Set.of("option.not-seen", "rig.sound", "rig.doubtful", "rig.not-checked",
                "caution.not-to-be-driven", "caution.before-opening", "family.vacuum-brake"));
        for (Layout layout : Presets.all()) {
            ids.add("layout." + layout.id());
            ids.add("layout." + layout.id() + ".about");
            layout.components().forEach(c -> ids.add("component." + layout.id() + "." + c.id()));
            SuspectCatalogue.of(layout).forEach(s -> ids.addAll(List.of("suspect." + s.id(), "suspect." + s.id() + ".shows")));
            ProcedureCatalogue.of(layout).all().forEach(p -> ids.addAll(neededBy(p)));
        }
        for (Remedy remedy : Remedy.values()) {
            ids.addAll(List.of("remedy." + remedy.id(), "remedy." + remedy.id() + ".short"));
        }
        return ids;
    }

    private static List<String> neededBy(Procedure p) {
        String test = "test." + p.id();
        List<String> ids = new ArrayList<>(List.of(test, test + ".purpose", test + ".blind", "rig." + p.rigKind().id(),
                "rig." + p.rigKind().id() + ".check"));
        for (Step step : p.steps()) {
            ids.add(test + ".step." + step.id());
            step.cautionId().ifPresent(c -> ids.add("caution." + c));
            step.fits().forEach(f -> ids.add("fitting." + f));
        }
        if (p.spec() instanceof Series series) {
            series.figures().forEach(f -> ids.add("figure." + p.id() + "." + f.id()));
        } else {
            ((Observation) p.spec()).options().forEach(o -> ids.add("option." + p.id() + "." + o));
        }
        return ids;
    }

    @Test
    void noneIsMissingAndNoneIsLeftOver() {
        assertEquals(needed(), WORDS.keySet());
    }

    @Test
    void everyWordSaysSomethingAndNamesOnlyForcesThatTheTestKnows() {
        WORDS.forEach((id, text) -> {
            assertTrue(!text.isBlank(), id);
            java.util.regex.Pattern.compile("\\{(\\w+)}").matcher(text).results()
                    .forEach(match -> assertTrue(FORCES.contains(match.group(1)), id + " names " + match.group(1)));
        });
    }
}
