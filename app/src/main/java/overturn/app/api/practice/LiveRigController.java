package overturn.app.api.practice;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
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
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import overturn.app.api.Problems;
import overturn.app.api.practice.RigViews.RigMomentView;
import overturn.app.people.Actor;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.practice.Practise;
import overturn.instrument.InstrumentKind;

/**
 * The live vehicle of an exercise as server-sent events, {@link #PER_SECOND} moments a second: {@code moment} with what
 * can be seen. A vehicle moves as long as somebody looks.
 */
@RestController
@RequestMapping("/api/practice/exercises")
class LiveRigController {

    private static final Logger LOG = LoggerFactory.getLogger(LiveRigController.class);
    private static final int PER_SECOND = 25;
    /** Of an instrument a line each other tick. */
    private static final int EVERY_TICKS = 2;

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

    /** Somebody who looks: a page, or what listens to one instrument. */
    private interface Looker {
        void show(RigMomentView moment) throws IOException;

        void end();
    }

    /** A vehicle and who looks at it. */
    private record Watched(Set<Looker> lookers, ScheduledFuture<?> ticks) {}

    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.TEXT_EVENT_STREAM_VALUE,
                            schema = @Schema(implementation = RigMomentView.class)))
    @GetMapping(value = "/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<?> live(Actor actor, @PathVariable UUID id) {
        SseEmitter stream = new SseEmitter(FOR_EVER);
        return looked(actor, id, stream, MediaType.TEXT_EVENT_STREAM, new Looker() {
            @Override
            public void show(RigMomentView moment) throws IOException {
                stream.send(SseEmitter.event().name("moment").data(moment));
            }

            @Override
            public void end() {
                stream.complete();
            }
        });
    }

    /** One line of an instrument: seconds on the vehicle's own clock, what it shows, none where it dropped out. */
    record InstrumentLine(double seconds, Optional<Double> value) {}

    /**
     * What one instrument on the live vehicle shows, twelve times a second, as lines of JSON; a line without a value is
     * one at which it dropped out. Force in N, travel and slave stroke in mm, pressure in bar, reserve in kPa or bar,
     * level in mL above the minimum, warmth in °C above the air.
     */
    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_NDJSON_VALUE,
                            schema = @Schema(implementation = InstrumentLine.class)))
    @GetMapping(value = "/{id}/instruments/{instrument}", produces = MediaType.APPLICATION_NDJSON_VALUE)
    ResponseEntity<?> lines(Actor actor, @PathVariable UUID id, @PathVariable String instrument) {
        return instrument(
                actor,
                id,
                instrument,
                MediaType.APPLICATION_NDJSON,
                "",
                (seconds, value) -> String.format(
                        Locale.ROOT, "{\"seconds\":%.2f%s}\n", seconds, value == null ? "" : ",\"value\":" + value));
    }

    /** The same as comma-separated values, with a head; an empty field is one at which it dropped out. */
    @GetMapping(value = "/{id}/instruments/{instrument}.csv", produces = "text/csv")
    ResponseEntity<?> table(Actor actor, @PathVariable UUID id, @PathVariable String instrument) {
        return instrument(
                actor,
                id,
                instrument,
                new MediaType("text", "csv"),
                "seconds,value\n",
                (seconds, value) -> String.format(Locale.ROOT, "%.2f,%s\n", seconds, value == null ? "" : value));
    }

    /** How a line is written; no value where it dropped out. */
    private interface Line {
        String of(double seconds, @Nullable Double value);
    }

    private ResponseEntity<?> instrument(
            Actor actor, UUID id, String instrument, MediaType type, String head, Line line) {
        String kind = InstrumentKind.find(instrument)
                .map(InstrumentKind::id)
                .orElseThrow(() -> new NotFoundException("instrument", instrument));
        ResponseBodyEmitter stream = new ResponseBodyEmitter(FOR_EVER);
        return looked(actor, id, stream, type, new Looker() {
            private boolean begun;
            private long last = -EVERY_TICKS;

            @Override
            public void show(RigMomentView moment) throws IOException {
                if (!begun) {
                    begun = true;
                    stream.send(head, MediaType.TEXT_PLAIN);
                }
                if (moment.tick() - last >= EVERY_TICKS) {
                    last = moment.tick();
                    double seconds = moment.tick() / (double) PER_SECOND;
                    stream.send(line.of(seconds, moment.read().get(kind)), MediaType.TEXT_PLAIN);
                }
            }

            @Override
            public void end() {
                stream.complete();
            }
        });
    }

    private ResponseEntity<?> looked(Actor actor, UUID id, ResponseBodyEmitter stream, MediaType type, Looker looker) {
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
        stream.onCompletion(() -> gone(id, looker));
        stream.onError(e -> gone(id, looker));
        watched.compute(id, (same, now) -> {
            Watched looking = now == null ? begun(id, vehicle) : now;
            looking.lookers().add(looker);
            return looking;
        });
        return ResponseEntity.ok().contentType(type).body(stream);
    }

    private Watched begun(UUID id, Supplier<Practise.Moment> vehicle) {
        Set<Looker> lookers = ConcurrentHashMap.newKeySet();
        return new Watched(
                lookers,
                clock.scheduleAtFixedRate(
                        () -> show(id, lookers, vehicle), 0, 1_000_000 / PER_SECOND, TimeUnit.MICROSECONDS));
    }

    private void gone(UUID id, Looker looker) {
        watched.computeIfPresent(id, (same, now) -> {
            now.lookers().remove(looker);
            if (now.lookers().isEmpty()) {
                now.ticks().cancel(false);
                return null;
            }
            return now;
        });
    }

    private void show(UUID id, Set<Looker> lookers, Supplier<Practise.Moment> vehicle) {
        try {
            RigMomentView moment = RigMomentView.of(vehicle.get());
            for (Looker looker : lookers) {
                try {
                    looker.show(moment);
                } catch (IOException | IllegalStateException left) {
                    gone(id, looker);
                }
            }
        } catch (RuntimeException e) {
            LOG.error("The vehicle of exercise {} cannot go on", id, e);
            lookers.forEach(Looker::end);
        }
    }

    /** Before the server waits for its requests to end, since these never would. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        clock.shutdownNow();
        watched.values().forEach(now -> now.lookers().forEach(Looker::end));
    }
}
