package overturn.app.api.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.authentication.session.SessionAuthenticationStrategy;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import overturn.app.config.ActorFilter;
import overturn.app.config.SecurityConfiguration;
import overturn.app.people.Account;
import overturn.app.people.Devices.Tablet;
import overturn.app.usecase.people.SignIn;

/** The session behind a request, and the cookies that stay on a device. */
@Component
class SignedInSession {

    private static final String TABLET = "overturn-tablet";
    private static final Duration STAYS = Duration.ofDays(400);

    private final SignIn signIn;
    private final SecurityContextRepository contexts;
    private final SessionAuthenticationStrategy onSignIn;
    private final HttpServletRequest request;
    private final HttpServletResponse response;

    /**
     * @param request the one that is being answered
     * @param response its answer
     */
    SignedInSession(
            SignIn signIn,
            SecurityContextRepository contexts,
            SessionAuthenticationStrategy onSignIn,
            HttpServletRequest request,
            HttpServletResponse response) {
        this.signIn = signIn;
        this.contexts = contexts;
        this.onSignIn = onSignIn;
        this.request = request;
        this.response = response;
    }

    Optional<Account> person() {
        return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication())
                .filter(a -> a.getAuthorities().stream()
                        .anyMatch(one -> SecurityConfiguration.PERSON.equals(one.getAuthority())))
                .flatMap(a -> signIn.working(a.getName()));
    }

    Optional<Tablet> tablet() {
        return signIn.tablet(ActorFilter.cookie(request, TABLET).orElse(null));
    }

    /** From here on this device has a session of that person; one of somebody before has ended. */
    void begin(Account account) {
        Authentication authentication = UsernamePasswordAuthenticationToken.authenticated(
                account.personId(), null, AuthorityUtils.createAuthorityList(SecurityConfiguration.PERSON));
        HttpSession before = request.getSession(false);
        if (before != null) {
            before.invalidate();
        }
        request.getSession();
        onSignIn.onAuthentication(authentication, request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    void end() {
        SecurityContextHolder.clearContext();
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
    }

    /** The id of this device, made at the first sign-in and kept on it. */
    UUID device() {
        UUID device = ActorFilter.device(request).orElseGet(UUID::randomUUID);
        stay(ActorFilter.DEVICE, device.toString());
        return device;
    }

    void becomeTablet(String token) {
        stay(TABLET, token);
    }

    private void stay(String name, String value) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(name, value)
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Strict")
                        .path("/")
                        .maxAge(STAYS)
                        .build()
                        .toString());
    }

    /** Where the request comes from. */
    String address() {
        return request.getRemoteAddr();
    }
}
