package overturn.bench;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import me.tongfei.progressbar.ProgressBar;
import overturn.circuit.Layout;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;

/**
 * Many technicians, many layouts and a full bay against a running server: what it answers, how fast, and whether
 * anything fails.
 */
public final class ServerLoad {

    /** After so long a server that has just started has met every page of the work. */
    private static final int SETTLING_SECONDS = 20;

    private final SignedInClient http;
    private final String address;
    private String preferred = "wait=120";
    private long settledNanos;
    private final List<Double> millis = Collections.synchronizedList(new ArrayList<>());
    /**
     * Of technicians: until an entry is acknowledged, and from then until the job is there with what follows from it.
     */
    private final List<Double> acknowledgedMillis = Collections.synchronizedList(new ArrayList<>());

    private final List<Double> firstMillis = Collections.synchronizedList(new ArrayList<>());

    private final List<Double> assessedMillis = Collections.synchronizedList(new ArrayList<>());
    private final Map<Integer, AtomicInteger> statuses = new ConcurrentHashMap<>();

    private ServerLoad(String address) throws IOException, InterruptedException {
        this.http = new SignedInClient(address);
        this.address = address;
    }

    /**
     * @param arguments address of a running server, then {@code technicians PEOPLE SECONDS}, {@code layouts LAYOUTS
     *     JOBS} or {@code bay REQUESTS}
     */
    public static void main(String[] arguments) throws Exception {
        ServerLoad load = new ServerLoad(arguments[0]);
        switch (arguments[1]) {
            case "technicians" -> load.technicians(Integer.parseInt(arguments[2]), Integer.parseInt(arguments[3]));
            case "layouts" -> load.layouts(Integer.parseInt(arguments[2]), Integer.parseInt(arguments[3]));
            case "bay" -> load.bay(Integer.parseInt(arguments[2]));
            default -> throw new IllegalArgumentException("technicians, layouts or bay, not " + arguments[1]);
        }
    }

    /**
     * Each opens a job on one of the presets, enters a reading every two seconds until there are nine, and opens the
     * next.
     */
    private void technicians(int people, int seconds) throws InterruptedException {
        preferred = "respond-async";
        settledNanos = System.nanoTime() + Duration.ofSeconds(SETTLING_SECONDS).toNanos();
        long end = System.nanoTime() + Duration.ofSeconds(seconds).toNanos();
        List<Thread> threads = IntStream.range(0, people)
                .mapToObj(p -> new Thread(() -> work(new SplittableRandom(p), end)))
                .toList();
        threads.forEach(Thread::start);
        try (ProgressBar bar = new ProgressBar("technicians", seconds)) {
            for (int s = 0; s < seconds; s++, bar.step()) {
                Thread.sleep(1_000);
            }
        }
        for (Thread thread : threads) {
            thread.join();
        }
        tell("acknowledged in the first " + SETTLING_SECONDS + " s", firstMillis);
        tell("acknowledged after them", acknowledgedMillis);
        tell("assessed", assessedMillis);
        tell(people + " technicians, two seconds' thought, " + seconds + " s, presets mixed");
    }

    private void work(SplittableRandom random, long endNanos) {
        try {
            Thread.sleep(random.nextInt(2_000));
            while (System.nanoTime() < endNanos) {
                LayoutFile layout = Presets.files()
                        .get(
                                random.nextInt(3) == 0
                                        ? random.nextInt(Presets.files().size())
                                        : 0);
                String job = UUID.randomUUID().toString();
                written(
                        "/api/jobs",
                        LoadJob.intake(job, layout.id(), layout.layout(), "Load " + random.nextInt(1_000_000)),
                        job);
                for (int i = 0; i < LoadJob.READINGS && System.nanoTime() < endNanos; i++) {
                    Thread.sleep(1_000 + random.nextInt(2_000));
                    written("/api/jobs/" + job + "/readings", LoadJob.reading(layout.layout(), i, 2 + i), job);
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Writes as the pages do: the answer comes once the entry is in the log, and the job is asked for then. */
    private void written(String path, String body, String job) throws InterruptedException {
        long from = System.nanoTime();
        timed("POST", path, body);
        long then = System.nanoTime();
        timed("GET", "/api/jobs/" + job, "");
        (from < settledNanos ? firstMillis : acknowledgedMillis).add((then - from) / 1e6);
        assessedMillis.add((System.nanoTime() - then) / 1e6);
    }

    private String open(String layoutId, Layout layout, String vehicle) throws InterruptedException {
        String id = UUID.randomUUID().toString();
        return timed("POST", "/api/jobs", LoadJob.intake(id, layoutId, layout, vehicle))
                                .statusCode()
                        == 201
                ? id
                : null;
    }

    /** Saves layouts that differ in a dimension and opens jobs on each in turn, two at a time. */
    private void layouts(int layouts, int jobs) throws InterruptedException {
        AtomicInteger next = new AtomicInteger();
        try (ProgressBar bar = new ProgressBar("layouts", layouts)) {
            List<Thread> threads = IntStream.range(0, 2)
                    .mapToObj(t -> new Thread(() -> {
                        for (int n = next.getAndIncrement(); n < layouts; n = next.getAndIncrement()) {
                            openOn(n, jobs * (n + 1) / layouts - jobs * n / layouts);
                            bar.step();
                        }
                    }))
                    .toList();
            threads.forEach(Thread::start);
            for (Thread thread : threads) {
                thread.join();
            }
        }
        tell(layouts + " layouts, " + jobs + " jobs of three readings opened in turn");
    }

    private void openOn(int number, int jobs) {
        try {
            LayoutFile preset = Presets.files().get(number % Presets.files().size());
            String id = "load-" + number;
            String file = LayoutFiles.write(preset)
                    .replaceFirst("\"id\":\"" + preset.id() + "\"", "\"id\":\"" + id + "\"")
                    .replaceFirst("\"freePlayMm\":[0-9.]+", "\"freePlayMm\":" + (2 + number % 60 / 20.0));
            timed("POST", "/api/layouts", file);
            for (int i = 0; i < jobs; i++) {
                String job = open(id, preset.layout(), "Layout " + number + " job " + i);
                for (int r = 0; r < 2 && job != null; r++) {
                    timed("POST", "/api/jobs/" + job + "/readings", LoadJob.reading(preset.layout(), r, 2 + r));
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Lists, filters and searches, one after another. */
    private void bay(int requests) throws InterruptedException {
        List<String> queries = List.of(
                "",
                "?stage=open",
                "?stage=closed",
                "?stage=all",
                "?stage=released",
                "?stage=open&search=tarn",
                "?stage=closed&search=ramp",
                "?stage=all&search=SK%20777",
                "?stage=closed&search=zz",
                "?stage=all&search=q",
                "?stage=all&search=nowhere%20at%20all",
                "?stage=closed&search=van%2099999");
        for (String query : queries) {
            for (int i = 0; i < requests / 10; i++) {
                timed("GET", "/api/jobs" + query, "");
            }
        }
        millis.clear();
        statuses.clear();
        SplittableRandom random = new SplittableRandom(1);
        Map<String, List<Double>> byQuery = new TreeMap<>();
        for (int i = 0; i < requests; i++) {
            String query = queries.get(i % queries.size());
            HttpResponse<String> answer = timed("GET", "/api/jobs" + query, "");
            byQuery.computeIfAbsent(query, q -> new ArrayList<>()).add(millis.get(millis.size() - 1));
            String next = answer.body().replaceFirst("(?s).*\"next\":\"([^\"]+)\".*", "$1");
            if (!next.equals(answer.body()) && random.nextInt(3) == 0) {
                timed(
                        "GET",
                        "/api/jobs" + query + (query.isEmpty() ? "?" : "&") + "after="
                                + URLEncoder.encode(next, StandardCharsets.UTF_8),
                        "");
            }
        }
        byQuery.forEach((query, own) -> System.out.printf(
                Locale.ROOT, "  %-36s p50 %5.1f ms, p95 %5.1f ms%n", query, at(own, 0.5), at(own, 0.95)));
        tell("the bay, listed, filtered, searched and paged");
    }

    private HttpResponse<String> timed(String method, String path, String body) throws InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .header("Prefer", preferred)
                .timeout(Duration.ofMinutes(2))
                .method(
                        method,
                        body.isEmpty()
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(body));
        long from = System.nanoTime();
        try {
            HttpResponse<String> answer = http.send(request);
            millis.add((System.nanoTime() - from) / 1e6);
            statuses.computeIfAbsent(answer.statusCode(), s -> new AtomicInteger())
                    .incrementAndGet();
            if (answer.statusCode() >= 400 && statuses.get(answer.statusCode()).get() <= 3) {
                System.err.println(answer.statusCode() + " " + method + " " + path + " " + answer.body());
            }
            return answer;
        } catch (IOException e) {
            throw new IllegalStateException("No answer to " + method + " " + path, e);
        }
    }

    private static double at(List<Double> all, double share) {
        List<Double> sorted = all.stream().sorted().toList();
        return sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()));
    }

    private static void tell(String what, List<Double> all) {
        System.out.printf(
                Locale.ROOT,
                "  %-34s p50 %.0f ms, p95 %.0f ms, p99 %.0f ms, most %.0f ms%n",
                what,
                at(all, 0.5),
                at(all, 0.95),
                at(all, 0.99),
                at(all, 1));
    }

    private void tell(String what) {
        System.out.printf(
                Locale.ROOT,
                "%s: %d answers, statuses %s; p50 %.0f ms, p95 %.0f ms, p99 %.0f ms, most %.0f ms%n",
                what,
                millis.size(),
                new TreeMap<>(statuses),
                at(millis, 0.5),
                at(millis, 0.95),
                at(millis, 0.99),
                at(millis, 1));
    }
}
