package overturn.course;

import java.util.List;
import java.util.Optional;
import overturn.bleeding.BleedSheet;
import overturn.proving.Proving;
import overturn.repair.WorkStep;

/**
 * What was done since a verdict was accepted, as far as it decides where the job stands.
 *
 * @param open steps that are not done, in the order of the work; those that are done only where they apply and the
 *     bleeding of ends, of which the bleed sheet tells, left out
 * @param openBeforeBled those of them that come before the last end is bled
 * @param begun whether any step is done
 * @param sheet the bleed sheet, where the plan bleeds
 * @param released how it was released, while that holds
 * @param takenBack whether there was a release that does not hold any more
 * @param cameBackAs the job that goes on with it
 */
public record Progress(
        List<WorkStep> open,
        List<WorkStep> openBeforeBled,
        boolean begun,
        Optional<BleedSheet> sheet,
        Proving proving,
        Optional<Release> released,
        boolean takenBack,
        Optional<String> cameBackAs) {

    public Progress {
        open = List.copyOf(open);
        openBeforeBled = List.copyOf(openBeforeBled);
    }

    /** How a vehicle was released. */
    public enum Release {
        /** It has to come back for the checks of the next day. */
        CONDITIONAL,
        FINAL
    }
}
