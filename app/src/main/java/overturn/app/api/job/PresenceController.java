package overturn.app.api.job;

import static overturn.app.api.Optionals.orNull;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Actor;
import overturn.app.usecase.job.BePresent;
import overturn.app.usecase.job.CallStrokes;

/** Who looks at a job just now, and what is called from one to the other. */
@RestController
@RequestMapping("/api/jobs/{id}/presence")
class PresenceController {

    private final BePresent bePresent;
    private final CallStrokes callStrokes;

    PresenceController(BePresent bePresent, CallStrokes callStrokes) {
        this.bePresent = bePresent;
        this.callStrokes = callStrokes;
    }

    /** A device that looks at the job: {@code doing} is the test that is open on it. */
    record PresenceRequest(UUID deviceId, Optional<String> doing) {}

    /** Another device at the same job: {@code doing} is the test that is open on it. */
    record PresentView(String personId, Optional<String> doing) {}

    /** A call of the strokes: press, open, hold, close, release, or end. */
    record CallRequest(UUID deviceId, String call, Integer stroke, Integer all) {}

    /** Calls a stroke; the other devices at this job see it at once. */
    @PutMapping("/call")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void call(@PathVariable UUID id, @RequestBody CallRequest request) {
        callStrokes.call(id, request.deviceId(), request.call(), request.stroke(), request.all());
    }

    /** Tells that a device is there, every few seconds, and answers with the others. */
    @PutMapping
    List<PresentView> tell(Actor actor, @PathVariable UUID id, @RequestBody PresenceRequest request) {
        String doing = orNull(request.doing());
        return bePresent.tell(id, request.deviceId(), actor, doing).stream()
                .map(other -> new PresentView(
                        other.personId(), Optional.of(other.doing()).filter(test -> !test.isEmpty())))
                .toList();
    }
}
