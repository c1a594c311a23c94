package overturn.secondworld.standin;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import overturn.instrument.InstrumentKind;
import overturn.instrument.SimulatedInstrument;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.secondworld.LiveVehicle;
import overturn.secondworld.SecondWorldVehicle;

/**
 * Stand-ins for instruments on one vehicle that is pressed for 70 s every 90 s: each is what a real one would be at the
 * other end of the line. It says again and again that it is there, and serves {@code /stream} (lines of JSON) and
 * {@code /stream.csv}, with the resolution, offset, drift and drop-outs of its kind.
 */
public final class StandIns implements AutoCloseable {

    private static final int TICKS_PER_SECOND = 25;
    private static final int EVERY_TICKS = 2;
    private static final long SAY_EVERY_SECONDS = 20;
    private static final double ROUND_SECONDS = 90;
    private static final double RELEASED_SECONDS = 20;
    private static final double FORCE_N = 150;
    /** What a nut is tightened to, N m, again and again. */
    private static final double TORQUE_NM = 18;

    private static final int HANDS = 24;

    private final Map<InstrumentKind, Shown> shown = new EnumMap<>(InstrumentKind.class);
    private final Map<InstrumentKind, HttpServer> servers = new EnumMap<>(InstrumentKind.class);
    private final ScheduledExecutorService clock = Executors.newScheduledThreadPool(2);
    private final LiveVehicle vehicle;
    private final String announcements;
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(3)).build();
    private long tick;

    /** What a control unit that was never looked at has stored, plugged in. */
    private static final String CODES =
            "[{\"number\":\"17\",\"text\":\"Wheel sensor front left, signal lost at low speed\",\"often\":\"often\"},"
                    + "{\"number\":\"31\",\"text\":\"Supply low while starting\",\"often\":\"once\"}]";

    /** What one shows at the latest moment; codes of a code reader, as JSON. */
    private record Shown(long tick, OptionalDouble value, String codes) {
        Shown(long tick, OptionalDouble value) {
            this(tick, value, "");
        }
    }

    /**
     * @param server address of the server to which they say that they are there
     * @param still whether the vehicle is left alone, so that everything is at rest
     */
    public StandIns(String server, boolean still, long seed) throws IOException {
        this.announcements = server + "/api/instruments/announcements";
        LayoutFile file = Presets.files().get(0);
        this.vehicle = SecondWorldVehicle.of(file.layout(), List.of(), seed).live(new SplittableRandom(seed));
        Map<InstrumentKind, SimulatedInstrument> all = new EnumMap<>(InstrumentKind.class);
        for (InstrumentKind kind : InstrumentKind.values()) {
            if (kind.dimension().isPresent()) {
                all.put(kind, new SimulatedInstrument(kind, seed));
            }
            servers.put(kind, serving(kind));
        }
        clock.scheduleAtFixedRate(() -> move(all, still), 0, 1_000_000 / TICKS_PER_SECOND, TimeUnit.MICROSECONDS);
        clock.scheduleWithFixedDelay(this::sayThatTheyAreThere, 0, SAY_EVERY_SECONDS, TimeUnit.SECONDS);
    }

    /** @param arguments address of the server; with {@code still} nobody presses */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        boolean still = arguments.length > 1 && arguments[1].equals("still");
        try (StandIns standIns = new StandIns(arguments[0], still, 7)) {
            standIns.servers.forEach((kind, server) -> System.out.println(
                    kind.id() + ": http://127.0.0.1:" + server.getAddress().getPort() + "/stream"));
            Thread.currentThread().join();
        }
    }

    private HttpServer serving(InstrumentKind kind) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.setExecutor(Executors.newFixedThreadPool(HANDS, work -> {
            Thread thread = new Thread(work, kind.id());
            thread.setDaemon(true);
            return thread;
        }));
        server.createContext("/stream", exchange -> stream(exchange, kind));
        server.start();
        return server;
    }

    private synchronized void move(Map<InstrumentKind, SimulatedInstrument> all, boolean still) {
        double seconds = tick / (double) TICKS_PER_SECOND;
        double within = seconds % ROUND_SECONDS;
        vehicle.foot(!still && within > RELEASED_SECONDS ? FORCE_N : 0);
        vehicle.step(1.0 / TICKS_PER_SECOND);
        tick++;
        LiveVehicle.Shown now = vehicle.shown();
        all.forEach((kind, instrument) ->
                shown.put(kind, new Shown(tick, instrument.show(truth(kind, now, still ? 0 : within), seconds))));
        shown.put(InstrumentKind.CODE_READER, new Shown(tick, OptionalDouble.empty(), still ? "[]" : CODES));
    }

    private static double truth(InstrumentKind kind, LiveVehicle.Shown now, double withinRound) {
        return switch (kind) {
            case PEDAL_FORCE_GAUGE -> now.forceN();
            case TRAVEL_TAPE -> now.travelMm();
            case PRESSURE_GAUGE ->
                now.barByChamber().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .max()
                        .orElse(0);
            case RESERVE_GAUGE, VACUUM_GAUGE -> now.reserve();
            case SLAVE_TAPE -> now.slaveStrokeMm();
            case LEVEL_RULE -> 0;
            case THERMOMETER -> now.heatC();
            case TORQUE_WRENCH -> withinRound % 10 > 8 ? TORQUE_NM * (withinRound % 10 - 8) / 2 : 0;
            case CODE_READER -> throw new IllegalStateException("Impossible: it shows no figure");
        };
    }

    private synchronized Shown latest(InstrumentKind kind) {
        return shown.getOrDefault(kind, new Shown(0, OptionalDouble.empty()));
    }

    private void stream(HttpExchange exchange, InstrumentKind kind) throws IOException {
        boolean table = exchange.getRequestURI().getPath().endsWith(".csv");
        exchange.getResponseHeaders().set("Content-Type", table ? "text/csv" : "application/x-ndjson");
        exchange.sendResponseHeaders(200, 0);
        try (OutputStream out = exchange.getResponseBody()) {
            long last = -1;
            if (table) {
                out.write("seconds,value\n".getBytes(StandardCharsets.UTF_8));
            }
            while (true) {
                Shown now = latest(kind);
                if (now.tick() >= last + EVERY_TICKS) {
                    last = now.tick();
                    out.write(line(now, table).getBytes(StandardCharsets.UTF_8));
                    out.flush();
                }
                TimeUnit.MILLISECONDS.sleep(1000 / TICKS_PER_SECOND / 2);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String line(Shown now, boolean table) {
        double seconds = now.tick() / (double) TICKS_PER_SECOND;
        if (table) {
            return String.format(
                    Locale.ROOT,
                    "%.2f,%s%n",
                    seconds,
                    now.value().isPresent()
                            ? String.format(Locale.ROOT, "%.2f", now.value().getAsDouble())
                            : "");
        }
        String value = now.value().isPresent()
                ? String.format(Locale.ROOT, ",\"value\":%.2f", now.value().getAsDouble())
                : "";
        String codes = now.codes().isEmpty() ? "" : ",\"codes\":" + now.codes();
        return String.format(Locale.ROOT, "{\"seconds\":%.2f%s%s}%n", seconds, value, codes);
    }

    private void sayThatTheyAreThere() {
        servers.forEach((kind, server) -> {
            String said = String.format(
                    Locale.ROOT,
                    "{\"serial\":\"stand-in %s\",\"kind\":\"%s\",\"port\":%d}",
                    kind.id(),
                    kind.id(),
                    server.getAddress().getPort());
            try {
                http.send(
                        HttpRequest.newBuilder(URI.create(announcements))
                                .header("Content-Type", "application/json")
                                .timeout(Duration.ofSeconds(3))
                                .POST(HttpRequest.BodyPublishers.ofString(said))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
            } catch (IOException notThere) {
                System.err.println("The server is not there yet: " + notThere.getMessage());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    @Override
    public void close() {
        clock.shutdownNow();
        servers.values().forEach(server -> server.stop(0));
    }
}
