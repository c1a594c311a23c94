package overturn.forecast;

import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import overturn.suspect.Cure;
import overturn.suspect.Suspect;

/**
 * What may be the matter: one suspect (nothing wrong among them), two at once, or something that is in no list. The
 * last looks like one of the list in most tests and shows its own way in others: that is how a fault nobody has
 * described gives itself away. After a repair also: that everything was cured, and the repair itself brought a fault.
 *
 * @param first index of the suspect in the layout's list
 * @param second index of the other suspect of a pair, above {@code first}; {@link #NO}, {@link #UNLISTED} or
 *     {@link #BROUGHT} otherwise
 */
public record Hypothesis(int first, int second) {

    /** No second fault; chosen. */
    static final int NO = -1;
    /** A fault in no list; chosen. */
    private static final int UNLISTED = -2;
    /** What the last work brought; chosen. */
    private static final int BROUGHT = -3;

    public static Hypothesis single(int suspect) {
        return new Hypothesis(suspect, NO);
    }

    public static Hypothesis pair(int one, int other) {
        return new Hypothesis(Math.min(one, other), Math.max(one, other));
    }

    /** A fault in no list that looks like this suspect in most tests. */
    public static Hypothesis unlistedLike(int suspect) {
        return new Hypothesis(suspect, UNLISTED);
    }

    /** All that was wrong is cured, and the last repair left this behind. */
    public static Hypothesis brought(int suspect) {
        return new Hypothesis(suspect, BROUGHT);
    }

    @Override
    public int hashCode() {
        return first * 0x9E3779B1 + second * 0x85EBCA6B;
    }

    /** Whether this suspect is at fault. */
    boolean has(int suspect) {
        return !isNoneOfThese() && (first == suspect || second == suspect);
    }

    public boolean isPair() {
        return second >= 0;
    }

    public boolean isSingle() {
        return second == NO;
    }

    public boolean isNoneOfThese() {
        return second == UNLISTED;
    }

    public boolean isBrought() {
        return second == BROUGHT;
    }

    /** What is left of it once some remedies are done. */
    public Hypothesis after(Optional<Cure> done, List<Suspect> suspects, int sound) {
        if (isBrought()) {
            return single(first);
        }
        if (done.isEmpty()) {
            return this;
        }
        boolean firstLeft = !done.get().settles(suspects.get(first).remedy());
        if (isNoneOfThese()) {
            return firstLeft ? this : unlistedLike(sound);
        }
        boolean secondLeft =
                isPair() && !done.get().settles(suspects.get(second).remedy());
        return firstLeft && secondLeft ? this : firstLeft ? single(first) : secondLeft ? single(second) : single(sound);
    }

    /** What of it is left where only some suspects show; nothing wrong where none does. */
    public Hypothesis showing(IntPredicate shows, int sound) {
        if (isNoneOfThese()) {
            return shows.test(first) ? this : unlistedLike(sound);
        }
        boolean showsSecond = isPair() && shows.test(second);
        return shows.test(first)
                ? showsSecond || !isPair() ? this : single(first)
                : single(showsSecond ? second : sound);
    }

    /** What would cure it. */
    public Cure cure(List<Suspect> suspects) {
        if (isNoneOfThese()) {
            return Cure.LOOK_ELSEWHERE;
        }
        Cure one = Cure.of(suspects.get(first).remedy());
        return isPair() ? one.and(Cure.of(suspects.get(second).remedy())) : one;
    }
}
