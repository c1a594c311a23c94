package overturn.app.store;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import overturn.app.instrument.InstrumentLines;
import overturn.app.instrument.Instruments.Announced;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Lines of JSON over HTTP, from the address at which an instrument said that it is:
 * {@code {"seconds":1.25,"value":34.5}}, without a value where it dropped out. It follows nobody elsewhere.
 */
@Component
class HttpInstrumentLines implements InstrumentLines {

    private static final Duration CONNECTS_WITHIN = Duration.ofSeconds(3);
    private static final int MOST_LINE = 200;

    private final HttpClient http = HttpClient.newBuilder()
            .connectTimeout(CONNECTS_WITHIN)
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();
    private final JsonMapper mapper = JsonMapper.builder().build();

    private record Said(Double seconds, Optional<Double> value) {}

    @Override
    public void read(Announced instrument, Taker taker) throws IOException, InterruptedException {
        HttpResponse<InputStream> answer = http.send(
                HttpRequest.newBuilder(address(instrument))
                        .timeout(CONNECTS_WITHIN)
                        .build(),
                HttpResponse.BodyHandlers.ofInputStream());
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(answer.body(), StandardCharsets.UTF_8))) {
            if (answer.statusCode() != 200) {
                throw new IOException("it answers " + answer.statusCode());
            }
            boolean more = true;
            while (more) {
                String line = limited(lines);
                if (line == null) {
                    throw new IOException("it has ended its stream");
                }
                more = line.isBlank() || taker.take(read(line));
            }
        }
    }

    /** Never more of a line than one can be; a stream without ends of lines is none. */
    private static String limited(BufferedReader lines) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = lines.read(); c != '\n'; c = lines.read()) {
            if (c < 0) {
                return line.isEmpty() ? null : line.toString();
            }
            if (line.length() == MOST_LINE) {
                throw new IOException("a line is longer than " + MOST_LINE + " characters");
            }
            line.append((char) c);
        }
        return line.toString();
    }

    private Line read(String line) throws IOException {
        try {
            Said said = mapper.readValue(line, Said.class);
            Optional<Double> value = said.value() == null ? Optional.empty() : said.value();
            if (said.seconds() == null
                    || !Double.isFinite(said.seconds())
                    || value.filter(v -> !Double.isFinite(v)).isPresent()) {
                throw new IOException("a line has no finite seconds and value");
            }
            return new Line(said.seconds(), value.map(OptionalDouble::of).orElse(OptionalDouble.empty()));
        } catch (JacksonException e) {
            throw new IOException("a line is no JSON with seconds and value", e);
        }
    }

    private static URI address(Announced instrument) throws IOException {
        try {
            return new URI("http", null, instrument.host(), instrument.port(), "/stream", null, null);
        } catch (URISyntaxException e) {
            throw new IOException("its address cannot be read", e);
        }
    }
}
