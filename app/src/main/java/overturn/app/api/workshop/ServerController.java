package overturn.app.api.workshop;

import io.micrometer.prometheusmetrics.PrometheusMeterRegistry;
import io.swagger.v3.oas.annotations.Hidden;
import java.lang.management.ManagementFactory;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.usecase.workshop.Health;
import overturn.app.usecase.workshop.Health.BackupState;
import overturn.app.workshop.Backups.LastBackup;

/** How the server and its backups stand, for whoever looks after it. */
@RestController
@RequestMapping("/api")
class ServerController {

    private final Health health;
    private final PrometheusMeterRegistry measured;
    private final String instance;

    ServerController(
            Health health, PrometheusMeterRegistry measured, @Value("${overturn.instance:here}") String instance) {
        this.health = health;
        this.measured = measured;
        this.instance = instance;
    }

    /** How the backups stand; for everybody, so that somebody notices. */
    @GetMapping("/backups")
    BackupStateView backups() {
        return new BackupStateView(health.backupState(), health.lastBackup().flatMap(LastBackup::lastGoodAt));
    }

    /** What was looked at, sound or not, and the last backup. */
    @GetMapping("/server")
    ServerView server(Actor actor) {
        actor.require(Act.LOOK_AFTER_SERVER);
        return new ServerView(
                instance,
                Instant.ofEpochMilli(ManagementFactory.getRuntimeMXBean().getStartTime()),
                health.checks().stream()
                        .map(c -> new HealthController.CheckView(c.name(), c.sound(), c.found()))
                        .toList(),
                backups(),
                health.lastBackup().map(LastBackup::triedAt),
                health.lastBackup().map(LastBackup::message));
    }

    /** Everything that is measured, in the text format of Prometheus. */
    @Hidden
    @GetMapping(value = "/metrics", produces = "text/plain; version=0.0.4; charset=utf-8")
    String metrics() {
        return measured.scrape();
    }

    /** How backups stand, and when the last good one was made; absent where there is none. */
    record BackupStateView(BackupState state, Optional<Instant> lastGoodAt) {}

    /** One instance of the server: which, since when it is up, what was looked at, the last backup. */
    record ServerView(
            String instance,
            Instant upSince,
            List<HealthController.CheckView> checks,
            BackupStateView backups,
            Optional<Instant> backupTriedAt,
            Optional<String> backupMessage) {}
}
