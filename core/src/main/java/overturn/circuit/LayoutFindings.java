package overturn.circuit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jgrapht.Graph;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleDirectedGraph;
import org.jgrapht.traverse.BreadthFirstIterator;

/** Finds everything that keeps a set of parts and joints from being a circuit. */
final class LayoutFindings {

    /** Shortest stroke of a chamber, mm: that of the smallest levers; estimate. */
    private static final double LEAST_STROKE_MM = 3;

    private final Family family;
    private final List<Component> components;
    private final List<Joint> joints;
    private final Map<String, Component> byId = new HashMap<>();
    private final List<LayoutFinding> findings = new ArrayList<>();

    private LayoutFindings(Family family, List<Component> components, List<Joint> joints) {
        this.family = family;
        this.components = components;
        this.joints = joints;
    }

    static List<LayoutFinding> of(Family family, List<Component> components, List<Joint> joints) {
        LayoutFindings all = new LayoutFindings(family, components, joints);
        all.repeatedParts();
        all.counts();
        all.danglingJoints();
        if (all.findings.isEmpty()) {
            all.fedOnce();
            all.reachesAnEnd();
            all.chambersFeed();
            all.familyFits();
        }
        return all.findings;
    }

    private void found(String where, String what) {
        findings.add(new LayoutFinding(where, what));
    }

    private void repeatedParts() {
        components.forEach(c -> {
            if (byId.put(c.id(), c) != null) {
                found(c.id(), "stands twice; every part needs its own name");
            }
        });
        Set<String> ids = new HashSet<>();
        joints.stream()
                .map(Joint::id)
                .filter(id -> !ids.add(id))
                .forEach(id -> found(id, "stands twice; every joint needs its own name"));
    }

    private void counts() {
        exactlyOne(Input.class, "input (pedal or lever)");
        exactlyOne(Component.Master.class, "master");
        exactlyOne(Component.Reservoir.class, "reservoir");
        if (count(Assist.class) > 1) {
            found("assist", "stands " + count(Assist.class) + " times; at most one is possible");
        }
        if (count(Component.Modulator.class) > 1) {
            found("modulator", "stands " + count(Component.Modulator.class) + " times; at most one is possible");
        }
        if (count(End.class) == 0) {
            found("ends", "are missing; at least one caliper, wheel cylinder or slave is needed");
        }
    }

    private long count(Class<?> kind) {
        return components.stream().filter(kind::isInstance).count();
    }

    private void exactlyOne(Class<?> kind, String name) {
        if (count(kind) != 1) {
            found(name, "stands " + count(kind) + " times; exactly one is needed");
        }
    }

    private void danglingJoints() {
        for (Joint joint : joints) {
            for (String end : List.of(joint.from(), joint.to())) {
                if (!byId.containsKey(end)) {
                    found(joint.id(), "leads to " + end + ", which is not in the layout");
                }
            }
        }
        components.stream()
                .filter(c -> c instanceof Component.Master m && !m.tandem())
                .forEach(m -> joints.stream()
                        .filter(j -> j.chamber() == Chamber.SECONDARY)
                        .forEach(j -> found(
                                j.id(), "belongs to a secondary chamber, but " + m.id() + " has one chamber only")));
    }

    /** One way in for every part, per chamber for the modulator: a tree, no rings. */
    private void fedOnce() {
        Map<String, Long> ways = joints.stream()
                .collect(Collectors.groupingBy(
                        j -> byId.get(j.to()) instanceof Component.Modulator ? j.to() + " " + j.chamber() : j.to(),
                        Collectors.counting()));
        ways.forEach((part, count) -> {
            if (count > 1) {
                found(part, "is fed by " + count + " joints; fluid must have one way in");
            }
        });
        joints.stream()
                .filter(j -> byId.get(j.to()) instanceof Component.Master)
                .forEach(j -> found(j.id(), "leads back into the master"));
    }

    private Set<String> reachedFromMaster() {
        Graph<String, DefaultEdge> graph = new SimpleDirectedGraph<>(DefaultEdge.class);
        byId.keySet().forEach(graph::addVertex);
        joints.stream().filter(j -> !j.from().equals(j.to())).forEach(j -> graph.addEdge(j.from(), j.to()));
        Set<String> reached = new HashSet<>();
        String master = components.stream()
                .filter(Component.Master.class::isInstance)
                .findFirst()
                .orElseThrow()
                .id();
        new BreadthFirstIterator<>(graph, master).forEachRemaining(reached::add);
        return reached;
    }

    private void reachesAnEnd() {
        Set<String> reached = reachedFromMaster();
        for (Component part : components) {
            boolean hydraulic =
                    !(part instanceof Input || part instanceof Assist || part instanceof Component.Reservoir);
            boolean fed = reached.contains(part.id());
            boolean feeds = joints.stream().anyMatch(j -> j.from().equals(part.id()));
            if (hydraulic && !(part instanceof Component.Master) && !fed) {
                found(part.id(), "is not joined to the master's side");
            }
            if (hydraulic && !(part instanceof End) && !feeds) {
                found(part.id(), "leads nowhere; join it to an end or take it out");
            }
            if (part instanceof End && feeds) {
                found(part.id(), "is an end, but something is joined behind it");
            }
        }
        joints.stream()
                .filter(j -> !(byId.get(j.from()) instanceof Component.Master))
                .filter(j -> joints.stream().noneMatch(k -> k.to().equals(j.from()) && k.chamber() == j.chamber()))
                .forEach(j -> found(
                        j.id(),
                        "carries the " + j.chamber().name().toLowerCase(java.util.Locale.ROOT)
                                + " chamber, but what feeds " + j.from() + " does not"));
    }

    /** A second chamber has a stroke that a piston can be made with, and something to press on. */
    private void chambersFeed() {
        for (Component part : components) {
            if (part instanceof Component.Master master && master.tandem()) {
                if (master.secondaryStrokeMm() < LEAST_STROKE_MM) {
                    found(
                            master.id(),
                            "has a secondary stroke of " + master.secondaryStrokeMm()
                                    + " mm; 0 (one chamber) or at least " + LEAST_STROKE_MM + " mm is possible");
                }
                for (Chamber chamber : Chamber.values()) {
                    if (joints.stream().noneMatch(j -> j.from().equals(master.id()) && j.chamber() == chamber)) {
                        found(
                                master.id(),
                                "has a " + chamber.name().toLowerCase(java.util.Locale.ROOT)
                                        + " chamber that feeds nothing; join it to an end, or give it one chamber");
                    }
                }
            }
        }
    }

    private void familyFits() {
        boolean vacuum = count(Assist.VacuumAssist.class) == 1;
        boolean hydraulic = count(Assist.HydraulicAssist.class) == 1;
        boolean slaves = count(End.Slave.class) == count(End.class);
        boolean fits = switch (family) {
            case VACUUM_BRAKE -> vacuum;
            case HYDRAULIC_BRAKE -> hydraulic;
            case UNASSISTED_BRAKE, LEVER_BRAKE -> !vacuum && !hydraulic && count(End.Slave.class) == 0;
            case PEDAL_CLUTCH, CONCENTRIC_CLUTCH, LEVER_CLUTCH -> slaves;
        };
        if (!fits) {
            found("family", family.id() + " does not fit the parts; change the family, the assist or the ends");
        }
        if (family.lever() != (count(Input.Lever.class) == 1)) {
            found("family", family.id() + (family.lever() ? " needs a lever" : " needs a pedal"));
        }
    }
}
