package overturn.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.Enumeration;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import overturn.quantity.PlainText;

/**
 * Own names only, same origin only, readable addresses only: asked before anything else looks at a request. Who gets in
 * and what every answer carries is said by {@link SecurityConfiguration}.
 */
@Component
@Order(DoorFilter.BEFORE_SECURITY)
class DoorFilter extends OncePerRequestFilter {

    /** Spring Security's filters stand at -100. */
    static final int BEFORE_SECURITY = -200;

    private static final Set<String> OF_THIS_MACHINE = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final String FORM = "application/x-www-form-urlencoded";

    private final Set<String> names = new HashSet<>(OF_THIS_MACHINE);

    /** @param names by which it is reached besides those of this machine */
    DoorFilter(@Value("${overturn.names:}") Set<String> names) {
        this.names.addAll(names);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getRequestURI().startsWith("/api/")) {
            response.setHeader("Cache-Control", "no-store");
        }
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        boolean ownHost = host != null && names.contains(host.replaceFirst(":\\d+$", ""));
        boolean ownOrigin = origin == null || origin.equals(request.getScheme() + "://" + host);
        if (!ownHost || !ownOrigin) {
            Refusals.send(
                    response,
                    403,
                    "not-from-here",
                    "Not from here",
                    "Requests are taken from this machine's own pages only");
            return;
        }
        String address =
                request.getRequestURI() + (request.getQueryString() == null ? "" : "?" + request.getQueryString());
        if (!readable(address)) {
            Refusals.send(
                    response,
                    400,
                    "address-not-readable",
                    "This address cannot be read",
                    "The address holds a control character or is not UTF-8");
            return;
        }
        Optional<String> strange = strangeContentType(request.getContentType());
        if (strange.isPresent()) {
            Refusals.send(
                    response,
                    415,
                    "content-type-not-taken",
                    "This kind of body is not taken",
                    "Content-Type: “" + strange.get() + "” was given, allowed is application/json in UTF-8");
            return;
        }
        chain.doFilter(address.startsWith("/api/") ? new AnyAccept(request) : request, response);
    }

    /** The API answers in JSON, whatever was asked for; so a refusal can always be told. */
    private static final class AnyAccept extends HttpServletRequestWrapper {

        AnyAccept(HttpServletRequest request) {
            super(request);
        }

        @Override
        public @Nullable String getHeader(String name) {
            return HttpHeaders.ACCEPT.equalsIgnoreCase(name) ? null : super.getHeader(name);
        }

        @Override
        public Enumeration<String> getHeaders(String name) {
            return HttpHeaders.ACCEPT.equalsIgnoreCase(name) ? Collections.emptyEnumeration() : super.getHeaders(name);
        }
    }

    /** Whether every escape of an address stands for text that can be kept. */
    private static boolean readable(String address) {
        try {
            String decoded = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes(address)))
                    .toString();
            return PlainText.keeps(decoded);
        } catch (CharacterCodingException | NumberFormatException e) {
            return false;
        }
    }

    private static byte[] bytes(String address) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        for (int i = 0; i < address.length(); i++) {
            char c = address.charAt(i);
            if (c == '%' && i + 2 < address.length()) {
                bytes.write(HexFormat.fromHexDigits(address, i + 1, i + 3));
                i += 2;
            } else if (c == '%') {
                throw new NumberFormatException("an escape is cut off");
            } else {
                bytes.writeBytes(String.valueOf(c).getBytes(StandardCharsets.UTF_8));
            }
        }
        return bytes.toByteArray();
    }

    /** A content type that is none, that names no single kind, or of a character set that is not UTF-8. */
    private static Optional<String> strangeContentType(String given) {
        if (given != null && given.strip().toLowerCase(Locale.ROOT).startsWith(FORM)) {
            // The container would read a form before anything of ours does, and fails on what it cannot decode.
            return Optional.of(given);
        }
        if (given == null) {
            return Optional.empty();
        }
        try {
            MediaType type = MediaType.parseMediaType(given);
            Charset charset = type.getCharset();
            return type.isConcrete() && (charset == null || charset.equals(StandardCharsets.UTF_8))
                    ? Optional.empty()
                    : Optional.of(given);
        } catch (IllegalArgumentException e) {
            return Optional.of(given);
        }
    }
}
