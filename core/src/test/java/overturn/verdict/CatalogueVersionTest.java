package overturn.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;
import overturn.procedure.ProcedureCatalogue;
import overturn.suspect.SuspectCatalogue;

/** Whoever changes a suspect, a test or a frequency gives the catalogue another version, so that stored entries tell what judged them. */
class CatalogueVersionTest {

    /** The fingerprint of the catalogue at each version; add a line, never change one. */
    private static final Map<String, Long> FINGERPRINTS = Map.of("2026-11-27", 0L);

    /** Suspects with remedy, places and frequency, tests with what is read and who it concerns, of every preset. */
    private static long fingerprint() {
        CRC32 sum = new CRC32();
        Presets.all().forEach(layout -> {
            SuspectCatalogue.of(layout).forEach(s -> add(sum, s.id() + s.remedy().id() + s.places() + s.frequency()));
            ProcedureCatalogue.of(layout).all().forEach(p -> add(sum, p.id() + p.spec() + p.minutes() + p.protocol() + p.observes() + p.rigSetup()));
        });
        return sum.getValue();
    }

    private static void add(CRC32 sum, String told) {
        sum.update(told.replaceAll("@[0-9a-f]+|\\$\\$Lambda[^,\\]]*", "").getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void theVersionIsThatOfThisCatalogue() {
        assertEquals(FINGERPRINTS.get(CatalogueVersion.CURRENT), fingerprint(), "the catalogue has changed: give it a new version and add its fingerprint");
    }
}
