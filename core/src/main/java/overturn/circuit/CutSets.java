package overturn.circuit;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hipparchus.util.Combinations;
import org.hipparchus.util.CombinatoricsUtils;

/**
 * Every way to divide a circuit with at most three devices; those that keep the same parts are one (docs/method.md).
 */
public final class CutSets {

    /**
     * Ways looked at; a circuit with so many joints that three devices give more is divided with two or with one;
     * chosen for speed.
     */
    public static final int MOST_WAYS = 4000;

    /** Plugs and clamps put on at once; a fourth is never at hand; estimate. */
    private static final int MOST_DEVICES = 3;

    private final Layout layout;
    private final List<String> pressed = new ArrayList<>();
    private final Map<String, BitSet> beyond = new HashMap<>();
    private final BitSet whole = new BitSet();

    private CutSets(Layout layout) {
        this.layout = layout;
        layout.chambers().forEach(chamber -> press(chamber, layout.master().id(), new BitSet()));
    }

    /** What closes a joint; the easier to fit come first. */
    public enum Device {
        CLAMP,
        PORT_PLUG,
        OUTLET_PLUG,
        LINE_PLUG
    }

    /**
     * One way to divide a circuit.
     *
     * @param device what is fitted, one at each joint
     * @param joints in the order of the layout
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
        return new CutSets(layout).divisions(without);
    }

    private List<Division> divisions(Collection<CutSet> without) {
        Set<BitSet> known = without.stream().map(cuts -> kept(cuts.closed())).collect(Collectors.toSet());
        Map<Device, List<String>> joints = new LinkedHashMap<>();
        for (Device device : Device.values()) {
            joints.put(
                    device,
                    layout.joints().stream()
                            .filter(j -> fits(layout, j, device))
                            .map(Joint::id)
                            .toList());
        }
        int mostDevices = MOST_DEVICES;
        while (mostDevices > 1 && ways(joints.values(), mostDevices) > MOST_WAYS) {
            mostDevices--;
        }
        Map<BitSet, Division> byKept = new LinkedHashMap<>();
        for (Map.Entry<Device, List<String>> entry : joints.entrySet()) {
            for (List<String> chosen : chosen(entry.getValue(), mostDevices)) {
                BitSet kept = kept(chosen);
                if (!known.contains(kept)) {
                    byKept.computeIfAbsent(kept, k -> new Division(entry.getKey(), chosen, takenOut(chosen, k)));
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

    private static long ways(Collection<List<String>> joints, int mostDevices) {
        return joints.stream()
                .mapToLong(own -> IntStream.rangeClosed(1, Math.min(mostDevices, own.size()))
                        .mapToLong(n -> CombinatoricsUtils.binomialCoefficient(own.size(), n))
                        .sum())
                .sum();
    }

    private static List<List<String>> chosen(List<String> joints, int mostDevices) {
        List<List<String>> all = new ArrayList<>();
        for (int devices = 1; devices <= Math.min(mostDevices, joints.size()); devices++) {
            for (int[] picked : new Combinations(joints.size(), devices)) {
                all.add(IntStream.of(picked).mapToObj(joints::get).toList());
            }
        }
        return all;
    }

    /**
     * One place per part and chamber that presses on it, since a part that two chambers share may lose one; what lies
     * beyond a joint is found on the way.
     */
    private void press(Chamber chamber, String part, BitSet way) {
        way.set(pressed.size());
        whole.set(pressed.size());
        pressed.add(part);
        for (Joint joint : layout.leaving(part)) {
            if (joint.chamber() == chamber) {
                BitSet behind = new BitSet();
                press(chamber, joint.to(), behind);
                beyond.put(joint.id(), behind);
                way.or(behind);
            }
        }
    }

    private BitSet kept(Collection<String> closed) {
        BitSet kept = (BitSet) whole.clone();
        closed.forEach(joint ->
                kept.andNot(requireNonNull(beyond.get(layout.joint(joint).id()))));
        return kept;
    }

    private Set<String> takenOut(List<String> joints, BitSet kept) {
        Set<String> out = new TreeSet<>();
        joints.forEach(joint -> requireNonNull(beyond.get(joint)).stream()
                .mapToObj(pressed::get)
                .forEach(out::add));
        kept.stream().mapToObj(pressed::get).forEach(out::remove);
        return out;
    }
}
