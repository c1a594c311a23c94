package overturn.app.usecase.layout;

import java.time.Clock;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import overturn.app.layout.SavedLayouts;
import overturn.app.people.Act;
import overturn.app.people.Actor;
import overturn.app.usecase.Checks;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;
import overturn.layoutfile.RefusedLayoutException;

/** Checks and saves layouts that the workshop made. */
@Component
public class SaveLayout {

    /** Saved layouts that can stand in the list at once. */
    private static final int MOST_SAVED = 500;

    private final SavedLayouts saved;
    private final Clock clock;

    SaveLayout(SavedLayouts saved, Clock clock) {
        this.saved = saved;
        this.clock = clock;
    }

    /** @throws InvalidInputException naming everything that keeps it from being a circuit */
    public LayoutFile check(String json) {
        try {
            return LayoutFiles.read(json);
        } catch (RefusedLayoutException e) {
            throw new InvalidInputException(
                    e.refusals().stream().map(Finding::of).toList());
        }
    }

    /**
     * Saves a layout; sending the same again changes nothing.
     *
     * @throws InvalidInputException if it is none, or the id is in use for another one
     */
    @Transactional
    public LayoutFile save(Actor actor, String json) {
        actor.require(Act.SAVE_LAYOUT);
        LayoutFile file = check(json);
        Optional<LayoutFile> there = Presets.find(file.id()).or(() -> saved.find(file.id()));
        boolean taken = there.isPresent() || saved.holds(file.id());
        new Checks()
                .that(
                        () -> !taken || there.filter(file::equals).isPresent(),
                        "id",
                        file.id(),
                        "an id that no other layout has: a saved layout never changes")
                .that(
                        () -> taken || offered() < MOST_SAVED,
                        "layouts",
                        offered(),
                        "at most " + MOST_SAVED + " saved ones; withdraw one that is not needed")
                .orThrow();
        if (!taken) {
            saved.add(file, actor.personId(), clock.instant());
        }
        return file;
    }

    /** Keeps a circuit that came with a job, under the name of whoever opened that job. */
    public void takeOver(LayoutFile file, String personId) {
        saved.add(file, personId, clock.instant());
    }

    private long offered() {
        return saved.list().stream().filter(listed -> !listed.withdrawn()).count();
    }

    /**
     * Takes a saved layout out of the list for new jobs; those that stand on it keep it. Sending the same again changes
     * nothing.
     *
     * @throws NotFoundException if there is no such saved layout
     * @throws InvalidInputException if it ships with the program
     */
    @Transactional
    public void withdraw(Actor actor, String id) {
        actor.require(Act.WITHDRAW_LAYOUT);
        new Checks()
                .that(() -> Presets.find(id).isEmpty(), "id", id, "a saved layout: those that ship cannot be withdrawn")
                .orThrow();
        if (!saved.holds(id)) {
            throw new NotFoundException("layout", id);
        }
        saved.withdraw(id, actor.personId(), clock.instant());
    }
}
