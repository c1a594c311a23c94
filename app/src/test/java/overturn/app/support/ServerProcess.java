package overturn.app.support;

import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** A server in a process of its own, on the database of these tests. */
public final class ServerProcess implements AutoCloseable {

    private final Process process;
    private final String host;
    private final int port;

    private ServerProcess(Process process, String host, int port) {
        this.process = process;
        this.host = host;
        this.port = port;
    }

    /**
     * Begins to start one; whether it comes up is asked with {@link #isUp}.
     *
     * @param log where it writes, below target
     */
    public static ServerProcess begin(String host, String log, Map<String, String> environment, String... arguments)
            throws IOException {
        int port;
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getByName("127.0.0.1"))) {
            port = free.getLocalPort();
        }
        return begin(host, port, log, environment, arguments);
    }

    /** The same at a port that is given, so that one that was killed is where it was. */
    public static ServerProcess begin(
            String host, int port, String log, Map<String, String> environment, String... arguments)
            throws IOException {
        List<String> command = new ArrayList<>(List.of(
                System.getProperty("java.home") + "/bin/java",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                "overturn.app.OverturnApplication",
                "--server.port=" + port,
                "--overturn.warm-up=false",
                "--overturn.predictions=" + OverturnServer.PREDICTIONS));
        command.addAll(List.of(arguments));
        ProcessBuilder builder =
                new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(new File("target/" + log));
        builder.environment().putAll(environment);
        return new ServerProcess(builder.start(), host, port);
    }

    public int port() {
        return port;
    }

    /** Waits until it takes connections; false if it ended instead. */
    public boolean isUp() throws InterruptedException {
        Instant end = Instant.now().plus(Duration.ofSeconds(90));
        while (Instant.now().isBefore(end) && process.isAlive()) {
            try (Socket socket = new Socket(host, port)) {
                return socket.isConnected();
            } catch (IOException notYet) {
                TimeUnit.MILLISECONDS.sleep(200);
            }
        }
        return false;
    }

    /** How it ended. */
    public int exitCode() throws InterruptedException {
        if (!process.waitFor(90, TimeUnit.SECONDS)) {
            throw new IllegalStateException("It still runs");
        }
        return process.exitValue();
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
