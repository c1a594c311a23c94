package overturn.app.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Sessions are kept in the store too: one that cannot be read because the store is away is told like every other answer
 * of a store that is away, before a request has reached a controller.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class StoreAwayFilter extends OncePerRequestFilter {

    public static final String TYPE = "store-away";
    public static final String TITLE = "The store does not answer";
    public static final String DETAIL = "Nothing was written. What was typed stays on this device and is sent again.";

    private static final Logger LOG = LoggerFactory.getLogger(StoreAwayFilter.class);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException e) {
            if (response.isCommitted()) {
                throw e;
            }
            LOG.error("The store does not answer: {}", e.getMessage());
            response.reset();
            Refusals.send(response, 503, TYPE, TITLE, DETAIL);
        }
    }
}
