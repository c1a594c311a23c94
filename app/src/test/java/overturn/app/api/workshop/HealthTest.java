package overturn.app.api.workshop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import overturn.app.config.SecurityConfiguration;
import overturn.app.support.ApiClient;
import overturn.app.support.OverturnServer;
import overturn.app.usecase.workshop.Health;
import overturn.app.usecase.workshop.Health.Check;
import tools.jackson.databind.JsonNode;

/** Health is asked of what has to work, and fails with it. */
@ExtendWith(OverturnServer.class)
class HealthTest {

    @Test
    void everythingThatHasToWorkIsLookedAt(OverturnServer.Running server) {
        JsonNode health = new ApiClient(server.address()).get("/api/health").body();
        assertEquals("up", health.get("status").asString());
        assertEquals(
                List.of("store", "heap", "assessing"),
                health.get("checks")
                        .valueStream()
                        .map(c -> c.get("name").asString())
                        .toList());
    }

    @Test
    void whatDoesNotWorkIsNamedAndTheAnswerIsAProblem() {
        Health health = mock(Health.class);
        when(health.checks())
                .thenReturn(List.of(
                        new Check("store", false, "does not answer, or takes no writes"),
                        new Check("heap", true, "12 % held")));
        HttpServletRequest operator = mock(HttpServletRequest.class);
        when(operator.getUserPrincipal())
                .thenReturn(UsernamePasswordAuthenticationToken.authenticated(
                        "token", null, AuthorityUtils.createAuthorityList(SecurityConfiguration.OPERATOR)));
        ResponseEntity<?> answer = new HealthController(health).health(operator);
        assertEquals(503, answer.getStatusCode().value());
        ProblemDetail problem = (ProblemDetail) answer.getBody();
        assertTrue(
                problem.getDetail().contains("store: does not answer")
                        && !problem.getDetail().contains("heap"),
                problem.getDetail());
    }
}
