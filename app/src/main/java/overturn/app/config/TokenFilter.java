package overturn.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import overturn.app.usecase.people.ApiTokens;

/**
 * Scripts sign in with a token in the header Authorization (RFC 6750); a calendar, which sends no headers, with it in
 * the address of its feed. A token is nobody's session: nothing of it is kept.
 */
final class TokenFilter extends OncePerRequestFilter {

    private static final String BEARER = "Bearer ";
    private static final String FEEDS = "/api/feeds/";

    private final ApiTokens tokens;
    private final String operatorToken;

    /** @param operatorToken of the commands of this machine; empty where they have none */
    TokenFilter(ApiTokens tokens, String operatorToken) {
        this.tokens = tokens;
        this.operatorToken = operatorToken;
    }

    static Optional<String> bearer(HttpServletRequest request) {
        return Optional.ofNullable(request.getHeader(HttpHeaders.AUTHORIZATION))
                .filter(header -> header.startsWith(BEARER))
                .map(header -> header.substring(BEARER.length()).strip());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<String> given = bearer(request);
        if (given.isEmpty() && request.getRequestURI().startsWith(FEEDS)) {
            given = Optional.ofNullable(request.getParameter("token"));
        }
        if (given.isPresent()) {
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            List<GrantedAuthority> opens = opens(given.get());
            if (opens.isEmpty()) {
                Refusals.send(
                        response,
                        401,
                        "token-not-known",
                        "This token opens nothing",
                        "It was withdrawn, or is not whole");
                return;
            }
            context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated("token", null, opens));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }

    private List<GrantedAuthority> opens(String token) {
        boolean operator = !operatorToken.isEmpty()
                && MessageDigest.isEqual(
                        operatorToken.getBytes(StandardCharsets.UTF_8), token.getBytes(StandardCharsets.UTF_8));
        return operator
                ? AuthorityUtils.createAuthorityList(SecurityConfiguration.OPERATOR)
                : tokens.find(token)
                        .map(known -> AuthorityUtils.createAuthorityList(known.scopes().stream()
                                .map(scope -> scope.toUpperCase(Locale.ROOT))
                                .toList()))
                        .orElse(List.of());
    }
}
