package overturn.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.erdtman.jcs.JsonCanonicalizer;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;
import overturn.app.people.Account;
import overturn.app.people.Actor;
import overturn.app.practice.Exercises;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.people.SignIn;
import overturn.app.usecase.people.SignedEntries;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Who does what is asked: whoever is signed in, as the workshop has it now; or, of an entry that waited on a device,
 * whoever signed it. What is signed is the address and the canonical body (RFC 8785) without its place in the log and
 * its age, which are told when it is sent.
 */
public final class ActorFilter extends OncePerRequestFilter {

    /** Name of the request attribute with the {@link Actor}. */
    public static final String ACTOR = "overturn.actor";
    /** Header with the id of the key, a full stop, and the signature. */
    public static final String SIGNATURE = "Entry-Signature";
    /** Header with who the page takes itself to be signed in as, which another tab may have changed. */
    public static final String ACTING_AS = "Acting-As";
    /** Cookie with the id of the device. */
    public static final String DEVICE = "overturn-device";

    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    /** However busy: then the password or the PIN is asked once more. */
    private static final Duration LONGEST_SESSION = Duration.ofDays(7);

    private static final String JOBS = "/api/jobs";
    private static final Pattern OF_JOB = Pattern.compile(
            JOBS + "/(\\p{XDigit}{8}-\\p{XDigit}{4}-\\p{XDigit}{4}-\\p{XDigit}{4}-\\p{XDigit}{12})(/.*)?");

    private final SignIn signIn;
    private final SignedEntries signed;
    private final Exercises exercises;

    ActorFilter(SignIn signIn, SignedEntries signed, Exercises exercises) {
        this.exercises = exercises;
        this.signIn = signIn;
        this.signed = signed;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        boolean person = authentication != null
                && authentication.getAuthorities().stream()
                        .anyMatch(a -> SecurityConfiguration.PERSON.equals(a.getAuthority()));
        if (authentication == null || !person) {
            chain.doFilter(request, response);
            return;
        }
        Optional<Account> account = signIn.working(authentication.getName());
        long sinceSeconds =
                Instant.now().getEpochSecond() - request.getSession().getCreationTime() / 1000;
        if (account.isEmpty() || sinceSeconds > LONGEST_SESSION.toSeconds()) {
            request.getSession().invalidate();
            Refusals.send(
                    response,
                    401,
                    "not-signed-in",
                    "Nobody is signed in",
                    "Sign in anew; what was typed stays on this device");
            return;
        }
        String meant = request.getHeader(ACTING_AS);
        if (meant != null && !meant.equals(authentication.getName())) {
            Refusals.send(
                    response,
                    401,
                    "somebody-else-is-signed-in",
                    "Somebody else is signed in by now",
                    "In another tab somebody else has signed in; what was typed stays on this device");
            return;
        }
        String signature = request.getHeader(SIGNATURE);
        if (signature == null || !request.getRequestURI().startsWith(JOBS)) {
            act(request, response, account.get().actor(), request, chain);
            return;
        }
        byte[] body = request.getInputStream().readAllBytes();
        Optional<Actor> signer = signer(request, signature, body);
        if (signer.isEmpty()) {
            Refusals.send(
                    response,
                    403,
                    "signature-does-not-fit",
                    "This entry is not as it was signed",
                    "It was altered after it was written, comes from another device, or whoever wrote it works here no more;"
                            + " it can be entered anew by whoever is signed in");
            return;
        }
        act(request, response, signer.get(), new Again(request, body), chain);
    }

    /** In an exercise whoever it was set for may do everything, and nobody else anything. */
    private void act(
            HttpServletRequest request,
            HttpServletResponse response,
            Actor actor,
            HttpServletRequest passedOn,
            FilterChain chain)
            throws ServletException, IOException {
        Matcher job = OF_JOB.matcher(request.getRequestURI());
        Optional<SetExercise> exercise =
                job.matches() ? exercises.find(UUID.fromString(job.group(1))) : Optional.empty();
        boolean own =
                exercise.filter(set -> set.personId().equals(actor.personId())).isPresent();
        if (exercise.isPresent() && !own && !request.getMethod().equals("GET")) {
            Refusals.send(
                    response,
                    403,
                    "anothers-exercise",
                    "This exercise is somebody else's",
                    "It was set for " + exercise.get().personId() + "; the lead may look on");
            return;
        }
        if (own
                && request.getMethod().equals("POST")
                && !exercises.ended(List.of(exercise.get().id())).isEmpty()) {
            Refusals.send(
                    response,
                    403,
                    "exercise-over",
                    "This exercise is over",
                    "What was hidden has been told; begin another one");
            return;
        }
        request.setAttribute(ACTOR, own ? actor.practising() : actor);
        chain.doFilter(passedOn, response);
    }

    private Optional<Actor> signer(HttpServletRequest request, String signature, byte[] body) {
        try {
            String[] parts = signature.split("\\.", 2);
            ObjectNode said = (ObjectNode) MAPPER.readTree(body);
            said.remove("sequence");
            said.remove("takenSecondsAgo");
            String text = request.getRequestURI() + "\n"
                    + new JsonCanonicalizer(MAPPER.writeValueAsString(said)).getEncodedString();
            return parts.length < 2
                    ? Optional.empty()
                    : device(request)
                            .flatMap(device -> signed.signer(UUID.fromString(parts[0]), device, text, parts[1]))
                            .map(Account::actor);
        } catch (JacksonException | ClassCastException | IOException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** The id that this device was given; empty where it has none yet. */
    public static Optional<UUID> device(HttpServletRequest request) {
        return cookie(request, DEVICE).flatMap(ActorFilter::uuid);
    }

    private static Optional<UUID> uuid(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    public static Optional<String> cookie(HttpServletRequest request, String name) {
        return request.getCookies() == null
                ? Optional.empty()
                : Arrays.stream(request.getCookies())
                        .filter(cookie -> cookie.getName().equals(name))
                        .map(Cookie::getValue)
                        .findFirst();
    }

    /** A body that was read, to be read again. */
    private static final class Again extends HttpServletRequestWrapper {

        private final byte[] body;

        Again(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream bytes = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public int read() {
                    return bytes.read();
                }

                @Override
                public boolean isFinished() {
                    return bytes.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new IllegalStateException("Impossible: the body is there already");
                }
            };
        }
    }
}
