package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;

/** One job read from 32 threads at once is the same to the last digit for all of them. */
@ExtendWith(OverturnServer.class)
class ManyReadersTest {

    private static final int THREADS = 32;

    /** What all threads found, beginning together. */
    private static <T> Set<T> found(java.util.function.IntFunction<T> look) {
        ExecutorService threads = Executors.newFixedThreadPool(THREADS);
        CountDownLatch together = new CountDownLatch(THREADS);
        try {
            List<CompletableFuture<T>> all = IntStream.range(0, THREADS)
                    .mapToObj(i -> CompletableFuture.supplyAsync(
                            () -> {
                                together.countDown();
                                try {
                                    together.await();
                                } catch (InterruptedException e) {
                                    throw new IllegalStateException(e);
                                }
                                return look.apply(i);
                            },
                            threads))
                    .toList();
            return all.stream().map(CompletableFuture::join).collect(Collectors.toSet());
        } finally {
            threads.shutdownNow();
        }
    }

    /**
     * Every belief of a history, asked for by each thread in another order, against one that a single thread worked
     * out.
     */
    @Test
    void beliefsAskedForInAnyOrderAreThoseOfOneThread() {
        LayoutModel model = LayoutModel.of(Presets.layout("wisp-courier-clutch"));
        List<Reading> readings = model.procedures().all().stream()
                .filter(p -> p.spec() instanceof overturn.measurement.ReadingSpec.Observation)
                .limit(6)
                .map(ManyReadersTest::reading)
                .toList();
        Set<List<Double>> expected = Set.of(beliefs(BeliefHistory.of(model, Intake.UNKNOWN, readings), 0));
        for (int round = 0; round < 5; round++) {
            BeliefHistory shared = BeliefHistory.of(model, Intake.UNKNOWN, readings);
            assertEquals(expected, found(thread -> beliefs(shared, thread)));
        }
    }

    private static Reading reading(Procedure procedure) {
        String option = ((overturn.measurement.ReadingSpec.Observation) procedure.spec())
                .options()
                .get(0);
        return new Reading(procedure.id(), procedure.id(), new Observed(option), procedure.rigSetup(), RigTrust.NORMAL);
    }

    private static List<Double> beliefs(BeliefHistory history, int from) {
        int count = history.readings().size();
        for (int i = 0; i < count; i++) {
            history.without((from + i) % count);
            history.after((from + 2 * i) % (count + 1));
        }
        return IntStream.range(0, count)
                .boxed()
                .flatMap(i -> history.model().suspects().stream()
                        .flatMap(s -> java.util.stream.Stream.of(
                                history.without(i).probability(s.id()),
                                history.after(i + 1).probability(s.id()))))
                .toList();
    }

    @Test
    void aJobOverHttp(OverturnServer.Running server) {
        ApiClient api = new ApiClient(server.address());
        String job = "/api/jobs/" + api.openJob("Tarn SK 80", "sinks", "primary-piston-cup");
        for (int round = 0; round < 3; round++) {
            api.post(
                    job + "/readings",
                    ApiClient.stamped(2 + round, ApiClient.freePlay(Integer.toString(4 + round), "mm")));
            api.put(
                    "/api/workshop",
                    Map.of(
                            "version",
                            api.get("/api/workshop").body().get("version").asInt(),
                            "personId",
                            "ines-quill",
                            "lacks",
                            List.of(),
                            "helper",
                            true,
                            "lift",
                            round % 2 == 0,
                            "prices",
                            List.of()));
            assertEquals(
                    1,
                    found(thread -> api.get(job).raw().body()).size(),
                    "assessed anew with other settings, by whoever came first");
        }
        api.put(
                "/api/workshop",
                Map.of(
                        "version",
                        api.get("/api/workshop").body().get("version").asInt(),
                        "personId",
                        "ines-quill",
                        "lacks",
                        List.of(),
                        "helper",
                        true,
                        "lift",
                        true,
                        "prices",
                        List.of()));
    }
}
