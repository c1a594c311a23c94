package overturn.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.Flow;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import me.tongfei.progressbar.ProgressBar;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;

/**
 * Technicians at the pace of work: a reading every four minutes each, their pages open and listening, the bay looked at
 * now and then, at one server or several that share a database.
 */
public final class ShopLoad {

    private static final int BETWEEN_READINGS_SECONDS = 240;
    private static final int PRESENCE_SECONDS = 8;
    private static final int HANDS = 64;
    /**
     * So long until everybody has a job and every circuit has been seen by one server; not counted. Servers that share
     * the cores work out the same circuits at the same time, so that it grows with the square of their number.
     */
    private static final int SETTLING_SECONDS = 90;

    private final List<SignedInClient> clients = new ArrayList<>();
    private final List<String> addresses;
    private final List<Double> acknowledgedMillis = Collections.synchronizedList(new ArrayList<>());
    private final List<Double> assessedMillis = Collections.synchronizedList(new ArrayList<>());
    private final Map<String, AtomicInteger> statuses = Collections.synchronizedMap(new TreeMap<>());
    private final AtomicLong told = new AtomicLong();
    private final ScheduledExecutorService hands = Executors.newScheduledThreadPool(HANDS);
    private volatile boolean ended;
    private long settledNanos;

    private ShopLoad(List<String> addresses) throws IOException, InterruptedException {
        this.addresses = addresses;
        for (String address : addresses) {
            clients.add(new SignedInClient(address));
        }
    }

    /** @param arguments addresses of running servers, divided by commas; people; seconds */
    public static void main(String[] arguments) throws Exception {
        int people = Integer.parseInt(arguments[1]);
        int seconds = Integer.parseInt(arguments[2]);
        ShopLoad shop = new ShopLoad(Arrays.asList(arguments[0].split(",")));
        shop.work(people, seconds);
        System.exit(0);
    }

    private void work(int people, int seconds) throws InterruptedException {
        settledNanos = System.nanoTime()
                + Duration.ofSeconds((long) SETTLING_SECONDS * addresses.size() * addresses.size())
                        .toNanos();
        for (int p = 0; p < people; p++) {
            Technician technician = new Technician(p);
            hands.schedule(technician::listen, p * 20L, TimeUnit.MILLISECONDS);
            hands.schedule(technician::open, p * (SETTLING_SECONDS - 20) * 1000L / people, TimeUnit.MILLISECONDS);
        }
        try (ProgressBar bar = new ProgressBar("seconds", seconds)) {
            for (int s = 0; s < seconds; s++, bar.step()) {
                Thread.sleep(1_000);
            }
        }
        ended = true;
        hands.shutdownNow();
        tell("a reading acknowledged", acknowledgedMillis);
        tell("the job there, assessed", assessedMillis);
        System.out.println(people + " technicians, " + seconds + " s, " + addresses.size() + " servers: answers "
                + new TreeMap<>(statuses) + "; " + told.get() + " lines told by streams");
    }

    /** Counts what a stream tells, as it comes. */
    private final class Listener implements Flow.Subscriber<String> {

        @Override
        public void onSubscribe(Flow.Subscription subscription) {
            subscription.request(Long.MAX_VALUE);
        }

        @Override
        public void onNext(String line) {
            told.incrementAndGet();
        }

        @Override
        public void onError(Throwable failure) {
            count("a stream failed");
        }

        @Override
        public void onComplete() {
            count("a stream was closed");
        }
    }

    /** One technician with a page. */
    private final class Technician {
        private final int number;
        private final SplittableRandom random;
        private final LayoutFile layout;
        private final String device = UUID.randomUUID().toString();
        private String job;
        private int sequence;
        private int reading;

        private Technician(int number) {
            this.number = number;
            this.random = new SplittableRandom(number);
            List<LayoutFile> presets = Presets.files();
            this.layout = presets.get(random.nextInt(3) == 0 ? random.nextInt(presets.size()) : 0);
        }

        private void listen() {
            at().sendAsync(
                            HttpRequest.newBuilder(URI.create(address() + "/api/events")),
                            BodyHandlers.fromLineSubscriber(new Listener()))
                    .whenComplete((answer, failure) -> count("a stream ended"));
        }

        private SignedInClient at() {
            return clients.get(number % clients.size());
        }

        private String address() {
            return addresses.get(number % addresses.size());
        }

        private void open() {
            job = UUID.randomUUID().toString();
            reading = 0;
            sequence = 2;
            written("/api/jobs", LoadJob.intake(job, layout.id(), layout.layout(), "Shop " + number));
            later(this::present, random.nextInt(PRESENCE_SECONDS));
            later(this::read, random.nextInt(BETWEEN_READINGS_SECONDS));
        }

        private void read() {
            answered("GET", "/api/jobs", "");
            written("/api/jobs/" + job + "/readings", LoadJob.reading(layout.layout(), reading++, sequence++));
            int next = BETWEEN_READINGS_SECONDS / 2 + random.nextInt(BETWEEN_READINGS_SECONDS);
            later(reading < LoadJob.READINGS ? this::read : this::open, next);
        }

        private void present() {
            answered("PUT", "/api/jobs/" + job + "/presence", "{\"deviceId\":\"" + device + "\"}");
            later(this::present, PRESENCE_SECONDS);
        }

        private void later(Runnable work, int seconds) {
            if (!ended) {
                hands.schedule(work, seconds, TimeUnit.SECONDS);
            }
        }

        private void written(String path, String body) {
            long from = System.nanoTime();
            answered("POST", path, body);
            long then = System.nanoTime();
            answered("GET", "/api/jobs/" + job, "");
            if (from > settledNanos) {
                acknowledgedMillis.add((then - from) / 1e6);
                assessedMillis.add((System.nanoTime() - then) / 1e6);
            }
        }

        private void answered(String method, String path, String body) {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address() + path))
                    .header("Content-Type", "application/json")
                    .header("Prefer", "respond-async")
                    .timeout(Duration.ofMinutes(2))
                    .method(
                            method,
                            body.isEmpty()
                                    ? HttpRequest.BodyPublishers.noBody()
                                    : HttpRequest.BodyPublishers.ofString(body));
            try {
                HttpResponse<Stream<String>> answer = at().send(request, BodyHandlers.ofLines());
                String said = String.join("", answer.body().toList());
                count(method + " " + answer.statusCode());
                if (answer.statusCode() >= 400) {
                    System.err.println(answer.statusCode() + " " + method + " " + path + " " + said);
                }
            } catch (IOException e) {
                count(method + " not answered");
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private void count(String what) {
        statuses.computeIfAbsent(what, w -> new AtomicInteger()).incrementAndGet();
    }

    private static void tell(String what, List<Double> all) {
        double[] sorted = all.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        if (sorted.length == 0) {
            System.out.println("  " + what + ": none");
            return;
        }
        System.out.printf(
                Locale.ROOT,
                "  %-26s %d times: p50 %.0f ms, p95 %.0f ms, p99 %.0f ms, most %.0f ms%n",
                what,
                sorted.length,
                sorted[sorted.length / 2],
                sorted[sorted.length * 95 / 100],
                sorted[sorted.length * 99 / 100],
                sorted[sorted.length - 1]);
    }
}
