package overturn.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Fault;
import overturn.suspect.SuspectCatalogue;
import overturn.words.Words;

/**
 * Whoever changes a suspect, a test, a frequency or the physics gives the catalogue another version, so that stored
 * entries tell what judged them.
 */
class CatalogueVersionTest {

    /**
     * The fingerprint of the catalogue at each version, from 2026-12-01.3 on with its physics; add a line, never change
     * one.
     */
    private static final Map<String, Long> FINGERPRINTS = Map.ofEntries(
            Map.entry("2026-11-27", 949_327_482L),
            Map.entry("2026-11-27.2", 2_045_900_948L),
            Map.entry("2026-11-27.3", 4_092_621_964L),
            Map.entry("2026-11-27.4", 2_017_548_052L),
            Map.entry("2026-11-27.5", 2_017_548_052L),
            Map.entry("2026-11-27.6", 3_697_467_378L),
            Map.entry("2026-11-27.7", 1_098_500_974L),
            Map.entry("2026-11-27.8", 215_458_950L),
            Map.entry("2026-11-29", 215_458_950L),
            Map.entry("2026-11-29.2", 3_899_733_066L),
            Map.entry("2026-11-29.3", 588_024_965L),
            Map.entry("2026-11-30", 1_146_787_875L),
            Map.entry("2026-11-30.2", 1_146_787_875L),
            Map.entry("2026-12-01", 1_762_315_251L),
            Map.entry("2026-12-01.2", 213_281_401L),
            Map.entry("2026-12-01.3", 2_473_887_263L),
            Map.entry("2026-12-01.4", 1_421_337_747L),
            Map.entry("2026-12-01.5", 1_421_337_747L),
            Map.entry("2026-12-01.6", 1_421_337_747L));

    /**
     * Suspects with remedy, places and frequency, tests with what is read and who it concerns, and what each test reads
     * under each suspect on one drawn vehicle, of every preset.
     */
    private static long fingerprint() {
        CRC32 sum = new CRC32();
        Presets.all().forEach(layout -> {
            SuspectCatalogue.of(layout)
                    .forEach(s -> add(sum, s.id() + s.remedy().id() + s.places() + s.frequency()));
            ProcedureCatalogue.of(layout)
                    .all()
                    .forEach(p ->
                            add(sum, p.id() + p.spec() + p.minutes() + p.protocol() + p.observes() + p.rigSetup()));
            addReadings(sum, layout);
        });
        return sum.getValue();
    }

    private static void addReadings(CRC32 sum, Layout layout) {
        Simulator simulator = Simulator.of(layout);
        VehicleUnknowns vehicle = VehicleUnknowns.draw(new SplittableRandom(11));
        List<List<Fault>> suspected = SuspectCatalogue.of(layout).stream()
                .map(s -> s.physics().at(0.7, layout, new SplittableRandom(5)))
                .toList();
        for (Procedure test : ProcedureCatalogue.of(layout).all()) {
            Simulator.Prepared prepared = simulator.prepare(test.protocol());
            for (List<Fault> faults : suspected) {
                double[] figures = prepared.figures(vehicle, faults, VehicleCondition.RESTED);
                for (double figure : test.predicted(figures)) {
                    sum.update(String.format(Locale.ROOT, "%.3g ", figure).getBytes(StandardCharsets.UTF_8));
                }
            }
        }
    }

    /**
     * Words and figures in the order of the alphabet, since sets have none of their own; addresses of functions say
     * nothing.
     */
    private static void add(CRC32 sum, String told) {
        String plain = told.replaceAll("@[0-9a-f]+|\\$\\$Lambda[^,\\]]*", "");
        sum.update(Arrays.stream(plain.split("[^\\w.-]+"))
                .sorted()
                .collect(Collectors.joining(" "))
                .getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void everyVersionSaysWhatItChanged() {
        FINGERPRINTS.keySet().forEach(version -> assertTrue(Words.all().containsKey("catalogue." + version), version));
    }

    @Test
    void theVersionIsThatOfThisCatalogue() {
        assertEquals(
                FINGERPRINTS.get(CatalogueVersion.CURRENT),
                fingerprint(),
                "the catalogue has changed: give it a new version and add its fingerprint");
    }
}
