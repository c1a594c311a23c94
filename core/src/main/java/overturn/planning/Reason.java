package overturn.planning;

import java.util.List;
import overturn.suspect.Remedy;

/**
 * Why a test is worth doing, as data; the sentence is made where it is shown.
 *
 * @param kind what speaks for it
 * @param oneSide remedies whose outcome lies on one side
 * @param oneShare their probability together
 * @param otherSide remedies whose outcome lies on the other
 * @param otherShare their probability together
 */
public record Reason(
        Proposal.Kind kind, List<Remedy> oneSide, double oneShare, List<Remedy> otherSide, double otherShare) {

    public Reason {
        oneSide = List.copyOf(oneSide);
        otherSide = List.copyOf(otherSide);
    }
}
