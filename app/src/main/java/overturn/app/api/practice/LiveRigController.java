package overturn.app.api.practice;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import overturn.app.api.Problems;
import overturn.app.api.practice.PracticeViews.RigMomentView;
import overturn.app.people.Actor;
import overturn.app.usecase.practice.Practise;

/**
 * The live vehicle of an exercise as server-sent events, {@link #PER_SECOND} moments a second: {@code moment} with what
 * can be seen. A vehicle moves as long as somebody looks.
 */
@RestController
@RequestMapping("/api/practice/exercises")
class LiveRigController {

    private static final Logger LOG = LoggerFactory.getLogger(LiveRigController.class);
    private static final int PER_SECOND = 25;
    private static final int MOST_VEHICLES = 60;
    private static final int THREADS = 4;
    private static final long FOR_EVER = 0;

    private final Practise practise;
    private final ScheduledExecutorService clock = Executors.newScheduledThreadPool(THREADS, work -> {
        Thread thread = new Thread(work, "live-rig");
        thread.setDaemon(true);
        return thread;
    });
    /** The vehicles that somebody looks at. */
    private final Map<UUID, Watched> watched = new ConcurrentHashMap<>();

    LiveRigController(Practise practise) {
        this.practise = practise;
    }

    /** A vehicle and who looks at it. */
    private record Watched(Set<SseEmitter> streams, ScheduledFuture<?> ticks) {}

    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.TEXT_EVENT_STREAM_VALUE,
                            schema = @Schema(implementation = RigMomentView.class)))
    @GetMapping(value = "/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<?> live(Actor actor, @PathVariable UUID id) {
        Supplier<Practise.Moment> vehicle = practise.watch(id, actor);
        if (watched.size() >= MOST_VEHICLES && !watched.containsKey(id)) {
            ProblemDetail problem = Problems.problem(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "too-many-streams",
                    "Too many practise already",
                    "At most " + MOST_VEHICLES + " vehicles move at once; try again in a few minutes");
            return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(problem);
        }
        SseEmitter stream = new SseEmitter(FOR_EVER);
        stream.onCompletion(() -> gone(id, stream));
        stream.onError(e -> gone(id, stream));
        watched.compute(id, (same, now) -> {
            Watched looking = now == null ? begun(id, vehicle) : now;
            looking.streams().add(stream);
            return looking;
        });
        return ResponseEntity.ok().contentType(MediaType.TEXT_EVENT_STREAM).body(stream);
    }

    private Watched begun(UUID id, Supplier<Practise.Moment> vehicle) {
        Set<SseEmitter> streams = ConcurrentHashMap.newKeySet();
        return new Watched(
                streams,
                clock.scheduleAtFixedRate(
                        () -> send(id, streams, vehicle), 0, 1_000_000 / PER_SECOND, TimeUnit.MICROSECONDS));
    }

    private void gone(UUID id, SseEmitter stream) {
        watched.computeIfPresent(id, (same, now) -> {
            now.streams().remove(stream);
            if (now.streams().isEmpty()) {
                now.ticks().cancel(false);
                return null;
            }
            return now;
        });
    }

    private void send(UUID id, Set<SseEmitter> streams, Supplier<Practise.Moment> vehicle) {
        try {
            RigMomentView moment = RigMomentView.of(vehicle.get());
            for (SseEmitter stream : streams) {
                try {
                    stream.send(SseEmitter.event().name("moment").data(moment));
                } catch (IOException | IllegalStateException left) {
                    gone(id, stream);
                }
            }
        } catch (RuntimeException e) {
            LOG.error("The vehicle of exercise {} cannot go on", id, e);
            streams.forEach(stream -> stream.completeWithError(e));
        }
    }

    /** Before the server waits for its requests to end, since these never would. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        clock.shutdownNow();
        watched.values().forEach(now -> now.streams().forEach(SseEmitter::complete));
    }
}
