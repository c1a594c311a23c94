package overturn.app.support;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** Runs parts of the command's own scripts, with a folder of their own for what they keep. */
public final class Shell {

    /** The root of the repository. */
    public static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    private final Path var;

    public Shell(Path var) {
        this.var = var;
    }

    /** How a script ended and what it said. */
    public record Said(int code, String text) {}

    /** Runs a script after the command's own have been read; nothing of what it starts is waited for but itself. */
    public Said run(String script, Map<String, String> environment) throws IOException, InterruptedException {
        String read = "set -euo pipefail; ROOT=" + ROOT + "; VAR=" + var
                + "; PORT=1; PG_BIN=/nonexistent; for f in common database backup network server; do . \"$ROOT/scripts/$f.sh\"; done; ";
        ProcessBuilder bash = new ProcessBuilder("bash", "-c", read + script)
                .redirectErrorStream(true)
                .redirectOutput(var.resolve("said").toFile());
        bash.environment().putAll(environment);
        Process process = bash.start();
        if (!process.waitFor(60, TimeUnit.SECONDS)) {
            process.destroyForcibly();
            throw new IllegalStateException("The script did not end: " + script);
        }
        return new Said(
                process.exitValue(),
                java.nio.file.Files.readString(var.resolve("said"), StandardCharsets.UTF_8)
                        .strip());
    }

    public Said run(String script) throws IOException, InterruptedException {
        return run(script, Map.of());
    }
}
