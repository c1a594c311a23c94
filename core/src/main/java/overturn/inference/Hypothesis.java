package overturn.inference;

import java.util.List;
import java.util.Optional;
import overturn.suspect.Cure;
import overturn.suspect.Suspect;

/**
 * What may be the matter: one suspect (nothing wrong among them), two at once, or none of these.
 *
 * @param first  index of the suspect in the layout's list, {@link #NO} for none of these
 * @param second index of the other suspect of a pair, {@link #NO} otherwise; above {@code first}
 */
public record Hypothesis(int first, int second) {

    static final int NO = -1;
    /** Something that no suspect of the list describes. */
    public static final Hypothesis NONE_OF_THESE = new Hypothesis(NO, NO);

    static Hypothesis single(int suspect) {
        return new Hypothesis(suspect, NO);
    }

    static Hypothesis pair(int one, int other) {
        return new Hypothesis(Math.min(one, other), Math.max(one, other));
    }

    @Override
    public int hashCode() {
        return first * 0x9E3779B1 + second * 0x85EBCA6B;
    }

    public boolean isPair() {
        return second != NO;
    }

    public boolean isNoneOfThese() {
        return first == NO;
    }

    /** What is left of it once some remedies are done. */
    Hypothesis after(Optional<Cure> done, List<Suspect> suspects, int sound) {
        if (done.isEmpty() || isNoneOfThese()) {
            return this;
        }
        boolean firstLeft = !done.get().has(suspects.get(first).remedy());
        boolean secondLeft = isPair() && !done.get().has(suspects.get(second).remedy());
        return firstLeft && secondLeft ? this : firstLeft ? single(first) : secondLeft ? single(second) : single(sound);
    }

    /** What would cure it. */
    Cure cure(List<Suspect> suspects) {
        if (isNoneOfThese()) {
            return Cure.LOOK_ELSEWHERE;
        }
        Cure one = Cure.of(suspects.get(first).remedy());
        return isPair() ? one.and(Cure.of(suspects.get(second).remedy())) : one;
    }
}
