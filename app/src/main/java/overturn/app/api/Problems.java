package overturn.app.api;

import java.net.URI;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import overturn.app.config.BodyLimitFilter.BodyTooLargeException;
import overturn.app.config.BodyLimitFilter.BodyTooSlowException;
import overturn.app.config.StoreAwayFilter;
import overturn.app.job.StaleLogException;
import overturn.app.people.NotAllowedException;
import overturn.app.usecase.EntryIdTakenException;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.job.UnreadableJobException;
import overturn.app.usecase.job.VerdictChangedException;
import overturn.app.usecase.people.SignInRefusedException;
import tools.jackson.databind.DatabindException;

/** Tells every failure as a problem detail (RFC 9457): what, given, allowed; never a stack trace. */
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail invalid(InvalidInputException e) {
        ProblemDetail problem =
                problem(HttpStatus.UNPROCESSABLE_CONTENT, "input-not-allowed", "This cannot be taken", e.getMessage());
        problem.setProperty("findings", e.findings());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFoundException e) {
        return problem(HttpStatus.NOT_FOUND, "not-found", "Not here", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail notAllowed(NotAllowedException e) {
        ProblemDetail problem = problem(HttpStatus.FORBIDDEN, "not-allowed", "Not for this role", e.getMessage());
        problem.setProperty("act", e.act().id());
        return problem;
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> signInRefused(SignInRefusedException e) {
        HttpStatus status = switch (e.reason()) {
            case TOO_OFTEN -> HttpStatus.TOO_MANY_REQUESTS;
            case PIN_LOCKED, NO_TABLET -> HttpStatus.FORBIDDEN;
            case NAME_OR_PASSWORD, PIN, NOBODY, LINK -> HttpStatus.UNAUTHORIZED;
        };
        ResponseEntity.BodyBuilder answer = ResponseEntity.status(status);
        e.waitSeconds().ifPresent(seconds -> answer.header(HttpHeaders.RETRY_AFTER, Integer.toString(seconds)));
        return answer.body(problem(
                status,
                "sign-in-" + e.reason().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                "Not signed in",
                e.getMessage()));
    }

    @ExceptionHandler
    ProblemDetail stale(StaleLogException e) {
        ProblemDetail problem =
                problem(HttpStatus.CONFLICT, "log-has-grown", "Somebody else entered something", e.getMessage());
        problem.setProperty(
                "findings",
                List.of(new Finding(e.field(), Integer.toString(e.given()), "the " + e.field() + " that stands now")));
        return problem;
    }

    @ExceptionHandler
    ProblemDetail verdictChanged(VerdictChangedException e) {
        return problem(HttpStatus.CONFLICT, "verdict-has-changed", "Another verdict stands now", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail unreadable(UnreadableJobException e) {
        return problem(
                HttpStatus.CONFLICT, "job-not-readable", "This job cannot be opened by this version", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail idTaken(EntryIdTakenException e) {
        return problem(HttpStatus.CONFLICT, "entry-id-taken", "This entry id is in use", e.getMessage());
    }

    @ExceptionHandler
    ProblemDetail badAddress(MethodArgumentTypeMismatchException e) {
        return problem(
                HttpStatus.BAD_REQUEST,
                "address-not-readable",
                "This address cannot be read",
                e.getName() + ": “" + e.getValue() + "” was given, allowed is "
                        + (e.getRequiredType() == UUID.class ? "a UUID" : "a whole number"));
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ProblemDetail storeAway(RuntimeException e) {
        LOG.error("The store does not answer: {}", e.getMessage());
        return problem(
                HttpStatus.SERVICE_UNAVAILABLE, StoreAwayFilter.TYPE, StoreAwayFilter.TITLE, StoreAwayFilter.DETAIL);
    }

    /** A browser that went away while it was answered is nobody's fault; there is nobody left to tell. */
    @ExceptionHandler
    @Nullable
    ProblemDetail bug(Exception e) {
        if (DisconnectedClientHelper.isClientDisconnectedException(e)) {
            return null;
        }
        LOG.error("Our own fault", e);
        return problem(HttpStatus.INTERNAL_SERVER_ERROR, "our-own-fault", "Our own fault", "Nothing was written.");
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof BodyTooLargeException tooLarge) {
                return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE)
                        .body(problem(
                                HttpStatus.CONTENT_TOO_LARGE,
                                "body-too-large",
                                "Too much at once",
                                tooLarge.getMessage()));
            }
            if (cause instanceof BodyTooSlowException tooSlow) {
                return ResponseEntity.status(HttpStatus.REQUEST_TIMEOUT)
                        .header(HttpHeaders.CONNECTION, "close")
                        .body(problem(HttpStatus.REQUEST_TIMEOUT, "body-too-slow", "Too slow", tooSlow.getMessage()));
            }
        }
        ProblemDetail problem = problem(
                HttpStatus.BAD_REQUEST,
                "body-not-readable",
                "This body cannot be read",
                "A JSON object as described at /api/openapi is needed; " + firstLine(e));
        if (e.getMostSpecificCause() instanceof DatabindException cause
                && !cause.getPath().isEmpty()) {
            problem.setProperty("findings", List.of(new Finding(field(cause), "", firstLine(e))));
        }
        return ResponseEntity.badRequest().body(problem);
    }

    private static String field(DatabindException cause) {
        return cause.getPath().stream()
                .map(step ->
                        step.getPropertyName() == null ? Integer.toString(step.getIndex()) : step.getPropertyName())
                .collect(Collectors.joining("."));
    }

    private static String firstLine(HttpMessageNotReadableException e) {
        String message = String.valueOf(e.getMostSpecificCause().getMessage());
        return message.lines().findFirst().orElse("the body was empty").replaceAll("`?(overturn|java)[\\w.$]*\\.", "");
    }

    public static ProblemDetail problem(HttpStatus status, String type, String title, @Nullable String detail) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setType(URI.create("urn:overturn:problem:" + type));
        problem.setTitle(title);
        return problem;
    }
}
