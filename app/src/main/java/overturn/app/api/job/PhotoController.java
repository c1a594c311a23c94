package overturn.app.api.job;

import static overturn.app.api.Optionals.orNull;

import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Actor;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.TakePhoto;

/** Pictures of a job. */
@RestController
@RequestMapping("/api")
class PhotoController {

    private static final Duration KEPT = Duration.ofDays(365);

    private final TakePhoto takePhoto;
    private final JobViews views;

    PhotoController(TakePhoto takePhoto, JobViews views) {
        this.views = views;
        this.takePhoto = takePhoto;
    }

    /**
     * A picture: {@code image} is a JPEG, PNG or WebP file of at most 10 MB in base64; it is kept as a JPEG made anew,
     * without where and by what it was taken.
     */
    record PhotoRequest(
            UUID entryId,
            Integer sequence,
            Optional<Long> takenSecondsAgo,
            String image,
            Optional<String> caption,
            Optional<String> procedureId) {

        Stamp stamp(Actor actor) {
            return new Stamp(entryId, sequence, actor, orNull(takenSecondsAgo), null);
        }
    }

    @PostMapping("/jobs/{id}/photos")
    ResponseEntity<JobView> take(Actor actor, @PathVariable UUID id, @RequestBody PhotoRequest request) {
        return views.written(takePhoto.take(
                id, request.stamp(actor), request.image(), orNull(request.caption()), orNull(request.procedureId())));
    }

    /** The picture that an entry names; it never changes. */
    @GetMapping(value = "/photos/{sha256}", produces = MediaType.IMAGE_JPEG_VALUE)
    ResponseEntity<byte[]> photo(@PathVariable String sha256) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(KEPT).cachePrivate().immutable())
                .body(takePhoto.find(sha256));
    }
}
