package overturn.app.api;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.ProblemDetail;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.method.annotation.ExceptionHandlerMethodResolver;

/** Which failure is told as what. */
class ProblemsTest {

    private final Problems problems = new Problems();

    @Test
    void aStoreThatIsAwayIsToldSoHoweverItFails() {
        ExceptionHandlerMethodResolver handlers = new ExceptionHandlerMethodResolver(Problems.class);
        List<RuntimeException> failures = List.of(
                new DataAccessResourceFailureException("gone"),
                new CannotCreateTransactionException("gone"),
                new TransactionSystemException("JDBC rollback failed"));
        for (RuntimeException failure : failures) {
            assertEquals("storeAway", handlers.resolveMethodByThrowable(failure).getName(), failure.toString());
        }
        DataAccessException secret = new DataAccessResourceFailureException("password for overturn@127.0.0.1 wrong");
        ProblemDetail told = problems.storeAway(secret);
        assertEquals(503, told.getStatus());
        assertFalse(told.getDetail().contains("password"), "nothing of the inside is told");
    }

    @Test
    void ourOwnBugTellsNothingOfTheInside() {
        ProblemDetail told = problems.bug(new IllegalStateException("Impossible: secret"));
        assertEquals(500, told.getStatus());
        assertFalse(told.toString().contains("secret"));
    }

    @Test
    void aBrowserThatWentAwayIsNobodysFault() {
        assertNull(problems.bug(new IOException("Broken pipe")));
    }
}
