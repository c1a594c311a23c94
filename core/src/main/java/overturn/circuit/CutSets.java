package overturn.circuit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hipparchus.util.Combinations;

/** Every way to divide a circuit with at most three devices; those that keep the same parts are one (handbook 03). */
public final class CutSets {

    private static final int MOST_DEVICES = 3;

    private CutSets() {
    }

    /** What closes a joint; the easier to fit come first. */
    public enum Device { CLAMP, PORT_PLUG, OUTLET_PLUG, LINE_PLUG }

    /**
     * One way to divide a circuit.
     *
     * @param device   what is fitted, one at each joint
     * @param joints   in the order of the layout
     * @param takenOut components that no chamber presses on any more
     */
    public record Division(Device device, List<String> joints, Set<String> takenOut) {

        public CutSet cuts() {
            return CutSet.closing(Set.copyOf(joints));
        }
    }

    /**
     * All ways, the easier before the harder, fewer devices before more.
     *
     * @param without ways that are known already
     */
    public static List<Division> of(Layout layout, Collection<CutSet> without) {
        Set<Set<String>> known = without.stream().map(cuts -> kept(layout, cuts)).collect(Collectors.toSet());
        Map<Set<String>, Division> byKept = new LinkedHashMap<>();
        for (Device device : Device.values()) {
            List<String> joints = layout.joints().stream().filter(j -> fits(layout, j, device)).map(Joint::id).toList();
            for (List<String> chosen : chosen(joints)) {
                Set<String> kept = kept(layout, CutSet.closing(Set.copyOf(chosen)));
                if (!known.contains(kept)) {
                    byKept.putIfAbsent(kept, new Division(device, chosen, takenOut(layout, chosen)));
                }
            }
        }
        return List.copyOf(byKept.values());
    }

    private static boolean fits(Layout layout, Joint joint, Device device) {
        boolean port = joint.from().equals(layout.master().id());
        boolean outlet = layout.component(joint.from()) instanceof Component.Modulator;
        return switch (device) {
            case CLAMP -> layout.canClamp(joint);
            case PORT_PLUG -> port;
            case OUTLET_PLUG -> outlet;
            case LINE_PLUG -> !port && !outlet;
        };
    }

    private static List<List<String>> chosen(List<String> joints) {
        List<List<String>> all = new ArrayList<>();
        for (int devices = 1; devices <= Math.min(MOST_DEVICES, joints.size()); devices++) {
            for (int[] picked : new Combinations(joints.size(), devices)) {
                all.add(IntStream.of(picked).mapToObj(joints::get).toList());
            }
        }
        return all;
    }

    /** Parts that a chamber still presses on, each with its chamber: a part that two chambers share may lose one. */
    private static Set<String> kept(Layout layout, CutSet cuts) {
        return layout.chambers().stream().flatMap(chamber -> layout.connected(chamber, cuts).stream().map(id -> chamber + " " + id))
                .collect(Collectors.toSet());
    }

    private static Set<String> takenOut(Layout layout, List<String> joints) {
        Set<String> out = new LinkedHashSet<>();
        joints.forEach(joint -> out.addAll(layout.beyond(joint)));
        CutSet cuts = CutSet.closing(Set.copyOf(joints));
        layout.chambers().forEach(chamber -> out.removeAll(layout.connected(chamber, cuts)));
        return new TreeSet<>(out);
    }
}
