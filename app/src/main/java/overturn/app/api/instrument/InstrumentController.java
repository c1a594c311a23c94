package overturn.app.api.instrument;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter;
import overturn.app.api.Problems;
import overturn.app.instrument.InstrumentLines;
import overturn.app.instrument.Instruments.Announced;
import overturn.app.job.Entry.ReadingTaken.StoredCode;
import overturn.app.people.Actor;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.instrument.UseInstruments;
import overturn.app.usecase.instrument.UseInstruments.Known;
import overturn.quantity.Dimension;
import tools.jackson.databind.json.JsonMapper;

/** Instruments that say that they are there, are registered by name, and show something. */
@RestController
@RequestMapping("/api/instruments")
class InstrumentController {

    /** Pages that can listen to instruments at once. */
    private static final int MOST_STREAMS = 60;

    private static final long FOR_EVER = 0;
    private static final Logger LOG = LoggerFactory.getLogger(InstrumentController.class);

    private final UseInstruments instruments;
    private final JsonMapper mapper;
    private final ExecutorService listening = Executors.newCachedThreadPool(InstrumentController::listener);
    private final Semaphore streams = new Semaphore(MOST_STREAMS);

    InstrumentController(UseInstruments instruments, JsonMapper mapper) {
        this.instruments = instruments;
        this.mapper = mapper;
    }

    /**
     * What an instrument says of itself: {@code port} is where its stream {@code /stream} is, at the host it says so
     * from.
     */
    record AnnounceRequest(String serial, String kind, Integer port) {}

    /** One that is registered; {@code id} is made by the client. */
    record RegisterRequest(UUID id, String serial, String name) {}

    @GetMapping
    InstrumentsView instruments() {
        return new InstrumentsView(
                instruments.registered().stream().map(InstrumentView::of).toList(),
                instruments.announced().stream().map(AnnouncedView::of).toList());
    }

    /** Said by an instrument every half minute or so; nobody has to be signed in for it, and it registers nothing. */
    @PostMapping("/announcements")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void announce(HttpServletRequest from, @RequestBody AnnounceRequest request) {
        instruments.announce(request.serial, request.kind, request.port, from.getRemoteAddr());
    }

    @PostMapping
    List<InstrumentView> register(Actor actor, @RequestBody RegisterRequest request) {
        return views(instruments.register(actor, request.id, request.serial, request.name));
    }

    @DeleteMapping("/{id}")
    List<InstrumentView> retire(Actor actor, @PathVariable UUID id) {
        return views(instruments.retire(actor, id));
    }

    private static List<InstrumentView> views(List<Known> known) {
        return known.stream().map(InstrumentView::of).toList();
    }

    /**
     * What one shows from now on, from nothing, as lines of JSON; without a value where it dropped out, or where it is
     * a code reader.
     */
    @ApiResponse(
            responseCode = "200",
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_NDJSON_VALUE,
                            schema = @Schema(implementation = ShownLine.class)))
    @GetMapping(value = "/{id}/stream", produces = MediaType.APPLICATION_NDJSON_VALUE)
    ResponseEntity<ResponseBodyEmitter> stream(@PathVariable UUID id) {
        if (instruments.registered().stream()
                .noneMatch(known -> known.instrument().id().equals(id) && known.there())) {
            throw refused(
                    HttpStatus.NOT_FOUND,
                    "not-there",
                    "This instrument is not there",
                    "Switch it on and bring it near; it says itself that it is there");
        }
        if (!streams.tryAcquire()) {
            throw refused(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "too-many-streams",
                    "Too many listen already",
                    "At most " + MOST_STREAMS + " pages listen to instruments at once");
        }
        ResponseBodyEmitter stream = new ResponseBodyEmitter(FOR_EVER);
        listening.execute(() -> listen(id, stream));
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_NDJSON).body(stream);
    }

    /** Until the page has gone, or the instrument: either way the stream is over, and the page says so. */
    private void listen(UUID id, ResponseBodyEmitter stream) {
        try {
            instruments.listen(id, line -> {
                stream.send(mapper.writeValueAsString(ShownLine.of(line)) + "\n", MediaType.TEXT_PLAIN);
                return true;
            });
        } catch (IOException | IllegalStateException | NotFoundException gone) {
            LOG.debug("Nobody listens to instrument {} any more: {}", id, gone.getMessage());
        } finally {
            streams.release();
            stream.complete();
        }
    }

    private static Thread listener(Runnable work) {
        Thread thread = new Thread(work, "instrument");
        thread.setDaemon(true);
        return thread;
    }

    @EventListener(ContextClosedEvent.class)
    void close() {
        listening.shutdownNow();
    }

    private static ErrorResponseException refused(HttpStatus status, String type, String title, String detail) {
        return new ErrorResponseException(status, Problems.problem(status, type, title, detail), null);
    }

    /** A moment of an instrument's clock, s, and what it shows; codes only where it is a code reader. */
    record ShownLine(double seconds, Optional<Double> value, Optional<List<StoredCode>> codes) {

        static ShownLine of(InstrumentLines.Line line) {
            return new ShownLine(
                    thousandths(line.seconds()),
                    line.value().isPresent()
                            ? Optional.of(thousandths(line.value().getAsDouble()))
                            : Optional.empty(),
                    line.codes());
        }

        private static double thousandths(double value) {
            return Math.rint(value * 1e3) / 1e3;
        }
    }

    /** Those of the workshop, and those that say that they are there. */
    record InstrumentsView(List<InstrumentView> registered, List<AnnouncedView> announced) {}

    /** One of the workshop; {@code there} while it says so. A code reader has no dimension and no unit. */
    record InstrumentView(
            UUID id,
            String name,
            String kind,
            Optional<Dimension> dimension,
            String unit,
            double atRest,
            Instant registeredAt,
            boolean there) {

        static InstrumentView of(Known known) {
            return new InstrumentView(
                    known.instrument().id(),
                    known.instrument().name(),
                    known.instrument().kind().id(),
                    known.instrument().kind().dimension(),
                    known.instrument()
                            .kind()
                            .dimension()
                            .map(dimension -> dimension.coreUnit().symbol())
                            .orElse(""),
                    known.instrument().atRest(),
                    known.instrument().registeredAt(),
                    known.there());
        }
    }

    /** One that says that it is there. */
    record AnnouncedView(String serial, String kind, String host, Instant seenAt) {

        static AnnouncedView of(Announced one) {
            return new AnnouncedView(one.serial(), one.kind().id(), one.host(), one.seenAt());
        }
    }
}
