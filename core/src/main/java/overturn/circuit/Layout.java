package overturn.circuit;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
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
 * @param id stable name of the layout
 * @param components all parts; one input, at most one assist, one master, one reservoir, at least one end
 * @param joints where they meet, per chamber
 */
public record Layout(String id, Family family, List<Component> components, List<Joint> joints) {

    /** @throws ImpossibleLayoutException naming every finding at once */
    public Layout {
        components = List.copyOf(components);
        joints = List.copyOf(joints);
        List<LayoutFinding> findings = LayoutFindings.of(family, components, joints);
        if (!findings.isEmpty()) {
            throw new ImpossibleLayoutException(id, findings);
        }
    }

    public Input input() {
        return only(Input.class);
    }

    public Component.Master master() {
        return only(Component.Master.class);
    }

    public Component.Reservoir reservoir() {
        return only(Component.Reservoir.class);
    }

    public Optional<Assist> assist() {
        return all(Assist.class).stream().findFirst();
    }

    public Optional<Component.Modulator> modulator() {
        return all(Component.Modulator.class).stream().findFirst();
    }

    public List<End> ends() {
        return all(End.class);
    }

    /** The end of the same kind at the other side of the axle; empty where there is none. */
    public Optional<End> across(End one) {
        return ends().stream()
                .filter(end -> !end.equals(one) && end.getClass() == one.getClass() && end.rear() == one.rear())
                .findFirst();
    }

    /** The chambers of the master. */
    public List<Chamber> chambers() {
        return master().tandem() ? List.of(Chamber.PRIMARY, Chamber.SECONDARY) : List.of(Chamber.PRIMARY);
    }

    private <T extends Component> T only(Class<T> kind) {
        for (Component component : components) {
            if (kind.isInstance(component)) {
                return kind.cast(component);
            }
        }
        throw new IllegalStateException("Layout " + id + " has no " + kind.getSimpleName());
    }

    /** All components of this kind in the order of the layout. */
    public <T extends Component> List<T> all(Class<T> kind) {
        return components.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    public Component component(String id) {
        return components.stream()
                .filter(c -> c.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Component " + id + " is not in layout " + this.id));
    }

    public Joint joint(String id) {
        return joints.stream()
                .filter(j -> j.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Joint " + id + " is not in layout " + this.id));
    }

    /** The joints that leave a component, in the order of the layout. */
    public List<Joint> leaving(String componentId) {
        return joints.stream().filter(j -> j.from().equals(componentId)).toList();
    }

    /** The joints at the master's ports. */
    public List<Joint> ports() {
        return leaving(master().id());
    }

    /** Whether a smooth-jaw clamp may close this joint: it must lead into plain rubber. */
    public boolean canClamp(Joint joint) {
        return component(joint.to()) instanceof Component.Hose hose && hose.kind() == Component.HoseKind.RUBBER;
    }

    /** Joints whose clamps take out every end that can be clamped off. */
    public List<Joint> clamps() {
        return joints.stream().filter(this::canClamp).toList();
    }

    /** The chamber that feeds an end. */
    public Chamber chamberOf(String endId) {
        return joints.stream()
                .filter(j -> j.to().equals(endId))
                .findFirst()
                .orElseThrow()
                .chamber();
    }

    /**
     * The components that one chamber still presses on when the given joints are cut; the master is always among them.
     */
    public Set<String> connected(Chamber chamber, CutSet cuts) {
        cuts.closed().forEach(this::joint);
        cuts.opened().forEach(this::joint);
        Graph<String, DefaultEdge> graph = new SimpleGraph<>(DefaultEdge.class);
        components.forEach(c -> graph.addVertex(c.id()));
        joints.stream()
                .filter(j -> j.chamber() == chamber && !cuts.closed().contains(j.id()))
                .forEach(j -> graph.addEdge(j.from(), j.to()));
        Set<String> reached = new TreeSet<>();
        new BreadthFirstIterator<>(graph, master().id()).forEachRemaining(reached::add);
        return reached;
    }

    /** The components on the wheel side of a joint, for its chamber. */
    public Set<String> beyond(String jointId) {
        Joint joint = joint(jointId);
        Set<String> all = connected(joint.chamber(), CutSet.NONE);
        Set<String> kept = connected(joint.chamber(), CutSet.of(jointId));
        return all.stream().filter(id -> !kept.contains(id)).collect(Collectors.toCollection(TreeSet::new));
    }

    /** The components that fluid passes on its way from the master to a component, nearest the master first. */
    public Collection<String> upstream(String componentId) {
        Deque<String> path = new ArrayDeque<>();
        Optional<Joint> into =
                joints.stream().filter(j -> j.to().equals(componentId)).findFirst();
        while (into.isPresent() && !into.get().from().equals(master().id())) {
            Joint from = into.get();
            path.addFirst(from.from());
            into = joints.stream()
                    .filter(j -> j.to().equals(from.from()) && j.chamber() == from.chamber())
                    .findFirst();
        }
        return path;
    }
}
