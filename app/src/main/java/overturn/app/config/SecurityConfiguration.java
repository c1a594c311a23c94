package overturn.app.config;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.AuthenticationServiceException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.session.ChangeSessionIdAuthenticationStrategy;
import org.springframework.security.web.authentication.session.CompositeSessionAuthenticationStrategy;
import org.springframework.security.web.authentication.session.SessionAuthenticationStrategy;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfAuthenticationStrategy;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.CrossOriginResourcePolicyHeaderWriter.CrossOriginResourcePolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import overturn.app.people.Act;
import overturn.app.practice.Exercises;
import overturn.app.usecase.people.ApiTokens;
import overturn.app.usecase.people.SignIn;
import overturn.app.usecase.people.SignedEntries;

/** Who gets in (Spring Security): sessions by cookie for people, tokens for scripts, and what every answer carries. */
@Configuration
public class SecurityConfiguration {

    /** Authority of somebody who is signed in. */
    public static final String PERSON = "PERSON";
    /** Authority of the commands of this machine. */
    public static final String OPERATOR = "OPERATOR";

    private static final String CONTENT_POLICY = String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self' 'unsafe-inline'",
            "font-src 'self'",
            "img-src 'self' data: blob:",
            "connect-src 'self'",
            "manifest-src 'self'",
            "worker-src 'self'",
            "form-action 'self'",
            "base-uri 'none'",
            "frame-ancestors 'none'");
    private static final long YEAR_SECONDS = 31_536_000;

    @Bean
    SecurityFilterChain door(
            HttpSecurity http,
            CsrfTokenRepository csrfTokens,
            SecurityContextRepository contexts,
            ApiTokens tokens,
            SignIn signIn,
            SignedEntries signed,
            Exercises exercises,
            @Value("${overturn.operator-token:}") String operatorToken)
            throws Exception {
        http.authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(
                                DispatcherType.FORWARD, DispatcherType.ERROR, DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers("/api/session", "/api/session/*", "/api/health", "/api/network/authority.crt")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/instruments/announcements")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/api/feeds/rechecks.ics")
                        .hasAnyAuthority(PERSON, ApiTokens.Scope.RECHECKS.name())
                        .requestMatchers(HttpMethod.GET, "/api/feeds/readings")
                        .hasAnyAuthority(PERSON, ApiTokens.Scope.READINGS.name())
                        .requestMatchers("/api/bay/rebuild", "/api/owner-link")
                        .hasAuthority(OPERATOR)
                        .requestMatchers("/api/metrics")
                        .access((authentication, request) -> new AuthorizationDecision(
                                isOperator(request.getRequest()) || mayLook(authentication.get(), signIn)))
                        .requestMatchers("/api/openapi", "/api/openapi/**")
                        .access((authentication, request) ->
                                new AuthorizationDecision(mayLook(authentication.get(), signIn)))
                        .requestMatchers("/api/**")
                        .hasAuthority(PERSON)
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa()
                        .csrfTokenRepository(csrfTokens)
                        .ignoringRequestMatchers("/api/instruments/announcements")
                        .ignoringRequestMatchers(
                                request -> TokenFilter.bearer(request).isPresent()))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER))
                        .crossOriginOpenerPolicy(opener -> opener.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                        .crossOriginResourcePolicy(resource -> resource.policy(CrossOriginResourcePolicy.SAME_ORIGIN))
                        .httpStrictTransportSecurity(transport -> transport.maxAgeInSeconds(YEAR_SECONDS))
                        .permissionsPolicyHeader(policy ->
                                policy.policy("camera=(self), microphone=(), geolocation=(), screen-wake-lock=(self)"))
                        .cacheControl(HeadersConfigurer.CacheControlConfig::disable))
                .securityContext(context -> context.securityContextRepository(contexts))
                .exceptionHandling(
                        failures -> failures.authenticationEntryPoint((request, response, e) -> Refusals.send(
                                        response,
                                        401,
                                        "not-signed-in",
                                        "Nobody is signed in",
                                        "Sign in first; what was typed stays on this device"))
                                .accessDeniedHandler(
                                        (request, response, e) -> Refusals.send(
                                                response,
                                                403,
                                                "not-from-here",
                                                "Not from here",
                                                "Requests that change something come from this server's own pages, or carry a token that opens this")))
                .requestCache(AbstractHttpConfigurer::disable)
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .anonymous(anonymous -> anonymous.authorities("NOBODY"))
                .addFilterBefore(new TokenFilter(tokens, operatorToken), AnonymousAuthenticationFilter.class)
                .addFilterAfter(new ActorFilter(signIn, signed, exercises), AuthorizationFilter.class);
        return http.build();
    }

    /** Whether a command of this machine asks. */
    public static boolean isOperator(HttpServletRequest request) {
        return request.getUserPrincipal() instanceof Authentication asking
                && asking.getAuthorities().stream().anyMatch(one -> OPERATOR.equals(one.getAuthority()));
    }

    /** The description of the API tells a stranger where to begin. */
    private static boolean mayLook(Authentication authentication, SignIn signIn) {
        return authentication != null
                && signIn.working(authentication.getName())
                        .filter(account -> account.actor().may(Act.LOOK_AFTER_SERVER))
                        .isPresent();
    }

    /** Nobody signs in by Spring's own means; the use case asks and the session is made by hand. */
    @Bean
    AuthenticationManager authenticationManager() {
        return authentication -> {
            throw new AuthenticationServiceException("Impossible: people sign in at /api/session");
        };
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    SecurityContextRepository securityContexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    CsrfTokenRepository csrfTokens() {
        CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Strict"));
        return tokens;
    }

    /** Whoever signs in gets another session id and another token against forged requests. */
    @Bean
    SessionAuthenticationStrategy onSignIn(CsrfTokenRepository csrfTokens) {
        CsrfAuthenticationStrategy anotherToken = new CsrfAuthenticationStrategy(csrfTokens);
        anotherToken.setRequestHandler((request, response, token) -> token.get());
        return new CompositeSessionAuthenticationStrategy(
                List.of(new ChangeSessionIdAuthenticationStrategy(), anotherToken));
    }

    /** An address that no browser sends is told as a problem detail too. */
    @Bean
    RequestRejectedHandler rejected() {
        return (request, response, e) -> Refusals.send(
                response,
                400,
                "address-not-readable",
                "This address cannot be read",
                "The address or a header holds something that is not allowed there");
    }
}
