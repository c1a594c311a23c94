package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import overturn.circuit.Layout;
import overturn.forecast.KeptPredictions;
import overturn.forecast.KeptPredictions.Part;
import overturn.forecast.KeptPredictions.Vehicles;
import overturn.forecast.LayoutModel;
import overturn.forecast.Predictions;
import overturn.layoutfile.Presets;

/** What was worked out is found again as it was, by the same program for the same layout; or not at all. */
class PredictionFilesTest {

    private static final Layout COURIER = Presets.layout("wisp-courier-brake");
    private static final Part HOLD = new Part("hold", Vehicles.ALL);

    @TempDir
    private Path folder;

    private PredictionFiles files() {
        return new PredictionFiles(folder.toString());
    }

    private List<Path> in(Path where) throws IOException {
        try (Stream<Path> there = Files.list(where)) {
            return there.sorted().toList();
        }
    }

    private Path program() throws IOException {
        return in(folder).get(0);
    }

    /** Everything that a model foresees, and what it knows once every test was read. */
    private static void assertForeseesAlike(LayoutModel expected, LayoutModel model) {
        expected.procedures().all().forEach(procedure -> {
            Predictions worked = expected.predictions(procedure);
            Predictions found = model.predictions(procedure);
            for (int s = 0; s < expected.suspects().size(); s++) {
                assertArrayEquals(worked.foreseen(s), found.foreseen(s), procedure.id());
                assertArrayEquals(worked.values(s), found.values(s), procedure.id());
            }
        });
        assertEquals(expected.heldBytes(), model.heldBytes(), "suspects that shared figures share them again");
    }

    private static LayoutModel warmed(KeptPredictions kept) {
        LayoutModel model = LayoutModel.of(COURIER, kept);
        model.warmUp();
        return model;
    }

    private static final class Counting implements KeptPredictions {

        private final KeptPredictions behind;
        private final AtomicInteger kept = new AtomicInteger();

        Counting(KeptPredictions behind) {
            this.behind = behind;
        }

        @Override
        public Optional<float[][]> find(Layout layout, Part part) {
            return behind.find(layout, part);
        }

        @Override
        public void keep(Layout layout, Part part, float[][] bySuspect) {
            kept.incrementAndGet();
            behind.keep(layout, part, bySuspect);
        }
    }

    @Test
    void theNextRunFindsWhatTheLastWorkedOutBitForBit() {
        LayoutModel without = warmed(KeptPredictions.NONE);
        Counting first = new Counting(files());
        assertForeseesAlike(without, warmed(first));
        assertEquals(2 * without.procedures().all().size(), first.kept.get());
        Counting next = new Counting(files());
        assertForeseesAlike(without, warmed(next));
        assertEquals(0, next.kept.get(), "nothing was worked out again");
    }

    @Test
    void aFileThatIsNotWholeCountsAsNone() throws IOException {
        float[] sound = {1, 2};
        float[][] figures = {sound, {3, Float.NaN}, sound};
        PredictionFiles files = files();
        files.keep(COURIER, HOLD, figures);
        float[][] found = files.find(COURIER, HOLD).orElseThrow();
        assertArrayEquals(figures[1], found[1]);
        assertSame(found[0], found[2]);
        Path file = in(in(program()).get(0)).get(0);
        byte[] whole = Files.readAllBytes(file);
        for (int at = 0; at < whole.length; at++) {
            byte[] spoilt = whole.clone();
            spoilt[at] ^= 1;
            Files.write(file, spoilt);
            assertTrue(files.find(COURIER, HOLD).isEmpty(), "byte " + at);
            Files.write(file, Arrays.copyOf(whole, at));
            assertTrue(files.find(COURIER, HOLD).isEmpty(), "cut at " + at);
        }
        files.keep(COURIER, HOLD, figures);
        assertTrue(files.find(COURIER, HOLD).isPresent(), "written anew");
    }

    /** A key that left a number out would hand one circuit the figures of another. */
    @Test
    void everyCircuitHasFiguresOfItsOwn() throws IOException {
        PredictionFiles files = files();
        Set<String> texts = new HashSet<>();
        for (Layout layout : Presets.all()) {
            assertFalse(layout.toString().contains("@"), "tells a part by where it lies in memory");
            texts.add(layout.toString());
            files.keep(layout, HOLD, new float[][] {{1}});
        }
        assertEquals(Presets.all().size(), texts.size());
        assertEquals(texts.size(), in(program()).size());
        assertTrue(files.find(COURIER, new Part("hold", Vehicles.FORESEEN)).isEmpty());
        assertTrue(files.find(COURIER, new Part("hold-twice", Vehicles.ALL)).isEmpty());
    }

    @Test
    void whatWasUsedLongestAgoMakesRoom() throws IOException {
        files().keep(COURIER, HOLD, new float[][] {{1}});
        for (int i = 0; i < 200; i++) {
            Path old = Files.createDirectory(program().resolve("old" + i));
            Files.setLastModifiedTime(old, FileTime.fromMillis(1_000L * (i + 1)));
        }
        PredictionFiles files = files();
        files.keep(Presets.TARN_BOX_VAN, HOLD, new float[][] {{1}});
        assertEquals(200, in(program()).size());
        assertTrue(files.find(COURIER, HOLD).isPresent());
        assertTrue(files.find(Presets.TARN_BOX_VAN, HOLD).isPresent());
        assertFalse(Files.exists(program().resolve("old0")));
        for (String version : List.of("a", "b", "c")) {
            Files.setLastModifiedTime(Files.createDirectory(folder.resolve(version)), FileTime.fromMillis(1));
        }
        assertTrue(files().find(COURIER, HOLD).isPresent());
        assertEquals(2, in(folder).size(), "the present program and one before it");
    }

    @Test
    void withoutAFolderThatCanBeWrittenNothingIsKept() throws IOException {
        Path file = Files.writeString(folder.resolve("a-file"), "in the way");
        for (String where : List.of("", file.resolve("below").toString())) {
            PredictionFiles files = new PredictionFiles(where);
            files.keep(COURIER, HOLD, new float[][] {{1}});
            assertTrue(files.find(COURIER, HOLD).isEmpty());
        }
        assertEquals("in the way", Files.readString(file));
    }
}
