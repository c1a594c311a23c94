package overturn.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;

/** Live vehicles of exercises at once against a running server: whether each keeps its pace, and what that costs. */
public final class LiveRigsLoad {

    private static final int SETTLING_SECONDS = 10;
    /** Ticks of a process's time in a second, as Linux counts them. */
    private static final double CLOCK_TICKS = 100;

    private LiveRigsLoad() {}

    /** @param arguments address of a running server, its process id, vehicles, seconds */
    public static void main(String[] arguments) throws Exception {
        String address = arguments[0];
        Path stat = Path.of("/proc", arguments[1], "stat");
        int vehicles = Integer.parseInt(arguments[2]);
        int seconds = Integer.parseInt(arguments[3]);
        SignedInClient client = new SignedInClient(address);
        List<AtomicInteger> moments = new ArrayList<>();
        List<Thread> threads = new ArrayList<>();
        List<Layout> layouts = Presets.all();
        for (int v = 0; v < vehicles; v++) {
            String id = UUID.randomUUID().toString();
            post(
                    client,
                    address + "/api/practice/exercises",
                    "{\"exerciseId\":\"" + id + "\",\"layoutId\":\""
                            + layouts.get(v % layouts.size()).id() + "\"}");
            AtomicInteger count = new AtomicInteger();
            moments.add(count);
            threads.add(thread(() -> watch(client, address + "/api/practice/exercises/" + id + "/live", count)));
            threads.add(thread(() -> press(client, address + "/api/practice/exercises/" + id + "/acts")));
        }
        threads.forEach(Thread::start);
        Thread.sleep(SETTLING_SECONDS * 1000L);
        moments.forEach(count -> count.set(0));
        double before = cpuSeconds(stat);
        long from = System.nanoTime();
        Thread.sleep(seconds * 1000L);
        double took = (System.nanoTime() - from) / 1e9;
        double[] perSecond = moments.stream()
                .mapToDouble(count -> count.get() / took)
                .sorted()
                .toArray();
        System.out.printf(
                Locale.ROOT,
                "%d live vehicles, %d s: moments a second least %.1f, median %.1f; %.2f cores of the server%n",
                vehicles,
                seconds,
                perSecond[0],
                perSecond[perSecond.length / 2],
                (cpuSeconds(stat) - before) / took);
    }

    private interface Work {
        void run() throws IOException, InterruptedException;
    }

    private static Thread thread(Work work) {
        Thread thread = new Thread(() -> {
            try {
                work.run();
            } catch (IOException e) {
                System.err.println("A stream ended: " + e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        thread.setDaemon(true);
        return thread;
    }

    private static void watch(SignedInClient client, String address, AtomicInteger count)
            throws IOException, InterruptedException {
        HttpResponse<InputStream> answer =
                client.send(HttpRequest.newBuilder(URI.create(address)), HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(answer.body(), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("data:")) {
                    count.incrementAndGet();
                }
            }
        }
    }

    /** Pressed, held, pressed harder and let go, as hands do. */
    private static void press(SignedInClient client, String address) throws IOException, InterruptedException {
        int[] forces = {60, 120, 200, 200, 0};
        for (int i = 0; ; i++) {
            post(
                    client,
                    address,
                    "{\"entryId\":\"" + UUID.randomUUID() + "\",\"act\":\"foot\",\"figure\":"
                            + forces[i % forces.length] + "}");
            Thread.sleep(700);
        }
    }

    private static void post(SignedInClient client, String address, String body)
            throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(address))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body)),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 300) {
            throw new IOException(answer.statusCode() + " " + answer.body());
        }
    }

    /** Processor time of a process so far, s. */
    private static double cpuSeconds(Path stat) throws IOException {
        String text = Files.readString(stat);
        String[] fields = text.substring(text.lastIndexOf(')') + 2).split(" ");
        return (Long.parseLong(fields[11]) + Long.parseLong(fields[12])) / CLOCK_TICKS;
    }
}
