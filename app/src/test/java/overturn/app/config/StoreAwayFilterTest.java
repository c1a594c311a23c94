package overturn.app.config;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.mockito.InOrder;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

/** A store that goes away while a session is read. */
class StoreAwayFilterTest {

    private final StoreAwayFilter filter = new StoreAwayFilter();
    private final HttpServletRequest request = mock();
    private final HttpServletResponse response = mock();

    @Test
    void isToldAsAStoreThatIsAwayAndWithNothingOfTheInside() throws Exception {
        ServletOutputStream out = mock();
        when(response.getOutputStream()).thenReturn(out);
        filter.doFilterInternal(request, response, (asked, told) -> {
            throw new CannotCreateTransactionException("password for overturn@127.0.0.1 wrong");
        });
        InOrder order = inOrder(response);
        order.verify(response).reset();
        order.verify(response).setStatus(503);
        order.verify(response).setContentType("application/problem+json");
        ArgumentCaptor<byte[]> body = ArgumentCaptor.captor();
        verify(out).write(body.capture());
        String text = new String(body.getValue(), StandardCharsets.UTF_8);
        assertTrue(text.contains("urn:overturn:problem:store-away"), text);
        assertFalse(text.contains("password"), text);
    }

    @Test
    void anAnswerThatHasGoneOutIsNotFollowedByAnother() {
        when(response.isCommitted()).thenReturn(true);
        assertThrows(
                DataAccessResourceFailureException.class,
                () -> filter.doFilterInternal(request, response, (asked, told) -> {
                    throw new DataAccessResourceFailureException("gone");
                }));
        verify(response, never()).reset();
    }
}
