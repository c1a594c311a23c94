package overturn.circuit;

import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;

/**
 * What is taken out of the circuit.
 *
 * @param closed joints plugged or clamped; everything beyond them is out
 * @param opened joints cracked open to a jar; their chamber cannot hold pressure
 * @param isolations everything else
 */
public record CutSet(Set<String> closed, Set<String> opened, Set<Isolation> isolations) {

    /** Nothing cut. */
    public static final CutSet NONE = new CutSet(Set.of(), Set.of(), Set.of());

    public CutSet {
        closed = Set.copyOf(closed);
        opened = Set.copyOf(opened);
        isolations = Set.copyOf(Objects.requireNonNull(isolations, "isolations"));
    }

    /** Plugs or clamps at these joints. */
    public static CutSet of(String... jointIds) {
        return closing(Set.of(jointIds));
    }

    /** Plugs or clamps at these joints. */
    public static CutSet closing(Set<String> jointIds) {
        return new CutSet(jointIds, Set.of(), Set.of());
    }

    /** One joint cracked open. */
    public static CutSet opening(String jointId) {
        return new CutSet(Set.of(), Set.of(jointId), Set.of());
    }

    /** Something other than a joint taken out. */
    public static CutSet by(Isolation isolation) {
        return new CutSet(Set.of(), Set.of(), Set.of(isolation));
    }

    /** This cut set with one plug or clamp taken away again. */
    public CutSet without(String jointId) {
        Set<String> rest = new TreeSet<>(closed);
        rest.remove(jointId);
        return new CutSet(rest, opened, isolations);
    }
}
