package overturn.suspect;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The repairs that a vehicle has had since it came, in order. The same repair done twice counts twice: it may have
 * brought something each time, and what is read after the second tells of the second.
 *
 * @param cures what each remedied
 */
public record Repaired(List<Cure> cures) {

    /** As the vehicle came. */
    public static final Repaired NONE = new Repaired(List.of());

    public Repaired {
        cures = List.copyOf(cures);
    }

    /** One more repair. */
    public Repaired and(Cure cure) {
        List<Cure> more = new ArrayList<>(cures);
        more.add(cure);
        return new Repaired(more);
    }

    /** The first so many of them. */
    public Repaired first(int repairs) {
        return new Repaired(cures.subList(0, repairs));
    }

    public boolean isEmpty() {
        return cures.isEmpty();
    }

    /** All that has been remedied; empty before any repair. */
    public Optional<Cure> all() {
        return cures.stream().reduce(Cure::and);
    }

    /** Whether a remedy has been done, named or brought along. */
    public boolean settles(Remedy remedy) {
        return cures.stream().anyMatch(cure -> cure.settles(remedy));
    }
}
