package overturn.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jgrapht.Graph;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;
import org.jgrapht.traverse.BreadthFirstIterator;

/**
 * The hydraulic circuit of a vehicle.
 *
 * @param id         stable name of the layout
 * @param components all parts; exactly one pedal, assist, master and reservoir
 * @param joints     where they meet, per chamber
 */
public record Layout(String id, Family family, List<Component> components, List<Joint> joints) {

    /** @throws IllegalArgumentException naming every finding at once: repeated ids, dangling joints, missing parts */
    public Layout {
        components = List.copyOf(components);
        joints = List.copyOf(joints);
        List<String> findings = findings(components, joints);
        if (!findings.isEmpty()) {
            throw new IllegalArgumentException("Layout " + id + ": " + String.join("; ", findings));
        }
    }

    private static List<String> findings(List<Component> components, List<Joint> joints) {
        List<String> findings = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        components.stream().map(Component::id).filter(id -> !ids.add(id))
                .forEach(id -> findings.add("component " + id + " stands twice"));
        Set<String> jointIds = new HashSet<>();
        for (Joint joint : joints) {
            if (!jointIds.add(joint.id())) {
                findings.add("joint " + joint.id() + " stands twice");
            }
            for (String end : List.of(joint.from(), joint.to())) {
                if (!ids.contains(end)) {
                    findings.add("joint " + joint.id() + " leads to " + end + ", which is not in the layout");
                }
            }
        }
        for (Class<?> kind : List.of(Component.Pedal.class, Component.VacuumAssist.class, Component.TandemMaster.class,
                Component.Reservoir.class)) {
            long count = components.stream().filter(kind::isInstance).count();
            if (count != 1) {
                findings.add("needs exactly one " + kind.getSimpleName() + ", has " + count);
            }
        }
        return findings;
    }

    /** The only component of this kind. */
    public <T extends Component> T only(Class<T> kind) {
        return all(kind).get(0);
    }

    /** All components of this kind in the order of the layout. */
    public <T extends Component> List<T> all(Class<T> kind) {
        return components.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    public Component component(String id) {
        return components.stream().filter(c -> c.id().equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Component " + id + " is not in layout " + this.id));
    }

    public Joint joint(String id) {
        return joints.stream().filter(j -> j.id().equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Joint " + id + " is not in layout " + this.id));
    }

    /** The components that one chamber still presses on when the given joints are cut; the master is always among them. */
    public Set<String> connected(Chamber chamber, CutSet cuts) {
        cuts.jointIds().forEach(this::joint);
        Graph<String, DefaultEdge> graph = new SimpleGraph<>(DefaultEdge.class);
        components.forEach(c -> graph.addVertex(c.id()));
        joints.stream()
                .filter(j -> j.chamber() == chamber && !cuts.jointIds().contains(j.id()))
                .forEach(j -> graph.addEdge(j.from(), j.to()));
        Set<String> reached = new TreeSet<>();
        new BreadthFirstIterator<>(graph, only(Component.TandemMaster.class).id()).forEachRemaining(reached::add);
        return reached;
    }

    /** The components on the wheel side of a joint, for its chamber. */
    public Set<String> beyond(String jointId) {
        Joint joint = joint(jointId);
        Set<String> all = connected(joint.chamber(), CutSet.NONE);
        Set<String> kept = connected(joint.chamber(), CutSet.of(jointId));
        return all.stream().filter(id -> !kept.contains(id)).collect(Collectors.toCollection(TreeSet::new));
    }
}
