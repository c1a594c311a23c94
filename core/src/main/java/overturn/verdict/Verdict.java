package overturn.verdict;

import java.util.List;
import java.util.Optional;
import overturn.evidence.Reading;
import overturn.quantity.Dimension;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * The named remedy or two, the suspects behind it, its grade and what it hangs on.
 *
 * @param cure the likeliest cure: one remedy, or two where two suspects are at fault at once
 * @param suspects the leading suspect of each remedy of the cure, the likelier first; empty where none of these leads
 * @param probability that every remedy of the cure is needed
 * @param wasteMinutes what acting on it now is expected to waste: remedies done for nothing, the job begun anew
 * @param enough probability that nothing beyond the cure is needed
 * @param grade how far it is shown
 * @param carriers readings that carry it, the strongest first
 * @param missing what stands in the way of a proof; empty when proven
 * @param overturners what would overturn it, per rival
 * @param stripDown rivals that no test left here tells from it, and what taking apart will show; empty where tests can
 */
public record Verdict(
        Cure cure,
        List<Suspect> suspects,
        double probability,
        double wasteMinutes,
        double enough,
        Grade grade,
        List<Reading> carriers,
        List<Missing> missing,
        List<Overturner> overturners,
        Optional<StripDown> stripDown) {

    public Verdict {
        suspects = List.copyOf(suspects);
        carriers = List.copyOf(carriers);
        missing = List.copyOf(missing);
        overturners = List.copyOf(overturners);
    }

    /** The leading remedy. */
    public Remedy remedy() {
        return suspects.isEmpty() ? Remedy.LOOK_ELSEWHERE : suspects.get(0).remedy();
    }

    /** All remedies of it, the likelier first, as they are named to whoever decides. */
    public List<Remedy> remedies() {
        return suspects.isEmpty()
                ? List.of(Remedy.LOOK_ELSEWHERE)
                : suspects.stream().map(Suspect::remedy).toList();
    }

    /**
     * Suspects that no test left here tells apart.
     *
     * @param group the leader and its rivals, at most three
     * @param looks ids of the looks at the parts themselves that will show which it is
     */
    public record StripDown(List<Suspect> group, List<String> looks) {

        public StripDown {
            group = List.copyOf(group);
            looks = List.copyOf(looks);
        }
    }

    /** Id of the hypothesis that the fault is in no list. */
    public static final String NONE_OF_THESE = "none-of-these";

    /** Id of the leading suspect, or of none of these. */
    public String suspectId() {
        return suspects.isEmpty() ? NONE_OF_THESE : suspects.get(0).id();
    }

    /** What a proof still lacks. */
    public enum Missing {
        /** The remedy carries less than 98 %. */
        MORE_WEIGHT,
        /** Some rival has not been separated from it yet. */
        A_RIVAL_SEPARATED,
        /** A fault in no list, which may look like this one, ruled out. */
        NOTHING_UNLISTED,
        /** A second fault beside it is too likely still. */
        NO_SECOND_FAULT,
        /** No isolating or directly observing reading carries it. */
        A_CARRIER,
        /** The rig of the carrying reading is neither proven nor was the reading repeated with another. */
        A_PROVEN_RIG,
        /** Readings do not fit together. */
        NO_CONFLICT,
        /** It hangs on one single other reading; asked only once nothing else is missing. */
        ROBUSTNESS
    }

    /**
     * A reading that would overturn the verdict.
     *
     * @param rival the remedy that would then lead
     * @param procedureId the cheapest test that tells the two apart
     * @param anotherRig whether that test was done already and would be repeated with another rig
     * @param figureId the figure to look at, for a series
     * @param dimension what that figure measures, for a series
     * @param above whether a figure above the threshold overturns, else below
     * @param threshold core units
     * @param option the observation that overturns, for an observation
     */
    public record Overturner(
            Remedy rival,
            String procedureId,
            boolean anotherRig,
            Optional<String> figureId,
            Optional<Dimension> dimension,
            boolean above,
            double threshold,
            Optional<String> option) {}
}
