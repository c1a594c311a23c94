package overturn.app.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import overturn.app.support.OverturnServer;
import overturn.app.support.ServerProcess;
import overturn.app.support.Shell;
import overturn.app.support.Shell.Said;

/** Where the server listens, and who gets through to it. */
@ExtendWith(OverturnServer.class)
class NetworkTest {

    @TempDir
    Path var;

    @Test
    void startRefusesToListenInTheClearAndSaysWhatIsNeeded() throws Exception {
        Said said = new Shell(var).run("use_network", Map.of("OVERTURN_LISTEN", "192.168.7.20"));
        assertEquals(5, said.code());
        assertTrue(said.text().contains("OVERTURN_TLS=made") && said.text().contains("OVERTURN_PROXY"), said.text());
        Said missing = new Shell(var)
                .run(
                        "use_network",
                        Map.of("OVERTURN_LISTEN", "192.168.7.20", "OVERTURN_TLS", "/no/cert.pem:/no/key.pem"));
        assertEquals(5, missing.code());
        assertTrue(missing.text().contains("names a file that is not there"), missing.text());
    }

    /** Whatever the script was talked into, the server itself does not bind. */
    @Test
    void theServerItselfRefusesToListenInTheClear() throws Exception {
        try (ServerProcess server =
                ServerProcess.begin("127.0.0.1", "refused-server.log", Map.of(), "--server.address=0.0.0.0")) {
            assertFalse(server.isUp());
            assertEquals(1, server.exitCode());
            assertTrue(Files.readString(Path.of("target/refused-server.log"))
                    .contains("passwords would travel in the clear"));
        }
    }

    @Test
    void aCertificateIsMadeForItsNamesAndMadeAnewOnlyForOthers() throws Exception {
        Shell shell = new Shell(var);
        String make = "make_certificate $VAR/tls ";
        assertEquals(0, shell.run(make + "127.0.0.2 bay.workshop.invalid").code());
        String first = shell.run("fingerprint $VAR/tls/server.crt").text();
        assertTrue(first.matches("([0-9A-F]{2}:){31}[0-9A-F]{2}"), first);
        String names = shell.run("keytool -printcert -file $VAR/tls/server.crt").text();
        assertTrue(names.contains("127.0.0.2") && names.contains("bay.workshop.invalid"), names);
        String authority = shell.run("fingerprint $VAR/tls/authority.crt").text();
        shell.run(make + "127.0.0.2 bay.workshop.invalid");
        assertEquals(first, shell.run("fingerprint $VAR/tls/server.crt").text());
        shell.run(make + "127.0.0.3");
        assertFalse(first.equals(shell.run("fingerprint $VAR/tls/server.crt").text()));
        assertEquals(
                authority,
                shell.run("fingerprint $VAR/tls/authority.crt").text(),
                "tablets that trust the authority still do");
    }

    /** Asks from a certain address of this machine, with headers that a proxy would set. */
    private static String asked(ServerProcess server, String from) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", server.port(), InetAddress.getByName(from), 0)) {
            socket.getOutputStream()
                    .write(("GET /api/session HTTP/1.1\r\nHost: 127.0.0.1:" + server.port()
                                    + "\r\nX-Forwarded-Proto: https\r\nX-Forwarded-For: 10.1.1.1\r\nConnection: close\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void forwardedHeadersAreBelievedFromTheNamedProxyAlone() throws Exception {
        try (ServerProcess server =
                ServerProcess.begin("127.0.0.1", "proxied-server.log", Map.of(), "--overturn.proxy=127.0.0.9")) {
            assertTrue(server.isUp());
            assertTrue(asked(server, "127.0.0.9").contains("; Secure"), "by the proxy it came over TLS");
            String other = asked(server, "127.0.0.8");
            assertTrue(other.startsWith("HTTP/1.1 200"), other);
            assertFalse(other.contains("; Secure"), "anybody can write such a header");
        }
    }
}
