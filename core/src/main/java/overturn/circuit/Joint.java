package overturn.circuit;

import java.util.Objects;
import java.util.Set;

/**
 * Where two components meet: a possible cut point.
 *
 * @param id      unique in the layout
 * @param from    id of the component nearer the foot
 * @param to      id of the component nearer the wheel
 * @param chamber the chamber whose pressure it carries
 * @param cuts    the ways in which a technician can cut it
 */
public record Joint(String id, String from, String to, Chamber chamber, Set<CutKind> cuts) {

    public Joint {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(from, "from");
        Objects.requireNonNull(to, "to");
        Objects.requireNonNull(chamber, "chamber");
        cuts = Set.copyOf(cuts);
    }

    /** How a joint can be cut. */
    public enum CutKind { PLUG, CLAMP }
}
