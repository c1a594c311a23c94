package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import overturn.app.support.ApiClient;

/**
 * Everything that can go wrong with several machines, while readings and notes are written through the front door: how
 * long nobody could write, and whether all that was acknowledged is there once. Run by {@code ./overturn cluster drill}
 * on a cluster that is up.
 */
@EnabledIfSystemProperty(named = "overturn.cluster", matches = "http.*")
class ClusterDrillTest {

    private static final String ADDRESS = System.getProperty("overturn.cluster", "");
    private static final int WRITERS = 6;
    private static final Duration MOST_AWAY = Duration.ofSeconds(30);
    private static final Pattern ID = Pattern.compile("\"(?:entryId|readingId)\":\"([0-9a-f-]{36})\"");
    private static final Path COMMAND = Path.of("../overturn").toAbsolutePath().normalize();

    /** What vehicles of this drill are called, so that entries of an earlier one are not counted. */
    private final String run = "Drill " + UUID.randomUUID();

    private final Set<String> acknowledged = ConcurrentHashMap.newKeySet();
    private final ConcurrentLinkedQueue<Instant> acknowledgedAt = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<Throwable> failed = new ConcurrentLinkedQueue<>();
    private final AtomicBoolean enough = new AtomicBoolean();
    private final List<String> told = new ArrayList<>();

    private static String cluster(String... arguments) throws Exception {
        List<String> command = new ArrayList<>(List.of(COMMAND.toString(), "cluster"));
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes()).strip();
        assertEquals(0, process.waitFor(), String.join(" ", arguments) + ": " + said);
        return said;
    }

    private void write(ApiClient api, int writer) {
        for (int n = 0; !enough.get(); n++) {
            String job = "/api/jobs/" + api.openJob(run + " " + writer + "-" + n, "sinks", "primary-piston-cup");
            int sequence = 2;
            for (int note = 0; note < 20 && !enough.get(); note++, sequence++) {
                Map<String, Object> body = note % 4 == 3
                        ? ApiClient.freePlay("4.5", "mm")
                        : Map.of("text", "Note " + note + " of " + writer);
                ApiClient.Answer answer = api.postText(
                        job + (note % 4 == 3 ? "/readings" : "/notes"),
                        ApiClient.json(ApiClient.stamped(sequence, body)),
                        "Prefer",
                        "respond-async");
                assertEquals(2, answer.status() / 100, answer.raw().body());
            }
        }
    }

    /** How long nobody's write was acknowledged, from this moment on, until writes have come again for a while. */
    private Duration away(Instant from) throws InterruptedException {
        Instant end = Instant.now().plusSeconds(90);
        while (Instant.now().isBefore(end)) {
            TimeUnit.SECONDS.sleep(5);
            Instant quiet = from;
            Duration longest = Duration.ZERO;
            for (Instant at : acknowledgedAt) {
                if (at.isAfter(from)) {
                    Duration gap = Duration.between(quiet, at);
                    longest = gap.compareTo(longest) > 0 ? gap : longest;
                    quiet = at;
                }
            }
            boolean flows = Duration.between(quiet, Instant.now()).toSeconds() < 3;
            if (flows && Duration.between(from, Instant.now()).toSeconds() > 35) {
                return longest;
            }
        }
        return Duration.between(from, Instant.now());
    }

    private interface Event {
        void happens() throws Exception;
    }

    private void drill(String name, Event event) throws Exception {
        Instant from = Instant.now();
        event.happens();
        Duration away = away(from);
        told.add(String.format("%s: nobody could write for %.1f s", name, away.toMillis() / 1000.0));
        System.out.println(told.get(told.size() - 1));
        assertTrue(away.compareTo(MOST_AWAY) <= 0, told.toString());
        assertEquals(List.of(), new ArrayList<>(failed));
    }

    @Test
    void nothingThatWasAcknowledgedIsLostAndWritesAreBackWithinHalfAMinute() throws Exception {
        ApiClient api = new ApiClient(ADDRESS).insisting(body -> {
            Matcher ids = ID.matcher(body);
            while (ids.find()) {
                acknowledged.add(ids.group(1));
            }
            acknowledgedAt.add(Instant.now());
        });
        List.of("ines-quill", "marit-osei").forEach(api::cookies);
        ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
        for (int w = 0; w < WRITERS; w++) {
            int writer = w;
            writers.execute(() -> {
                try {
                    write(api, writer);
                } catch (RuntimeException | AssertionError e) {
                    failed.add(e);
                }
            });
        }
        TimeUnit.SECONDS.sleep(5);
        drill("one server after the other started anew", () -> {
            cluster("restart-server", "8301");
            cluster("restart-server", "8302");
        });
        String killed = cluster("leader");
        drill("the leader killed", () -> cluster("kill-leader"));
        cluster("start-node", killed);
        TimeUnit.SECONDS.sleep(25);
        String frozen = cluster("leader");
        // A node that was stopped is fenced (killed) before it goes on: awake again it may take its old lock back.
        drill("the leader stopped in the middle of its writes", () -> cluster("freeze", frozen));
        cluster("kill-node", frozen);
        cluster("start-node", frozen);
        TimeUnit.SECONDS.sleep(25);
        String leader = cluster("leader");
        String other = leader.equals("1") ? "2" : "1";
        drill("the leader and another node cut from each other", () -> cluster("cut", leader, other));
        cluster("join", leader, other);
        TimeUnit.SECONDS.sleep(15);
        String before = cluster("sql", "select now()");
        TimeUnit.SECONDS.sleep(5);
        int then = Integer.parseInt(
                cluster("sql", "select count(*) from log_entry where log_entered_at <= '" + before + "'"));
        enough.set(true);
        writers.shutdown();
        assertTrue(writers.awaitTermination(2, TimeUnit.MINUTES), "the writers end");
        assertEquals(List.of(), new ArrayList<>(failed));
        counted();
        cluster("sql", "set session_replication_role = replica; delete from entry_beside; delete from log_entry");
        String recovered = cluster("recover", before);
        told.add("recovered to the moment before a mistake: " + recovered);
        System.out.println(String.join("\n", told));
        Matcher entries = Pattern.compile("(\\d+) entries").matcher(recovered);
        assertTrue(entries.find(), recovered);
        assertEquals(then, Integer.parseInt(entries.group(1)), 10, "as many as there were then");
    }

    private void counted() throws Exception {
        Set<String> there = new HashSet<>(cluster(
                        "sql",
                        "select e.id from log_entry e join job_summary s using (job_id) where s.vehicle like '" + run
                                + " %'")
                .lines()
                .toList());
        Set<String> lost = new HashSet<>(acknowledged);
        lost.removeAll(there);
        Set<String> more = new HashSet<>(there);
        more.removeAll(acknowledged);
        told.add(acknowledged.size() + " acknowledged, " + lost.size() + " lost, " + more.size()
                + " more than were sent");
        assertEquals(Set.of(), lost, told.toString());
        assertEquals(Set.of(), more, told.toString());
    }
}
