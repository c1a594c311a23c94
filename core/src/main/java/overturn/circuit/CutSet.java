package overturn.circuit;

import java.util.Set;
import java.util.TreeSet;

/** The joints that are plugged or clamped; everything beyond them is out of the circuit. */
public record CutSet(Set<String> jointIds) {

    /** Nothing cut. */
    public static final CutSet NONE = new CutSet(Set.of());

    public CutSet {
        jointIds = Set.copyOf(jointIds);
    }

    /** Cuts at these joints. */
    public static CutSet of(String... jointIds) {
        return new CutSet(new TreeSet<>(Set.of(jointIds)));
    }

    /** This cut set with one joint opened up again. */
    public CutSet without(String jointId) {
        Set<String> rest = new TreeSet<>(jointIds);
        rest.remove(jointId);
        return new CutSet(rest);
    }
}
