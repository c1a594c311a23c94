package overturn.secondworld;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.CutSet;
import overturn.circuit.End;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;

/** What one cut set leaves on each chamber, and the way from the master to each end. */
final class Circuitry {

    /** An end of a chamber with the hose before it, where there is one, and the valve that limits it. */
    record Branch(End end, int number, List<Component> way) {}

    final CutSet cuts;
    private final Map<Chamber, List<Branch>> branches = new EnumMap<>(Chamber.class);
    private final Map<Chamber, List<Component>> parts = new EnumMap<>(Chamber.class);
    private final Map<Chamber, Boolean> open = new EnumMap<>(Chamber.class);
    /** Ends at which a screw or joint is cracked. */
    final Set<String> crackedEnds = new HashSet<>();

    Circuitry(Layout layout, CutSet cuts) {
        this.cuts = cuts;
        Map<String, Integer> numbers = new HashMap<>();
        layout.components().forEach(c -> numbers.put(c.id(), numbers.size()));
        for (Chamber chamber : layout.chambers()) {
            Set<String> connected = layout.connected(chamber, cuts);
            List<Branch> ends = new ArrayList<>();
            List<Component> all = new ArrayList<>();
            for (String id : connected) {
                Component part = layout.component(id);
                all.add(part);
                if (part instanceof End end && layout.chamberOf(id) == chamber) {
                    ends.add(new Branch(end, numbers.getOrDefault(id, 0), way(layout, chamber, id)));
                }
            }
            branches.put(chamber, ends);
            parts.put(chamber, all);
            boolean isOpen = false;
            for (String opened : cuts.opened()) {
                Joint joint = layout.joint(opened);
                if (joint.chamber() == chamber) {
                    isOpen |= connected.contains(joint.from());
                    if (layout.component(joint.to()) instanceof End) {
                        crackedEnds.add(joint.to());
                    }
                }
            }
            open.put(chamber, isOpen);
        }
    }

    private static List<Component> way(Layout layout, Chamber chamber, String endId) {
        List<Component> way = new ArrayList<>();
        String at = endId;
        while (true) {
            String here = at;
            Joint into = layout.joints().stream()
                    .filter(j -> j.to().equals(here) && j.chamber() == chamber)
                    .findFirst()
                    .orElse(null);
            if (into == null || layout.component(into.from()) instanceof Component.Master) {
                return way;
            }
            way.add(layout.component(into.from()));
            at = into.from();
        }
    }

    boolean has(Isolation isolation) {
        return cuts.isolations().contains(isolation);
    }

    boolean reaches(Chamber chamber, String id) {
        return parts.getOrDefault(chamber, List.of()).stream().anyMatch(p -> p.id().equals(id));
    }

    /** Ends that a chamber reaches. */
    List<Branch> branches(Chamber chamber) {
        return branches.getOrDefault(chamber, List.of());
    }

    /** Parts that a chamber reaches. */
    List<Component> parts(Chamber chamber) {
        return parts.getOrDefault(chamber, List.of());
    }

    /** Whether a joint cracked open keeps a chamber from pressing. */
    boolean isOpen(Chamber chamber) {
        return open.getOrDefault(chamber, false);
    }
}
