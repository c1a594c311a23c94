package overturn.layoutfile;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.dialect.Dialect;
import com.networknt.schema.dialect.Dialects;
import com.networknt.schema.keyword.NonValidationKeyword;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import overturn.circuit.Assist;
import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.circuit.ImpossibleLayoutException;
import overturn.circuit.Input;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.EnumNamingStrategies;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.annotation.EnumNaming;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads and writes layouts in the open format; refuses what the schema or the circuit refuses, every finding at once.
 */
public final class LayoutFiles {

    /**
     * Ends of the largest vehicles that a pedal works without air; more parts than the schema allows are refused by it;
     * estimate.; estimate.
     */
    public static final int MOST_ENDS = 12;

    private static final String FOLDER = "/overturn/layouts/";
    private static final String SCHEMA_TEXT = resource("layout.schema.json");
    /** The schema tells units beside ranges; they are for readers and validate nothing. */
    private static final Dialect WITH_UNITS = Dialect.builder(Dialects.getDraft202012())
            .keyword(new NonValidationKeyword("unit"))
            .build();

    private static final Schema SCHEMA =
            SchemaRegistry.withDefaultDialect(WITH_UNITS).getSchema(SCHEMA_TEXT, InputFormat.JSON);
    private static final JsonMapper JSON = JsonMapper.builder()
            .addMixIn(Component.class, Kinds.class)
            .addMixIn(Component.Master.class, TypeOfMaster.class)
            .addMixIn(Component.Reservoir.class, TypeOfReservoir.class)
            .addMixIn(Component.Hose.class, TypeOfHose.class)
            .addMixIn(Component.MasterKind.class, Dashed.class)
            .addMixIn(Component.ReservoirKind.class, Dashed.class)
            .addMixIn(Component.HoseKind.class, Dashed.class)
            .addMixIn(Component.FluidKind.class, Dashed.class)
            .addMixIn(overturn.circuit.Family.class, Dashed.class)
            .addMixIn(End.Axle.class, Dashed.class)
            .addMixIn(End.Side.class, Dashed.class)
            .addMixIn(overturn.circuit.Chamber.class, Dashed.class)
            .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .build();

    private LayoutFiles() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Input.Pedal.class, name = "pedal"),
        @JsonSubTypes.Type(value = Input.Lever.class, name = "lever"),
        @JsonSubTypes.Type(value = Assist.VacuumAssist.class, name = "vacuum-assist"),
        @JsonSubTypes.Type(value = Assist.HydraulicAssist.class, name = "hydraulic-assist"),
        @JsonSubTypes.Type(value = Component.Master.class, name = "master"),
        @JsonSubTypes.Type(value = Component.Reservoir.class, name = "reservoir"),
        @JsonSubTypes.Type(value = Component.Pipe.class, name = "pipe"),
        @JsonSubTypes.Type(value = Component.Hose.class, name = "hose"),
        @JsonSubTypes.Type(value = Component.Modulator.class, name = "modulator"),
        @JsonSubTypes.Type(value = Component.ProportioningValve.class, name = "proportioning-valve"),
        @JsonSubTypes.Type(value = Component.MeteringValve.class, name = "metering-valve"),
        @JsonSubTypes.Type(value = Component.Junction.class, name = "junction"),
        @JsonSubTypes.Type(value = Component.QuickConnector.class, name = "quick-connector"),
        @JsonSubTypes.Type(value = End.DiscEnd.class, name = "disc"),
        @JsonSubTypes.Type(value = End.DrumEnd.class, name = "drum"),
        @JsonSubTypes.Type(value = End.Slave.class, name = "slave")
    })
    private interface Kinds {}

    private interface TypeOfMaster {
        @JsonProperty("type")
        Component.MasterKind kind();
    }

    private interface TypeOfReservoir {
        @JsonProperty("type")
        Component.ReservoirKind kind();
    }

    private interface TypeOfHose {
        @JsonProperty("type")
        Component.HoseKind kind();
    }

    @EnumNaming(EnumNamingStrategies.KebabCaseStrategy.class)
    private interface Dashed {}

    /** The JSON Schema of the format, as published. */
    public static String schema() {
        return SCHEMA_TEXT;
    }

    /**
     * @throws RefusedLayoutException naming every field that is missing, unknown, out of range, or impossible in a
     *     circuit
     */
    public static LayoutFile read(String json) {
        JsonNode tree;
        try {
            tree = JSON.readTree(json);
        } catch (JacksonException e) {
            throw new RefusedLayoutException(List.of(new RefusedLayoutException.Refusal(
                    "",
                    json.isBlank() ? "nothing" : "text that is no JSON",
                    "one JSON object in the format " + LayoutFile.FORMAT)));
        }
        addSince(tree);
        List<RefusedLayoutException.Refusal> refusals = FileFindings.of(SCHEMA, tree);
        if (!refusals.isEmpty()) {
            throw new RefusedLayoutException(refusals);
        }
        LayoutFile file = JSON.treeToValue(tree, LayoutFile.class);
        long ends = file.components().stream().filter(End.class::isInstance).count();
        if (ends > MOST_ENDS) {
            throw new RefusedLayoutException(List.of(new RefusedLayoutException.Refusal(
                    "components",
                    ends + " ends",
                    "at most " + MOST_ENDS + " calipers, wheel cylinders and slaves are possible")));
        }
        try {
            file.layout();
        } catch (ImpossibleLayoutException e) {
            throw new RefusedLayoutException(e.findings().stream()
                    .map(f -> new RefusedLayoutException.Refusal(f.where(), "", f.where() + " " + f.what()))
                    .toList());
        }
        return file;
    }

    /**
     * What files did not tell before: axle and side of an end stood in its name, no master told of a screw of its own,
     * and the fluid was the usual one.
     */
    private static void addSince(JsonNode tree) {
        for (JsonNode part : tree.path("components")) {
            String kind = part.path("kind").asString("");
            if (part instanceof ObjectNode master && kind.equals("master") && !master.has("bleedScrew")) {
                master.put("bleedScrew", false);
            }
            if (part instanceof ObjectNode reservoir && kind.equals("reservoir") && !reservoir.has("fluid")) {
                reservoir.put("fluid", "glycol");
            }
            String id = part.path("id").asString("");
            if (part instanceof ObjectNode end && (kind.equals("disc") || kind.equals("drum"))) {
                if (!end.has("axle")) {
                    end.put("axle", id.startsWith("rear") ? "rear" : "front");
                }
                if (!end.has("side")) {
                    end.put("side", id.endsWith("left") ? "left" : id.endsWith("right") ? "right" : "centre");
                }
            }
        }
    }

    /** Writes a layout in the same format; reading it back gives an equal one. */
    public static String write(LayoutFile file) {
        return JSON.writeValueAsString(file);
    }

    static LayoutFile shipped(String id) {
        return read(resource(id.toLowerCase(Locale.ROOT) + ".json"));
    }

    private static String resource(String name) {
        try (InputStream in = LayoutFiles.class.getResourceAsStream(FOLDER + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException("Impossible: " + FOLDER + name + " cannot be read", e);
        }
    }
}
