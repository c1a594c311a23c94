package overturn.suspect;

import java.util.ArrayList;
import java.util.List;

/**
 * The remedies that together cure a vehicle: one for a single fault, two for a pair.
 *
 * @param mask a bit per remedy, by its ordinal
 */
public record Cure(long mask) {

    private static final List<Remedy> REMEDIES = bits(Remedy.values());
    /** The cure of a sound vehicle: explain and hand back. */
    public static final Cure HAND_BACK = of(Remedy.HAND_BACK);
    /** The cure of a fault that is in no list. */
    public static final Cure LOOK_ELSEWHERE = of(Remedy.LOOK_ELSEWHERE);

    /** One bit each: more remedies than a mask has bits would silently be taken for one another. */
    static <R> List<R> bits(R[] remedies) {
        if (remedies.length > Long.SIZE) {
            throw new IllegalStateException(
                    "Impossible: " + remedies.length + " remedies do not fit into a mask of " + Long.SIZE + " bits");
        }
        return List.of(remedies);
    }

    public Cure {
        if (mask == 0) {
            throw new IllegalArgumentException("A cure needs at least one remedy");
        }
    }

    public static Cure of(Remedy... remedies) {
        long mask = 0;
        for (Remedy remedy : remedies) {
            mask |= 1L << remedy.ordinal();
        }
        return new Cure(mask);
    }

    /** The remedies, in the order of the catalogue. */
    public List<Remedy> remedies() {
        List<Remedy> all = new ArrayList<>(2);
        for (long left = mask; left != 0; left &= left - 1) {
            all.add(REMEDIES.get(Long.numberOfTrailingZeros(left)));
        }
        return all;
    }

    public boolean has(Remedy remedy) {
        return (mask & 1L << remedy.ordinal()) != 0;
    }

    /** Both cures; what one of the remedies brings along is not named. */
    public Cure and(Cure other) {
        Cure both = new Cure(mask | other.mask);
        return of(both.remedies().stream()
                .filter(r -> both.remedies().stream().noneMatch(by -> by.bringsAlong(r)))
                .toArray(Remedy[]::new));
    }

    /** Whether every remedy of the other is named by this one. */
    public boolean includes(Cure other) {
        return (other.mask & ~mask) == 0;
    }

    /** Whether a remedy is done with this, named or brought along. */
    public boolean settles(Remedy remedy) {
        return has(remedy) || remedies().stream().anyMatch(by -> by.bringsAlong(remedy));
    }

    /** Whether doing this cures what needs the other; a sound vehicle needs nothing. */
    public boolean cures(Cure needed) {
        return needed.equals(HAND_BACK) || needed.remedies().stream().allMatch(this::settles);
    }
}
