package overturn.app.api.workshop;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.Problems;
import overturn.app.config.ActorFilter;
import overturn.app.config.SecurityConfiguration;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.usecase.workshop.Health;
import overturn.app.usecase.workshop.Health.Check;

/** Answers whether a reading that is sent now would be kept. */
@RestController
@RequestMapping("/api/health")
class HealthController {

    private final Health health;

    public HealthController(Health health) {
        this.health = health;
    }

    /** What was looked at, all of it sound. */
    public record HealthView(String status, List<CheckView> checks) {}

    /** One thing that was looked at. */
    public record CheckView(String name, boolean sound, String found) {}

    /** What was looked at is told to whoever looks after the server; to others whether it is sound. */
    @GetMapping
    ResponseEntity<?> health(HttpServletRequest request) {
        List<Check> checks = health.checks();
        List<CheckView> views = checks.stream()
                .filter(c -> mayLook(request))
                .map(c -> new CheckView(c.name(), c.sound(), c.found()))
                .toList();
        if (checks.stream().allMatch(Check::sound)) {
            return ResponseEntity.ok(new HealthView("up", views));
        }
        ProblemDetail problem = Problems.problem(
                HttpStatus.SERVICE_UNAVAILABLE,
                "not-sound",
                "The server is not sound",
                String.join(
                        "; ",
                        checks.stream()
                                .filter(c -> !c.sound())
                                .map(c -> mayLook(request) ? c.name() + ": " + c.found() : c.name())
                                .toList()));
        problem.setProperty("checks", views);
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).body(problem);
    }

    private static boolean mayLook(HttpServletRequest request) {
        return SecurityConfiguration.isOperator(request)
                || request.getAttribute(ActorFilter.ACTOR) instanceof Actor actor && actor.may(Act.LOOK_AFTER_SERVER);
    }
}
