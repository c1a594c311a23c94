package overturn.app.api.workshop;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.Problems;
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

    @GetMapping
    ResponseEntity<?> health() {
        List<Check> checks = health.checks();
        List<CheckView> views = checks.stream()
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
                                .map(c -> c.name() + ": " + c.found())
                                .toList()));
        problem.setProperty("checks", views);
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).body(problem);
    }
}
