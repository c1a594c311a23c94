package overturn.verdict;

import java.util.List;
import java.util.Optional;
import overturn.evidence.Reading;
import overturn.quantity.Dimension;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;

/**
 * The named remedy and suspect, its grade and what it hangs on.
 *
 * @param remedy      the leading remedy
 * @param suspect     the leading suspect that this remedy cures
 * @param probability of the remedy
 * @param grade       how far it is shown
 * @param carriers    readings that carry it, the strongest first
 * @param missing     what stands in the way of a proof; empty when proven
 * @param overturners what would overturn it, per rival
 */
public record Verdict(Remedy remedy, Suspect suspect, double probability, Grade grade, List<Reading> carriers,
                      List<Missing> missing, List<Overturner> overturners) {

    public Verdict {
        carriers = List.copyOf(carriers);
        missing = List.copyOf(missing);
        overturners = List.copyOf(overturners);
    }

    /** What a proof still lacks. */
    public enum Missing {
        /** The remedy carries less than 95 %. */
        MORE_WEIGHT,
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
     * @param rival       the remedy that would then lead
     * @param procedureId the cheapest test that tells the two apart
     * @param anotherRig  whether that test was done already and would be repeated with another rig
     * @param figureId    the figure to look at, for a series
     * @param dimension   what that figure measures, for a series
     * @param above       whether a figure above the threshold overturns, else below
     * @param threshold   core units
     * @param option      the observation that overturns, for an observation
     */
    public record Overturner(Remedy rival, String procedureId, boolean anotherRig, Optional<String> figureId,
                             Optional<Dimension> dimension, boolean above, double threshold, Optional<String> option) {
    }
}
