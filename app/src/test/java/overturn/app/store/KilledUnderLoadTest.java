package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import overturn.app.support.ApiClient;
import overturn.app.support.OwnCluster;
import overturn.app.support.RepairFlow;
import overturn.app.support.ServerProcess;

/**
 * Server and database are killed while whole jobs are written, again and again: everything that was acknowledged is
 * there once, and nothing else is. {@code ./overturn kills N} kills as often as it is told.
 */
class KilledUnderLoadTest {

    private static final int KILLS = Integer.getInteger("overturn.kills", 4);
    private static final int WRITERS = 2;
    private static final int TOLD_EVERY = 25;
    private static final Pattern ID = Pattern.compile("\"(?:entryId|readingId)\":\"([0-9a-f-]{36})\"");

    private OwnCluster cluster;
    private ServerProcess server;
    private Map<String, String> environment;

    @AfterEach
    void gone() throws Exception {
        server.close();
        cluster.close();
    }

    private void begin() throws Exception {
        cluster = new OwnCluster();
        environment = cluster.environment();
        server = ServerProcess.begin("127.0.0.1", "killed-under-load.log", environment, demo());
        assertTrue(server.isUp(), "see target/killed-under-load.log");
    }

    private static String[] demo() {
        return new String[] {
            "--overturn.demo=true",
            "--overturn.demo.past=false",
            "--overturn.demo.circuits=none",
            "--overturn.demo.password=" + ApiClient.PASSWORD,
            "--overturn.demo.pin=" + ApiClient.PIN
        };
    }

    /** What one writer does until it is enough: whole jobs, from intake to release. */
    private static void write(ApiClient api, int writer, AtomicBoolean enough, AtomicInteger jobs) {
        for (int n = 0; !enough.get(); n++) {
            String vehicle = "Killed " + writer + "-" + n;
            RepairFlow flow = new RepairFlow(api, "/api/jobs/" + api.openJob(vehicle, "sinks", "primary-piston-cup"));
            flow.done(60);
            flow.post("readings", ApiClient.freePlay("4.5", "mm"));
            flow.post("set-aside", Map.of("procedureId", "hoses-clamped", "why", "no clamps here"));
            flow.post("notes", Map.of("text", "written while it was killed"));
            flow.accept();
            flow.post("parts", Map.of("part", "master", "state", "ordered", "note", ""));
            flow.post("parts", Map.of("part", "master", "state", "arrived", "note", ""));
            flow.done(40).releaseConditionally();
            jobs.incrementAndGet();
        }
    }

    /**
     * A server that has just begun works out its circuits first; killed again and again before it could answer, it
     * would be kept from ever answering, and the writers from going on.
     */
    private static void awaitMoreThan(int before, Set<String> acknowledged, ConcurrentLinkedQueue<Throwable> failed)
            throws InterruptedException {
        while (acknowledged.size() <= before && failed.isEmpty()) {
            TimeUnit.MILLISECONDS.sleep(100);
        }
    }

    /** What was acknowledged and is not there; the set is copied first, so that what comes later is not missed. */
    private Set<String> lost(Set<String> acknowledged) throws Exception {
        Set<String> lost = new HashSet<>(acknowledged);
        cluster.asked("select id from log_entry").lines().forEach(lost::remove);
        return lost;
    }

    @Test
    void whatWasAcknowledgedIsThereOnceAndNothingElseIs() throws Exception {
        begin();
        Set<String> acknowledged = ConcurrentHashMap.newKeySet();
        ConcurrentLinkedQueue<Throwable> failed = new ConcurrentLinkedQueue<>();
        AtomicBoolean enough = new AtomicBoolean();
        AtomicInteger jobs = new AtomicInteger();
        ApiClient api = new ApiClient("http://127.0.0.1:" + server.port()).insisting(body -> {
            Matcher ids = ID.matcher(body);
            while (ids.find()) {
                acknowledged.add(ids.group(1));
            }
        });
        List.of("ines-quill", "marit-osei", "tobias-renn").forEach(api::cookies);
        ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
        for (int w = 0; w < WRITERS; w++) {
            int writer = w;
            writers.execute(() -> {
                try {
                    write(api, writer, enough, jobs);
                } catch (RuntimeException | AssertionError e) {
                    failed.add(e);
                }
            });
        }
        Random random = new Random(7);
        Map<String, Integer> killed = new TreeMap<>();
        for (int kill = 0; kill < KILLS && failed.isEmpty(); kill++) {
            TimeUnit.MILLISECONDS.sleep(random.nextInt(1500));
            awaitMoreThan(acknowledged.size(), acknowledged, failed);
            String victim = List.of("server", "database", "database", "both").get(kill % 4);
            killed.merge(victim, 1, Integer::sum);
            if (kill % TOLD_EVERY == TOLD_EVERY - 1) {
                System.out.println(Instant.now() + " killed " + killed + ", acknowledged " + acknowledged.size()
                        + ", lost " + lost(acknowledged));
            }
            if (!victim.equals("database")) {
                server.close();
                server.exitCode();
            }
            if (!victim.equals("server")) {
                cluster.kill();
                cluster.start();
            }
            if (!victim.equals("database")) {
                server = ServerProcess.begin("127.0.0.1", server.port(), "killed-under-load.log", environment, demo());
                assertTrue(server.isUp(), "see target/killed-under-load.log");
            }
        }
        enough.set(true);
        writers.shutdown();
        boolean ended = writers.awaitTermination(5, TimeUnit.MINUTES);
        Set<String> lost = lost(acknowledged);
        List<String> there = cluster.asked("select e.id || ' ' || e.kind from log_entry e")
                .lines()
                .toList();
        Map<String, Integer> kinds = new TreeMap<>();
        Set<String> ids = new HashSet<>();
        there.forEach(line -> {
            ids.add(line.split(" ")[0]);
            kinds.merge(line.split(" ")[1], 1, Integer::sum);
        });
        System.out.println("Killed " + killed + "; " + jobs + " whole jobs, " + acknowledged.size()
                + " acknowledged entries of " + kinds + ", lost " + lost);
        assertTrue(ended, "the writers end");
        assertEquals(List.of(), new ArrayList<>(failed));
        Set<String> more = new HashSet<>(ids);
        more.removeAll(acknowledged);
        more.removeIf(id -> UUID.fromString(id).version() == 3);
        assertEquals(Set.of(), lost, "lost");
        assertEquals(Set.of(), more, "written twice under another id, or never acknowledged");
        assertEquals(there.size(), ids.size());
        assertEquals(
                "",
                cluster.asked("select job_id, kind, body from log_entry where kind = 'work-step-done'"
                        + " group by job_id, kind, body having count(*) > 1"),
                "steps of one request have ids that follow from its own: none is there twice");
        assertTrue(kinds.size() >= 12, kinds.toString());
        assertEquals(
                0, Integer.parseInt(cluster.said("use_database; findings overturn | wc -l")), "every chain is whole");
    }
}
