package overturn.catalogue;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;

/** A short test that is told to come first is there, beside the dearer one, on some layout. */
class QuickFirstTest {

    @Test
    void everyShortTestComesBeforeADearerOneSomewhere() {
        for (String dearer : QuickFirst.dearer()) {
            for (String quick : QuickFirst.before(dearer)) {
                boolean somewhere = Presets.all().stream()
                        .map(ProcedureCatalogue::of)
                        .anyMatch(tests -> {
                            Optional<Procedure> one = tests.find(quick);
                            Optional<Procedure> other = tests.find(dearer);
                            return one.isPresent() && other.isPresent();
                        });
                assertTrue(somewhere, quick + " and " + dearer + " are on no layout together");
                assertTrue(QuickFirst.before(quick).stream().noneMatch(dearer::equals), quick + " goes round");
            }
        }
    }
}
