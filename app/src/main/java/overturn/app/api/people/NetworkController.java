package overturn.app.api.people;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.QrCode;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.usecase.NotFoundException;

/** How a tablet reaches this server: its address, and by what its certificate is known. */
@RestController
class NetworkController {

    private static final String AUTHORITY = "/api/network/authority.crt";

    private final String publicUrl;
    private final String fingerprint;
    private final String authority;

    /**
     * @param publicUrl address for tablets; empty where it listens on this machine only
     * @param fingerprint SHA-256 of its certificate or of the authority behind it; empty where it has none
     * @param authority file with the certificate of the authority that was made here; empty where none was
     */
    NetworkController(
            @Value("${overturn.public-url:}") String publicUrl,
            @Value("${overturn.fingerprint:}") String fingerprint,
            @Value("${overturn.authority:}") String authority) {
        this.publicUrl = publicUrl;
        this.fingerprint = fingerprint;
        this.authority = authority;
    }

    /** Where tablets go, and what to compare on them; nothing where it listens on this machine only. */
    record NetworkView(Optional<String> address, Optional<String> fingerprint, Optional<String> authorityPath) {}

    @GetMapping("/api/network")
    NetworkView network(Actor actor) {
        actor.require(Act.ENROL_TABLET);
        return new NetworkView(
                given(publicUrl), given(fingerprint), given(authority).map(file -> AUTHORITY));
    }

    private static Optional<String> given(String text) {
        return Optional.of(text).filter(t -> !t.isEmpty());
    }

    /** The address as a code for the camera of a tablet. */
    @GetMapping(value = "/api/network/code", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> code(Actor actor) {
        actor.require(Act.ENROL_TABLET);
        String address = given(publicUrl).orElseThrow(() -> new NotFoundException("address", "for tablets"));
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(QrCode.png(address));
    }

    /** The authority behind the certificate, to be trusted on a tablet; public as every certificate is. */
    @GetMapping(AUTHORITY)
    ResponseEntity<byte[]> authority() throws IOException {
        if (authority.isEmpty()) {
            throw new NotFoundException("certificate", "authority");
        }
        return ResponseEntity.ok()
                .contentType(new MediaType("application", "x-x509-ca-cert"))
                .body(Files.readAllBytes(Path.of(authority)));
    }
}
