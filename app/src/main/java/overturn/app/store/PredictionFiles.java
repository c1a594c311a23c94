package overturn.app.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.CRC32C;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Repository;
import org.springframework.util.FileSystemUtils;
import org.springframework.util.function.SingletonSupplier;
import overturn.circuit.Layout;
import overturn.forecast.KeptPredictions;

/**
 * Predictions in files, one for each test of a layout, below a folder that names the program: figures of another
 * version are never found. A file that is not whole counts as none.
 */
@Repository
class PredictionFiles implements KeptPredictions {

    private static final Logger LOG = LoggerFactory.getLogger(PredictionFiles.class);
    private static final int FORM = 1;
    /** 1.4 MB each before tests are read (docs/speed.md). */
    private static final int MOST_LAYOUTS = 200;
    /** The present one and the one before it, which another server may still run. */
    private static final int MOST_PROGRAMS = 2;

    private final SingletonSupplier<Optional<Path>> folder;

    /**
     * The program's digest takes a second, so it is made when a circuit is first asked for.
     *
     * @param folder where they are kept; empty for nowhere
     */
    PredictionFiles(@Value("${overturn.predictions:}") String folder) {
        this.folder = SingletonSupplier.of(() -> folder.isEmpty() ? Optional.empty() : begun(Path.of(folder)));
    }

    private static Optional<Path> begun(Path all) {
        try {
            Path own = Files.createDirectories(all.resolve(program()));
            touch(own);
            keepNewest(all, MOST_PROGRAMS);
            return Optional.of(own);
        } catch (IOException e) {
            LOG.warn("Predictions are not kept in {}: {}", all, e.toString());
            return Optional.empty();
        }
    }

    /** Everything that figures follow from: classes and resources of the core, and the machine that runs them. */
    private static String program() throws IOException {
        MessageDigest digest = sha256();
        digest.update(System.getProperty("java.runtime.version").getBytes(StandardCharsets.UTF_8));
        for (Named part : parts()) {
            digest.update(part.name().getBytes(StandardCharsets.UTF_8));
            try (InputStream bytes = part.file().getInputStream()) {
                digest.update(bytes.readAllBytes());
            }
        }
        return HexFormat.of().formatHex(digest.digest(), 0, 16);
    }

    /** @param name below the folder or archive that it lies in */
    private record Named(String name, Resource file) {}

    private static List<Named> parts() throws IOException {
        List<Named> parts = new ArrayList<>();
        for (Resource file : new PathMatchingResourcePatternResolver().getResources("classpath*:overturn/*/**/*.*")) {
            String address = file.getURL().toString();
            String name = address.substring(address.lastIndexOf("overturn/"));
            if (!name.startsWith("overturn/app/")) {
                parts.add(new Named(name, file));
            }
        }
        parts.sort(Comparator.comparing(Named::name));
        return parts;
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    /** The text of a layout tells every number of it. */
    private static Path of(Path folder, Layout layout) {
        byte[] text = layout.toString().getBytes(StandardCharsets.UTF_8);
        return folder.resolve(HexFormat.of().formatHex(sha256().digest(text), 0, 16));
    }

    private static String named(Part part) {
        return part.procedureId() + (part.vehicles() == Vehicles.ALL ? ".all" : ".foreseen");
    }

    @Override
    public Optional<float[][]> find(Layout layout, Part part) {
        return folder.obtain().flatMap(programs -> {
            Path own = of(programs, layout);
            Path file = own.resolve(named(part));
            try {
                float[][] figures = read(Files.readAllBytes(file));
                touch(own);
                return Optional.of(figures);
            } catch (NoSuchFileException notYet) {
                return Optional.empty();
            } catch (IOException | BufferUnderflowException e) {
                LOG.warn("Worked out anew, since {} cannot be read: {}", file, e.toString());
                return Optional.empty();
            }
        });
    }

    @Override
    public void keep(Layout layout, Part part, float[][] bySuspect) {
        folder.obtain().ifPresent(programs -> {
            Path own = of(programs, layout);
            try {
                if (!Files.isDirectory(own)) {
                    keepNewest(programs, MOST_LAYOUTS - 1);
                    Files.createDirectories(own);
                }
                replace(own.resolve(named(part)), written(bySuspect));
            } catch (IOException e) {
                LOG.warn("Predictions of {} are not kept: {}", part.procedureId(), e.toString());
            }
        });
    }

    /** Whole or not at all, whoever else writes or is killed. */
    private static void replace(Path file, byte[] bytes) throws IOException {
        Path fresh = Files.createTempFile(file.getParent(), "fresh", ".part");
        try {
            Files.write(fresh, bytes);
            Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(fresh);
        }
    }

    /** Form, how many suspects, how many arrays; which array is each suspect's; the arrays; a checksum of all that. */
    private static byte[] written(float[][] bySuspect) {
        Map<float[], Integer> places = new IdentityHashMap<>();
        List<float[]> arrays = new ArrayList<>();
        for (float[] own : bySuspect) {
            if (places.putIfAbsent(own, arrays.size()) == null) {
                arrays.add(own);
            }
        }
        int floats = arrays.stream().mapToInt(own -> own.length).sum();
        ByteBuffer to =
                ByteBuffer.allocate(Integer.BYTES * (3 + bySuspect.length + arrays.size() + floats) + Long.BYTES);
        to.putInt(FORM).putInt(bySuspect.length).putInt(arrays.size());
        for (float[] own : bySuspect) {
            to.putInt(Objects.requireNonNull(places.get(own)));
        }
        for (float[] own : arrays) {
            to.putInt(own.length);
            to.asFloatBuffer().put(own);
            to.position(to.position() + Float.BYTES * own.length);
        }
        return to.putLong(checksum(to.array(), to.position())).array();
    }

    private static float[][] read(byte[] bytes) throws IOException {
        ByteBuffer from = ByteBuffer.wrap(bytes);
        int body = bytes.length - Long.BYTES;
        if (body < 0 || from.getLong(body) != checksum(bytes, body) || from.getInt() != FORM) {
            throw new IOException("not whole, or of another form");
        }
        float[][] bySuspect = new float[from.getInt()][];
        float[][] arrays = new float[from.getInt()][];
        int[] places = new int[bySuspect.length];
        from.asIntBuffer().get(places);
        from.position(from.position() + Integer.BYTES * places.length);
        for (int a = 0; a < arrays.length; a++) {
            arrays[a] = new float[from.getInt()];
            from.asFloatBuffer().get(arrays[a]);
            from.position(from.position() + Float.BYTES * arrays[a].length);
        }
        Arrays.setAll(bySuspect, s -> arrays[places[s]]);
        return bySuspect;
    }

    private static long checksum(byte[] bytes, int length) {
        CRC32C sum = new CRC32C();
        sum.update(bytes, 0, length);
        return sum.getValue();
    }

    private static void touch(Path folder) throws IOException {
        Files.setLastModifiedTime(folder, FileTime.from(Instant.now()));
    }

    /** Takes away what was not used for longest. */
    private static void keepNewest(Path all, int most) throws IOException {
        List<Used> folders;
        try (Stream<Path> there = Files.list(all)) {
            folders = there.map(folder -> new Used(folder, used(folder)))
                    .sorted(Comparator.comparing(Used::last).reversed())
                    .toList();
        }
        for (Used old : folders.subList(Math.min(most, folders.size()), folders.size())) {
            FileSystemUtils.deleteRecursively(old.folder());
        }
    }

    /** A folder with when it was last used, asked once: others use it meanwhile. */
    private record Used(Path folder, FileTime last) {}

    private static FileTime used(Path folder) {
        try {
            return Files.getLastModifiedTime(folder);
        } catch (IOException gone) {
            return FileTime.fromMillis(0);
        }
    }
}
