package overturn.app.api.job;

import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.MediaType;
import overturn.app.api.catalogue.CatalogueView.PersonView;
import overturn.app.api.vehicle.VehicleView.FactView;
import overturn.app.job.StoredEntry;
import overturn.app.usecase.job.JobFiles.Attached;
import overturn.app.usecase.job.JobFiles.JobFile;
import overturn.layoutfile.LayoutFiles;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A job as a file, as {@code /api/job-file-schema} describes it, with the pictures that entries name. */
public record JobFileView(
        String format,
        UUID id,
        VehicleOfFile vehicle,
        JsonNode layout,
        List<PersonView> people,
        List<EntryOfFile> entries,
        List<AttachmentView> attachments) {

    static final String FORMAT = "overturn-job/1";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static JobFileView of(JobFile file) {
        return new JobFileView(
                FORMAT,
                file.id(),
                new VehicleOfFile(
                        file.vehicle().vehicle().id(),
                        file.vehicle().vehicle().name(),
                        file.vehicle().vehicle().layoutId(),
                        file.vehicle().entries().stream().map(FactView::of).toList()),
                JSON.readTree(LayoutFiles.write(file.layout())),
                file.people().stream()
                        .map(p -> new PersonView(p.id(), p.name(), p.role()))
                        .toList(),
                file.entries().stream().map(EntryOfFile::of).toList(),
                file.attached().stream().map(AttachmentView::of).toList());
    }

    /** The picture that an entry names, in base64 (RFC 4648). */
    public record AttachmentView(UUID id, UUID entryId, String mediaType, String base64) {

        static AttachmentView of(Attached attached) {
            return new AttachmentView(
                    attached.entryId(),
                    attached.entryId(),
                    MediaType.IMAGE_JPEG_VALUE,
                    Base64.getEncoder().encodeToString(attached.jpeg()));
        }
    }

    /** The vehicle with what is known of it. */
    public record VehicleOfFile(UUID id, String name, String layoutId, List<FactView> facts) {}

    /** An entry as it was written. */
    public record EntryOfFile(
            UUID id,
            int sequence,
            Instant takenAt,
            Instant enteredAt,
            String personId,
            Optional<Double> spentMinutes,
            String catalogueVersion,
            String kind,
            int bodyVersion,
            JsonNode body) {

        static EntryOfFile of(StoredEntry e) {
            return new EntryOfFile(
                    e.id(),
                    e.sequence(),
                    e.takenAt(),
                    e.enteredAt(),
                    e.personId(),
                    e.spentMinutes(),
                    e.catalogueVersion(),
                    e.kind(),
                    e.bodyVersion(),
                    JSON.readTree(e.body()));
        }
    }
}
