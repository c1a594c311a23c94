package overturn.app.api.job;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import overturn.app.api.Problems;
import overturn.app.job.LogNotices;
import overturn.app.job.StrokeCall;
import overturn.app.people.Actor;
import overturn.app.workshop.Staff;

/**
 * Tells pages which logs have grown, as server-sent events: {@code grown} with the job and its sequence; {@code called}
 * with a stroke that is called at the bleed sheet of a job; {@code missed} at the start of a stream and whenever some
 * may have been lost, after which a page reads what it shows once more. A line of comment every few seconds keeps the
 * stream open.
 */
@RestController
@RequestMapping("/api/events")
class EventController implements LogNotices.Listener {

    private static final Logger LOG = LoggerFactory.getLogger(EventController.class);

    /** Pages that can listen at once; a browser needs one for all its tabs. */
    private static final int MOST_STREAMS = 1_000;

    private static final long HEARTBEAT_SECONDS = 10;
    private static final long FOR_EVER = 0;

    /** Who listens by which stream. */
    private final Map<SseEmitter, String> streams = new ConcurrentHashMap<>();

    private final Staff staff;
    private final ScheduledExecutorService teller = Executors.newSingleThreadScheduledExecutor(EventController::thread);

    EventController(LogNotices notices, Staff staff) {
        this.staff = staff;
        notices.listen(this);
        teller.scheduleWithFixedDelay(this::beat, HEARTBEAT_SECONDS, HEARTBEAT_SECONDS, TimeUnit.SECONDS);
    }

    /** Whoever works here no more is told nothing more. */
    private void beat() {
        try {
            List<String> here = streams.isEmpty() ? List.of() : staff.signing();
            streams.forEach((stream, personId) -> {
                if (here.contains(personId)) {
                    send(stream, SseEmitter.event().comment("here"));
                } else {
                    stream.complete();
                    streams.remove(stream);
                }
            });
        } catch (DataAccessException e) {
            LOG.warn("Nobody is asked whether they are still here: {}", e.getMessage());
        }
    }

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "events");
        thread.setDaemon(true);
        return thread;
    }

    @GetMapping(produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<?> events(Actor actor) {
        if (streams.size() >= MOST_STREAMS) {
            ProblemDetail problem = Problems.problem(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "too-many-streams",
                    "Too many listen already",
                    "At most " + MOST_STREAMS
                            + " pages are told of entries as they come; read the job again every few seconds instead");
            return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(problem);
        }
        SseEmitter stream = new SseEmitter(FOR_EVER);
        stream.onCompletion(() -> streams.remove(stream));
        stream.onError(e -> streams.remove(stream));
        streams.put(stream, actor.personId());
        send(stream, SseEmitter.event().name("missed").data(Map.of()));
        return ResponseEntity.ok().contentType(MediaType.TEXT_EVENT_STREAM).body(stream);
    }

    @Override
    public void grown(UUID jobId, int sequence) {
        teller.execute(() -> streams.keySet()
                .forEach(stream -> send(
                        stream, SseEmitter.event().name("grown").data(Map.of("jobId", jobId, "sequence", sequence)))));
    }

    @Override
    public void called(StrokeCall call) {
        teller.execute(() -> streams.keySet()
                .forEach(
                        stream -> send(stream, SseEmitter.event().name("called").data(call))));
    }

    @Override
    public void missed() {
        teller.execute(() -> streams.keySet()
                .forEach(
                        stream -> send(stream, SseEmitter.event().name("missed").data(Map.of()))));
    }

    private void send(SseEmitter stream, SseEmitter.SseEventBuilder event) {
        try {
            stream.send(event);
        } catch (IOException | IllegalStateException gone) {
            streams.remove(stream);
        }
    }

    /** Before the server waits for its requests to end, since these never would. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        teller.shutdownNow();
        streams.keySet().forEach(SseEmitter::complete);
    }
}
