package overturn.app.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Repository;
import overturn.app.workshop.Backups;

/** Reads what the command that makes backups wrote down: a line for each thing it tells. */
@Repository
class BackupStatusFile implements Backups {

    private static final Logger LOG = LoggerFactory.getLogger(BackupStatusFile.class);

    private final String file;

    BackupStatusFile(@Value("${overturn.backup-status:}") String file) {
        this.file = file;
    }

    @Override
    public Optional<LastBackup> last() {
        if (file.isEmpty() || !Files.isReadable(Path.of(file))) {
            return Optional.empty();
        }
        try {
            Map<String, String> told = new HashMap<>();
            for (String line : Files.readAllLines(Path.of(file))) {
                String[] parts = line.split("=", 2);
                told.put(parts[0], parts.length == 2 ? parts[1] : "");
            }
            String good = told.getOrDefault("good", "");
            return Optional.of(new LastBackup(
                    "yes".equals(told.get("ok")),
                    Instant.parse(told.getOrDefault("tried", "")),
                    good.isEmpty() ? Optional.empty() : Optional.of(Instant.parse(good)),
                    Integer.parseInt(told.getOrDefault("hours", "")),
                    told.getOrDefault("message", "")));
        } catch (IOException | DateTimeException | NumberFormatException e) {
            LOG.warn("{} tells nothing of the last backup: {}", file, e.toString());
            return Optional.empty();
        }
    }
}
