package overturn.app.usecase;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.job.SavedLayouts;
import overturn.app.job.Staff;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import overturn.layoutfile.RefusedLayoutException;

/** Checks and saves layouts that the workshop made. */
@Component
public class SaveLayout {

    private final SavedLayouts saved;
    private final Staff staff;
    private final Clock clock;

    SaveLayout(SavedLayouts saved, Staff staff, Clock clock) {
        this.saved = saved;
        this.staff = staff;
        this.clock = clock;
    }

    /** @throws InvalidInputException naming everything that keeps it from being a circuit */
    public LayoutFile check(String json) {
        try {
            return LayoutFiles.read(json);
        } catch (RefusedLayoutException e) {
            throw new InvalidInputException(e.refusals().stream().map(r -> new Finding(r.field(), r.given().isEmpty() ? "" : "“" + r.given() + "”", r.why())).toList());
        }
    }

    /**
     * Saves a layout; sending the same again changes nothing.
     *
     * @throws InvalidInputException if it is none, the id is in use for another one, or the person unknown
     */
    @Transactional
    public LayoutFile save(String personId, String json) {
        LayoutFile file = check(json);
        List<String> people = staff.all().stream().map(Staff.Person::id).toList();
        Optional<LayoutFile> there = Presets.find(file.id()).or(() -> saved.find(file.id()));
        new Checks().that(() -> people.contains(personId), "personId", personId, "one of " + people)
                .that(() -> there.isEmpty() || there.get().equals(file), "id", file.id(), "an id that no other layout has: a saved layout never changes")
                .orThrow();
        if (there.isEmpty()) {
            saved.add(file, personId, clock.instant());
        }
        return file;
    }
}
