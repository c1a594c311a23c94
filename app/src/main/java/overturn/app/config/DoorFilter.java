package overturn.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Loopback names only, same origin only, and headers that keep foreign script, frames and guesses out. */
@Component
@Order(1)
class DoorFilter extends OncePerRequestFilter {

    private static final Set<String> OWN_NAMES = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final String CONTENT_POLICY = String.join("; ",
            "default-src 'none'", "script-src 'self'", "style-src 'self' 'unsafe-inline'", "font-src 'self'", "img-src 'self' data:",
            "connect-src 'self'", "manifest-src 'self'", "worker-src 'self'", "form-action 'self'", "base-uri 'none'", "frame-ancestors 'none'");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", CONTENT_POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        if (request.getRequestURI().startsWith("/api/")) {
            response.setHeader("Cache-Control", "no-store");
        }
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        boolean ownHost = host != null && OWN_NAMES.contains(host.replaceFirst(":\\d+$", ""));
        boolean ownOrigin = origin == null || origin.equals("http://" + host);
        if (!ownHost || !ownOrigin) {
            Refusals.send(response, 403, "not-from-here", "Not from here", "Requests are taken from this machine's own pages only");
            return;
        }
        chain.doFilter(request, response);
    }
}
