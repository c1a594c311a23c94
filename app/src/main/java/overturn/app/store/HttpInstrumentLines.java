package overturn.app.store;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.HttpURLConnection;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.instrument.InstrumentLines;
import overturn.app.instrument.Instruments.Announced;
import overturn.app.job.Entry.ReadingTaken.StoredCode;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Lines of JSON over HTTP, from the address at which an instrument said that it is:
 * {@code {"seconds":1.25,"value":34.5}}, without a value where it dropped out; a code reader says
 * {@code {"seconds":1.25,"codes":[{"number":"17","text":"what it says","often":"now"}]}}. It follows nobody elsewhere.
 */
@Component
class HttpInstrumentLines implements InstrumentLines {

    private static final int CONNECTS_WITHIN_MILLIS = 3_000;
    /** One that has said nothing for so long is not there any more. */
    private static final int SAYS_SOMETHING_WITHIN_MILLIS = 10_000;

    private static final int MOST_LINE = 8_000;
    private static final int MOST_CODES = 20;
    private static final int MOST_NUMBER = 20;
    private static final int MOST_TEXT = 200;

    private final JsonMapper mapper = JsonMapper.builder().build();

    private record Said(Double seconds, Optional<Double> value, Optional<List<StoredCode>> codes) {}

    @Override
    public void read(Announced instrument, Taker taker) throws IOException {
        HttpURLConnection connection =
                (HttpURLConnection) address(instrument).toURL().openConnection();
        connection.setConnectTimeout(CONNECTS_WITHIN_MILLIS);
        connection.setReadTimeout(SAYS_SOMETHING_WITHIN_MILLIS);
        connection.setInstanceFollowRedirects(false);
        connection.setRequestProperty("Connection", "close");
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(connection.getInputStream(), StandardCharsets.UTF_8))) {
            if (connection.getResponseCode() != HttpURLConnection.HTTP_OK) {
                throw new IOException("it answers " + connection.getResponseCode());
            }
            boolean more = true;
            while (more) {
                String line = limited(lines);
                if (line == null) {
                    throw new IOException("it has ended its stream");
                }
                more = line.isBlank() || taker.take(read(line));
            }
        } finally {
            connection.disconnect();
        }
    }

    /** Never more of a line than one can be; a stream without ends of lines is none. */
    private static @Nullable String limited(BufferedReader lines) throws IOException {
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
            Optional<List<StoredCode>> codes = said.codes() == null ? Optional.empty() : said.codes();
            if (codes.filter(all -> !canBe(all)).isPresent()) {
                throw new IOException("a line has codes without number, text and how often");
            }
            return new Line(said.seconds(), value.map(OptionalDouble::of).orElse(OptionalDouble.empty()), codes);
        } catch (JacksonException e) {
            throw new IOException("a line is no JSON with seconds and value", e);
        }
    }

    private static boolean canBe(List<StoredCode> codes) {
        return codes.size() <= MOST_CODES && codes.stream().allMatch(HttpInstrumentLines::canBe);
    }

    private static boolean canBe(StoredCode code) {
        return code != null
                && code.number() != null
                && code.number().length() <= MOST_NUMBER
                && code.text() != null
                && code.text().length() <= MOST_TEXT
                && StoredCode.OFTEN.contains(code.often());
    }

    private static URI address(Announced instrument) throws IOException {
        try {
            return new URI("http", null, instrument.host(), instrument.port(), "/stream", null, null);
        } catch (URISyntaxException e) {
            throw new IOException("its address cannot be read", e);
        }
    }
}
