package overturn.app.api.job;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.dialect.Dialects;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.job.StoredEntry;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.job.JobFiles.Attached;
import overturn.app.usecase.job.TakeJobFile.Brought;
import overturn.app.usecase.job.TakeJobFile.BroughtFact;
import overturn.app.workshop.Staff.Person;
import overturn.layoutfile.FileFindings;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads a job file by its published schema; refuses what is not one, every finding at once. */
final class JobFileReader {

    private static final String SCHEMA_FILE = "/overturn/job-file.schema.json";
    /** Deeper than any job file nests. */
    private static final int MOST_DEPTH = 40;

    /**
     * Names and values of the longest job, some ten times over; a file of millions of gaps is refused while it is read.
     */
    private static final int MOST_TOKENS = 400_000;

    private static final int MOST_FINDINGS = 20;
    private static final int MOST_SHOWN = 60;
    private static final String SCHEMA_TEXT = text();
    private static final Schema SCHEMA =
            SchemaRegistry.withDialect(Dialects.getDraft202012()).getSchema(SCHEMA_TEXT, InputFormat.JSON);
    private static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(MOST_DEPTH)
                            .maxTokenCount(MOST_TOKENS)
                            .build())
                    .build())
            .build();

    private JobFileReader() {}

    /** The JSON Schema of the format, as published. */
    static String schema() {
        return SCHEMA_TEXT;
    }

    /** @throws InvalidInputException naming every field that is missing, unknown, or of the wrong kind */
    static Brought read(String file) {
        JsonNode tree = parsed(file);
        List<Finding> findings = FileFindings.of(SCHEMA, tree).stream()
                .limit(MOST_FINDINGS)
                .map(Finding::of)
                .toList();
        if (!findings.isEmpty()) {
            throw new InvalidInputException(findings);
        }
        JsonNode vehicle = tree.get("vehicle");
        return new Brought(
                uuid(tree.get("id"), "id"),
                uuid(vehicle.get("id"), "vehicle.id"),
                vehicle.get("name").asString(),
                vehicle.get("layoutId").asString(),
                vehicle.get("facts").valueStream().map(JobFileReader::fact).toList(),
                JSON.writeValueAsString(tree.get("layout")),
                tree.get("people")
                        .valueStream()
                        .map(p -> new Person(
                                p.get("id").asString(),
                                p.get("name").asString(),
                                p.path("role").asString("")))
                        .toList(),
                tree.get("entries").valueStream().map(JobFileReader::entry).toList(),
                tree.get("attachments")
                        .valueStream()
                        .map(JobFileReader::attached)
                        .toList());
    }

    private static JsonNode parsed(String file) {
        try {
            return JSON.readTree(file);
        } catch (JacksonException e) {
            throw new InvalidInputException(List.of(new Finding(
                    "",
                    "text that is no JSON, nests too deep, or holds more than a job can",
                    "one job file, format " + JobFileView.FORMAT)));
        }
    }

    private static BroughtFact fact(JsonNode fact) {
        return new BroughtFact(
                uuid(fact.get("id"), "vehicle.facts.id"),
                instant(fact.get("at"), "vehicle.facts.at"),
                fact.get("personId").asString(),
                fact.get("kind").asString(),
                fact.path("what").asString(""),
                fact.get("text").asString(),
                fact.path("unit").asString(""),
                fact.path("source").asString(""));
    }

    private static StoredEntry entry(JsonNode entry) {
        return new StoredEntry(
                uuid(entry.get("id"), "entries.id"),
                entry.get("sequence").asInt(),
                instant(entry.get("takenAt"), "entries.takenAt"),
                instant(entry.get("enteredAt"), "entries.enteredAt"),
                entry.get("personId").asString(),
                Optional.ofNullable(entry.get("spentMinutes"))
                        .filter(JsonNode::isNumber)
                        .map(JsonNode::asDouble),
                entry.get("catalogueVersion").asString(),
                entry.get("kind").asString(),
                entry.get("bodyVersion").asInt(),
                JSON.writeValueAsString(entry.get("body")));
    }

    private static Attached attached(JsonNode attachment) {
        try {
            return new Attached(
                    uuid(attachment.get("entryId"), "attachments.entryId"),
                    Base64.getDecoder().decode(attachment.get("base64").asString()));
        } catch (IllegalArgumentException e) {
            throw refused(attachment.get("base64"), "attachments.base64", "base64 (RFC 4648)");
        }
    }

    private static UUID uuid(JsonNode node, String field) {
        try {
            return UUID.fromString(node.asString());
        } catch (IllegalArgumentException e) {
            throw refused(node, field, "a UUID");
        }
    }

    private static Instant instant(JsonNode node, String field) {
        try {
            return Instant.parse(node.asString());
        } catch (DateTimeParseException e) {
            throw refused(node, field, "a moment such as 2026-11-27T16:30:00Z");
        }
    }

    private static InvalidInputException refused(JsonNode node, String field, String allowed) {
        return new InvalidInputException(
                List.of(new Finding(field, "“" + FileFindings.shortened(node.asString()) + "”", allowed)));
    }

    private static String text() {
        try (InputStream in = JobFileReader.class.getResourceAsStream(SCHEMA_FILE)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException("Impossible: " + SCHEMA_FILE + " cannot be read", e);
        }
    }
}
