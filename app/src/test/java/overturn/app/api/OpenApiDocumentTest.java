package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The committed description, from which the pages' types are generated, is what the server serves. */
@ExtendWith(OverturnServer.class)
class OpenApiDocumentTest {

    private static final Path DOCUMENT = Path.of("../docs/openapi.json");

    @Test
    void theCommittedDescriptionIsCurrent(OverturnServer.Running server) throws IOException {
        JsonMapper mapper =
                JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
        JsonNode served = new ApiClient(server.address()).get("/api/openapi").body();
        if (Boolean.getBoolean("openapi.write")) {
            Files.writeString(DOCUMENT, mapper.writeValueAsString(served) + "\n");
        }
        Files.writeString(Path.of("target/openapi-served.json"), mapper.writeValueAsString(served) + "\n");
        assertEquals(
                mapper.readTree(Files.readString(DOCUMENT)),
                served,
                "docs/openapi.json is old; ./overturn openapi writes it anew");
    }
}
