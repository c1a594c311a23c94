package overturn.app.usecase.job;

import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.photo.Photo;
import overturn.app.photo.Photos;
import overturn.app.photo.PictureShrinker;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;

/** Puts a picture into a job's log. */
@Component
public class TakePhoto {

    private final LogWriter writer;
    private final Jobs jobs;
    private final Photos photos;
    private final PictureShrinker shrinker;

    TakePhoto(LogWriter writer, Jobs jobs, Photos photos, PictureShrinker shrinker) {
        this.writer = writer;
        this.jobs = jobs;
        this.photos = photos;
        this.shrinker = shrinker;
    }

    /**
     * Keeps a picture, made anew, and says so in the log.
     *
     * @param base64 the picture, in base64 (RFC 4648)
     * @param caption what it shows; null or blank where nobody said
     * @param procedureId the test during which it was taken; null or blank where it was none
     * @throws InvalidInputException if it is no picture of a known format, or too large
     */
    public Log take(UUID jobId, Stamp stamp, String base64, @Nullable String caption, @Nullable String procedureId) {
        Log read = jobs.read(jobId);
        String told = caption == null ? "" : caption.strip();
        String test = procedureId == null ? "" : procedureId;
        Optional<Photo> photo = bytes(base64).flatMap(shrinker::shrunk);
        new Checks()
                .that(
                        photo::isPresent,
                        "image",
                        base64 == null ? null : base64.length() + " characters",
                        "a whole picture, " + String.join(", ", PictureShrinker.FORMATS)
                                + ", at most 10 MB, in base64, that can be made small")
                .that(
                        () -> told.length() <= EntryRules.MOST_CAPTION,
                        "caption",
                        caption,
                        "at most " + EntryRules.MOST_CAPTION + " characters")
                .that(
                        () -> test.isEmpty()
                                || read.sheet().procedures().find(test).isPresent(),
                        "procedureId",
                        procedureId,
                        "a test of this circuit, or left out")
                .orThrow();
        Photo kept = photo.orElseThrow();
        photos.add(kept);
        return writer.append(read, stamp, Behind.REBASED, seen -> new PhotoTaken(kept.sha256(), told, test));
    }

    /** @throws NotFoundException if there is no such picture */
    public byte[] find(String sha256) {
        return photos.find(sha256).orElseThrow(() -> new NotFoundException("picture", sha256));
    }

    private static Optional<byte[]> bytes(String base64) {
        try {
            return Optional.ofNullable(base64).map(Base64.getDecoder()::decode);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
